"""Where things lie: in a checkout beside the code, else where the platform has its user's data."""

from __future__ import annotations

import os
from pathlib import Path

PACKAGE = Path(__file__).resolve().parent
ROOT = PACKAGE.parent
BUILT = PACKAGE / "site" / "built"
PAPERS = PACKAGE / "site" / "papers"


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


def restore_words(copy: object) -> str:
    """Return the command that brings a copy back, as it is given here."""
    return f"entremet restore {copy}" if installed() else f"make restore FILE={copy}"


def port_words(port: int) -> str:
    """Return the command that starts at a port, as it is given here."""
    return f"entremet --port {port}" if installed() else f"make demo PORT={port}"


def front_end() -> Path:
    """Return the folder of the built pages."""
    return BUILT if installed() else ROOT / "frontend" / "dist"


def papers() -> Path:
    """Return the folder of the texts that ship with the program: licences, what changed."""
    return PAPERS if installed() else ROOT / "docs"
