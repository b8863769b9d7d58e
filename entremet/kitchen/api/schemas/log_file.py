"""The file of a logbook: what another kitchen can read. Documented in docs/formats.md."""

from __future__ import annotations

import math
from datetime import UTC, datetime, timedelta
from typing import Annotated, Any, Literal

from pydantic import Field, field_validator

from entremet.kitchen.api.schemas.base import StrictIn
from entremet.kitchen.api.schemas.logbook import CountedSaid, HowSaid, Tag, TopSaid, a_moment

MOST_IMPORTED = 5000

Minutes = Annotated[float, Field(gt=0, le=1200)]


class BakeRow(StrictIn):
    """A bake in a file."""

    baked_at: datetime
    recipe_title: str = Field(min_length=1, max_length=120)
    revision: int = Field(1, ge=1, le=2**31 - 1)
    pan_label: str = Field(min_length=1, max_length=80)
    count: int = Field(1, ge=1, le=1000)
    oven_name: str = Field("", max_length=80)
    dial: str = Field("", max_length=60)
    minutes: float = Field(gt=0, le=600)
    how: HowSaid = ""
    top: TopSaid = ""
    change: str = Field("", max_length=500)
    note: str = Field("", max_length=1000)
    note_step: str = Field("", max_length=120)
    tags: list[Tag] = Field(default_factory=list, max_length=12)
    counted: CountedSaid = ""
    looks: int = Field(0, ge=0, le=1000)
    covered_min: float | None = Field(None, ge=0, le=600)
    height_cm: float | None = Field(None, gt=0, le=60)
    weight_g: float | None = Field(None, gt=0, le=50_000)
    dome_cm: float | None = Field(None, ge=0, le=30)
    oven_read_c: float | None = Field(None, ge=30, le=350)
    hot_after_min: float | None = Field(None, gt=0, le=120)
    batter_g_dl: float | None = Field(None, ge=10, le=200)
    bowl_loss: float | None = Field(None, ge=0, le=0.5)
    first_look_min: Minutes
    early_min: Minutes
    likely_min: Minutes
    latest_min: Minutes
    model_min: Minutes
    learnt_from: int = Field(0, ge=0, le=1_000_000)
    oven_key: str = Field("", max_length=80)
    recipe_key: str = Field("", max_length=300)
    pan_key: str = Field("", max_length=80)
    kind: Literal["", "conventional", "fan", "gas", "counter", "steam", "hob"] = ""
    kind_changes: bool = False
    timed: bool = True
    half_range: float = Field(0.0, ge=0, le=2)
    apart: float = Field(0.0, ge=-4, le=4)
    stated_min: float | None = Field(None, gt=0, le=1200)
    depth_ratio: float | None = Field(None, gt=0, le=50)
    planned: dict[str, Any] = Field(default_factory=dict, max_length=40)

    @field_validator("planned")
    @classmethod
    def _plain(cls, value: dict[str, Any]) -> dict[str, Any]:
        for one in value.values():
            if not (one is None or isinstance(one, int | float)
                    or (isinstance(one, str) and len(one) <= 200)):
                raise ValueError("holds what is neither a number nor a word")
            if isinstance(one, float) and not math.isfinite(one):
                raise ValueError("holds a number that is none")
        return value

    @field_validator("baked_at")
    @classmethod
    def _when(cls, value: datetime) -> datetime:
        if a_moment(value) > datetime.now(UTC) + timedelta(days=1):
            raise ValueError("a bake that is logged is over: this lies in the future")
        return value


class LogFileIn(StrictIn):
    """A logbook in a file of Entremet."""

    format: Literal["entremet-logbook"]
    version: Literal[1]
    bakes: list[dict[str, Any]] = Field(max_length=MOST_IMPORTED)
