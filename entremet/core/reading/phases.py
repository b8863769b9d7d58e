"""A bake in phases inside sentences: "10 minutes, then lower to 170 °C and bake for 30 more"."""

from __future__ import annotations

import re
from dataclasses import dataclass

from entremet.core.ovens.settings import Setting
from entremet.core.reading.pans import pans_in
from entremet.core.reading.settings import ovens_in
from entremet.core.reading.times import times_in

_BAKE = re.compile(r"\b(?:bake[ds]?|baking|cook(?:ed|ing)?|steam(?:ed)?)\b", re.IGNORECASE)
_CLAUSE = re.compile(r"[.;,]\s+|\b(?:and\s+)?then\b|\bbefore\b|\band\s+(?=bake|cook|continue|cover|"
                     r"lower|reduce|turn|uncover|remove)", re.IGNORECASE)
_COVERS = re.compile(r"\bcover(?:ed|ing)?\b|\b(?:foil|paper|lid)\b[^,;.]{0,60}\bon\b|\btent\b",
                     re.IGNORECASE)
_BARES = re.compile(r"\buncover(?:ed|ing)?\b|\b(?:remove|take off|lift off)\b[^,;.]{0,60}"
                    r"\b(?:foil|paper|lid|cover)\b", re.IGNORECASE)
_REST = re.compile(r"\b(?:cool|stand|rest|leave|chill|refrigerate|before turning)\b", re.IGNORECASE)
_OTHER_WORK = re.compile(r"\b(?:boil|simmer|whisk|beat|cream|knead|melt|soak|stir|mix|heat)\w*\b",
                         re.IGNORECASE)
_AFTER = re.compile(r"\b(?:after|for the last|from)\s+(?:the\s+)?(?:first\s+)?(?:about\s+)?(?:\d|"
                    r"an?\s+hour|"
                    r"hour)", re.IGNORECASE)
_COVER_AFTER = re.compile(
    r"\bcover(?:ed|ing)?\b[^.;\n\d]{0,40}\bafter\s+(?:about\s+)?(?P<behind>\d{1,3})\b"
    r"|\bafter\s+(?:about\s+)?(?P<before>\d{1,3})\s*(?:minutes|mins?)?[^.;\n\d]{0,15}\bcover",
    re.IGNORECASE)
_HIGH_LOW = re.compile(
    r"(?P<high>\d{1,3})\s*(?:minutes|mins?)?\s*(?:on|at)\s+high\b[^.;\d]{0,25}"
    r"(?P<low>\d{1,3})\s*(?:minutes|mins?)?\s*(?:on|at)\s+low\b", re.IGNORECASE)
_AT_AT = re.compile(
    r"(?P<first>\d{1,3})\s*(?:minutes|mins?\.?|m|')?\s*(?:at|@)\s*(?P<high>\d{3}\s*°?\s*[CF]?)\b"
    r"[^.;\d\n]{0,25}?(?:,|\bthen\b|\band\b|\bfollowed by\b|/|\+)[^.;\d\n]{0,15}?"
    r"(?P<then>\d{1,3})\s*(?:more\s+)?(?:minutes|mins?\.?|m|')?\s*(?:at|@)\s*"
    r"(?P<low>\d{3}\s*°?\s*[CF]?)\b", re.IGNORECASE)
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
    if pair := _high_and_low(text) or _at_and_at(text):
        return pair
    verb = _BAKE.search(text)
    if verb is None:
        return found
    setting: Setting | None = None
    covered = False
    for clause in _CLAUSE.split(text[_start(text, verb.start()):]):
        if _REST.search(clause):
            break
        if found and pans_in(clause):
            break
        ovens = ovens_in(clause)
        if ovens:
            setting = next((one for one in ovens if one.kind is None), ovens[0]).setting
        if _BARES.search(clause):
            covered = False
        elif _COVERS.search(clause):
            covered = True
        time = None if _AFTER.search(clause) or (
            _OTHER_WORK.search(clause) and not _BAKE.search(clause)) else times_in(clause)
        if time is not None:
            found.append(PhaseFound(setting=setting, covered=covered, low_min=time.low_min,
                                    high_min=time.high_min))
    changes = {(one.setting, one.covered) for one in found}
    return found if 2 <= len(found) <= MOST_PHASES_READ and len(changes) > 1 else []


def cover_after(text: str) -> float | None:
    """Return after how many minutes of the bake the top is covered, where a text says.

    >>> cover_after("Bake for 50 minutes, covering it with foil after 35 minutes.")
    35.0
    """
    found = _COVER_AFTER.search(text)
    if found is None:
        return None
    return float(found["behind"] or found["before"])


def _high_and_low(text: str) -> list[PhaseFound]:
    """Read "10 minutes on high, then 40 on low", with two settings named before."""
    found = _HIGH_LOW.search(text)
    if found is None:
        return []
    settings = [one.setting for one in ovens_in(text[:found.end()])]
    if not settings:
        return []
    first = max(settings[:2], key=lambda one: one.value)
    last = min(settings[:2], key=lambda one: one.value)
    return [PhaseFound(setting=setting, covered=False, low_min=float(found[name]),
                       high_min=float(found[name]))
            for setting, name in ((first, "high"), (last, "low"))]


def _at_and_at(text: str) -> list[PhaseFound]:
    """Read "20 minutes at 200, then 25 at 170", which needs no word of baking."""
    found = _AT_AT.search(text)
    if found is None:
        return []
    settings = [ovens_in(f"oven at {found[name]}") for name in ("high", "low")]
    if not all(settings) or settings[0][0].setting == settings[1][0].setting:
        return []
    return [PhaseFound(setting=one[0].setting, covered=False, low_min=float(found[name]),
                       high_min=float(found[name]))
            for one, name in zip(settings, ("first", "then"), strict=True)]


def _start(text: str, verb: int) -> int:
    """Return where the sentence of the verb begins."""
    return max(text.rfind(". ", 0, verb), text.rfind("\n", 0, verb)) + 1
