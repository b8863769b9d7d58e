"""Rows that are no part of the recipe, and why: comments, nutrition, prices, the page itself.

A part of that kind ends only at a heading of the recipe's own.
"""

from __future__ import annotations

import re

COMMENT, NUTRITION, EQUIPMENT, PAGE, KEEPING, QUESTION, TOTAL, CLOCK = (
    "a comment", "what a slice feeds", "equipment", "about the page", "how it keeps",
    "a question", "a total", "a time of the day")
GREETING, OTHER_SIZE, CORRECTED, OTHER_RECIPE = (
    "talk round it", "another size", "corrected further on", "another recipe")
OTHER_WAY = "another way"

_SECTIONS = (
    (COMMENT, re.compile(
        r"(?:leave a |(?P<many>\d+ )|all )?(?:comments?|reviews?|replies|responses|ratings?|"
        r"reader (?:tips|"
        r"notes)|q\s*(?:&|and)\s*a|questions?(?: and answers)?|faqs?|discussion)"
        r"(?:\s*\(\d+\))?\s*:?", re.IGNORECASE)),
    (NUTRITION, re.compile(r"nutrition(?:al)?(?: facts| information| values?| per [\w ]+)?"
                           r"(?:\s*\([^)]*\))?\s*:?", re.IGNORECASE)),
    (EQUIPMENT, re.compile(r"(?:special )?(?:equipment|tools|utensils)(?: needed)?\s*:?",
                           re.IGNORECASE)),
    (PAGE, re.compile(r"(?:related|you (?:may|might) also like|more recipes|about (?:me|the "
                      r"author)|did you make this.*|share this.*|tags?|keywords?)\s*:?",
                      re.IGNORECASE)),
)
_ROWS = (
    (COMMENT, re.compile(
        r"^(?:[★☆*]{3,}|[QA]\s*:\s|reply\s*:|(?:the )?author\s*:)|^“?\"?[^\d]{0,40}\b(?:says|wrote|"
        r"commented|asks|replied)\s*:\s*\S|\b\d+ (?:years?|months?|weeks?|days?) ago\b|"
        r"(?<=[^\W\d][.!?…])[”\"]\s*[-—–]\s*[A-Z]\w+", re.IGNORECASE)),
    (NUTRITION, re.compile(r"\b(?:k?cals?|calories|kilojoules|kj|carb(?:ohydrate)?s|saturates|"
                           r"per (?:serving|slice|portion)\s*:)\b",
                           re.IGNORECASE)),
    (PAGE, re.compile(
        r"\bjump to\b|\bprint\b.{0,12}\b(?:pin|recipe|share)\b|^pin\b|\bfrom \d+ (?:votes?|ratings?"
        r"|reviews?)\b|\d(?:\.\d)? (?:stars?|out of 5)\b|\b(?:posted|updated|published) (?:on|by|"
        r"in)"
        r"\b|\b(?:ratings?|reviews?|comments?|posted|author)\b|\bcourse\s*:|\bcuisine\s*:|"
        r"\bkeywords?\s*:|\bsave \d+ ?%|\bsubscribe\b|newsletter|"
        r"^advert\w*\b|\bmin(?:ute)? read\b|^by [a-z]\w+\b|\S > \S.* > \S|\bunsubscribe\b|"
        r"\btag us\b|\bfollow (?:us|me)\b|^(?:us customary|metric|us)\s*[-|/·]?\s*"
        r"(?:metric|us customary)?$|^(?:print|pin|share)(?:\s+(?:print|pin|share))*$",
        re.IGNORECASE)),
    (GREETING, re.compile(
        r"^(?:subject|from|to|date|cc|fwd?|re)\s*:|^voice (?:note|message)\b|\bwrote\s*:\s*$|"
        r"^-{2,}\s*$|^sent from\b|"
        r"^(?:hi+|hiya|heya|hey|hello|dear|morning|bye+|byee+|thanks?|thank you|cheers|love|"
        r"yours|regards|best|xx+)\b"
        r"[^\d:]{0,40}[,!.]?\s*$|\b(?:call|ring|phone|text|tel)\b[^.]{0,20}\d{3}",
        re.IGNORECASE)),
    (KEEPING, re.compile(
        r"^(?:about |around )?\d{1,2}(?:\s*(?:-|to)\s*\d{1,2})? (?:days?|weeks?|months?)[.!]*$|"
        r"^(?:it |they |will )*(?:keeps?|stores?|storage|freezes?|frozen|lasts?|leftovers)\b"
        r"[^.]*\b(?:days?|weeks?|months?|tin|freezer|fridge)\b", re.IGNORECASE)),
)
_PER_SLICE = re.compile(r"\bper (?:serving|slice|portion|piece|100 ?g)\b", re.IGNORECASE)
_ASKED = re.compile(r"\?\s*$")


def section_of(row: str, *, done: bool = True) -> str:
    """Return what a part is about that begins with a row; empty where none of these begins.

    Parameters
    ----------
    row : str
        Its words.
    done : bool
        Whether the recipe has been read already; before it, "41 comments" is a count.

    >>> section_of("Comments (12)"), section_of("Ingredients")
    ('a comment', '')
    """
    for why, pattern in _SECTIONS:
        if (found := pattern.fullmatch(row.strip())) is not None:
            counted = "many" in pattern.groupindex and found["many"]
            return why if done or not counted else ""
    return ""


def reason_of(row: str, *, named: bool, stated: bool, leads: bool = False) -> str:
    """Return why a row is no part of the recipe; empty where it may be.

    Parameters
    ----------
    row : str
        Its words.
    named : bool
        Whether it holds an amount of a known ingredient.
    stated : bool
        Whether it states a pan, a setting or a time.
    leads : bool
        Whether it begins with an amount of a known ingredient: a line, whatever it feeds.

    >>> reason_of("4.8 from 213 votes", named=False, stated=False)
    'about the page'
    """
    if len(row) > 240:
        return ""
    for why, pattern in _ROWS:
        if why is NUTRITION and leads and not _PER_SLICE.search(row):
            continue
        sure = why in (COMMENT, NUTRITION)
        if pattern.search(row) and (sure or not (stated or named)):
            return why
    if _ASKED.search(row) and not named and not stated:
        return QUESTION
    return ""


_OTHER_RECIPE = re.compile(
    r"^(?:(?:\d+|½|an?|one|half an?|half the) )?(?:recipe|batch|quantity|portion|"
    r"amount)s? (?:of |for )"
    r"(?!(?:the )?(?:cake|batter)\b)|\bsee (?:page|p\.) ?\d+|\bas for the\b", re.IGNORECASE)


def other_recipe(row: str) -> bool:
    """Say whether a row only points to another recipe.

    >>> other_recipe("1 recipe of the almond sponge (see page 14)"), other_recipe("1 pear")
    (True, False)
    """
    return _OTHER_RECIPE.search(row) is not None


_OTHER_WAY = re.compile(r"^\W*or\b", re.IGNORECASE)


def other_way(row: str) -> bool:
    """Say whether a row offers something in place of a line above it.

    >>> other_way("*or 90 ml oil"), other_way("orange zest")
    (True, False)
    """
    return _OTHER_WAY.search(row) is not None


_CORRECTS = re.compile(
    r"^\W*(?:(?:oh|er+|um+|ah|and|h+m+|ha|so|but|ok|argh)\W+)*(?:edit(?:ed)?\b|correction\b|"
    r"corr\.|sorry\b|oops\b|update\b|no[,\s]+(?:wait|hang on|sorry)\b|hang on\b|"
    r"wait[\s,]*[,!.:–—-]|"
    r"wait no\b|actually\b|scrap that\b|ignore that\b|my mistake\b|i mean\b)|"
    r"\b(?:that|it) should (?:be|say|read)\b|\bi (?:meant|mean)\b|\btypo\b|\binstead of \d|"
    r"\brather than \d|\bnot \d+\s?(?:g|ml|tsp|tbsp|oz)?\s*[.!]*$", re.IGNORECASE)
_CORRECTS_STEPS = re.compile(r"^\W*(?:edit(?:ed)?|correction|update|typo)\b", re.IGNORECASE)


def corrects(row: str, *, step: bool = False) -> bool:
    """Say whether a row takes back what an earlier one said.

    Parameters
    ----------
    row : str
        Its words.
    step : bool
        Whether it stands in the method, where "wait" and "actually" are words of the work.

    >>> corrects("EDIT: that should be 2 eggs"), corrects("2 eggs, beaten")
    (True, False)
    >>> corrects("Wait 10 minutes, then add 50 g sugar"), corrects("Actually 50 g", step=True)
    (False, False)
    """
    return (_CORRECTS_STEPS if step else _CORRECTS).search(row) is not None


_STEP_HEAD = re.compile(r"step\s*\d{1,2}\s*(?:[-–—:.)]\s*(?P<what>.{0,60}))?", re.IGNORECASE)


def step_heading(row: str) -> str | None:
    """Return what a bare step heading names: "STEP 5 - GANACHE"; None where a row is none.

    >>> step_heading("STEP 2 - WET"), step_heading("STEP 3"), step_heading("Step 1: whisk 2 eggs")
    ('WET', '', None)
    """
    found = _STEP_HEAD.fullmatch(row.strip())
    if found is None:
        return None
    what = (found["what"] or "").strip()
    return None if len(what.split()) > 3 or re.search(r"\d", what) else what
