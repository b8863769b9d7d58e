"""``manage.py write_openapi FILE BOUNDS``: the API's description, and its bounds beside it."""

from __future__ import annotations

import json
from pathlib import Path
from typing import Any

from django.core.management.base import BaseCommand, CommandParser

from entremet.kitchen.api.assembled import api
from entremet.kitchen.api.bounds import bounds_module


class Command(BaseCommand):
    """Write the OpenAPI document and what follows from it."""

    help = "Write the OpenAPI document, and the front end's module of bounds and choices."

    def add_arguments(self, parser: CommandParser) -> None:
        """Take the names of both files."""
        parser.add_argument("file", type=Path)
        parser.add_argument("bounds", type=Path)

    def handle(self, *_args: Any, **options: Any) -> None:
        """Write both."""
        described = json.loads(json.dumps(api.get_openapi_schema()))
        document = json.dumps(described, indent=1, ensure_ascii=False)
        options["file"].write_text(f"{document}\n", encoding="utf-8")
        options["bounds"].write_text(bounds_module(described), encoding="utf-8")
