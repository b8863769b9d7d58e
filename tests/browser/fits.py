"""Fits opened by their address, as a copied link does."""

from __future__ import annotations

import json
from typing import Any
from urllib.parse import urlencode

from playwright.sync_api import Page, expect

from entremet.kitchen.models import RackPan, Recipe


def open_fit(page: Page, recipe: str, *into: tuple[str, int], state: str = "",
             **choices: Any) -> None:
    """Open a fit of a demo recipe into pans of the rack, by their keys."""
    origin = "/".join(page.url.split("/")[:3])
    query = {"recipe": Recipe.objects.get(key=recipe).pk,
             "into": json.dumps([{"pan": RackPan.objects.get(key=key).pk, "count": count}
                                 for key, count in into]),
             **{name: value if isinstance(value, str | int | float) else json.dumps(value)
                for name, value in choices.items()}}
    page.goto(f"{origin}/fit{f'/{state}' if state else ''}?{urlencode(query)}")
    expect(page.get_by_role("radiogroup", name="State of the fit")).to_be_visible()
