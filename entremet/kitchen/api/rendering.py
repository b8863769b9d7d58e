"""How answers become JSON: enums by their values, text as it is."""

from __future__ import annotations

import json
from collections.abc import Callable
from enum import Enum
from typing import Any

from django.http import HttpRequest, HttpResponse
from ninja.renderers import JSONRenderer
from ninja.responses import NinjaJSONEncoder
from pydantic import BaseModel

from entremet.core.measures.habits import Units
from entremet.kitchen.api.habits import in_units, units_here
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
    body = current((what, request.body), lambda: _written(answer()))
    return HttpResponse(body, content_type="application/json; charset=utf-8")


def _written(answer: BaseModel) -> bytes:
    units = units_here()
    if units is Units.METRIC:
        return answer.model_dump_json().encode("utf-8")
    told = in_units(answer.model_dump(mode="json"), units)
    return json.dumps(told, ensure_ascii=False, allow_nan=False).encode("utf-8")
