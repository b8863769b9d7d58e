"""A bake in phases: hot then lower, bare then covered, the flame turned down after a while."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from entremet.core.ground.findings import Finding, note, stop
from entremet.core.ovens.phases import Phase
from entremet.core.ovens.settings import OWN_HEAT, OvenKind, Setting, heat_c

DIFFERS = 0.05
"""Share by which phases and stated time may differ before it is said; practice."""

@dataclass(frozen=True, slots=True, kw_only=True)
class PhasePart:
    """A phase as a share of the time.

    Parameters
    ----------
    share : float
        Of the whole time, above 0.
    heat_c : float
        Heat of its setting, as a conventional oven, °C.
    covered : bool
        Whether the top is covered.
    note : str
        What else is done, in the recipe's words.
    """

    share: float
    heat_c: float
    covered: bool = False
    note: str = ""


@dataclass(frozen=True, slots=True, kw_only=True)
class PhasesRead:
    """Phases turned into shares.

    Parameters
    ----------
    parts : tuple of PhasePart
        In order; empty where no time can be given.
    total_min : float or None
        What the phases sum to; None where a recipe has none.
    findings : tuple of Finding
        What is missing or differs.
    """

    parts: tuple[PhasePart, ...]
    total_min: float | None = None
    findings: tuple[Finding, ...] = ()

    @property
    def main(self) -> int:
        """Place of the longest part, which stands for the bake where one heat has to."""
        return max(range(len(self.parts)), key=lambda place: self.parts[place].share)


def read_phases(phases: Sequence[Phase], *, setting: Setting | None, kind: OvenKind,
                stated_min: float | None) -> PhasesRead:
    """Return the parts of a bake.

    Parameters
    ----------
    phases : sequence of Phase
        As written; none or one is a bake of one part.
    setting : Setting or None
        The recipe's own setting; a phase without one takes the setting before it, or this.
    kind : OvenKind
        The oven it is written for.
    stated_min : float or None
        The recipe's bake time; the one phase without minutes takes what it leaves.
    """
    if setting is None:
        setting = next((one.setting for one in phases if one.setting is not None), None)
    if setting is None and kind not in OWN_HEAT:
        return PhasesRead(parts=(), findings=(stop(
            "no_oven_setting", "The recipe names no oven setting, so no time is given.",
            hint="Add the setting to its card."),))
    lasting = _lasting(phases, stated_min)
    if lasting is None:
        return PhasesRead(parts=(), findings=(stop(
            "phases_without_minutes", "The bake runs in phases, and it is not said how long they "
            "last, so no time is given.", field="phases",
            hint="Give the minutes of the phases on the card."),))
    total = sum(lasting)
    parts = []
    now = setting
    for one, minutes in zip(phases or (Phase(),), lasting, strict=True):
        now = one.setting or now
        parts.append(PhasePart(share=minutes / total, covered=one.covered, note=one.note,
                          heat_c=OWN_HEAT[kind] if now is None else heat_c(now, kind)))
    differs = stated_min is not None and abs(total / stated_min - 1) > DIFFERS
    return PhasesRead(
        parts=tuple(parts), total_min=total if phases and len(phases) > 1 else None,
        findings=(note(
            "phases_differ", f"The phases sum to {total:.0f} minutes, the card states "
            f"{stated_min:.0f}. The stated time is kept, and the phases share it.",
            field="phases", numbers={"phases_min": total, "stated_min": stated_min or 0.0}),)
        if differs and len(parts) > 1 else ())


def _lasting(phases: Sequence[Phase], stated_min: float | None) -> list[float] | None:
    """Return minutes of every phase; None where more than one is open, or nothing is left."""
    if len(phases) < 2:
        return [1.0]
    known = [one.minutes for one in phases if one.minutes is not None]
    open_phases = len(phases) - len(known)
    left = 0.0 if stated_min is None else stated_min - sum(known)
    if open_phases > 1 or (open_phases == 1 and left <= 0):
        return None
    return [left if one.minutes is None else one.minutes for one in phases]
