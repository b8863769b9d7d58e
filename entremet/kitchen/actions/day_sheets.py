"""Run sheets as they are kept with their days."""

from __future__ import annotations

import json
from functools import lru_cache
from typing import Any

from pydantic import TypeAdapter, ValidationError

from entremet.core.running.sheet import RunSheet
from entremet.kitchen.errors import Damaged
from entremet.kitchen.models import Day

_SHEET = TypeAdapter(RunSheet)


def as_kept(sheet: RunSheet) -> Any:
    """Return a sheet as the database keeps it."""
    return _SHEET.dump_python(sheet, mode="json", exclude_defaults=True)


def sheet_in(day: Day) -> RunSheet:
    """Return the sheet of a day.

    Raises
    ------
    Damaged
        When it cannot be read any more.
    """
    written = getattr(day, "written_sheet", None) or json.dumps(day.sheet)
    try:
        return _read_sheet(written)
    except ValidationError as error:
        raise Damaged("The run sheet of this day cannot be read any more. Start the day anew; its "
                      "orders are as they were.", field="day") from error


@lru_cache(maxsize=8)
def _read_sheet(text: str) -> RunSheet:
    """Return a sheet that nobody changes: reading one anew takes longer than a tick."""
    return _SHEET.validate_json(text, strict=False)
