"""Which part of the cake a heading, a sentence or a note speaks of."""

from __future__ import annotations

import re
from collections.abc import Collection

from entremet.core.card.lines import Component
from entremet.core.ingredients.table import Ingredient, Role

_KINDS = (
    (Component.INCLUSION, r"fold(?:ed)? in|stir(?:red)? in|mix-ins?|additions"),
    (Component.SOAK, r"soak\w*|syrup|drench"),
    (Component.FROSTING, r"frosting|icing|buttercream|butter cream|butter icing|b['’/.]?\s?cream"),
    (Component.FILLING, r"filling|(?:to )?fill(?: with)?$|(?:whipped |pastry )?cream$|curd|"
                        r"custard|compote|"
                        r"caramel$|jam$|praline$|"
                        r"jam layer|middle|sandwich (?:with|the)"),
    (Component.GLAZE, r"glaz\w+|drizzle|(?:\w+ )?sauce"),
    (Component.COATING, r"coat(?:ing)?|ganache|crumb coat|dip(?:ping)?|to roll|enrob\w+"),
    (Component.TOP_LAYER, r"topping|crumble|streusel|on top|(?:the )?top$|over the top"),
    (Component.BASE_LAYER, r"(?:biscuit |crumb )?base$|bottom|crust|upside|"
                           r"in(?:to)? the (?:pan|tin)|(?:pan|tin) layer|caramel layer"),
    (Component.PAN, r"(?:the )?(?:pan|tin)s?$|greasing"),
    (Component.DECORATION, r"decorat\w*|finish\w*|to top$|to serve|to dust|garnish|dusting|"
                           r"sprinkl\w*"),
    (Component.BATTER, r"cake|batter|sponge|cupcakes?|loaf|muffins?|wet|dry|base"),
)
_SENTENCE_CUES = (
    (Component.PAN, r"(?:^|[.;,]\s*|\band\s+)(?:grease|butter|dust|line|brush)\s+(?:and\s+\w+\s+)?"
                    r"(?:the|an?|your|two|three|\d|each)\b[^.;]{0,25}\b(?:tins?|pans?|moulds?)\b|"
                    r"\bfor (?:greasing|the (?:tin|pan)s?)\b"),
    (Component.BASE_LAYER, r"\bin(?:to)? the (?:bottom|base)\b|\bin the (?:tin|pan) first\b|"
                           r"\bover the (?:base|bottom) of the\b"),
    (Component.SOAK, r"(?<!golden )(?<!maple )(?<!corn )(?<!date )(?<!glucose )(?<!agave )"
                     r"(?<!ginger )\bsyrup\b(?! \d)|\bsoak(?!\w*\s+(?:the |"
                     r"your )?(?:\d[^.;]{0,20})?(?:"
                     r"raisins|sultanas|currants|dried|dates|prunes|fruit|figs|apricots|cranberries|"
                     r"poppy|oats|seeds|bread))|\bprick\b|"
                     r"\bspoon\b[^.;]{0,30}\bover\b|\bpour\b"
                     r"[^.;]{0,40}\bover the (?:hot|warm)\b|\bwhile\s+(?:it(?:'|’)?s|it is|still|"
                     r"they(?:'|’)?re|its)\s+(?:still\s+)?(?:hot|warm)\b"),
    (Component.FILLING, r"\bfilling\b|\bfill(?:ed)? (?:it|them|the|with|w\.?/?)(?=\s|$)|"
                        r"\bsandwich\b(?! tins?)|"
                        r"\bspread (?:it |this |that )?(?:over|between)\b|\broll(?:ed)? up with\b"),
    (Component.GLAZE, r"\bglaz"),
    (Component.COATING, r"\bganache\b|\bdip(?:ped)?\b|\broll (?:them|it|each|the|in)\b|"
                        r"\brolled in\b|"
                        r"\bcoat(?:ed)?\b|\bbrush(?:ed)? (?:them|it|the|with|each|all)\b|\benrobe"),
    (Component.FROSTING, r"\bspread (?:it |them |the (?:top|cake) )?with\b|\bfrosting\b|"
                         r"\bicing\b(?! sugar)|\bbutter\s?cream\b|\bfrost\b|\bice (?:it|the)\b"),
    (Component.DECORATION, r"\bscatter|\bsprinkle|\bdecorate|\btop (?:it |them )?with\b|\bdust\b|"
                           r"\bgarnish|\bto finish\b|\bserve with\b"),
    (Component.TOP_LAYER, r"\binto the top\b|\bon top\b|\bover the top\b"),
)
_BEFORE_THE_OVEN = re.compile(r"\bpush|\bpress|\barrange|\blay\b|\bbefore baking\b", re.IGNORECASE)
_BAKED = re.compile(r"\bbak(?:es?|ed|ing)\b(?!\s+(?:powder|soda|tins?|paper|trays?|dish|sheet|"
                    r"pans?))|\bin(?:to)? the oven\b|\b\d+\s*(?:minutes|mins?)\b[^.;]*"
                    r"(?:\boven\b|°|\bdegrees\b)", re.IGNORECASE)
_AFTER = re.compile(r"\b(?:once|when|while|as soon as|after|meanwhile|then|for the (?:filling|"
                    r"icing|"
                    r"glaze|syrup|topping|frosting|coating)|over the (?:cold|hot|warm|cooled)|"
                    r"while still)\b", re.IGNORECASE)
_NOTES = (
    (Component.PAN, r"\bfor (?:greasing|lining|the (?:tin|pan|mould|ring)s?)\b|"
                    r"\bto grease\b|\bto line\b"),
    (Component.DECORATION, r"\b(?:for|to) (?:dust|decorat|serv|finish|sprinkl|garnish)\w*|"
                           r"\bon top to (?:finish|serve)\b"),
    (Component.COATING, r"\b(?:for|to) (?:dipp?|roll|coat)(?:ing)?\b(?! pin)|\bfor brushing\b|"
                        r"\bto brush\b"),
    (Component.TOP_LAYER, r"\bfor (?:the )?top(?:ping)?\b|\bto go on top\b|\bon top\b"),
    (Component.SOAK, r"\bfor (?:the )?(?:syrup|soaking)\b"),
    (Component.FILLING, r"\bfor (?:the )?filling\b|\bto sandwich\b|\bto fill\b"),
    (Component.FROSTING, r"\bfor (?:the )?(?:icing|frosting|buttercream)\b"),
    (Component.GLAZE, r"\bfor (?:the )?(?:glaze|glazing)\b"),
)


def kind_of_heading(words: str) -> Component:
    """Return the component a heading most likely names; batter where nothing says otherwise.

    >>> kind_of_heading("For the syrup")
    <Component.SOAK: 'soak'>
    """
    return named_kind(words) or Component.BATTER


def named_kind(words: str) -> Component | None:
    """Return the component that a heading names, or None where it names none.

    >>> named_kind("Something else") is None
    True
    """
    bare = re.split(r"[!?]\s+", words.strip().strip(":").lower())[-1]
    bare = re.sub(r"^(?:for|to make)\s+(?:the\s+)?", "", bare)
    if _A_CAKE.fullmatch(bare):
        return Component.BATTER
    return next((kind for kind, pattern in _KINDS if re.search(rf"\b(?:{pattern})", bare)), None)


_A_CAKE = re.compile(
    r"(?:(?!(?:to|on|of|over|in|into|between|with|under|round|for|from)\b)[\w'’-]+\s+){0,5}"
    r"(?:cakes?|sponges?|loaf|cupcakes?|muffins?|batter|torte|traybake|tray\s?bake|gateau)")
"""A name that ends in a cake is one, whatever it is flavoured with: custard cake, syrup sponge."""


_CREAMS = frozenset({"double_cream", "heavy_cream", "mascarpone", "ricotta"})


def kind_of_lines(rows: Collection[Ingredient]) -> Component | None:
    """Return the part of a cake that things by themselves make; None where they leave it open.

    Parameters
    ----------
    rows : collection of Ingredient
        What stands under one heading.

    >>> from entremet.core.ingredients.table import TABLE
    >>> kind_of_lines([TABLE.rows["icing_sugar"], TABLE.rows["unsalted_butter"]])
    <Component.FROSTING: 'frosting'>
    """
    keys, roles = {one.key for one in rows}, {one.role for one in rows}
    starch = bool(roles & {Role.FLOUR, Role.STARCH})
    if starch and Role.EGG in roles:
        return Component.BATTER
    if starch:
        loose = roles & {Role.DAIRY, Role.ACID_DAIRY, Role.LIQUID, Role.LEAVENER, Role.FRUIT}
        crumbs = Role.FAT in roles and Role.SUGAR in roles and not loose
        return Component.TOP_LAYER if crumbs else None
    if Role.EGG in roles:
        return None
    wet = roles & {Role.LIQUID, Role.ACID}
    told = (
        (Component.BASE_LAYER, bool(keys & {"crushed_biscuits", "ginger_biscuits"})),
        (Component.FROSTING, "cream_cheese" in keys or (
            "icing_sugar" in keys and Role.FAT in roles)),
        (Component.COATING, Role.CHOCOLATE in roles and bool(
            roles & {Role.DAIRY, Role.FAT})),
        (Component.GLAZE, "icing_sugar" in keys and bool(wet)),
        (Component.FILLING, bool(keys & _CREAMS) or Role.FRUIT in roles or "jam" in keys),
        (Component.SOAK, Role.SUGAR in roles and bool(wet) and Role.FAT not in roles),
    )
    return next((kind for kind, fits in told if fits), None)


def kind_of_sentence(sentence: str) -> Component | None:
    """Return what is done with a thing by its sentence; None for what goes into the batter.

    >>> kind_of_sentence("Brush them with 60 g melted butter")
    <Component.COATING: 'coating'>
    """
    for kind, pattern in _SENTENCE_CUES:
        if re.search(pattern, sentence, re.IGNORECASE):
            if kind is Component.DECORATION and _BEFORE_THE_OVEN.search(sentence):
                return Component.TOP_LAYER
            return kind
    return None


def kind_of_note(words: str) -> Component | None:
    """Return the component a line's own note names: "for dusting", "for the tin".

    >>> kind_of_note("2 tbsp icing sugar, for dusting")
    <Component.DECORATION: 'decoration'>
    """
    return next((kind for kind, pattern in _NOTES if re.search(pattern, words, re.IGNORECASE)),
                None)


def is_baked(sentence: str) -> bool:
    """Say whether a sentence puts the cake into the oven: what comes later is not batter."""
    return _BAKED.search(sentence) is not None


def comes_after(sentence: str) -> bool:
    """Say whether a sentence speaks of what comes after the oven, or beside it."""
    return _AFTER.search(sentence) is not None
