"""What the shapes that come in and are kept have in common: no unknown field, no number guessed.

A choice of the core is one frozen dataclass: what the API takes, what is stored, and what the
rules work with. It is validated as it stands; these are the words its fields are described with.
"""

from __future__ import annotations

from typing import Annotated, Any

from pydantic import ConfigDict, Field, Strict, ValidatorFunctionWrapHandler, WrapValidator
from pydantic_core import PydanticCustomError

from entremet.core.ground.errors import CoreError

CLOSED = ConfigDict(extra="forbid", allow_inf_nan=False)
"""A shape that takes no field it does not know."""

Whole = Annotated[int, Strict()]
"""A whole number: no text, no true."""

Number = Annotated[float, Strict()]
"""A number: no text, no true."""

Flag = Annotated[bool, Strict()]
"""True or false: no number."""

RowId = Annotated[int, Field(ge=1, le=2**63 - 1, strict=True)]
"""What the kitchen calls a row of its own."""

Key = Annotated[int, Field(ge=1, le=2**31 - 1, strict=True)]
"""Names a row of a card."""

ByKey = Annotated[int, Field(ge=1, le=2**31 - 1)]
"""The same where values go by it: JSON has it as text."""

Count = Annotated[int, Field(ge=0, le=2**31 - 1, strict=True)]
"""How many, or which of several."""


def _named(value: Any, whole: ValidatorFunctionWrapHandler) -> Any:
    try:
        return whole(value)
    except CoreError as error:
        raise PydanticCustomError(error.code, "{text}", {"text": error.text}) from error


NAMED = WrapValidator(_named)
"""What a part of a shape refuses is told with the place it stands at."""
