"""A label: what has to stand on it, in order, and what it still waits for."""

from __future__ import annotations

import math
import re
from collections.abc import Iterable, Mapping, Sequence
from dataclasses import dataclass, replace
from datetime import date

from entremet.core.finished.finish import Finish, FinishedCake
from entremet.core.ground.errors import ImpossibleChoice
from entremet.core.ground.findings import Finding, note, ranked, stop, warn
from entremet.core.ground.provenance import Figure, measured, worked_out
from entremet.core.ground.wording import listed
from entremet.core.keeping.keeping import Keeping, keeping_of, strictest, until
from entremet.core.labelling.allergens import (
    ALLERGENS,
    LabelText,
    Region,
    named_there,
    standing_out,
)
from entremet.core.labelling.foods import Packet, Settled, settled
from entremet.core.labelling.goes_in import GoesIn, inside
from entremet.core.labelling.nutrition import Nutrition, nutrition_of
from entremet.core.labelling.packet_list import read_packet
from entremet.core.measures.units import MASS_G, Unit
from entremet.core.plan.plan import Plan

TOO_COMMON = frozenset({
    "cake", "cakes", "layer", "layers", "sheet", "tray", "loaf", "ring", "cupcake", "cupcakes",
    "bundt", "brown", "black", "white", "dark", "light", "toasted", "ground", "plain", "fine",
    "fresh", "dried", "whole", "small", "large", "soft", "sweet", "water", "powder", "powdered",
    "strong", "double"})
"""Words of a title that point at no ingredient."""

HOME = ("Many places want a set sentence on what is made in a home kitchen, and some bar its sale: "
        "ask your local authority for the words, and enter them here.")
LOCAL = ("Your local rules come first: this label is worked out from what you entered, and you "
         "answer for it.")


@dataclass(frozen=True, slots=True, kw_only=True)
class WantedLabel:
    """What a label is for.

    Parameters
    ----------
    title : str
        Name of the food.
    made_on : date
        The day it was finished.
    pieces : int
        Pieces one cake is sold in; 1 for the whole cake.
    weighed_g : float or None
        What one cake or piece weighs, where somebody weighed it.
    days : float or None
        How long it keeps, where the baker knows better than the table.
    lot : str
        Empty for one made of day and title.
    may_contain : tuple of str
        Keys of allergens that the kitchen says it cannot keep out.
    planned_until : date or None
        Last day by when its parts are made in the plan; None counts from ``made_on``.
    """

    title: str
    made_on: date
    pieces: int = 1
    weighed_g: float | None = None
    days: float | None = None
    lot: str = ""
    may_contain: tuple[str, ...] = ()
    planned_until: date | None = None

    def __post_init__(self) -> None:
        if not self.title.strip():
            raise ImpossibleChoice("A label needs the name of the food.", field="title")
        if not 1 <= self.pieces <= 500:
            raise ImpossibleChoice("A cake is sold in 1 to 500 pieces.", field="pieces")
        if self.weighed_g is not None and not (math.isfinite(self.weighed_g)
                                               and 1 <= self.weighed_g <= 100_000):
            raise ImpossibleChoice("A net weight is 1 to 100 000 g.", field="weighed_g")
        if self.days is not None and not (math.isfinite(self.days) and 0 <= self.days <= 365):
            raise ImpossibleChoice("A cake keeps 0 to 365 days.", field="days")


@dataclass(frozen=True, slots=True, kw_only=True)
class Listed:
    """An ingredient as it stands in the list.

    Parameters
    ----------
    key : str
        The ingredient.
    said : tuple of LabelText
        Its words; allergens stand out.
    g : Figure or None
        In one cake; None where nothing weighs all of it.
    percent : float or None
        Of the finished cake, where the title points at it.
    settled : Settled
        How its allergens are known.
    """

    key: str
    said: tuple[LabelText, ...]
    g: Figure | None
    percent: float | None
    settled: Settled


@dataclass(frozen=True, slots=True, kw_only=True)
class Label:
    """A label.

    Parameters
    ----------
    title : str
        Name of the food.
    rows : tuple of Listed
        Ingredients, in falling order as they went in.
    contains, may_contain : tuple of str
        Keys of allergens that the region lists.
    elsewhere : tuple of str
        Keys of those inside that this region does not list.
    net_g : Figure
        Of one cake or piece.
    made_on, keeps_until : date
        First and last day.
    keeping : Keeping
        The rule behind it.
    lot : str
        Day and title, or as chosen.
    nutrition : Nutrition
        Per 100 g, and per cake or piece.
    ready : bool
        Whether it may be printed: every ingredient's allergens are settled, and none is named
        in a packet's list that is not said to be in it.
    findings : tuple of Finding
        Gravest first.
    region : Region
        Whose rules it goes by.
    """

    title: str
    rows: tuple[Listed, ...]
    contains: tuple[str, ...]
    may_contain: tuple[str, ...]
    elsewhere: tuple[str, ...]
    net_g: Figure
    made_on: date
    keeps_until: date
    keeping: Keeping
    lot: str
    nutrition: Nutrition
    ready: bool
    findings: tuple[Finding, ...]
    region: Region

    @property
    def until_words(self) -> str:
        """“Use by” for what spoils soon, else “Best before”."""
        return f"{'Use by' if self.keeping.soon else 'Best before'} {day_words(self.keeps_until)}"

    @property
    def net_words(self) -> str:
        """Its net weight, as the region writes it."""
        return net_words(self.net_g.value, us=self.region.key == "us")


def make_label(plan: Plan, done: Finish, cake: FinishedCake, wanted: WantedLabel, *,
               packets: Mapping[str, Packet], region: Region) -> Label:
    """Return the label of one of a row of finished cakes; of all tiers of a tiered one.

    Parameters
    ----------
    plan, done : Plan, Finish
        A fit and its finish.
    cake : FinishedCake
        One of its rows.
    wanted : WantedLabel
        What the label is for.
    packets : mapping of str to Packet
        What the kitchen read off packets, by ingredient.
    region : Region
        Whose list of allergens it goes by.
    """
    within = inside(plan, done, cake)
    known = [(one, settled(one.key, one.name, packets, region.key)) for one in within.rows]
    whole = done.whole_of(cake)
    keeping = strictest([keeping_of(plan, done, one) for one in whole])
    mass_g = sum(one.mass_g * (1 if one is cake else max(1, one.dressed.cake.count))
                 for one in whole)
    each_g = mass_g / wanted.pieces
    net = measured(wanted.weighed_g, "weighed") if wanted.weighed_g is not None else worked_out(
        each_g, "batter less what the oven took and what is cut off, and what is on it")
    days = keeping.days.value if wanted.days is None else wanted.days
    held = {key for _, one in known for key in one.contains}
    contains = named_there(held, region)
    may = {*wanted.may_contain, *(key for _, one in known for key in one.may_contain)} - held
    open_rows = [one for one, about in known if not about.known]
    findings = [*within.findings, *_findings(known, keeping, wanted, each_g),
                *_not_ticked(known)]
    torn = any(one.code in ("label_packet_names", "label_packet_unnamed") for one in findings)
    if open_rows:
        findings.append(stop(
            "label_unsettled", f"No label yet: nobody has said what is in "
            f"{listed([one.name for one in open_rows])}.", field="packets",
            numbers={"open": float(len(open_rows))},
            hint="Open each in the list and enter what its packet says; it is asked once."))
    return Label(
        title=wanted.title.strip(), contains=contains, region=region,
        rows=tuple(_listed(one, about, region, wanted.title, mass_g) for one, about in known),
        may_contain=named_there(may, region),
        elsewhere=tuple(key for key in ALLERGENS if key in held and key not in region.kinds),
        net_g=net, made_on=wanted.made_on, keeps_until=wanted.planned_until if (
            wanted.planned_until is not None and wanted.days is None)
        else until(wanted.made_on, days),
        keeping=keeping, lot=wanted.lot.strip() or lot_of(wanted.made_on, wanted.title),
        nutrition=nutrition_of(within.rows, net_g=mass_g, each_g=each_g),
        ready=not open_rows and not torn, findings=ranked(findings))


def changed_since(before: Iterable[str], now: Iterable[str], region: Region, *,
                  may: bool = False) -> Finding | None:
    """Return what changed in the allergens since a label was printed, or None.

    Parameters
    ----------
    before, now : iterable of str
        Keys of allergens then and now.
    region : Region
        Whose list counts.
    may : bool
        Whether it is what may be in it, and not what is.
    """
    was, is_now = set(named_there(before, region)), set(named_there(now, region))
    more = [ALLERGENS[key].name for key in ALLERGENS if key in is_now - was]
    less = [ALLERGENS[key].name for key in ALLERGENS if key in was - is_now]
    if not more and not less:
        return None
    held = "“may contain” " if may else ""
    said = " ".join([f"Now with {held}{listed(more)}."] * bool(more)
                    + [f"No longer with {held}{listed(less)}."] * bool(less))
    return warn("label_allergens_changed", f"The allergens changed since the last label. {said}",
                hint="Throw labels away that are printed and not used, and tell who has ordered.")


def percent_of(one: GoesIn, title: str, net_g: float) -> float | None:
    """Return an ingredient's share of the finished cake where the title points at it.

    As it went in over what the cake weighs: Regulation (EU) No 1169/2011, Annex VIII.

    >>> round(percent_of(GoesIn(key="x", name="chopped walnuts", g=80), "Walnut cake", 1000), 3)
    0.08
    >>> percent_of(GoesIn(key="x", name="plain flour", g=80), "Plain cake", 1000) is None
    True
    """
    if not one.weighed or one.g <= 0 or net_g <= 0:
        return None
    named = {_stem(word) for word in re.findall(r"[^\W\d_]{3,}", title.lower())
             if word not in TOO_COMMON}
    words = {_stem(word) for word in re.findall(r"[^\W\d_]{3,}", one.name.lower())
             if word not in TOO_COMMON}
    return one.g / net_g if named & words else None


def net_words(grams: float, *, us: bool = False) -> str:
    """Return a net weight in words.

    >>> net_words(1879.8), net_words(84.4), net_words(907.2, us=True)
    ('1.88 kg', '84 g', '2 lb 0.0 oz (907 g)')
    """
    metric = f"{grams / 1000:.2f} kg" if grams >= 1000 else f"{grams:.0f} g"
    if not us:
        return metric
    tenths = round(grams / MASS_G[Unit.OUNCE] * 10)
    pounds, rest = divmod(tenths, 160)
    return (f"{pounds} lb {rest / 10:.1f} oz" if pounds else f"{rest / 10:.1f} oz") + f" ({metric})"


def lot_of(made_on: date, title: str) -> str:
    """Return a lot of the day and the first letters of the title.

    >>> lot_of(date(2026, 11, 28), "Plum and bergamot layer cake")
    'L261128-PBLC'
    """
    letters = "".join(word[0] for word in re.findall(r"[^\W\d_]+", title.upper())
                      if word not in ("AND", "WITH", "OF", "THE"))
    return f"L{made_on:%y%m%d}-{letters[:6]}" if letters else f"L{made_on:%y%m%d}"


def day_words(day: date) -> str:
    """Return a day as it stands on a label.

    >>> day_words(date(2026, 11, 8))
    '8 Nov 2026'
    """
    return f"{day.day} {day:%b %Y}"


def said_of(label: Label) -> tuple[LabelText, ...]:
    """Return the list of ingredients as one run of words."""
    pieces: list[LabelText] = []
    for place, row in enumerate(label.rows):
        pieces += [LabelText(text=", ")] * bool(place) + list(row.said)
    return (*pieces, LabelText(text=".")) if pieces else ()


def text_of(label: Label, more: Sequence[str] = ()) -> str:
    """Return a label as plain text; allergens in capitals, since plain text has no bold.

    Parameters
    ----------
    label : Label
        That is ready.
    more : sequence of str
        Lines of the kitchen's own: its name and address, its sentence.
    """
    listing = "".join(one.text.upper() if one.strong else one.text for one in said_of(label))
    return "\n".join([label.title, "", f"Ingredients: {listing}", *allergen_lines(label),
                      *fact_lines(label), *more]) + "\n"


def allergen_lines(label: Label) -> list[str]:
    """Return what a label says of allergens apart from its list."""
    def names(keys: Sequence[str]) -> str:
        return ", ".join(ALLERGENS[key].name for key in keys)

    return [*([f"Contains: {names(label.contains)}."] if label.contains else []),
            *([f"May contain: {names(label.may_contain)}."] if label.may_contain else [])]


def fact_lines(label: Label) -> list[str]:
    """Return what else stands under the list of ingredients."""
    return [f"Net weight {label.net_words}.",
            f"Made on {day_words(label.made_on)}. {label.until_words}.",
            label.keeping.words, f"Lot {label.lot}."]


def _listed(one: GoesIn, about: Settled, region: Region, title: str, net_g: float) -> Listed:
    here = named_there(about.contains, region)
    share = percent_of(replace(one, name=about.name), title, net_g)
    said = list(standing_out(about.name, () if about.opened else here))
    if share is not None:
        said.append(LabelText(text=f" {_percent(share)}"))
    if about.opened:
        said += [LabelText(text=" ("), *standing_out(about.opened, here), LabelText(text=")")]
    return Listed(
        key=one.key, said=tuple(said), percent=share, settled=about,
        g=worked_out(one.g, "as it goes into one cake") if one.weighed else None)


def _findings(known: Sequence[tuple[GoesIn, Settled]], keeping: Keeping, wanted: WantedLabel,
              each_g: float) -> list[Finding]:
    found = []
    for one, _ in known:
        if not one.weighed:
            found.append(note(
                "label_unweighed", f"The card does not weigh all of the {one.name}: it stands by "
                "what is weighed, or last.", subject=one.name))
    if wanted.weighed_g is not None and not 0.7 <= wanted.weighed_g / max(each_g, 1e-9) <= 1.3:
        found.append(warn(
            "label_weight_off", f"It is worked out to weigh {each_g:.0f} g, and "
            f"{wanted.weighed_g:.0f} g is entered.", field="weighed_g",
            hint="Is one cake or one piece meant, without board and box?"))
    if wanted.days is not None and wanted.days > keeping.at_most:
        found.append(warn(
            "label_keeps_long", f"{keeping.decides.name[:1].upper() + keeping.decides.name[1:]} "
            f"usually keeps {keeping.at_most:g} days at most; you say {wanted.days:g}.",
            field="days", hint="Only for what you or a laboratory tested."))
    return found


def _not_ticked(known: Sequence[tuple[GoesIn, Settled]]) -> list[Finding]:
    """Stop a label where a packet's list names an allergen that nobody said is in it."""
    found = []
    for _, about in known:
        told = read_packet(about.opened)
        names = [ALLERGENS[key].name for key in told.contains if key not in about.contains]
        if names:
            found.append(stop(
                "label_packet_names", f"What the packet of {about.name} lists names "
                f"{listed(names)}, and it is not said to contain it.", subject=about.name,
                field="packets", hint="Open it in the list and tick what is in it."))
        groups = {ALLERGENS[key].group for key in about.contains} - {""}
        vague = [word for word, group in told.unnamed if group not in groups]
        if vague:
            found.append(stop(
                "label_packet_unnamed", f"What the packet of {about.name} lists says "
                f"{listed([f'“{word}”' for word in vague])} and not which.", subject=about.name,
                field="packets", hint="Read the packet again and tick which, or ask who made it."))
        if told.unknown:
            found.append(note(
                "label_packet_unknown", f"On the packet of {about.name} stands what is in no table "
                f"here: {listed(told.unknown)}.", subject=about.name, field="packets",
                hint="Look up what it is; tick it where it holds one of the list."))
    return found


def _percent(share: float) -> str:
    return f"{share:.0%}" if share >= 0.01 else f"{share:.1%}"


def _stem(word: str) -> str:
    if word.endswith("ies"):
        return word[:-3] + "y"
    return word[:-2] if word.endswith("oes") else word.removesuffix("s")
