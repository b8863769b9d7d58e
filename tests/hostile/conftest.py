"""What takes many minutes: run by "make hostile" alone."""

from __future__ import annotations

from tests.everyday import HOSTILE

collect_ignore_glob = [] if HOSTILE else ["test_*.py"]
