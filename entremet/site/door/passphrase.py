"""``python -m entremet.site.door.passphrase``: a new passphrase, on the machine itself."""

from __future__ import annotations

import argparse
import getpass
import os
import sys
from collections.abc import Sequence
from pathlib import Path


def main(given: Sequence[str] | None = None) -> None:
    parser = argparse.ArgumentParser(description="Choose a new passphrase for other screens.")
    parser.add_argument("--demo", action="store_true", help="the demo kitchen")
    args = parser.parse_args(given)
    if args.demo:
        os.environ["ENTREMET_KITCHEN"] = "demo"
    os.environ["ENTREMET_SHARE"] = "1"
    os.environ.setdefault("DJANGO_SETTINGS_MODULE", "entremet.site.settings")
    import django
    from django.conf import settings

    django.setup()
    from django.contrib.auth.password_validation import validate_password
    from django.core.exceptions import ValidationError

    from entremet.kitchen.actions.sharing import set_passphrase
    from entremet.kitchen.safe.updating import bring_up_to_date
    from entremet.site.door.apart import closed_to_others

    closed_to_others(Path(settings.DATA) / f"{settings.KITCHEN}.access.sqlite3")
    bring_up_to_date("access")
    given = getpass.getpass("New passphrase: ") if sys.stdin.isatty() else sys.stdin.readline()
    given = given.rstrip("\n")
    try:
        validate_password(given)
    except ValidationError as error:
        sys.exit(" ".join(error.messages).replace("password", "passphrase"))
    set_passphrase(given)
    print("This is the passphrase now. Every screen has to sign in again.")


if __name__ == "__main__":
    main()
