"""``manage.py load_demo``: the demo kitchen, as often as you like."""

from __future__ import annotations

from typing import Any

from django.core.management.base import BaseCommand

from entremet.kitchen.demo.loading import load_demo
from entremet.kitchen.demo.season import load_season


class Command(BaseCommand):
    """Load the demo kitchen."""

    help = "Load the demo kitchen into this database; what is there already stays."

    def handle(self, *_args: Any, **_options: Any) -> None:
        """Load it and say what was added."""
        added = load_demo() + load_season()
        self.stdout.write(f"Demo kitchen: {added} things added." if added
                          else "Demo kitchen: all there.")
