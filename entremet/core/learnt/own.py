"""An oven, a batter and a pace as a kitchen measured them, where the baker said no other."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import replace

from entremet.core.batter.bowl_loss import BowlLoss
from entremet.core.batter.styles import Style
from entremet.core.finishing.practice import practice
from entremet.core.ground.findings import Finding, note
from entremet.core.ground.provenance import Origin
from entremet.core.ground.reference import Basis, ReferenceValue
from entremet.core.learning.quantities import Taught
from entremet.core.learning.words import learnt_dial_c, quantity_words
from entremet.core.ovens.oven import PREHEAT_MIN, Oven

HANDS_READINGS = 10
"""Steps of a run sheet before the hands' own pace is counted with."""

OF_A_RECIPE = ("rise", "density", "bake_loss")
"""Numbers that are learnt of a recipe."""

Learnt = Callable[[str], Taught]
"""By the name of a quantity, what was learnt of it here."""


def own_oven(oven: Oven, learnt: Learnt) -> Oven:
    """Return an oven with its dial and its heating time as measured.

    Parameters
    ----------
    oven : Oven
        As the baker entered it; what she entered stays.
    learnt : callable
        What was learnt of ``dial`` and ``preheat`` for it.
    """
    dial, hot = learnt("dial"), learnt("preheat")
    if oven.has_dial and not oven.dial_off_c and (off := learnt_dial_c(dial)):
        oven = replace(oven, dial_off_c=off, dial_readings=dial.count)
    if oven.preheat_min is None and hot.count:
        oven = replace(oven, preheat_min=PREHEAT_MIN[oven.kind] * hot.value,
                       preheat_readings=hot.count)
    return oven


def own_style(style: Style, learnt: Learnt) -> Style:
    """Return a recipe's style with the rise, density and loss in the oven that were measured.

    Parameters
    ----------
    style : Style
        The book's, or with the card's own density.
    learnt : callable
        What was learnt of the recipe.
    """
    rise, density, loss = (learnt(name) for name in OF_A_RECIPE)
    if rise.count:
        style = replace(style, rise=_measured(style.rise, rise))
    if density.count:
        style = replace(style, density=_measured(style.density, density))
    if loss.count:
        style = replace(style, bake_loss=replace(
            practice("bake_loss"), value=loss.value, low=max(0.0, loss.value - loss.sd),
            high=loss.value + loss.sd, basis=Basis.MEASURED, source=_times(loss.count)))
    return style


def own_loss(book: BowlLoss, learnt: Learnt) -> BowlLoss:
    """Return what bowls keep, as the run sheets weighed it; the book's where none did."""
    loss = learnt("bowl_loss")
    if not loss.count:
        return book
    return BowlLoss(fixed_g=0.0, share=loss.value, origin=Origin.MEASURED)


def own_pace(given: float, learnt: Learnt) -> float:
    """Return the pace tasks are planned with: the baker's own word, else as days went.

    Parameters
    ----------
    given : float
        Minutes over the book's, as the baker set it; 1 where she set none.
    learnt : callable
        What was learnt of ``hands``.
    """
    hands = learnt("hands")
    return hands.value if given == 1.0 and hands.count >= HANDS_READINGS else given


def recipe_notes(title: str, learnt: Learnt) -> list[Finding]:
    """Say which of a recipe's numbers are those measured here: nothing learnt works in silence."""
    return [note(f"learnt_{name}", quantity_words(name, title, said),
                 hint="Counted here; the logbook sets it back.")
            for name in OF_A_RECIPE if (said := learnt(name)).count]


def hands_notes(given: float, learnt: Learnt) -> list[Finding]:
    """Say that a plan counts with the hands' own pace."""
    if own_pace(given, learnt) == given:
        return []
    return [note("learnt_hands", quantity_words("hands", "Your hands", learnt("hands")),
                 hint="The plan counts with it; the logbook sets it back.")]


def _measured(book: ReferenceValue, said: Taught) -> ReferenceValue:
    value = book.value * said.value
    return ReferenceValue(
        value=value, low=value * (1 - said.sd), high=value * (1 + said.sd), unit=book.unit,
        basis=Basis.MEASURED, source=_times(said.count))


def _times(count: int) -> str:
    return f"measured {count} time{'' if count == 1 else 's'} in this kitchen"
