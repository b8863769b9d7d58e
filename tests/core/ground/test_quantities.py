"""Quantities in sentences: marked, every one of them, so that any kitchen can read them."""

import ast
import re
from collections.abc import Iterator
from pathlib import Path

import pytest

from entremet.core.ground import quantities

BARE = re.compile(r"(?:\d|\}|^)\s?(?:cm²?|°C|°F|ml)(?![\w²])")
AS_WRITTEN = {
    # What bakers write is read here, or an example of it is shown to them.
    "core/reading", "core/measures", "core/card/ties.py", "core/fitting/scaled_steps.py",
    "core/desk/splits.py", "kitchen/api/routers/desk.py", "kitchen/actions/ingredients.py",
    # A dial is told in its own scale, whatever the kitchen reads.
    "core/ovens/settings.py",
    # A ruler to be printed, and the units of a drawing.
    "core/formats", "core/labelling/label_pdf.py",
    # Units of the tables, which are no sentences.
    "core/ingredients/table.py",
    # The marks themselves.
    "core/ground/quantities.py", "kitchen/migrations", "kitchen/api/schemas", "kitchen/demo",
    "kitchen/welcome"}


def sentences(file: Path) -> Iterator[tuple[int, str]]:
    """Give every text of a module that is not a docstring, what is put in as {}."""
    tree = ast.parse(file.read_text(encoding="utf-8"))
    told = {id(node.value) for node in ast.walk(tree) if isinstance(node, ast.Expr)}
    parts = {id(part) for node in ast.walk(tree) if isinstance(node, ast.JoinedStr)
             for part in node.values}
    for node in ast.walk(tree):
        if isinstance(node, ast.JoinedStr):
            yield node.lineno, "".join(
                part.value if isinstance(part, ast.Constant) else "{}" for part in node.values)
        elif isinstance(node, ast.Constant) and isinstance(node.value, str) and not (
                id(node) in told or id(node) in parts):
            yield node.lineno, node.value


def test_no_sentence_of_ours_names_a_unit_that_is_not_marked():
    root = Path("entremet")
    found = []
    for file in sorted(root.glob("core/**/*.py")) + sorted(root.glob("kitchen/**/*.py")):
        name = file.relative_to(root).as_posix()
        if any(name.startswith(one) for one in AS_WRITTEN):
            continue
        found += [f"{name}:{line}: {text}" for line, text in sentences(file)
                  if BARE.search(text) and not text.startswith("(?") and "\\" not in text]
    assert found == []


@pytest.mark.parametrize(("told", "words"), [
    (quantities.cm(4.23), "4.2 cm"), (quantities.cm(20), "20 cm"), (quantities.cm(0.25), "0.25 cm"),
    (quantities.cm(0.5), "0.5 cm"), (quantities.cm(31.6, 0), "32 cm"),
    (quantities.cm_by(33, 22.9), "33 × 22.9 cm"), (quantities.cm_to(0.3, 40), "0.3 to 40 cm"),
    (quantities.cm2(508.9), "509 cm²"), (quantities.celsius(-18), "-18 °C"),
    (quantities.celsius(98.44, 1), "98.4 °C"), (quantities.degrees(20), "20 °C"),
    (quantities.degrees_to(5, 14), "5 to 14 °C"), (quantities.ml(1846.4), "1846 ml"),
    (quantities.ml_to(50, 100), "50 to 100 ml"), (quantities.cm(100), "100 cm")])
def test_a_metric_kitchen_reads_it_as_bakers_write_it(told, words):
    assert quantities.plain(told) == words
    assert told != words
