"""Lengths as bakers type them: 20, 20 cm, 8 in, 8", 200 mm."""

from __future__ import annotations

import re
from typing import Annotated, Any

from pydantic import PlainSerializer, PlainValidator
from pydantic_core import PydanticCustomError

from entremet.core.ground.errors import UnreadableAmount
from entremet.core.measures.fractions import read_number

CM_PER = {"": 1.0, "cm": 1.0, "mm": 0.1, "in": 2.54, "inch": 2.54, "inches": 2.54, '"': 2.54,
          "″": 2.54, "”": 2.54}

_LENGTH = re.compile(r"([\d\s.,/⁄⅛¼⅓⅜½⅝⅔¾⅞]+?)\s*(cm|mm|inches|inch|in|\"|″|”)?\.?", re.IGNORECASE)


def read_length_cm(value: float | str, *, field: str) -> float:
    """Read a length into centimetres; a bare number is centimetres.

    Parameters
    ----------
    value : float or str
        A number of centimetres, or text such as ``"8 in"`` or ``"8 1/2 in"``.
    field : str
        Name of the input, for the error.

    Raises
    ------
    UnreadableAmount
        When the text is not a length.

    >>> read_length_cm("8 in", field="diameter")
    20.32
    """
    if not isinstance(value, str):
        return float(value)
    match = _LENGTH.fullmatch(value.strip())
    if match is None:
        raise UnreadableAmount(
            f"“{value}” is not a length. Type centimetres (20) or inches (8 in).", field=field)
    number, unit = match.groups()
    try:
        return round(read_number(number) * CM_PER[(unit or "").lower()], 6)
    except UnreadableAmount as error:
        raise UnreadableAmount(error.text, field=field) from error


class TypedLength(float):
    """A length in cm that was typed as text, with that text."""

    __slots__ = ("text",)
    text: str

    def __new__(cls, value_cm: float, text: str) -> TypedLength:
        """Return a length of so many cm."""
        length = super().__new__(cls, value_cm)
        length.text = text
        return length


def _typed(value: Any) -> float:
    if isinstance(value, str):
        try:
            return TypedLength(read_length_cm(value, field=""), value)
        except UnreadableAmount as error:
            raise PydanticCustomError(error.code, "{text}", {"text": error.text}) from error
    if isinstance(value, bool) or not isinstance(value, int | float):
        raise PydanticCustomError("length", "A length is a number of centimetres, or text such "
                                  "as 8 in.")
    return value if isinstance(value, float) else float(value)


def _as_typed(length: float) -> float | str:
    return length.text if isinstance(length, TypedLength) else length


Length = Annotated[float, PlainValidator(_typed, json_schema_input_type=float | str),
                   PlainSerializer(_as_typed)]
"""A length of a choice, cm; kept as it was typed."""
