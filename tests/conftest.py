"""What all tests share."""

from __future__ import annotations

import os

from hypothesis import settings

# Playwright's own loop runs in the test's thread, where Django would refuse the database.
os.environ.setdefault("DJANGO_ALLOW_ASYNC_UNSAFE", "true")

# How long an example takes depends on the machine; speed is measured in the bench, never here.
settings.register_profile("house", deadline=None)
settings.load_profile("house")
