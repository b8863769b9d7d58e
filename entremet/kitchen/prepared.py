"""Queries asked at every tick, whose SQL is written once: writing it takes longer than running."""

from __future__ import annotations

from collections.abc import Callable
from functools import cache
from typing import Any

from django.db import connection
from django.db.models import QuerySet


def prepared(query: Callable[[], QuerySet[Any, Any]]) -> Callable[[], list[tuple[Any, ...]]]:
    """Return what runs a query and gives its rows as they lie in the file.

    Parameters
    ----------
    query : callable
        Gives the query: always the same, of plain numbers and texts, which need no conversion.
    """
    @cache
    def written() -> tuple[str, tuple[Any, ...]]:
        return query().query.sql_with_params()

    def rows() -> list[tuple[Any, ...]]:
        with connection.cursor() as cursor:
            cursor.execute(*written())
            found: list[tuple[Any, ...]] = cursor.fetchall()
            return found

    return rows
