"""Writes are kept only with an answer that could be sent."""

from __future__ import annotations

from collections.abc import Callable
from functools import wraps
from typing import Any

from django.db import transaction
from django.http import HttpRequest, HttpResponse
from ninja.decorators import decorate_view

_Run = Callable[..., HttpResponse]


def _in_one_piece(run: _Run) -> _Run:
    """Build the whole answer inside the transaction: without an answer nothing is kept."""
    @wraps(run)
    def whole(request: HttpRequest, **given: Any) -> HttpResponse:
        with transaction.atomic():
            response = run(request, **given)
            if response.status_code >= 400:
                transaction.set_rollback(True)
            return response
    return whole


writes = decorate_view(_in_one_piece)
"""Marks an operation that keeps something."""
