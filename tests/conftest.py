"""What all tests share."""

from __future__ import annotations

import os

# Playwright's own loop runs in the test's thread, where Django would refuse the database.
os.environ.setdefault("DJANGO_ALLOW_ASYNC_UNSAFE", "true")
