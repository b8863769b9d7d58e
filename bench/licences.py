"""``python -m bench.licences``: what ships, and under which licence, into docs/licences.md."""

from __future__ import annotations

import json
import re
import subprocess
from importlib.metadata import distribution
from pathlib import Path
from typing import Any

ROOT = Path(__file__).resolve().parents[1]
LONG = 60


def python_rows() -> list[tuple[str, str, str]]:
    """Every package that runs the kitchen, by its own word."""
    pinned = re.findall(r"^([a-z0-9-]+)==(\S+)", (ROOT / "requirements/base.txt").read_text(), re.M)
    rows = []
    for name, version in pinned:
        told = distribution(name).metadata
        classed = [one.rpartition(" :: ")[2] for one in told.get_all("Classifier", [])
                   if one.startswith("License ::")]
        own = (told.get("License-Expression") or told.get("License") or "").strip()
        rows.append((name, version, own if 0 < len(own) <= LONG and "\n" not in own
                     else ", ".join(classed) or own.splitlines()[0]))
    return rows


def interface_rows() -> list[tuple[str, str, str]]:
    """Every package that is built into the pages."""
    told = subprocess.run(["npm", "ls", "--omit=dev", "--all", "--json", "--long"], check=False,
                          cwd=ROOT / "frontend", capture_output=True, text=True)
    found: dict[tuple[str, str], str] = {}

    def walk(node: dict[str, Any]) -> None:
        for name, one in node.get("dependencies", {}).items():
            if "version" in one:
                found[name, one["version"]] = str(one.get("license", ""))
                walk(one)

    walk(json.loads(told.stdout))
    return sorted((name, version, own) for (name, version), own in found.items())


def main() -> None:
    lines = ["# Licences of what ships", "",
             "Worked out from the packages' own words by `make licences`. What only works on",
             "Entremet (tests, lint, bench) does not ship and is not listed."]
    for title, rows in (("Runs the kitchen", python_rows()),
                        ("Built into the pages, fonts among it", interface_rows())):
        lines += ["", f"## {title}", "", "| package | version | licence |", "|---|---|---|",
                  *(f"| {name} | {version} | {own or 'not told'} |" for name, version, own in rows)]
    lines += ["", "The food table is public domain (docs/science.md names it)."]
    (ROOT / "docs/licences.md").write_text("\n".join(lines) + "\n", encoding="utf-8")


if __name__ == "__main__":
    main()
