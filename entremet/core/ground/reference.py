"""Reference tables: typed rows read from data files beside the modules that use them."""

from __future__ import annotations

import csv
import tomllib
from dataclasses import dataclass
from enum import Enum
from importlib.resources import files
from typing import Any

from entremet.core.ground.errors import CoreError
from entremet.core.ground.quantities import marked


class Basis(Enum):
    """What a reference value rests on."""

    PHYSICS = "physics"
    DEFINITION = "definition"
    DATABASE = "database"
    PRACTICE = "practice"
    ESTIMATE = "estimate"
    MEASURED = "measured"


@dataclass(frozen=True, slots=True, kw_only=True)
class ReferenceValue:
    """One constant with its plausible range and where it comes from."""

    value: float
    low: float
    high: float
    unit: str
    basis: Basis
    source: str

    def __post_init__(self) -> None:
        if not self.low <= self.value <= self.high:
            raise CoreError(f"{self.value} is outside {self.low} to {self.high}.", field="value")
        if not self.source:
            raise CoreError("A reference value has to say where it comes from.", field="source")


def read_table(package: str, file_name: str) -> dict[str, Any]:
    """Read a TOML data file that lies inside a package of the core; quantities in it are marked."""
    return tomllib.loads(marked(files(package).joinpath(file_name).read_text(encoding="utf-8")))


def read_rows(package: str, file_name: str) -> list[dict[str, str]]:
    """Read a CSV data file that lies inside a package of the core."""
    text = files(package).joinpath(file_name).read_text(encoding="utf-8")
    return list(csv.DictReader(text.splitlines()))


def reference_value(row: dict[str, Any]) -> ReferenceValue:
    """Turn one row of a data file into a reference value; the range is checked."""
    return ReferenceValue(
        value=float(row["value"]), low=float(row["low"]), high=float(row["high"]),
        unit=str(row["unit"]), basis=Basis(row["basis"]), source=str(row["source"]),
    )


def reference_values(package: str, file_name: str) -> dict[str, ReferenceValue]:
    """Read a data file of which every table is one reference value."""
    return {name: reference_value(row) for name, row in read_table(package, file_name).items()}
