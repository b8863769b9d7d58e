"""Ids in addresses: what the database can hold."""

from __future__ import annotations

from typing import Annotated

from pydantic import Field

Id = Annotated[int, Field(ge=1, le=2**63 - 1)]
