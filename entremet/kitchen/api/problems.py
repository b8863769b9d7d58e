"""Errors as problem+json: {type, title, status, code, detail, errors[]}."""

from __future__ import annotations

import json
import re
from collections.abc import Sequence
from http import HTTPStatus
from typing import Any

from django.core.exceptions import RequestDataTooBig
from django.db import DatabaseError
from django.http import Http404, HttpRequest, HttpResponse
from ninja import NinjaAPI
from ninja.errors import HttpError, ValidationError
from pydantic import ValidationError as StoredInvalid

from entremet.core.ground.errors import (
    CoreError,
    ImpossibleChoice,
    ImpossiblePan,
    ImpossibleRecipe,
    UnknownReference,
    UnreadableAmount,
    UnreadableOutline,
    UnreadableRecipe,
)
from entremet.kitchen.api.storage_problems import storage_problem
from entremet.kitchen.errors import (
    Busy,
    Damaged,
    EditedMeanwhile,
    KitchenError,
    NameTaken,
    NotHere,
    NotJson,
    RackFull,
    RequestTooLarge,
    TooManySearches,
    UnfitValue,
    UnreadableRequest,
    Unsound,
)

SAFE = frozenset({"GET", "HEAD", "OPTIONS"})
_NAME = re.compile(r"(?!(?:int|float|str)$)[a-z_]+|\d+")

STATUS: dict[type[CoreError], int] = {
    CoreError: 422, UnreadableAmount: 422, ImpossiblePan: 422, ImpossibleRecipe: 422,
    ImpossibleChoice: 422, UnknownReference: 422, UnreadableRecipe: 422,
    UnreadableOutline: 422,
    KitchenError: 422, NotHere: 404, NameTaken: 409, EditedMeanwhile: 409, RackFull: 422,
    Damaged: 422, Busy: 503, TooManySearches: 503, NotJson: 415, RequestTooLarge: 413,
    UnfitValue: 422, UnreadableRequest: 400, Unsound: 422,
}

MOST_FIELD_ERRORS = 20


def problem_response(status: int, code: str, detail: str,
                     errors: Sequence[dict[str, str]] = ()) -> HttpResponse:
    """Return an error as problem+json."""
    body = {"type": f"urn:entremet:problem:{code}", "title": HTTPStatus(status).phrase,
            "status": status, "code": code, "detail": detail, "errors": list(errors)}
    return HttpResponse(json.dumps(body, ensure_ascii=False), status=status,
                        content_type="application/problem+json")


def handle_problems(api: NinjaAPI) -> None:
    """Teach an API to answer every error as a problem."""

    @api.exception_handler(CoreError)
    def core_error(_request: HttpRequest, error: CoreError) -> HttpResponse:
        text = error.text
        errors = [{"field": error.field, "text": text}] if error.field else []
        return problem_response(STATUS[type(error)], error.code, text, errors)

    @api.exception_handler(DatabaseError)
    def storage(request: HttpRequest, error: DatabaseError) -> HttpResponse:
        return problem_response(*storage_problem(error, writing=request.method not in SAFE))

    @api.exception_handler(StoredInvalid)
    def unreadable(_request: HttpRequest, error: StoredInvalid) -> HttpResponse:
        fields = [".".join(str(part) for part in one["loc"])
                  for one in error.errors(include_url=False, include_input=False)[:3]]
        return problem_response(422, Damaged.code, "What is stored here cannot be read any more: "
                                f"{', '.join(fields)}. An earlier copy of the kitchen may have it "
                                "whole.")

    @api.exception_handler(ValidationError)
    def invalid(_request: HttpRequest, error: ValidationError) -> HttpResponse:
        errors = _field_errors(error.errors)
        return problem_response(422, "invalid_request", "The request cannot be read as it is: "
                                + "; ".join(f"{one['field']}: {one['text']}" for one in errors),
                                errors)

    @api.exception_handler(HttpError)
    def http_error(_request: HttpRequest, error: HttpError) -> HttpResponse:
        if isinstance(error.__cause__, CoreError):
            return core_error(_request, error.__cause__)
        return problem_response(error.status_code, "unreadable_request", str(error))

    @api.exception_handler(RequestDataTooBig)
    def too_big(_request: HttpRequest, _error: RequestDataTooBig) -> HttpResponse:
        return problem_response(413, "too_large", "This is too large to be a recipe. Send one "
                                "recipe at a time.")

    @api.exception_handler(Http404)
    def not_found(_request: HttpRequest, _error: Http404) -> HttpResponse:
        return problem_response(404, "not_found", "There is nothing at this address.")


def _field_errors(errors: Sequence[dict[str, Any]]) -> list[dict[str, str]]:
    """Name the first wrong fields as the client wrote them; of alternatives the deepest speaks."""
    named = [(_field(one["loc"]), str(one["msg"]).removeprefix("Value error, "))
             for one in errors]
    outer = {field[:place] for field, _ in named
             for place, sign in enumerate(field) if sign == "."}
    told = [{"field": field, "text": text} for field, text in named if field not in outer]
    left = len(told) - MOST_FIELD_ERRORS
    return told if left <= 0 else [
        *told[:MOST_FIELD_ERRORS - 1],
        {"field": told[MOST_FIELD_ERRORS - 1]["field"], "text": f"and {left + 1} more are wrong"}]


def _field(location: Sequence[object]) -> str:
    """Join a location, without where it lies and without the names of types."""
    parts = [str(part) for part in location[2 if location[0] == "body" else 1:]]
    return ".".join(part for part in parts if _NAME.fullmatch(part)) or "body"
