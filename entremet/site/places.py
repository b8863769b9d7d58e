"""Where things lie: in a checkout beside the code, else where the platform has its user's data."""

from __future__ import annotations

import os
from pathlib import Path

SITE = Path(__file__).resolve().parent
ROOT = SITE.parents[1]
BUILT = SITE / "built"
PAPERS = SITE / "papers"


def installed() -> bool:
    """Say whether the program was installed, with its pages built into it."""
    return (BUILT / "index.html").exists()


def data_folder() -> Path:
    """Return the folder of the kitchen: as the environment says, else the custom of the place."""
    if said := os.environ.get("ENTREMET_DATA"):
        return Path(said)
    if not installed():
        return ROOT / "var"
    from platformdirs import user_data_path

    return user_data_path("entremet", appauthor=False)


def front_end() -> Path:
    """Return the folder of the built pages."""
    return BUILT if installed() else ROOT / "frontend" / "dist"


def papers() -> Path:
    """Return the folder of the texts that ship with the program: licences, what changed."""
    return PAPERS if installed() else ROOT / "docs"
