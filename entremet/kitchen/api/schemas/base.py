"""What all schemas share."""

from __future__ import annotations

from pydantic import BaseModel, ConfigDict

from entremet.core.provenance import Figure, Origin


class Out(BaseModel):
    """A part of an answer; made from the core's values, so it is only checked for its types."""


class StrictIn(BaseModel):
    """A request body: unknown fields and numbers that are none are refused."""

    model_config = ConfigDict(extra="forbid", allow_inf_nan=False)


class ProvenanceOut(Out):
    """Where a number comes from."""

    origin: Origin
    note: str
    assumptions: list[str]


class FieldProblemOut(Out):
    """One field that is wrong."""

    field: str
    text: str


class ProblemOut(Out):
    """An error (problem+json)."""

    type: str
    title: str
    status: int
    code: str
    detail: str
    errors: list[FieldProblemOut]


def provenance(figure: Figure) -> ProvenanceOut:
    """Return where a figure comes from."""
    return ProvenanceOut(origin=figure.origin, note=figure.note,
                         assumptions=list(figure.assumptions))


def origins(**figures: Figure | None) -> dict[str, ProvenanceOut]:
    """Return where each of several fields comes from; unknown ones are left out."""
    return {name: provenance(figure) for name, figure in figures.items() if figure is not None}
