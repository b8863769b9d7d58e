"""One word for one thing: no two classes share a name, and a glossary says what the main are."""

from __future__ import annotations

import ast
import re
from collections import defaultdict
from pathlib import Path

ROOT = Path(__file__).parents[2]
ROW_OF = {"Bake", "Bowl", "Oven", "Recipe"}
"""A table's row is named like the thing that it keeps."""
EVERYWHERE = {"Command", "Migration"}
"""Names the framework asks for."""


def classes():
    found = defaultdict(list)
    for file in sorted((ROOT / "entremet").rglob("*.py")):
        for node in ast.parse(file.read_text("utf-8")).body:
            if isinstance(node, ast.ClassDef):
                found[node.name].append((file.relative_to(ROOT / "entremet").as_posix(),
                                         (ast.get_docstring(node) or "").split("\n")[0]))
    return found


def test_no_name_of_a_class_means_two_things():
    twice = {name: [file for file, _ in places] for name, places in classes().items()
             if len(places) > 1 and name not in EVERYWHERE}
    assert set(twice) == ROW_OF
    for places in twice.values():
        assert {file.split("/")[1] for file in places} >= {"models"}


def test_the_glossary_says_what_each_class_says_of_itself():
    known = classes()
    rows = re.findall(r"^\| `(\w+)` \| `([\w/]+)` \| (.*) \|$",
                      (ROOT / "docs/glossary.md").read_text("utf-8"), re.MULTILINE)
    assert len(rows) >= 80
    for name, folder, says in rows:
        assert (folder, says) in [(file.rsplit("/", 1)[0], doc) for file, doc in known[name]], name
