"""``python -m entremet.site.keep``: a copy of the kitchen's file, or one brought back."""

from __future__ import annotations

import argparse
import os
import sqlite3
import sys
from collections.abc import Sequence
from datetime import datetime
from pathlib import Path

from entremet.kitchen.errors import Unsound
from entremet.kitchen.safe.copies import copy_of, folder_of
from entremet.kitchen.safe.restoring import bring_back
from entremet.kitchen.safe.soundness import check_folder, hold, words_of
from entremet.places import restore_words


def main(given: Sequence[str] | None = None) -> None:
    parser = argparse.ArgumentParser(description="Copy the kitchen's file, or bring a copy back.")
    parser.add_argument("what", choices=["backup", "restore"])
    parser.add_argument("--file", type=Path, help="the copy to bring back")
    parser.add_argument("--demo", action="store_true", help="the demo kitchen")
    args = parser.parse_args(given)
    if args.demo:
        os.environ["ENTREMET_KITCHEN"] = "demo"
    os.environ.setdefault("DJANGO_SETTINGS_MODULE", "entremet.site.settings")
    import django
    from django.conf import settings

    django.setup()
    kitchen = Path(settings.DATA) / f"{settings.KITCHEN}.sqlite3"
    try:
        if args.what == "backup":
            _back_up(kitchen)
        else:
            _restore(args.file, kitchen)
    except Unsound as reason:
        sys.exit(str(reason))
    except sqlite3.Error as error:
        sys.exit(words_of(error, kitchen, folder_of(kitchen)))
    except OSError as error:
        sys.exit(f"The disk could not be read or written ({error.strerror}). Nothing was changed; "
                 "make room on it or allow writing, then try again.")


def _back_up(kitchen: Path) -> None:
    if not kitchen.exists():
        raise Unsound(f"There is no kitchen yet at {kitchen}. Start Entremet once.")
    print(f"Copied to {copy_of(kitchen, at=datetime.now(), why='on-demand')}")


def _restore(copy: Path | None, kitchen: Path) -> None:
    if copy is None or str(copy) in ("", "."):
        raise Unsound(f"Say which copy: {restore_words(f'{folder_of(kitchen)}/…')}")
    from entremet.kitchen.actions.safe import known_updates

    check_folder(kitchen.parent)
    held = hold(kitchen)
    brought = bring_back(copy, kitchen, newest=known_updates(), at=datetime.now())
    print(f"{copy} is the kitchen now.")
    if brought.before is not None:
        print(f"What stood there before lies in {brought.before}.")
    os.close(held)


if __name__ == "__main__":
    main()
