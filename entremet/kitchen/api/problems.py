"""Errors as problem+json: {type, title, status, code, detail, errors[]}."""

from __future__ import annotations

import json
import re
from collections.abc import Sequence
from http import HTTPStatus
from typing import Any

from django.core.exceptions import RequestDataTooBig
from django.http import Http404, HttpRequest, HttpResponse
from ninja import NinjaAPI
from ninja.errors import HttpError, ValidationError

from entremet.core.errors import (
    CoreError,
    ImpossibleChoice,
    ImpossiblePan,
    ImpossibleRecipe,
    UnknownReference,
    UnreadableAmount,
    UnreadableOutline,
    UnreadableRecipe,
)
from entremet.kitchen.errors import EditedMeanwhile, KitchenError, NameTaken, NotHere, RackFull

_NAME = re.compile(r"(?!(?:int|float|str)$)[a-z_]+|\d+")

STATUS: dict[type[CoreError], int] = {
    CoreError: 422, UnreadableAmount: 422, ImpossiblePan: 422, ImpossibleRecipe: 422,
    ImpossibleChoice: 422, UnknownReference: 422, UnreadableRecipe: 422,
    UnreadableOutline: 422,
    KitchenError: 422, NotHere: 404, NameTaken: 409, EditedMeanwhile: 409, RackFull: 422,
}


def problem_response(status: int, code: str, detail: str,
                     errors: Sequence[dict[str, str]] = ()) -> HttpResponse:
    """Return an error as problem+json."""
    body = {"type": f"urn:entremet:problem:{code}", "title": HTTPStatus(status).phrase,
            "status": status, "code": code, "detail": detail, "errors": list(errors)}
    return HttpResponse(json.dumps(body), status=status, content_type="application/problem+json")


def handle_problems(api: NinjaAPI) -> None:
    """Teach an API to answer every error as a problem."""

    @api.exception_handler(CoreError)
    def core_error(_request: HttpRequest, error: CoreError) -> HttpResponse:
        errors = [{"field": error.field, "text": error.text}] if error.field else []
        return problem_response(STATUS[type(error)], error.code, error.text, errors)

    @api.exception_handler(ValidationError)
    def invalid(_request: HttpRequest, error: ValidationError) -> HttpResponse:
        errors = _field_errors(error.errors)
        return problem_response(422, "invalid_request", "The request cannot be read as it is: "
                                + "; ".join(f"{one['field']}: {one['text']}" for one in errors),
                                errors)

    @api.exception_handler(HttpError)
    def http_error(_request: HttpRequest, error: HttpError) -> HttpResponse:
        return problem_response(error.status_code, "unreadable_request", str(error))

    @api.exception_handler(RequestDataTooBig)
    def too_big(_request: HttpRequest, _error: RequestDataTooBig) -> HttpResponse:
        return problem_response(400, "too_large", "This is too large to be a recipe. Send one "
                                "recipe at a time.")

    @api.exception_handler(Http404)
    def not_found(_request: HttpRequest, _error: Http404) -> HttpResponse:
        return problem_response(404, "not_found", "There is nothing at this address.")


def _field_errors(errors: Sequence[dict[str, Any]]) -> list[dict[str, str]]:
    """Name each field as the client wrote it; of alternatives, the deepest reading speaks."""
    named = [(_field(one["loc"]), str(one["msg"]).removeprefix("Value error, "))
             for one in errors]
    return [{"field": field, "text": text} for field, text in named
            if not any(other.startswith(f"{field}.") for other, _ in named)]


def _field(location: Sequence[object]) -> str:
    """Join a location, without where it lies and without the names of types."""
    parts = [str(part) for part in location[2 if location[0] == "body" else 1:]]
    return ".".join(part for part in parts if _NAME.fullmatch(part)) or "body"
