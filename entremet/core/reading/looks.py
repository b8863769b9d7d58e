"""What a row of a recipe looks like: a list row, prose, lines joined, a heading of its own."""

from __future__ import annotations

import re
from collections.abc import Sequence
from itertools import pairwise

from entremet.core.card.lines import Component
from entremet.core.measures.grammar import amount_at
from entremet.core.measures.spelt import with_digits
from entremet.core.reading.bullets import BULLET
from entremet.core.reading.components import named_kind
from entremet.core.reading.mentions import Mention

INGREDIENTS = re.compile(r"(?:the\s+)?(?:ingredients?|you(?:'|’)?(?:ll| will)? need|what you need)"
                          r"(?:\s+list)?\s*(?:\([^()]{0,60}\))?\s*:?", re.IGNORECASE)
METHOD = re.compile(r"(?:the\s+)?(?:method|directions?|instructions?|steps|preparation|to make|"
                     r"what to do|how to make (?:it|them)|procedure)\s*:?", re.IGNORECASE)
NOTES = re.compile(r"(?:notes?|tips?|source)\s*:?",
                    re.IGNORECASE)
SUM_ROW = re.compile(
    r"(?:[\d.,]+\s*(?:k?g|ml|l|oz|lbs?|%)?\s*)?(?:the )?(?:sub)?-?total"
    r"(?:\s+(?:weight|mass|batter|dough|mixture|batch))?\s*[:=]?\s*(?:about |ca\.? )?"
    r"(?:[\d.,]+\s*(?:k?g|ml|l|oz|lbs?|%)?)?\s*(?:\(.*)?"
    r"|(?:the )?(?:whole |total )?(?:batter|dough|mixture|mix|batch|cake)"
    r"(?:\s*[:=]|\s+(?:weight|weighs)\s*[:=]?)\s*(?:about |ca\.? )?[\d.,]+\s*"
    r"(?:k?g|oz|lbs?)\b.{0,30}"
    r"|(?:about |makes? (?:about )?)?[\d.,]+\s*(?:k?g|oz|lbs?)\s+(?:in all|altogether|in total|"
    r"(?:of )?(?:cake )?(?:batter|dough|mixture)|batch weight)\b.{0,30}", re.IGNORECASE)
"""A row that says what everything weighs together: never an ingredient."""

CLOCK_ROW = re.compile(
    r".*\b(?:by|at|until|till|from|before|around)\s+\d{1,2}[:h]\d{2}\b.*|\d{1,2}:\d{2}\b.*",
    re.IGNORECASE)
"""A row with a time of the day; its minutes count nothing."""

SHARE_OF = re.compile(
    r"(?:half|halves|a (?:third|quarter|half)|two thirds|three quarters|1/[234]|½|⅓|¼|some|"
    r"the (?:rest|remaining|other half)|rest|remaining|all)\b[^:]*\b(?:the|of)\b.*", re.IGNORECASE)
"""Words that share out something made elsewhere: no part of the cake begins there."""

SIZE = re.compile(r"\d+(?:[.,]\d+)?\s*(?:cm|inch(?:es)?|in\b|\"|″)", re.IGNORECASE)
SIZE_ROW = re.compile(r"(?:small|medium|large|big|mini|one|two|double|\d+\s*(?:cm|inch|in\b|\"|″))"
                      r"[^:.\d]{0,20}(?:\(?\d+(?:[.,]\d+)?\s*(?:cm|inch|in\b|\"|″)[^:)]{0,12}\)?)?"
                      r"\s*:", re.IGNORECASE)
"""The beginning of a row that gives a recipe for one of several sizes."""
PART_NAME = re.compile(r"\b(?:layers?|mix|mixture|part|bit|stage|dough|paste|crumbs?)$",
                       re.IGNORECASE)
"""The end of words that name a part, whatever it is made of."""
RULED = re.compile(r"[-–—=~]{1,6}\s*([^\W\d][\w &]{1,30}?)\s*[-–—=~]{1,6}")
"""A part's name between rules: "-- dry --"."""
TO_FINISH = re.compile(r"(?:to|for) (?:finish(?:ing)?|decorat\w+|serv\w+|top(?:ping)?|dust\w*|"
                       r"fill\w*)",
                       re.IGNORECASE)
COUNTED_TITLE = re.compile(r"(?P<title>[^\d()]{4,60}?)\s*\((?P<serves>(?:makes |serves |for )?"
                           r"(?:about )?\d{1,3}(?:\s*(?:-|–|to)\s*\d{1,3})?)(?: \w+)?\)")
"""A title with how many it makes: "Carrot muffins (12)"."""
FOR_THE_ONE = re.compile(r"(?:so )?for (?:the|your|a|my) (?P<title>[^\d:]{3,40}? (?:one|cakes?|"
                         r"loaf|tart|"
                         r"sponge|muffins?|cupcakes?|bars?|squares|torte|bundt|roll))\s*:?",
                         re.IGNORECASE)
"""A first row that says which cake it is about: "for the parsnip one"."""
OF_THEM = re.compile(r"(?:it |this )?(?:makes |does |about |i need )*(\d{1,3}) of them[.!]?",
                     re.IGNORECASE)
SERVES_FIRST = re.compile(r"(?:servings?|serves|yields?|makes)\s*:?\s*\d{1,3}\s*[a-z]*\s{2,}\S",
                          re.IGNORECASE)
"""How many it serves at the head of a row that goes on about something else."""
NAMED_TITLE = re.compile(r"(?:product|recipe|name|title|cake)\s*:\s*(?P<title>\S.{2,80}?)"
                         r"(?:\s{2,}.*)?$", re.IGNORECASE)
NUMBERED = re.compile(r"(?:step\s*)?(\d{1,2})\s*[.):]\s+(?=[^\d\W])|step\s*(\d{1,2})\s+(?=[A-Z])",
                       re.IGNORECASE)
HASHES = re.compile(r"#{1,6}\s+|\*\*(?=[^*]+\*\*\s*:?$)|__(?=[^_]+__\s*:?$)")
SERVES_ROW = re.compile(r"(?:serves|makes|yield|yields|servings|portions)\b\s*:?\s*(.+)",
                         re.IGNORECASE)
TIMES_ROW = re.compile(r"(?:prep(?:aration)?|cook(?:ing)?|total|bake|baking)\s*(?:time)?\s*:\s*.+",
                        re.IGNORECASE)
VERB = re.compile(
    r"(?:pre-?heat|heat|bake|beat|mix|stir|fold|whisk|cream|pour|divide|line|grease|melt|add|put|"
    r"warm|place|leave|turn|spread|sift|combine|cool|brush|scrape|rub|pat|roll|boil|simmer|take|use|"
    r"brown|butter a|weigh)\s", re.IGNORECASE)
NUMBER = re.compile(r"\d+|\b(?:an?|one|half)\b")
INLINE_HEAD = re.compile(r"(?:the |and |for the )?([^\d:]{3,40}?)(?::|\s(?:is|are|=|-|–|—))\s+"
                         r"(?=\S)", re.IGNORECASE)
"""The beginning of a row that names its own part: "Fold in: 150 g", "icing is 250 g"."""
PART_FIRST = re.compile(r"(base|bottom|top(?:ping)?|filling|icing|frosting|cake|sponge|crumble?|"
                        r"streusel|"
                        r"glaze|syrup)\s+(?=\d)", re.IGNORECASE)
"""A part's name straight before its first amount: "base 150 g flour"."""
_SWITCH = re.compile(
    r"\b(?:then |and |now |so )*(?:for )?the (cakes?|sponge|batter|base|icing|frosting|"
    r"buttercream|syrup|"
    r"filling|topping|crumble|streusel|glaze|ganache)(?= (?:is|are|it(?:'|’)?s|its|you|take|needs|"
    r"i use)\b)", re.IGNORECASE)
VERBAL = re.compile(r"\b(?:bake|cook|put|pour|fill|scale|weigh|divide|turn|line|grease)\b",
                    re.IGNORECASE)
"""Work at the pan or the oven, anywhere in a row."""
SPLIT = re.compile(r"\s*[;·•]\s*")
_SENTENCE_END = re.compile(
    r"(?<=[.;!?])(?<!\b[A-Za-z]\.)\s+(?!(?:no|sorry|actually|oh|wait)\b)", re.IGNORECASE)
_FOR_THE = re.compile(r"\s*(?:for|to make)\s+the\s+([\w -]{3,25}?)[:,]?\s+(?=\w)",
                      re.IGNORECASE)
_NAMED = re.compile(r"\s*([A-Za-z][A-Za-z ]{2,24}):\s")
TITLE_END = re.compile(r"\s*[:–—-]\s*$")


def is_joined(digits: str, found: Sequence[Mention]) -> bool:
    """Say whether a row lists several things, each with its amount."""
    if len(found) > 2 or SPLIT.search(digits[found[0].end:found[1].start]):
        return True
    between = re.sub(r"\s*\([^()]*\)", "", digits[found[0].end:found[1].start])
    units = [amount_at(with_digits(one.text).text, 0) for one in found]
    if not all(one is not None and one.has_unit for one in units):
        return re.fullmatch(r"\s*[,;+&]\s*(?:and\s+)?", between) is not None and (
            not between.strip().startswith("+"))
    if not between.strip():
        return True
    if not found[1].ingredient:
        return False
    return re.fullmatch(r"\s*(?:[,;&+]|and|,\s*and|plus|with|)\s*(?:about\s*)?", between,
                        re.IGNORECASE) is not None


def is_prose(bare: str, digits: str, found: Sequence[Mention],
             facts: Sequence[tuple[int, int, object]]) -> bool:
    """Say whether a row tells what is done, in sentences."""
    words = bare.split()
    if not found and not facts and bare.endswith(".") and VERB.match(bare.replace(".", " ")):
        return True
    if len(words) < 3:
        return False
    sentences = len(re.findall(r"[.!?](?:\s|$)", bare))
    starts = amount_at(BULLET.sub("", digits), 0) is not None
    if VERB.match(bare) and (bare.endswith((".", "!")) or len(words) > 4):
        return not is_one_line(digits, found) or not starts
    if len(found) > 1 and (re.search(r"\b(?:with|then|until|into|you|it|we|i|my)\b", bare,
                                     re.IGNORECASE) or sentences > 1) and len(words) > 9:
        return True
    if starts or (len(found) == 1 and is_one_line(digits, found)):
        return False
    if found and sentences:
        return True
    if found:
        return False
    if facts and len(words) > 6:
        return True
    ends = bare.endswith((".", "!"))
    return (ends and len(words) > 6) or len(bare) > 110


def masked(text: str, spans: Sequence[tuple[int, int, object]]) -> str:
    """Return a text with stretches blanked, so that nothing else is read in them."""
    out = list(text)
    for start, end, _ in spans:
        out[start:end] = "¦" * (end - start)
    return "".join(out)


def sentences(text: str) -> list[tuple[int, str]]:
    """Return the sentences of a text with their places; a correction belongs to the one before."""
    found, start = [], 0
    for end in _SENTENCE_END.finditer(text):
        found.append((start, text[start:end.start()]))
        start = end.end()
    return [*found, (start, text[start:])]


def parts_of(sentence: str) -> list[tuple[int, str, Component | None]]:
    """Return the stretches of a sentence that speak of one part each, with the part they name.

    >>> [kind and kind.value for _, _, kind in parts_of(
    ...     "For the crumble it's 80 g flour, then the cake is 200 g butter")]
    ['top_layer', 'batter']
    """
    cuts = list(_SWITCH.finditer(sentence))
    if not cuts:
        return [(0, sentence, None)]
    found: list[tuple[int, str, Component | None]] = []
    if cuts[0].start() > 0:
        found.append((0, sentence[:cuts[0].start()], None))
    for one, then in zip(cuts, [*cuts[1:], None], strict=True):
        end = len(sentence) if then is None else then.start()
        found.append((one.start(), sentence[one.start():end], named_kind(one[1])))
    return found


def heading_in(sentence: str, *, first: bool) -> Component | None:
    """Return the component a sentence begins by naming: "For the icing beat", "Glaze: 1 cup".

    Parameters
    ----------
    sentence : str
        Of the method, or of prose.
    first : bool
        Whether the text begins with it; what stands before a colon there is the title.
    """
    found = _FOR_THE.match(sentence) or (None if first else _NAMED.match(sentence))
    return None if found is None else named_kind(found[1])


def clause_of(sentence: str, place: int) -> str:
    """Return the clause around a place: between commas with a verb, "and" with a verb, "then"."""
    cuts = [0, *(one.end() for one in re.finditer(
        r",\s+(?=(?:and\s+)?(?:then|scatter|brush|roll|dip|pour|spread|top|push|fold|stir|add|"
        r"dust|fill|coat|cover|decorate|bake)\b)"
        r"|\band\s+(?=(?:then|scatter|brush|roll|dip|pour|spread|top|push|fold|stir|dust|decorate|"
        r"bake|spoon)\b)|\bthen\b", sentence, re.IGNORECASE)), len(sentence)]
    for start, end in pairwise(cuts):
        if start <= place < end:
            return sentence[start:end]
    return sentence


def is_one_line(digits: str, found: Sequence[Mention]) -> bool:
    """Say whether a row is one amount with its name, from its beginning or to its end."""
    if len(found) != 1:
        return False
    lead = BULLET.sub("", digits)
    return amount_at(lead, 0) is not None or found[0].start <= 12


def runs_on(digits: str, found: Sequence[Mention]) -> bool:
    """Say whether amounts of a row stand in several sentences."""
    return any(re.search(r"[.!?]\s+[A-Z]\w*(?: \w+|:)", digits[one.end:then.start])
               for one, then in pairwise(found))


def headed_inline(bare: str, found: Sequence[Mention]) -> bool:
    """Say whether a row begins with its own heading: "Fold in: 150 g blueberries"."""
    head = INLINE_HEAD.match(bare) or PART_FIRST.match(bare)
    return head is not None and bool(found) and named_kind(head[1]) is not None and (
        amount_at(with_digits(bare[head.end():]).text, 0) is not None)


def ends_in_amount(text: str) -> bool:
    """Say whether a row ends in an amount, as a line that names the thing first does."""
    return re.search(r"[:–—-]\s*[\d½¼¾][^:]{0,14}$|\s\d+\s?(?:g|ml|tsp|tbsp|cups?)\s*$|"
                     r"^[A-Za-z ]{3,30},\s*[\d½¼¾]+\s?(?:kg|g|ml|l|tsp|tbsp|cups?|oz)?\b",
                     text) is not None


def is_part(mention: Mention, names: str) -> bool:
    """Say whether a bare name means something of the list: "the sugar" is the caster sugar."""
    found = amount_at(mention.text, 0)
    name = mention.text[0 if found is None else found.end:].lower()
    words = [word for word in re.findall(r"[a-z]{3,}", name)
             if word not in ("the", "your", "this", "that")]
    return len(words) == 1 and last_word(name) in names


def without_greeting(words: str) -> str:
    """Return a title without what a message begins with; "so my plum cake" is "plum cake".

    >>> without_greeting("So my gran's plum cake")
    "Gran's plum cake"
    """
    bare = re.sub(r"^(?:(?:so|ok|okay|right|hi+|hiya|um|well|this is|here is|for|the|"
                  r"my)\b[\s,!]*)+",
                  "", words, flags=re.IGNORECASE).strip()
    if len(bare) < 4 or bare == words:
        return words
    return bare[:1].upper() + bare[1:]


def last_word(name: str) -> str:
    """Return the word a name goes by in a sentence: "chopped hazelnuts" is "hazelnut"."""
    words = [word for word in re.findall(r"[a-z]{3,}", name.lower())
             if word not in ("chopped", "melted", "ground", "fresh", "grated")]
    return words[-1].rstrip("s") if words else ""
