"""How answers become JSON: enums by their values, text as it is."""

from __future__ import annotations

from collections.abc import Callable
from enum import Enum
from typing import Any

from django.http import HttpRequest, HttpResponse
from ninja.renderers import JSONRenderer
from ninja.responses import NinjaJSONEncoder
from pydantic import BaseModel

from entremet.kitchen.current import current


class _Encoder(NinjaJSONEncoder):
    def default(self, o: Any) -> Any:
        return o.value if isinstance(o, Enum) else super().default(o)


class ValueRenderer(JSONRenderer):
    """JSON with the values of enums, not their names."""

    encoder_class = _Encoder
    json_dumps_params: dict[str, Any] = {"ensure_ascii": False, "allow_nan": False}


def sent(what: str, request: HttpRequest, answer: Callable[[], BaseModel]) -> HttpResponse:
    """Send an answer that nothing but the request and the kitchen decides.

    It is written by the validator itself, which made it, and kept until the kitchen changes.

    Parameters
    ----------
    what : str
        Names the operation.
    request : HttpRequest
        Its body names the rest.
    answer : callable
        Works the answer out.
    """
    body = current((what, request.body), lambda: answer().model_dump_json().encode())
    return HttpResponse(body, content_type="application/json; charset=utf-8")
