"""Texts made to make a reader work: each was minutes of work once, or could be."""

from __future__ import annotations

import json

METHOD = "Method\n"


def fill(piece: str, signs: int = 59_000) -> str:
    return (piece * (signs // len(piece) + 1))[:signs]


def rows(piece: str, count: int = 30, signs: int = 1_900) -> str:
    return "\n".join(fill(piece, signs) for _ in range(count))


TEXTS = {
    "tins": fill("20 cm tin "), "tins in the method": METHOD + fill("20 cm tin "),
    "settings": METHOD + fill("180C "), "marks": METHOD + fill("gas mark 4 "),
    "foil": METHOD + "Bake " + fill("foil "), "lift off": METHOD + "Bake " + fill("lift off "),
    "optional": "\n".join("1 cup " + fill("optional ", 1_900) for _ in range(30)),
    "halves added": METHOD + rows("+ 1/2 "), "halves in a line": "1" + fill("+ 1/2 "),
    "digits": METHOD + fill("7", 7_500), "digits in rows": METHOD + rows("7"),
    "ones": METHOD + rows("1 "), "over": METHOD + rows("1/"), "thousands": METHOD + rows("1,111,"),
    "until": METHOD + fill("until "), "stand": METHOD + fill("stand in "),
    "brackets": fill("("), "spaces": "1 cup" + fill(" ") + "x", "or": rows("cider or "),
    "many rows": "a\n" * 29_000, "many lines": "1 cup flour\n" * 4_000, "hashes": fill("# "),
    "bullets": fill("- "), "zest": fill("zest of "), "less": rows("less 1 cup "),
    "every amount a flour": "\n".join(f"{i} g flour" for i in range(1, 200)) + "\n" + METHOD + rows(
        "20 g flour ", 100, 500),
    "holes": METHOD + fill("12 hole "), "by": METHOD + fill("20 x 20 x "), "dots": fill(". "),
}

PAGES = {
    "a": fill("<a ", 3_000_000), "comments": fill("<!--", 3_000_000),
    "closing": "<nav>" + fill("</a>", 3_000_000), "nav": fill("<nav></a>", 3_000_000),
    "bold": fill("<b>", 3_000_000), "blocks": fill("<li>1 cup", 3_000_000),
    "declaration": "<![a" + fill("x", 100), "broken declaration": "<![:", "processing": fill("<?"),
    "data never closed": fill("<script type='application/ld+json'>{", 3_000_000),
    "deep data": "<script type='application/ld+json'>" + fill("[", 2_900_000),
    "attributes": "<a " + " ".join(f"x{i}=1" for i in range(300_000)) + ">",
}

DRAWINGS = {
    "paths": fill("<path ", 399_000), "open d": fill("<path d='", 399_000),
    "polygons": fill("<polygon points=", 399_000),
    "curves": "<path d='M0 0 " + fill("C1 1 2 2 3 3 ", 390_000) + "'/>",
    "small paths": fill("<path d='M0 0L1 1'/>", 399_000),
}


def node(**fields: object) -> str:
    return json.dumps({"@type": "Recipe", "name": "x", "recipeIngredient": ["1 cup flour"],
                       **fields})


DOCUMENTS = {
    "lines": node(recipeIngredient=["1 cup flour"] * 150_000),
    "steps": node(recipeInstructions=["mix"] * 250_000), "name": node(name=fill("<", 2_900_000)),
    "entities": node(description=fill("&lt", 2_900_000)),
    "keywords": node(keywords=fill("a,", 2_900_000)),
    "one line": node(recipeIngredient=[fill("7", 2_900_000)]),
    "rows in a line": node(recipeIngredient=[fill("a\n", 2_900_000)]),
    "sections": node(recipeInstructions=[{"name": "x", "itemListElement": ["a"] * 250_000}]),
    "deep": fill("[", 1_500_000),
}
