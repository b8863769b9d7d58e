"""Bodies of requests: JSON alone, counted before anything of it is read."""

from __future__ import annotations

import json
import re
from typing import Any

from django.http import HttpRequest
from ninja.parser import Parser

from entremet.core.ground.quantities import BY, MARK
from entremet.kitchen.errors import NotJson, RequestTooLarge, UnfitValue, UnreadableRequest

MOST_VALUES = 60_000
"""Values in one body; the fullest card that can be kept has a third of it."""
DEEPEST = 40
LARGEST_NUMBER = 1e300
"""No number beyond it can be reckoned with; what a field takes is its own to say."""
_LONE_SURROGATE = re.compile("[\ud800-\udfff]")
_MARKS = re.compile(f"[{MARK}{BY}]")


class StrictParser(Parser):
    """Reads JSON that says it is JSON, and refuses what nothing here could keep."""

    def parse_body(self, request: HttpRequest) -> Any:
        """Return the body as values.

        Raises
        ------
        NotJson
            When the body is of another kind.
        UnreadableRequest
            When it cannot be read.
        RequestTooLarge
            When it holds more values than any card or fit has.
        UnfitValue
            When a text holds half a sign, or a number is beyond all measure.
        """
        if request.content_type != "application/json":
            raise NotJson("Send JSON: content-type application/json.")
        try:
            body = json.loads(request.body, parse_constant=_refused)
        except (ValueError, RecursionError) as error:
            raise UnreadableRequest("This is not JSON that can be read.") from error
        check_values(body)
        return body


def check_values(body: Any) -> None:
    """Refuse what cannot be stored or shown, before anything is read.

    Raises
    ------
    RequestTooLarge, UnfitValue
        Naming the field.
    """
    waiting: list[tuple[str, int, Any]] = [("", 0, body)]
    seen = 0
    while waiting:
        field, depth, one = waiting.pop()
        seen += 1
        if isinstance(one, (dict, list)):
            if seen + len(waiting) + len(one) > MOST_VALUES or depth > DEEPEST:
                raise RequestTooLarge("This holds more than any card or fit does. Send one at a "
                                      "time.", field=field)
            rows = one.items() if isinstance(one, dict) else enumerate(one)
            for name, value in rows:
                if isinstance(name, str) and _LONE_SURROGATE.search(name):
                    raise UnfitValue("The name of a field holds half a sign.", field=field)
                waiting.append((f"{field}.{name}" if field else str(name), depth + 1, value))
        elif isinstance(one, str):
            if _LONE_SURROGATE.search(one):
                raise UnfitValue("This text holds half of a sign, as cutting through an emoji "
                                 "leaves it. Delete the last sign and type it anew.", field=field)
            if _MARKS.search(one):
                raise UnfitValue("This text holds a sign of no alphabet. Delete it.", field=field)
        elif isinstance(one, (int, float)) and not abs(one) <= LARGEST_NUMBER:
            raise UnfitValue("This number is beyond all measure.", field=field)


def _refused(name: str) -> float:
    raise ValueError(f"{name} is no number that JSON knows")
