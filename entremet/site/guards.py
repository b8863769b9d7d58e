"""Who may ask, from where, and what every answer carries: before files, rooms and the API."""

from __future__ import annotations

from collections.abc import Callable

from django.core.exceptions import DisallowedHost
from django.db import DatabaseError
from django.http import HttpRequest, HttpResponse

from entremet.kitchen.api.problems import SAFE, problem_response
from entremet.kitchen.api.storage_problems import storage_problem
from entremet.site.door.hosts import known_host

API = "/api"
OWN_PAGES = frozenset({"same-origin", "none"})
"""What a browser says of requests of our own pages, and of an address typed by hand."""

ON_EVERY_ANSWER = {
    "X-Frame-Options": "DENY",
    "X-Content-Type-Options": "nosniff",
    "Referrer-Policy": "same-origin",
    "Permissions-Policy": "camera=(), geolocation=(), microphone=(), payment=(), usb=()",
    "Cross-Origin-Opener-Policy": "same-origin",
    "Cross-Origin-Resource-Policy": "same-origin",
}
_WORDS = {401: ("signed_out", "Sign in first."),
          400: ("unreadable_request", "This request cannot be read."),
          403: ("refused", "This is refused here."),
          404: ("not_found", "There is nothing at this address."),
          405: ("method_not_allowed", "This address does not answer that method.")}

_Next = Callable[[HttpRequest], HttpResponse]


class Guards:
    """Refuses other hosts and other sites; gives every answer its headers and every error its form.

    Another site's page can make a browser send a request here, but it cannot choose what the
    browser says of where it comes from. A program of the baker's own says nothing and is let in.
    """

    def __init__(self, following: _Next) -> None:
        self._following = following

    def __call__(self, request: HttpRequest) -> HttpResponse:
        """Answer a request, or refuse it."""
        response = _refusal(request) or self._following(request)
        if response.status_code >= 400 and in_api(request):
            response = _as_problem(response)
        for name, value in ON_EVERY_ANSWER.items():
            response.headers[name] = value
        if request.is_secure():
            for one in response.cookies.values():
                one["secure"] = True
        return response

    def process_exception(self, request: HttpRequest, error: Exception) -> HttpResponse | None:
        """Say what is true when the database gives way where no operation could catch it."""
        if isinstance(error, DatabaseError):
            return problem_response(*storage_problem(error, writing=request.method not in SAFE))
        return None


def _refusal(request: HttpRequest) -> HttpResponse | None:
    try:
        host = request.get_host()
    except DisallowedHost:
        host = ""
    if not known_host(host):
        return problem_response(400, "wrong_host", "Entremet answers to this machine's own names "
                                "and addresses only.")
    if request.method in SAFE and not in_api(request):
        return None
    site, origin = request.headers.get("Sec-Fetch-Site"), request.headers.get("Origin")
    if site is not None:
        own = site in OWN_PAGES
    else:
        own = origin is None or origin == f"{request.scheme}://{host}"
    return None if own else problem_response(
        403, "other_site", "This comes from another site. Open Entremet's own page.")


def in_api(request: HttpRequest) -> bool:
    """Say whether a request is one for the API."""
    return request.path == API or request.path.startswith(f"{API}/")


def _as_problem(response: HttpResponse) -> HttpResponse:
    """Return an error of the framework's own as a problem, with the headers that belong to it."""
    if response.headers.get("Content-Type", "").startswith("application/problem+json"):
        return response
    code, words = _WORDS.get(response.status_code, ("broken", "Something broke here. What you "
                                                    "entered is kept; try again."))
    problem = problem_response(response.status_code, code, words)
    if "Allow" in response.headers:
        problem.headers["Allow"] = response.headers["Allow"]
    return problem
