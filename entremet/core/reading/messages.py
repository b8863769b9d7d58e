"""A message in which somebody orders a cake: what it says, and what it does not say."""

from __future__ import annotations

import re
from collections import Counter
from collections.abc import Iterator, Mapping
from dataclasses import dataclass, replace
from datetime import date, time, timedelta

from entremet.core.ground.wording import listed
from entremet.core.ingredients.names import plain
from entremet.core.measures.spelt import with_digits

MOST_SIGNS = 4000
"""So much of a message is read."""

DOZEN = 12
MOST_EATERS, MOST_PIECES, MOST_CAKES = 1000, 500, 12
DAY = timedelta(days=1)
HOUR = "At what hour?"
"""Asked where only a day is said, or neither."""

_DAYS = ("monday", "tuesday", "wednesday", "thursday", "friday", "saturday", "sunday")
_MONTHS = ("january", "february", "march", "april", "may", "june", "july", "august", "september",
           "october", "november", "december")
_MONTH = r"(?P<month>" + "|".join(f"{one[:3]}(?:{one[3:]})?" for one in _MONTHS) + r")\b"
_NTH = r"(?P<nth>\d{1,2})(?:st|nd|rd|th)?"

_DATES = tuple(re.compile(one, re.IGNORECASE) for one in (
    r"\b(?P<year>20\d\d)-(?P<m>\d\d)-(?P<nth>\d\d)\b",
    rf"\b{_NTH}(?: of)? {_MONTH}(?:,? (?P<year>20\d\d))?",
    rf"\b{_MONTH} {_NTH}\b(?:,? (?P<year>20\d\d))?",
    r"(?<![\d/.])(?P<nth>\d{1,2})[/.](?P<m>\d{1,2})(?:[/.](?P<year>(?:20)?\d\d))?(?![\d/])"
    r"(?! ?(?:am|pm))",
    r"\b(?P<nth>\d{1,2})(?:st|nd|rd|th)\b"))
_RELATIVE = re.compile(r"\b(?:(?P<tomorrow>tomorrow|tmrw|tmw)|(?P<today>today|tonight)|"
                       rf"(?P<next>next )?(?P<weekday>{'|'.join(_DAYS)}|"
                       r"mon|tues?|wed|thurs?|fri|sat|sun))\b(?!-)", re.IGNORECASE)
_CLOCKS = tuple(re.compile(one, re.IGNORECASE) for one in (
    r"\b(?P<h>\d{1,2})(?:[:.](?P<m>\d\d))? ?(?P<half>am|pm|a\.m\.|p\.m\.)",
    r"\b(?P<h>[01]?\d|2[0-3])[:.](?P<m>[0-5]\d)\b(?![/.]\d)",
    r"\bhalf past (?P<past>\d{1,2})\b",
    r"\b(?P<noon>noon|midday)\b",
    r"\b(?P<h>\d{1,2}) ?o['’]?clock\b",
    r"\b(?:at|by|around|about|for) (?P<h>\d{1,2})\b(?! ?(?:people|guests|of|persons|kids|children|"
    r"adults|portions|servings|pieces|cup|st\b|nd\b|rd\b|th\b|[/.:]\d|(?:jan|feb|mar|apr|may|jun|jul|"
    r"aug|sep|oct|nov|dec)|dozen|or so|please|pls|,? ?(?:vegan|no\b)))",
    r"\b(?P<h>\d{1,2}) in the (?P<half>morning|afternoon|evening)\b"))
_EVENING = re.compile(r"\b(?:evening|tonight|afternoon)\b", re.IGNORECASE)
_PEOPLE = r"(?:people|guests|persons|kids|children|adults|of us|portions|servings|or so\b|heads)"
_EATERS = tuple(re.compile(one, re.IGNORECASE) for one in (
    rf"\b(?P<n>\d{{1,4}}) {_PEOPLE}", r"\b(?:feeds?|serves?|serving|feeding)(?: about| around)? "
    r"(?P<n>\d{1,4})\b",
    r"\bfor (?:about |around )?(?P<n>\d{1,4})(?= (?:of us|on|pls|please)\b|[.,!]|$)"))
_PIECES = re.compile(r"\b(?P<n>\d{1,3}|a|half a)? ?(?P<dozen>dozens?)\b|"
                     r"\b(?P<many>\d{1,3})(?: of (?:the|your|those))?(?: [\w-]+){0,4}? "
                     r"(?:cup ?cakes|muffins|buns|squares|bars|slices)\b", re.IGNORECASE)
_COUNT = re.compile(r"\b(?P<n>\d{1,2})(?: of (?:the|your|those))?(?: [\w-]+){1,4}? "
                    r"(?:cakes|rings|loaves|traybakes)\b", re.IGNORECASE)
_WRITTEN = re.compile(r"[\"“”«»](?P<said>[^\"“”«»\n]{2,120})[\"“”«»]|"
                      r"(?<!\w)['‘](?P<single>[^'‘’\n]{2,120})['’](?!\w)")
_BROUGHT = re.compile(r"\b(?:deliver\w*|drop (?:it|them)? ?off|bring|brought)\b", re.IGNORECASE)
_FETCHED = re.compile(r"\b(?:collect\w*|pick (?:it|them)? ?up|picked up|pick-?up|fetch)\b",
                      re.IGNORECASE)
_WISH = re.compile(r"\b(?:no nuts|(?:vegan|vegetarian|gluten|dairy|lactose|egg|nut|allerg\w*|halal|"
                   r"kosher)[\w-]*(?: free|-free)?)\b", re.IGNORECASE)

_SHAPES = frozenset({"cake", "layer", "sheet", "ring", "cupcake", "tray", "loaf", "bundt", "round",
                     "square", "slice", "bar", "and", "with", "the", "a", "of", "in", "on", "for"})
"""Words of a title that alone name no cake."""


@dataclass(frozen=True, slots=True, kw_only=True)
class MessageRead:
    """What a message says; None and empty where it does not.

    Parameters
    ----------
    day : date or None
        When it is wanted.
    clock : time or None
        At what hour.
    recipe : int or None
        Which recipe, by its number.
    eaters : int or None
        How many eat.
    pieces, cakes : int or None
        How many small ones, and how many cakes.
    inscription : str
        What is to be written on it.
    driven : bool or None
        Whether it is brought or collected.
    assumed : tuple of str
        What was taken for something that it need not be, each as a question.
    asked : tuple of str
        What has to be asked, in the order to ask it.
    """

    day: date | None = None
    clock: time | None = None
    recipe: int | None = None
    eaters: int | None = None
    pieces: int | None = None
    cakes: int | None = None
    inscription: str = ""
    driven: bool | None = None
    assumed: tuple[str, ...] = ()
    asked: tuple[str, ...] = ()


def read_message(text: str, *, today: date, titles: Mapping[int, str]) -> MessageRead:
    """Read a message in which somebody may order something.

    Parameters
    ----------
    text : str
        As it came; what is past the first 4000 signs is not looked at.
    today : date
        On the kitchen's clock: "Saturday" is the next one, a day without a year the next such.
    titles : mapping of int to str
        The recipes of the kitchen.
    """
    written = _WRITTEN.search(text[:MOST_SIGNS])
    inscription = "" if written is None else (written["said"] or written["single"]).strip()
    bare = text[:MOST_SIGNS] if written is None else (
        text[:written.start()] + " " + text[written.end():MOST_SIGNS])
    said = re.sub(r"\s+", " ", with_digits(_counted(bare)).text)
    day, on, rest = _day(said, today)
    clock, at, rest = _clock(rest)
    pieces, rest = _pieces(rest)
    eaters = _number(_EATERS, rest, MOST_EATERS)
    many = _COUNT.search(rest)
    cakes = int(many["n"]) if many and 2 <= int(many["n"]) <= MOST_CAKES else None
    recipe = _recipe(said, titles)
    driven = True if _BROUGHT.search(said) else False if _FETCHED.search(said) else None
    assumed = [f"Is “{one}” {meant}?" for one, meant in (on, at) if one]
    found = MessageRead(day=day, clock=clock, recipe=recipe, eaters=eaters, pieces=pieces,
                        cakes=cakes, inscription=inscription, driven=driven,
                        assumed=tuple(assumed))
    return replace(found, asked=tuple(_asks(found, said)))


def _asks(read: MessageRead, said: str) -> Iterator[str]:
    if read.recipe is None:
        yield "Which cake?"
    if read.day is None:
        yield "For which day?"
    if read.clock is None:
        yield HOUR
    if read.eaters is None and read.pieces is None:
        yield "For how many?"
    if read.driven is None:
        yield "Collected, or brought?"
    elif read.driven:
        yield "How many minutes on the way?"
    if not read.inscription:
        yield "Anything written on it?"
    wishes = list(dict.fromkeys(f"“{one[0].lower()}”" for one in _WISH.finditer(said)))
    yield (f"It says {listed(wishes)}: ask what exactly, and look at the label." if wishes
           else "Any allergies?")


def _counted(text: str) -> str:
    """Return a text with the small numbers that people write out, in digits."""
    words = ("one", "two", "three", "four", "five", "six", "seven", "eight", "nine", "ten",
             "eleven", "twelve")
    return re.sub(r"\b(?:" + "|".join(words) + r")\b(?! (?:more|day|of these days))",
                  lambda one: str(words.index(one.group(0).lower()) + 1), text,
                  flags=re.IGNORECASE)


def _without(text: str, match: re.Match[str]) -> str:
    return f"{text[:match.start()]} ; {text[match.end():]}"


_Doubt = tuple[str, str]
"""Words of a message, and what they are taken for; empty where they can mean nothing else."""

SURE: _Doubt = ("", "")


def _day(text: str, today: date) -> tuple[date | None, _Doubt, str]:
    for one in _DATES:
        for match in one.finditer(text):
            day = _date_of(match, today)
            if day is not None:
                told = match.groupdict()
                either = "m" in told and "-" not in match[0] and int(told["nth"]) <= len(_MONTHS)
                doubt = (match[0], f"the {day.day}. of {_MONTHS[day.month - 1].title()}")
                return day, doubt if either else SURE, _without(text, match)
    near = _RELATIVE.search(text)
    if near is None:
        return None, SURE, text
    if near["today"]:
        return today, SURE, _without(text, near)
    if near["tomorrow"]:
        return today + DAY, SURE, _without(text, near)
    wanted = next(place for place, one in enumerate(_DAYS)
                  if one.startswith(near["weekday"].lower()[:3]))
    ahead = (wanted - today.weekday() - 1) % 7 + 1
    # "Next Friday" said before this one is the one after it, for most.
    later = 7 if near["next"] and ahead <= 6 - today.weekday() else 0
    day = today + timedelta(days=ahead + later)
    doubt = (near[0], f"the {day.day}. of {_MONTHS[day.month - 1].title()}")
    return day, doubt if near["next"] else SURE, _without(text, near)


def _date_of(match: re.Match[str], today: date) -> date | None:
    told = match.groupdict()
    nth, year = int(told["nth"]), told.get("year")
    month = None
    if told.get("month"):
        month = next(place for place, one in enumerate(_MONTHS, 1)
                     if one.startswith(told["month"].lower()[:3]))
    elif told.get("m"):
        month = int(told["m"])
    years = [int(year) % 100 + 2000] if year else [today.year, today.year + 1]
    months = [month] if month is not None else range(1, 13)
    days = []
    for one in years:
        for each in months:
            try:
                days.append(date(one, each, nth))
            except ValueError:
                continue
    return min((one for one in days if one >= today), default=None)


def _clock(text: str) -> tuple[time | None, _Doubt, str]:
    for one in _CLOCKS:
        for match in one.finditer(text):
            found = _time_of(match, text)
            if found is not None:
                clock, sure = found
                doubt = SURE if sure else (match[0], clock.strftime("%H:%M"))
                return clock, doubt, _without(text, match)
    return None, SURE, text


def _time_of(match: re.Match[str], text: str) -> tuple[time, bool] | None:
    """Return an hour, and whether nothing else can be meant."""
    told = match.groupdict()
    if told.get("noon"):
        return time(12), True
    hour = int(told.get("past") or told["h"])
    minute = 30 if told.get("past") else int(told.get("m") or 0)
    half = (told.get("half") or "").lower()
    if hour > 23 or (half and hour > 12):
        return None
    if half:
        late = half[0] in "pe" or half == "afternoon"
        return time(hour % 12 + 12 * late, minute), True
    evening = bool(_EVENING.search(text))
    # Nobody fetches a cake at four in the morning.
    late = hour < 12 and (hour <= 6 or evening)
    return time(hour + 12 * late, minute), not (hour <= 6 and not evening)


def _pieces(text: str) -> tuple[int | None, str]:
    match = _PIECES.search(text)
    if match is None:
        return None, text
    if match["dozen"]:
        word = (match["n"] or "1").lower()
        found = DOZEN // 2 if word == "half a" else DOZEN if word == "a" else DOZEN * int(word)
    else:
        found = int(match["many"])
    return (found if 0 < found <= MOST_PIECES else None), _without(text, match)


def _number(ways: tuple[re.Pattern[str], ...], text: str, most: int) -> int | None:
    for one in ways:
        match = one.search(text)
        if match is not None and 0 < int(match["n"]) <= most:
            return int(match["n"])
    return None


def _recipe(text: str, titles: Mapping[int, str]) -> int | None:
    """Return the recipe whose title a message names best; None for none, or where two are alike."""
    words = set(plain(text).split())
    often = Counter(word for title in titles.values() for word in set(plain(title).split()))
    scores: dict[int, float] = {}
    for number, title in titles.items():
        own = set(plain(title).split()) & words
        telling = [word for word in own if word not in _SHAPES]
        if telling:
            scores[number] = sum(1 / often[word] for word in telling) + 0.1 * len(
                [word for word in own if word in _SHAPES])
    best = sorted(scores.items(), key=lambda one: -one[1])[:2]
    if not best or (len(best) == 2 and best[0][1] - best[1][1] < 0.05):
        return None
    return best[0][0]
