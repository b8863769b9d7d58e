"""What all schemas share."""

from __future__ import annotations

from typing import Any, Self, get_origin

from pydantic import BaseModel, ConfigDict, model_validator

from entremet.core.ground.provenance import Figure, Origin
from entremet.core.work.ids import CakeId, WorkId

_NOT_THERE = object()


def _plain(found: Any) -> Any:
    """Return a value as an answer says it: a figure is its number, an id its text."""
    if isinstance(found, Figure):
        return found.value
    return found.text if isinstance(found, WorkId | CakeId) else found


class Out(BaseModel):
    """A part of an answer: a view of the core's values, described once, by its own fields.

    A field is what a value says under that name; ``origins`` are those of the figures read.
    """

    @model_validator(mode="before")
    @classmethod
    def _as_seen(cls, data: Any) -> Any:
        """Read a value of the core that lies inside another as this part of the answer."""
        return data if isinstance(data, dict | Out) else cls._seen((data,), {})

    @classmethod
    def _seen(cls, values: tuple[object, ...], made: dict[str, Any]) -> dict[str, Any]:
        figures: dict[str, Figure | None] = {}
        for name in cls.model_fields:
            if name in made:
                continue
            for value in values:
                found = getattr(value, name, _NOT_THERE)
                if found is not _NOT_THERE:
                    if isinstance(found, Figure):
                        figures[name] = found
                    made[name] = _plain(found)
                    break
        if "origins" in cls.model_fields and "origins" not in made:
            made["origins"] = origins(**figures)
        return made

    @classmethod
    def told_by(cls, *values: object, **made: Any) -> Self:
        """Return this part of an answer as values of the core tell it.

        Parameters
        ----------
        *values
            What tells; the first that knows a field's name says it.
        **made
            What is worked out for the answer alone, by field.

        Raises
        ------
        pydantic.ValidationError
            Where nothing tells a field, or what tells it is of another type.
        """
        return cls.model_validate(cls._seen(values, made))


class StrictIn(BaseModel):
    """A request body: unknown fields and numbers that are none are refused."""

    model_config = ConfigDict(extra="forbid", allow_inf_nan=False)

    @model_validator(mode="before")
    @classmethod
    def _no_truth_for_a_number(cls, data: Any) -> Any:
        """Refuse true and false for numbers, and the reverse; pydantic would read one as other."""
        if isinstance(data, dict):
            for name, value in data.items():
                field = cls.model_fields.get(name)
                if field is None:
                    continue
                if _truth_for_a_number(field.annotation, value):
                    raise ValueError(f"{name} holds true or false where a number is due")
                if field.annotation is bool and not isinstance(value, bool):
                    raise ValueError(f"{name} is true or false")
                if field.annotation == bool | None and not isinstance(value, bool | None):
                    raise ValueError(f"{name} is true, false or nothing")
        return data


def _truth_for_a_number(annotation: Any, value: Any) -> bool:
    if annotation is bool or annotation == bool | None:
        return False
    by_key = get_origin(annotation) is dict and isinstance(value, dict)
    return _holds_truth(list(value.values()) if by_key else value)


def _holds_truth(value: Any) -> bool:
    if isinstance(value, list):
        return any(_holds_truth(one) for one in value)
    return isinstance(value, bool)


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
