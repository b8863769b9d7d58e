"""Times in a text, and which of them bakes the cake."""

from __future__ import annotations

import re
from dataclasses import dataclass, replace
from itertools import islice

from entremet.core.ground.remembered import remembered
from entremet.core.measures.numbers import number_at

MOST_LOOKED_AT = 400
"""Numbers of a stretch of text that are looked at."""


@dataclass(frozen=True, slots=True, kw_only=True)
class TimeFound:
    """A time in a text, minutes; low = high for one number; and where it stands."""

    low_min: float
    high_min: float
    words: str
    start: int = 0
    end: int = 0


MOST_BETWEEN = 60
"""Signs between a time and the word of baking behind it; estimate, 40 to 90."""

_UNIT = re.compile(r"\s*-?\s*(?P<unit>minutes?|mins?\b\.?|minuets?|hours?|hrs?(?:\b|(?=\d))\.?|"
                   r"h(?:\b|(?=\d))|m\b(?!l|"
                   r"m|\s*x)|')",
                   re.IGNORECASE)
_BEGINS = re.compile(
    r"(?<![\w.,⁄°])(?<!\d/)(?:\d|[½¼¾]|an?\s+hour|an?\s+quarter\s+of\s+an\s+hour|half\s+an\s+hour|"
    r"1/2\s+(?:an\s+)?hour)", re.IGNORECASE)
_HOUR_MINUTES = re.compile(r"\s?([0-5]\d)(?!\d|[.,:]\d)(?!\s*(?:-|to)?\s*(?:g|kg|ml|cm|x|°|C|F)\b)"
                           r"(?:\s*(?:minutes?|mins?|m\b))?", re.IGNORECASE)
"""Minutes right behind hours: "1h15", "1 hr 20"."""
_HEAT_FOR = re.compile(r"(?:^|[\s,;])(?:1[2-9]\d|2[0-4]\d|3[0-9][05])\s*(?:°?\s*[CF])?\s+for\s+"
                       r"(?:about\s+)?$", re.IGNORECASE)
_ISH = re.compile(r"\s*(?:ish|or so)?(?=\s*(?:[,.;!]|$))", re.IGNORECASE | re.MULTILINE)
"""A bare number behind a setting and "for" counts minutes: "170 for 45ish"."""
_HOUR = re.compile(r"(?:(?P<half>half\s+an|1/2(?:\s+an)?)|an?)\s+hour"
                   r"(?P<more>\s+and\s+(?:an?\s+)?(?P<part>half|quarter|ten|twenty|fifteen|five|"
                   r"\d{1,2}))?(?:\s*(?:minutes?|mins?))?", re.IGNORECASE)
_QUARTERS = re.compile(r"(?:(?P<three>3/4|3\s+quarters)|(?:an?\s+quarter|"
                       r"1/4))\s+(?:of\s+)?an\s+hour",
                       re.IGNORECASE)
_PARTS = {"half": 30.0, "quarter": 15.0, "ten": 10.0, "twenty": 20.0, "fifteen": 15.0, "five": 5.0}
_TO = re.compile(r"\s*(?:-|–|—|to\b|or\b(?=\s+(?:an?\s+)?(?:\d|hour)))\s*", re.IGNORECASE)
_AND = re.compile(r"\s*(?:,|and)?\s*")
_BAKE = re.compile(r"\b(?:bake[ds]?|baking|cook(?:ed|ing)?|steam(?:ed)?|oven|roast)\b",
                   re.IGNORECASE)
_HEATING = re.compile(
    r"\bpre-?heat\w*|\bheat(?:ing|ed)?\s+(?:up\s+)?(?:the |your |an )?oven|"
    r"\b(?:let|leave) (?:the )?oven|\boven\b[^.;\d]{0,20}\b(?:heat|hot|warm)\w*", re.IGNORECASE)
_HEATS_UP = re.compile(r"\s*(?:to|until)\b[^.;]{0,20}\b(?:heat|hot|warm)\b", re.IGNORECASE)
_BAKES = re.compile(r"\b(?:bake[ds]?|baking|cook(?:ed|ing)?|steam(?:ed)?|roast)\b", re.IGNORECASE)
_TOOK = re.compile(r"\b(?:mine|it|ours|this one)\s+(?:took|needed|was done (?:at|after|in))\s*"
                   r"(?:about\s+|me\s+)?$", re.IGNORECASE)
_HEADED = re.compile(r"\b(?:cook(?:ing)?|baking|oven)\s*(?:time\s*:?|:)\s*$", re.IGNORECASE)
"""A time in the head of a page; what the method says goes before it."""
_FROM = re.compile(r"\b(?:check|look|start checking|test)\b[^.;\d]{0,15}$", re.IGNORECASE)
_OTHER = re.compile(
    r"\b(?:boil|simmer|chill|(?<!the )rest|stand|cool|leave|left|soak|whisk|beat|mix|"
    r"prep(?:aration)?|total|"
    r"hang|freeze|prove|proof|knead|refrigerate|fridge|warm|hot for|keep|melt|steep|infuse|cream|"
    r"microwave|before turning|out of the oven|every|turn(?:ing)? (?:it |"
    r"the tin )?(?:round )?after|"
    r"active|ready in)\b", re.IGNORECASE)
OTHER_REACH = 45
"""Signs behind a word of other work within which a time is that work's; estimate."""
_OVEN_BETWEEN = re.compile(r"\b\d{2,3}\s*(?:°|degrees)|\b\d{3}\s*[CF]\b|\bgas\b|\b(?:tins?|pans?|"
                           r"springform|moulds?|oven)\b", re.IGNORECASE)
_COVER = re.compile(r"\b(?:cover(?:ed|ing)?|foil|paper|turn(?:ed)? (?:the tin|it)|rotate)\b"
                    r"[^.;\d]{0,40}\b(?:after|for the last|from)\b[^.;\d]{0,20}$|"
                    r"\b(?:after|for the last)\b[^.;\d]{0,10}$", re.IGNORECASE)
_CORRECTED = re.compile(r"\b(?:no wait|no,? sorry|sorry|actually|make (?:that|it)|i mean|"
                        r"or rather)\b"
                        r"[,.\s]*(?:make (?:that|it)\s+)?$", re.IGNORECASE)
_TOOK_BARE = re.compile(r"\b(?:mine|ours)\s+(?:took|needed)\s+(?:about\s+)?(?P<minutes>\d{1,3})"
                        r"(?!\s*-?\s*(?:h|\d|min|m\b))", re.IGNORECASE)
_STAND = re.compile(r"\b(?:cool|stand|rest|sit|leave)\b[^.;]{0,80}?\bin (?:the|its|their) "
                    r"(?:pans?|tins?|moulds?|cases?|tray)\b[^.;]{0,80}", re.IGNORECASE)
_ALTITUDE = re.compile(r"\s*(?:ahead|before|later|apart|per|each side|in advance)", re.IGNORECASE)


@remembered
def all_times(text: str) -> list[TimeFound]:
    """Return every time a text states, in order.

    >>> [(one.low_min, one.high_min) for one in all_times("an hour to an hour and ten")]
    [(60.0, 70.0)]
    """
    found: list[TimeFound] = []
    at = 0
    for begin in islice(_BEGINS.finditer(text), MOST_LOOKED_AT):
        if begin.start() < at:
            continue
        time = _time_at(text, begin.start())
        if time is None:
            continue
        dash = _TO.match(text, time.end)
        more = None if dash is None or dash.end() == time.end else _time_at(text, dash.end())
        if more is not None and more.low_min > time.low_min:
            time = TimeFound(low_min=time.low_min, high_min=more.high_min, start=time.start,
                             end=more.end, words=text[time.start:more.end].strip())
        if 0 < time.low_min <= time.high_min <= 600 and not _ALTITUDE.match(text, time.end):
            found.append(time)
        elif time.low_min > 600:
            # "150 / 1 hr": a setting before a stroke, no part of the time.
            continue
        at = time.end
    return found


def times_in(text: str) -> TimeFound | None:
    """Return the first time a stretch of text states.

    >>> times_in("for another 20 minutes").low_min
    20.0
    """
    return next(iter(all_times(text)), None)


def bake_time_in(text: str, *, bakes: bool = False) -> TimeFound | None:
    """Return the bake time a text states; what it took in the end wins over what was said.

    Parameters
    ----------
    text : str
        Sentences.
    bakes : bool
        Whether a time needs no word of baking: what is said beside a pan or a setting.

    >>> bake_time_in("Bake for 30–35 minutes.").high_min
    35.0
    >>> bake_time_in("Check from 40 minutes, mine took 44 minutes.", bakes=True).low_min
    44.0
    """
    best: tuple[int, TimeFound] | None = None
    for sentence_start, sentence in _sentences(text):
        verb = _BAKE.search(sentence)
        if (verb or bakes) and (took := _TOOK_BARE.search(sentence)):
            minutes = float(took["minutes"])
            return TimeFound(low_min=minutes, high_min=minutes, words=took.group(),
                             start=sentence_start + took.start(), end=sentence_start + took.end())
        for time in all_times(sentence):
            rank = _rank(sentence, time, verb=verb, bakes=bakes)
            if rank and (best is None or rank > best[0]):
                best = rank, replace(time, start=time.start + sentence_start,
                                     end=time.end + sentence_start)
    return None if best is None else best[1]


def ranked_times(text: str) -> list[tuple[TimeFound, int]]:
    """Return every time of a text and how surely it is the bake's: 0 for never.

    From 2 on a word of baking stands beside it.

    >>> [rank for _, rank in ranked_times("Bake for 30 minutes, then chill for 60 minutes.")]
    [3, 0]
    """
    found = []
    for start, sentence in _sentences(text):
        verb = _BAKE.search(sentence)
        found += [(replace(time, start=time.start + start, end=time.end + start),
                   _rank(sentence, time, verb=verb, bakes=False)) for time in all_times(sentence)]
    return found


def stand_time_in(text: str) -> TimeFound | None:
    """Return how long the cake stands in its pan, where a sentence says."""
    stand = _STAND.search(text)
    if stand is None:
        return None
    sentence_start = max(text.rfind(".", 0, stand.start()), 0)
    return times_in(stand.group()) or times_in(text[sentence_start:stand.end()])


def _sentences(text: str) -> list[tuple[int, str]]:
    found, start = [], 0
    for end in re.finditer(r"(?<=[.;!?])\s+|\n", text):
        found.append((start, text[start:end.start()]))
        start = end.end()
    return [*found, (start, text[start:])]


def _rank(sentence: str, time: TimeFound, *, verb: re.Match[str] | None, bakes: bool) -> int:
    """Say how surely a time is the bake's: 0 for never."""
    before = sentence[:time.start]
    if _TOOK.search(before):
        return 5
    if _COVER.search(before):
        return 0
    if _CORRECTED.search(before):
        return 4
    heating = _HEATING.search(before)
    if heating is not None and not _BAKES.search(before, heating.end()):
        return 0
    if _HEATS_UP.match(sentence, time.end):
        return 0
    other = next(iter([*_OTHER.finditer(before)][-1:]), None)
    if other is not None and (len(before) - other.end() > OTHER_REACH
                              or re.search(r"[.;]", before[other.end():])):
        other = None
    if other is not None and _OVEN_BETWEEN.search(before, other.start()):
        other = None
    if other is not None and not (verb and verb.start() > other.start() and
                                  verb.end() <= time.start):
        return 0
    if verb is not None and verb.end() <= time.start:
        return 3 if not (_FROM.search(before) or _HEADED.search(before)) else 2
    if (verb is not None and verb.start() - time.end <= MOST_BETWEEN) or bakes:
        return 2 if not _FROM.search(before) else 1
    return 0


def _time_at(text: str, place: int) -> TimeFound | None:
    found = _hour_words(text, place)
    if found is not None:
        return found
    number = number_at(text, place, words=False)
    unit = None if number is None else _UNIT.match(text, number.end)
    if number is not None and unit is None and _heat_before(text, place) and (
            bare := _ISH.match(text, number.end)) is not None:
        return TimeFound(low_min=number.low, high_min=number.high or number.low, start=place,
                         end=bare.end(), words=text[place:bare.end()].strip())
    if number is None:
        return None
    if unit is None:
        return _range_of_hours(text, place, number.low, number.end)
    per = 60.0 if unit["unit"].lower().startswith("h") else 1.0
    low, high, end = number.low * per, (number.high or number.low) * per, unit.end()
    if per == 60.0 and (close := _HOUR_MINUTES.match(text, end)) is not None:
        low, high, end = low + float(close[1]), high + float(close[1]), close.end()
        return TimeFound(low_min=low, high_min=high, start=place, end=end,
                         words=text[place:end].strip())
    skip = _AND.match(text, end)
    if per == 60.0 and (more := number_at(text, skip.end() if skip else end, words=False)):
        minutes = _UNIT.match(text, more.end)
        if minutes and minutes["unit"].lower().startswith("m"):
            low, high = low + more.low, high + (more.high or more.low)
            end = minutes.end()
    return TimeFound(low_min=low, high_min=high, start=place, end=end,
                     words=text[place:end].strip())


def _heat_before(text: str, place: int) -> bool:
    """Say whether a setting and "for" stand before a place."""
    before = text[max(0, place - 24):place]
    return "for" in before.lower() and _HEAT_FOR.search(before) is not None


def _range_of_hours(text: str, place: int, low: float, end: int) -> TimeFound | None:
    """Read "50 to an hour" and "50 minutes to 1 hour" where only the second has a unit of hours."""
    dash = _TO.match(text, end)
    more = None if dash is None or dash.end() == end else _hour_words(text, dash.end())
    if more is None or not 5 <= low < more.low_min:
        return None
    return TimeFound(low_min=low, high_min=more.high_min, start=place, end=more.end,
                     words=text[place:more.end].strip())


def _hour_words(text: str, place: int) -> TimeFound | None:
    quarter = _QUARTERS.match(text, place)
    if quarter is not None:
        value = 45.0 if quarter["three"] else 15.0
        return TimeFound(low_min=value, high_min=value, start=place, end=quarter.end(),
                         words=quarter.group())
    hour = _HOUR.match(text, place)
    if hour is None:
        return None
    value = 30.0 if hour["half"] else 60.0
    end = hour.end()
    if hour["more"]:
        part = hour["part"].lower()
        value += _PARTS.get(part) or float(part)
    return TimeFound(low_min=value, high_min=value, start=place, end=end,
                     words=text[place:end].strip())
