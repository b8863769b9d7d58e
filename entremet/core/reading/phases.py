"""A bake in phases inside sentences: "10 minutes, then lower to 170 °C and bake for 30 more"."""

from __future__ import annotations

import re
from dataclasses import dataclass

from entremet.core.ovens.settings import Setting
from entremet.core.reading.settings import ovens_in, times_in

_BAKE = re.compile(r"\b(?:bake[ds]?|baking|cook(?:ed|ing)?|steam(?:ed)?)\b", re.IGNORECASE)
_CLAUSE = re.compile(r"[.;,]\s+|\b(?:and\s+)?then\b|\bbefore\b|\band\s+(?=bake|cook|continue|cover|"
                     r"lower|reduce|turn|uncover|remove)", re.IGNORECASE)
_COVERS = re.compile(r"\bcover(?:ed|ing)?\b|\b(?:foil|paper|lid)\b[^,;.]{0,60}\bon\b|\btent\b",
                     re.IGNORECASE)
_BARES = re.compile(r"\buncover(?:ed|ing)?\b|\b(?:remove|take off|lift off)\b[^,;.]{0,60}"
                    r"\b(?:foil|paper|lid|cover)\b", re.IGNORECASE)
_REST = re.compile(r"\b(?:cool|stand|rest|leave|chill|refrigerate|before turning)\b", re.IGNORECASE)
MOST_PHASES_READ = 6


@dataclass(frozen=True, slots=True, kw_only=True)
class PhaseFound:
    """A phase in a text; the minutes of a range are its ends."""

    setting: Setting | None
    low_min: float
    high_min: float
    covered: bool


def phases_in(text: str) -> list[PhaseFound]:
    """Return the phases a text states, or none where the bake runs in one piece.

    Only what is said plainly is read: two or more times, each in a clause of its own, with another
    setting or another covering between them.

    >>> [(one.setting.text, one.low_min) for one in phases_in(
    ...     "Bake at 200 °C for 10 minutes, then lower to 170 °C and bake for 30 minutes.")]
    [('200 °C', 10.0), ('170 °C', 30.0)]
    """
    found: list[PhaseFound] = []
    verb = _BAKE.search(text)
    if verb is None:
        return found
    setting: Setting | None = None
    covered = False
    for clause in _CLAUSE.split(text[_start(text, verb.start()):]):
        if _REST.search(clause):
            break
        ovens = ovens_in(clause)
        if ovens:
            setting = next((one for one in ovens if one.kind is None), ovens[0]).setting
        if _BARES.search(clause):
            covered = False
        elif _COVERS.search(clause):
            covered = True
        time = times_in(clause)
        if time is not None:
            found.append(PhaseFound(setting=setting, covered=covered, low_min=time.low_min,
                                    high_min=time.high_min))
    changes = {(one.setting, one.covered) for one in found}
    return found if 2 <= len(found) <= MOST_PHASES_READ and len(changes) > 1 else []


def _start(text: str, verb: int) -> int:
    """Return where the sentence of the verb begins."""
    return max(text.rfind(". ", 0, verb), text.rfind("\n", 0, verb)) + 1
