"""Stages a method asks for, and what to see: a typed table, practice."""

from __future__ import annotations

import re
from dataclasses import dataclass
from enum import Enum

from entremet.core.ground.reference import read_table


class StageKey(Enum):
    """A stage by its name in the table; each has a drawing."""

    SOFT_PEAK = "soft_peak"
    FIRM_PEAK = "firm_peak"
    STIFF_PEAK = "stiff_peak"
    FOAMY = "foamy"
    RIBBON = "ribbon"
    PALE_FLUFFY = "pale_fluffy"
    CRUMBS = "crumbs"
    DROPPING = "dropping"
    POURING = "pouring"
    FIGURE_EIGHT = "figure_eight"
    JUST_MIXED = "just_mixed"
    MELTED_SMOOTH = "melted_smooth"
    COATS_SPOON = "coats_spoon"
    HAND_WARM = "hand_warm"
    CURDLED = "curdled"
    BROWNED = "browned"
    SKEWER_CLEAN = "skewer_clean"
    SPRINGS_BACK = "springs_back"


@dataclass(frozen=True, slots=True, kw_only=True)
class Stage:
    """A stage to reach.

    Parameters
    ----------
    key : StageKey
        Which; its drawing goes by it.
    name : str
        In words.
    see : str
        What it looks like.
    by_machine, by_hand : str
        How long it usually takes, in words; empty where that says nothing.
    too_far, mend : str
        What past it looks like, and what mends it.
    """

    key: StageKey
    name: str
    see: str
    by_machine: str
    by_hand: str
    too_far: str
    mend: str


_TABLE = read_table("entremet.core.method", "stages.toml")
_WORDS = {StageKey(key): re.compile(rf"\b(?:{row['words']})(?!\w)", re.IGNORECASE)
          for key, row in _TABLE.items()}


def _span(minutes: list[float]) -> str:
    if not minutes:
        return ""
    low, high = minutes
    return f"{low:g} to {high:g} min"


STAGES: dict[StageKey, Stage] = {
    StageKey(key): Stage(key=StageKey(key), name=row["name"], see=row["see"],
               by_machine=_span(row.get("machine_min", [])), by_hand=_span(row.get("hand_min", [])),
               too_far=row["too_far"], mend=row["mend"])
    for key, row in _TABLE.items()}


def stages_in(sentence: str) -> tuple[StageKey, ...]:
    """Return the stages a sentence names, in its order; of two at one place the longer.

    >>> [one.value for one in stages_in("Whisk until foamy, then to a soft peak.")]
    ['foamy', 'soft_peak']
    """
    found = sorted((match.start(), -match.end(), key.value) for key, words in _WORDS.items()
                   if (match := words.search(sentence)) is not None)
    kept: list[StageKey] = []
    end = -1
    for start, stop, key in found:
        if start >= end:
            kept.append(StageKey(key))
            end = -stop
    return tuple(kept)
