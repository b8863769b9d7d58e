"""How answers become JSON: enums by their values, text as it is."""

from __future__ import annotations

from enum import Enum
from typing import Any

from ninja.renderers import JSONRenderer
from ninja.responses import NinjaJSONEncoder


class _Encoder(NinjaJSONEncoder):
    def default(self, o: Any) -> Any:
        return o.value if isinstance(o, Enum) else super().default(o)


class ValueRenderer(JSONRenderer):
    """JSON with the values of enums, not their names."""

    encoder_class = _Encoder
    json_dumps_params: dict[str, Any] = {"ensure_ascii": False, "allow_nan": False}
