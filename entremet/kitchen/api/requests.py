"""Requests of fits as they are kept."""

from __future__ import annotations

from typing import Any

from entremet.kitchen.api.schemas.fit_in import FitIn


def stored(request: FitIn) -> dict[str, Any]:
    """Return a request as it is kept: what was chosen, without what is usual."""
    return request.model_dump(mode="json", exclude_defaults=True) | {"recipe": request.recipe}
