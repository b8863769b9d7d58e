"""What this program is: version, what changed, whose work ships with it, where its data lies."""

from __future__ import annotations

import platform
from dataclasses import dataclass
from functools import lru_cache
from pathlib import Path

from django.conf import settings

from entremet import __version__


@dataclass(frozen=True, slots=True, kw_only=True)
class VersionNews:
    """What changed with a version."""

    version: str
    changes: tuple[str, ...]


@dataclass(frozen=True, slots=True, kw_only=True)
class ShippedPackage:
    """A package that ships, and its licence."""

    name: str
    version: str
    licence: str


@dataclass(frozen=True, slots=True, kw_only=True)
class About:
    """All of it; ``folder`` and ``python`` are of this machine."""

    version: str
    python: str
    folder: str
    news: tuple[VersionNews, ...]
    packages: tuple[ShippedPackage, ...]


def about() -> About:
    """Return what this program is."""
    return About(version=__version__, python=platform.python_version(),
                 folder=str(Path(settings.DATA).resolve()), news=_news(_paper("changes")),
                 packages=_packages(_paper("licences")))


@lru_cache(maxsize=4)
def _paper(name: str) -> str:
    return (Path(settings.PAPERS) / f"{name}.md").read_text("utf-8")


def _news(text: str) -> tuple[VersionNews, ...]:
    found: list[tuple[str, list[str]]] = []
    for line in text.splitlines():
        if line.startswith("## "):
            found.append((line[3:].strip(), []))
        elif line.startswith("- ") and found:
            found[-1][1].append(line[2:].replace("**", "").replace("`", "").strip())
        elif line.startswith("  ") and found and found[-1][1]:
            found[-1][1][-1] += f" {line.strip().replace('**', '').replace('`', '')}"
    return tuple(VersionNews(version=version, changes=tuple(changes))
                 for version, changes in found)


def _packages(text: str) -> tuple[ShippedPackage, ...]:
    rows = [[cell.strip() for cell in line.strip().strip("|").split("|")]
            for line in text.splitlines() if line.startswith("|")]
    return tuple(ShippedPackage(name=row[0], version=row[1], licence=row[2]) for row in rows
                 if len(row) == 3 and row[0] != "package" and not set(row[0]) <= set("-: "))
