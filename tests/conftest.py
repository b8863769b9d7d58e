"""What all tests share."""

from __future__ import annotations

import os

from hypothesis import settings

# Playwright's own loop runs in the test's thread, where Django would refuse the database.
os.environ.setdefault("DJANGO_ALLOW_ASYNC_UNSAFE", "true")

# How long an example takes depends on the machine; speed is measured in the bench, never here.
# Examples are the same in every run; the bench looks for new ones with fresh seeds, and what it
# finds is kept as an example beside its test.
settings.register_profile("house", deadline=None, derandomize=True)
settings.register_profile("quick", deadline=None, derandomize=True, max_examples=25)
settings.register_profile("fresh", deadline=None, max_examples=500)
settings.load_profile(os.environ.get("ENTREMET_EXAMPLES", "house"))
