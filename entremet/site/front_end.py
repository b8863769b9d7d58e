"""The page that carries the front end, and errors outside the API's own."""

from __future__ import annotations

from functools import lru_cache

from django.conf import settings
from django.http import HttpRequest, HttpResponse

from entremet.kitchen.api.problems import problem_response

NONCE = "{{nonce}}"
"""Stands in the page where the nonce of its styles goes."""

NOT_BUILT = "The front end is not built yet. Run “make demo”, which builds it."


@lru_cache(maxsize=1)
def _page() -> str:
    return (settings.FRONT_END / "index.html").read_text(encoding="utf-8")


def index(request: HttpRequest) -> HttpResponse:
    """Answer every address of a room with the front end's page."""
    if request.method not in ("GET", "HEAD"):
        return problem_response(405, "method_not_allowed", "This address only answers GET.")
    try:
        page = _page()
    except FileNotFoundError:
        return HttpResponse(NOT_BUILT, status=503, content_type="text/plain; charset=utf-8")
    response = HttpResponse(page.replace(NONCE, str(request.csp_nonce)))  # type: ignore[attr-defined]  # set by the policy's middleware
    response["Cache-Control"] = "no-cache"
    return response


@lru_cache(maxsize=1)
def _worker() -> str:
    return (settings.FRONT_END / "sw.js").read_text(encoding="utf-8")


def worker(_request: HttpRequest) -> HttpResponse:
    """Answer with the worker that keeps the open day: it stands over the rooms, not the files."""
    try:
        text = _worker()
    except FileNotFoundError:
        return HttpResponse(NOT_BUILT, status=503, content_type="text/plain; charset=utf-8")
    return HttpResponse(text, content_type="text/javascript; charset=utf-8",
                        headers={"Cache-Control": "no-cache"})


def unreadable(_request: HttpRequest, exception: Exception | None = None) -> HttpResponse:
    """Answer a request that cannot be read."""
    del exception
    return problem_response(400, "unreadable_request", "This request cannot be read.")


def not_found(_request: HttpRequest, exception: Exception | None = None) -> HttpResponse:
    """Answer an address that does not exist."""
    del exception
    return problem_response(404, "not_found", "There is nothing at this address.")


def broken(_request: HttpRequest) -> HttpResponse:
    """Answer when something broke that nobody foresaw."""
    return problem_response(500, "broken", "Something broke here. What you entered is kept; "
                                           "try again.")
