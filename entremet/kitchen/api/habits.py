"""Answers in the units of the kitchen: each quantity in a sentence of ours is worded here."""

from __future__ import annotations

import re
from collections.abc import Callable

from django.db import DatabaseError
from django.http import HttpRequest, HttpResponse
from django.http.response import HttpResponseBase

from entremet.core.ground.quantities import BY, MARK
from entremet.core.measures.habits import Units, worded
from entremet.kitchen.actions.at_hand import units_here

_MARKS = MARK.encode(), BY.encode()
_TEXT = re.compile(r"^text/|\bjson\b|\+json\b|\bxml\b|\+xml\b")


class Worded:
    """Words what leaves the house, whatever room it comes from; what has no quantity passes by."""

    def __init__(self, rest: Callable[[HttpRequest], HttpResponseBase]) -> None:
        self.rest = rest

    def __call__(self, request: HttpRequest) -> HttpResponseBase:
        """Answer a request, its sentences worded."""
        response = self.rest(request)
        # Only what is text: the bytes of a picture or a copy may happen to look like a mark.
        if isinstance(response, HttpResponse) and _TEXT.search(
                response.headers.get("Content-Type", "")):
            told = said_here(response.content)
            if told is not response.content:
                response.content = told
        return response


def said_here(content: bytes) -> bytes:
    """Return content in the units of this kitchen; in metric where the kitchen cannot say."""
    if not any(mark in content for mark in _MARKS):
        return content
    try:
        units = units_here()
    except DatabaseError:
        units = Units.METRIC
    return worded(content.decode(), units).encode()

