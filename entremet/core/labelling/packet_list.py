"""The list on a packet, read: what it names, what it may hold traces of, what is not known.

It is printed by others, often in another language. A word nobody here knows is said to be unknown:
nothing passes for harmless because it was not understood.
"""

from __future__ import annotations

import re
from collections.abc import Iterable, Iterator
from dataclasses import dataclass
from functools import lru_cache

from entremet.core.ground.reference import read_table
from entremet.core.ingredients.names import plain
from entremet.core.ingredients.table import TABLE
from entremet.core.labelling.allergens import ALLERGENS, allergens_of

_WORDS = read_table("entremet.core.labelling", "packet_words.toml")
GROUPS = {"nuts": "nuts", "cereals": "cereals containing gluten"}
"""What the law calls the groups of which a word may leave open which is meant."""
SHORTEST = 3
"""Letters of a word that is looked at: shorter ones are units and joints."""


@dataclass(frozen=True, slots=True, kw_only=True)
class PacketList:
    """What a packet's list says.

    Parameters
    ----------
    contains, traces : tuple of str
        Keys of allergens that it names, and that it may hold traces of.
    unnamed : tuple of (str, str)
        Words of it for some of a group that do not say which, where it names none of that group,
        and the group: "nuts", "flour".
    unknown : tuple of str
        Words that are in no table, in small letters, each once.
    """

    contains: tuple[str, ...]
    traces: tuple[str, ...]
    unnamed: tuple[tuple[str, str], ...]
    unknown: tuple[str, ...]


@lru_cache(maxsize=512)
def read_packet(text: str) -> PacketList:
    """Read the list of ingredients of a packet.

    Butter of cocoa and milk of a plant are none of the dairy's, what something is free of is not
    in it, and traces end with their sentence or where "contains" begins another.

    >>> read_packet("contains: milk. may contain: egg. contains soya").contains
    ('milk', 'soya')
    >>> read_packet("cocoa butter, oat milk, gluten-free wheat starch").contains
    ('wheat', 'oats')
    >>> read_packet("sugar, glimmerwort; may contain nuts").unknown
    ('glimmerwort',)
    """
    held: set[str] = set()
    traces: set[str] = set()
    groups: dict[str, list[str]] = {name: [] for name in _WORDS["unnamed"]}
    unknown: list[str] = []
    for piece, only_traces in _pieces(_cleared(text)):
        found, rest = _named(piece)
        (traces if only_traces else held).update(found)
        for name, pattern in _patterns("unnamed").items():
            groups[name] += [] if only_traces else pattern.findall(rest)
            rest = pattern.sub(" ", rest)
        unknown += [word for word in re.findall(rf"[^\W\d_]{{{SHORTEST},}}", rest)
                    if word not in _harmless()]
    return PacketList(
        contains=allergens_of(held), traces=allergens_of(traces - held),
        unnamed=tuple(dict.fromkeys(
            (word, GROUPS[name]) for name, words in groups.items() for word in words
            if not any(ALLERGENS[key].group == GROUPS[name] for key in held))),
        unknown=tuple(dict.fromkeys(unknown)))


_PRESENT = re.compile(r"(?P<what>[^,]*)\bmay be present\b")
_MAY_FROM = (r"\bmay (?:also )?contain\b|\bnot suitable for\b|\bkann\b(?=.*\benthalten\b)|"
             r"\bkan\b(?=.*\b(?:bevatten|indeholde|innehålla)\b)|"
             r"\b(?:possible |may have )?traces? (?:of|from)\b|"
             r"\b(?:made|produced|packed|manufactured|processed|prepared|handled) (?:in|on|at) "
             r"(?:an?|the|premises|our)\b|\bpeut contenir\b|\btraces? (?:éventuelles? )?d(?:e |')|"
             r"\bpu(?:ò|o'?) contenere\b|\btracce di\b|\bpuede contener\b|\btrazas de\b|"
             r"\bspuren von\b|\bsporen van\b|\bmoże zawierać\b|\bkan spor\w* \w+|\bspår av\b")
_AGAIN = r"\bcontains?\b|\bingredients?\b|\benthält\b|\bcontient\b|\bcontiene\b|\bbevat\b"
# A claim ends with its comma: what stands behind one may be the list again.
_FREE = (r"[\w'-]+[\s-]free\b(?!\s+range)|\bfree (?:from|of)\b[^,.;:()\n]*|"
         r"\b(?:contains no|does not contain|do not contain)\b[^,.;:()\n]*|"
         r"\b(?:no|without|ohne|sans|senza|sin|zonder|uden|utan)\b"
         r"(?! added\b)[^,.;:()\n]*|\b\w+frei(?:e[rs]?)?\b")


def _cleared(text: str) -> str:
    """Return a text in small letters without what it is free of and what only sounds like it."""
    said = text.casefold().replace("’", "'")
    said = re.sub(_FREE, " ", said)
    no = _WORDS["nothing"]
    for phrase in sorted(no["phrases"], key=len, reverse=True):
        said = re.sub(rf"(?<!\w){re.escape(phrase)}(?!\w)", " ", said)
    plants, dairy = _any(no["plants"]), _any(no["dairy"])
    said = re.sub(rf"(?<!\w)({plants})[\s-]*(?:{dairy})(?!\w)", r"\1", said)
    of_plants, of_dairy = _any(no["of_plants"]), _any(no["of_dairy"])
    return re.sub(rf"(?<!\w)(?:{of_dairy}) d(?:e |i |')(?:la )?({of_plants})(?!\w)", r"\1", said)


def _pieces(said: str) -> Iterator[tuple[str, bool]]:
    """Yield what a list says piece by piece, and whether it is of traces alone."""
    for sentence in re.split(r"[;\n]|\.(?!\d)", said):
        if present := _PRESENT.search(sentence):
            yield present["what"], True
            sentence = f"{sentence[:present.start()]} {sentence[present.end():]}"
        at, traces = 0, False
        for mark in re.finditer(rf"(?P<may>{_MAY_FROM})|(?:{_AGAIN})", sentence):
            yield sentence[at:mark.start()], traces
            at, traces = mark.end(), mark["may"] is not None
        yield sentence[at:], traces


def _named(piece: str) -> tuple[set[str], str]:
    """Return the allergens that a piece names, and what is left of it."""
    found = set()
    rest = piece
    for key, pattern in _patterns("allergens").items():
        if pattern.search(piece):
            found.add(key)
            rest = pattern.sub(" ", rest)
    return found, rest


@lru_cache(maxsize=2)
def _patterns(table: str) -> dict[str, re.Pattern[str]]:
    return {key: re.compile(_pattern(words)) for key, words in _WORDS[table].items()}


def _pattern(words: Iterable[str]) -> str:
    """Return what finds some words; a star takes the rest of a word written in one with them."""
    said = []
    for word in sorted({one.casefold() for one in words}, key=len, reverse=True):
        bare = re.escape(word.strip("*"))
        said.append(rf"\w*{bare}(?!\w)" if word.startswith("*")
                    else rf"(?<!\w){bare}\w*" if word.endswith("*") else rf"(?<!\w){bare}(?!\w)")
    return "|".join(said)


def _any(words: Iterable[str]) -> str:
    return "|".join(re.escape(one) for one in sorted(set(words), key=len, reverse=True))


@lru_cache(maxsize=1)
def _harmless() -> frozenset[str]:
    ours = (word for phrase in TABLE.phrases for word in plain(phrase).split())
    said = (word for one in _WORDS["harmless"]["words"] for word in one.split())
    no = _WORDS["nothing"]
    return frozenset({*ours, *said, *no["plants"], *no["of_plants"], *(
        word for one in ALLERGENS.values() for word in one.name.casefold().split())})
