"""What a component is made as: its kind decides density, thickness, when it is ready."""

from __future__ import annotations

import re
from collections.abc import Sequence
from dataclasses import dataclass

from entremet.core.card.lines import Component, Line
from entremet.core.ground.reference import read_table

_HEADINGS = (
    ("cream_cheese", r"cream cheese|mascarpone"), ("meringue_buttercream", r"meringue butter"),
    ("buttercream", r"buttercream|butter ?icing"), ("ganache", r"ganache"), ("curd", r"curd"),
    ("jam", r"\bjam\b|marmalade|compote"), ("caramel", r"caramel|toffee"),
    ("custard", r"custard|pastry cream"), ("syrup", r"syrup|soak"),
    ("marzipan", r"marzipan"), ("fondant", r"fondant|rolled"), ("mousse", r"mousse"),
    ("cream", r"\bcream\b"), ("glaze", r"glaz|drizzle|water icing"))

_OF_COMPONENT = {Component.SOAK: "syrup", Component.GLAZE: "glaze"}


@dataclass(frozen=True, slots=True, kw_only=True)
class Readiness:
    """When a kind is ready, at what warmth it is used, how long it holds, what puts it right."""

    ready: str
    use_at: str
    holds: str
    put_right: str
    caution: str


READINESS: dict[str, Readiness] = {
    key: Readiness(ready=row["ready"], use_at=row["use_at"], holds=row["holds"],
                   put_right=row["put_right"], caution=row.get("caution", ""))
    for key, row in read_table("entremet.core.dressing", "readiness.toml").items()}


def kind_of(component: Component, heading: str, lines: Sequence[Line]) -> str:
    """Return what a component is most likely made as: by its heading, then by what is in it.

    >>> kind_of(Component.FROSTING, "For the buttercream", [])
    'buttercream'
    """
    for kind, words in _HEADINGS:
        if re.search(words, heading, re.IGNORECASE):
            return kind
    keys = [line.ingredient.key if line.ingredient else line.name.lower() for line in lines]

    def has(*parts: str) -> bool:
        return any(part in key for key in keys for part in parts)

    cream = any(key in ("double_cream", "whipping_cream", "heavy_cream", "single_cream")
                or key.endswith("cream") for key in keys)
    if has("cream_cheese", "mascarpone"):
        return "cream_cheese"
    if has("chocolate") and (cream or has("milk")):
        return "ganache"
    if has("butter") and has("icing_sugar"):
        return "buttercream"
    if component in _OF_COMPONENT:
        return _OF_COMPONENT[component]
    if cream:
        return "cream"
    if has("jam", "marmalade"):
        return "jam"
    if has("icing_sugar"):
        return "glaze"
    if has("chocolate"):
        return "ganache"
    return "other"


def words_of_heading(heading: str) -> str:
    """Return a heading as a name: "For the plum filling:" is "Plum filling".

    >>> words_of_heading("For the buttercream:")
    'Buttercream'
    """
    bare = re.sub(r"^(?:for|to make)\s+(?:the\s+)?", "", heading.strip().rstrip(":").strip(),
                  flags=re.IGNORECASE)
    return bare[:1].upper() + bare[1:]
