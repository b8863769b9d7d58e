"""The demo kitchen in the process that measures it, in a folder that goes afterwards."""

from __future__ import annotations

import os
import tempfile
from collections.abc import Iterator
from contextlib import contextmanager


@contextmanager
def demo_kitchen() -> Iterator[None]:
    """Set Django up on a fresh demo kitchen; once in a process."""
    with tempfile.TemporaryDirectory() as data:
        os.environ.update(ENTREMET_DATA=data, ENTREMET_KITCHEN="demo",
                          DJANGO_SETTINGS_MODULE="entremet.site.settings")
        import django

        django.setup()
        from django.core.management import call_command

        call_command("migrate", verbosity=0)
        call_command("load_demo")
        yield
