"""``manage.py write_openapi FILE``: the API's description, as the snapshot keeps it."""

from __future__ import annotations

import json
from pathlib import Path
from typing import Any

from django.core.management.base import BaseCommand, CommandParser

from entremet.kitchen.api import api


class Command(BaseCommand):
    """Write the OpenAPI document."""

    help = "Write the OpenAPI document to a file."

    def add_arguments(self, parser: CommandParser) -> None:
        """Take the file's name."""
        parser.add_argument("file", type=Path)

    def handle(self, *_args: Any, **options: Any) -> None:
        """Write it."""
        document = json.dumps(api.get_openapi_schema(), indent=1, ensure_ascii=False)
        options["file"].write_text(f"{document}\n", encoding="utf-8")
