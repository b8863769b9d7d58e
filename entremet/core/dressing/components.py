"""The components a cake is dressed with: which the card has, and which serves what."""

from __future__ import annotations

from collections.abc import Sequence

from entremet.core.card.lines import Component, Line
from entremet.core.dressing.kinds import kind_of
from entremet.core.dressing.uses import Has, Use
from entremet.core.finishing.practice import practice

MADE = {
    Component.SOAK: "Soak", Component.FILLING: "Filling", Component.FROSTING: "Frosting",
    Component.GLAZE: "Glaze", Component.COATING: "Coating"}
"""Components that are made for a cake, by what they are called where the card has no heading."""

HOUSE_KEY = "house:"
"""What serves a use that no component of the card serves is named so, with its formula."""


def has_of(lines: Sequence[Line], style: str) -> Has:
    """Return what a card has to put on a cake; the first of a component says its kind.

    Parameters
    ----------
    lines : sequence of Line
        Those that go in.
    style : str
        Key of the batter's style, for its usual soak.
    """
    kinds: dict[Component, str] = {}
    counts: dict[Component, int] = {}
    fillings = []
    for place, ((component, heading), own) in enumerate(components_of(lines).items()):
        kind = kind_of(component, heading, own)
        kinds.setdefault(component, kind)
        if component is Component.FILLING:
            fillings.append((f"{component.value}-{place}", kind))
        counts[component] = counts.get(component, 0) + 1
    soak = practice(f"soak_{style}" if style in ("oil", "foam") else "soak_creamed").value
    return Has(kinds=kinds, counts=counts, fillings=tuple(fillings), soak=soak)


def components_of(lines: Sequence[Line]) -> dict[tuple[Component, str], list[Line]]:
    """Return the lines of each component that is made for a cake, in the order of the card."""
    found: dict[tuple[Component, str], list[Line]] = {}
    for line in lines:
        if line.component in MADE:
            found.setdefault((line.component, line.heading), []).append(line)
    return found


def served(components: Sequence[tuple[str, Component]],
           uses: Sequence[Use]) -> dict[str, list[Use]]:
    """Give every use to the component that serves it, else to a house formula.

    Parameters
    ----------
    components : sequence of (str, Component)
        Keys, in the order of the card.
    uses : sequence of Use
        What the cakes take.
    """
    given: dict[str, list[Use]] = {}
    for use in uses:
        fitting = [key for want in use.wants for key, component in components
                   if component is want]
        key = fitting[min(use.nth, len(fitting) - 1)] if fitting else f"{HOUSE_KEY}{use.house}"
        given.setdefault(key, []).append(use)
    return given
