"""What stands before the rows of a list."""

from __future__ import annotations

import re

_SIGNS = "-*•▪◦‣☐☑✓·–▢□◻◽○●▸►→»"

BULLET = re.compile(rf"^\s*(?:[{_SIGNS}]\s+|[▢□☐☑◻◽]|\[[ xX]?\]\s*)+")
"""Bullets and boxes to tick, as lists and pages have them."""
