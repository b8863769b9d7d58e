"""A fit written as Markdown and as JSON-LD."""

from __future__ import annotations

import json
import re
from collections.abc import Iterator, Sequence
from typing import Any

from entremet.core.leaving.sheet import LeavingSheet

_MARKS = re.compile(r"([\\`*_\[\]<>#|])")


def fit_markdown(sheet: LeavingSheet) -> str:
    """Return a fit as Markdown, to be read and printed anywhere."""
    return "\n".join(_rows(sheet)) + "\n"


def _rows(sheet: LeavingSheet) -> Iterator[str]:
    yield f"# {_plain(sheet.title)}"
    for text in (sheet.facts, sheet.makes):
        if text:
            yield from ("", f"*{_plain(text)}*")
    yield from _listed("Pans", sheet.pans)
    for part in sheet.taken:
        yield from _listed(part.title, [f"{amount} {name}" for amount, name in part.lines])
    yield from _numbered("Method", sheet.steps)
    yield from _listed("Bake", sheet.bakes)
    if sheet.done_when:
        yield from ("", f"Done when {_plain('; '.join(sheet.done_when))}. A sign ends the bake, "
                        "not the clock.")
    yield from _numbered("Finish", sheet.finish)
    yield from _listed("Take care", sheet.cautions)


def _listed(title: str, rows: Sequence[str]) -> Iterator[str]:
    if rows:
        yield from ("", f"## {_plain(title)}", "")
        yield from (f"- {_plain(row)}" for row in rows)


def _numbered(title: str, rows: Sequence[str]) -> Iterator[str]:
    if rows:
        yield from ("", f"## {_plain(title)}", "")
        yield from (f"{place}. {_plain(row)}" for place, row in enumerate(rows, start=1))


def _plain(text: str) -> str:
    """Return text in which nothing is taken for a mark, on one line."""
    return _MARKS.sub(r"\\\1", " ".join(text.split()))


def fit_json_ld(sheet: LeavingSheet) -> str:
    """Return a fit as JSON-LD of schema.org: yield, times, what goes in, steps as steps."""
    node: dict[str, Any] = {"@context": "https://schema.org", "@type": "Recipe",
                            "name": sheet.title}
    if sheet.makes:
        node["recipeYield"] = sheet.makes
    if sheet.bake_min is not None:
        node["cookTime"] = f"PT{sheet.bake_min}M"
    node["description"] = ". ".join(one for one in (sheet.facts, *sheet.pans) if one)
    node["recipeIngredient"] = [f"{amount} {name}" for part in sheet.taken
                                for amount, name in part.lines]
    node["recipeInstructions"] = [
        {"@type": "HowToSection", "name": title, "itemListElement": [
            {"@type": "HowToStep", "text": text} for text in rows]}
        for title, rows in (("Method", sheet.steps), ("Bake", sheet.bakes),
                            ("Finish", sheet.finish)) if rows]
    return json.dumps(node, ensure_ascii=False, indent=2) + "\n"
