"""Nobody gets past this without having signed in: no page, no file, no call."""

from __future__ import annotations

from collections.abc import Callable
from urllib.parse import urlencode

from django.http import HttpRequest, HttpResponse, HttpResponseRedirect

from entremet.kitchen.api.problems import problem_response
from entremet.site.guards import in_api

SIGN_IN = "/sign-in"

_Next = Callable[[HttpRequest], HttpResponse]


class Gate:
    """Lets through whoever has signed in, and anybody to the page where that is done."""

    def __init__(self, following: _Next) -> None:
        self._following = following

    def __call__(self, request: HttpRequest) -> HttpResponse:
        """Answer a request, or send it to the door."""
        if request.path == SIGN_IN or request.user.is_authenticated:
            response = self._following(request)
            if in_api(request):
                response.headers.setdefault("Cache-Control", "no-store")
            return response
        if in_api(request):
            return problem_response(401, "signed_out", "You are signed out here. Open the kitchen "
                                    "in another tab, sign in, then go on: what you typed is still "
                                    "on this screen.")
        if request.method not in ("GET", "HEAD") or request.path.startswith("/static/"):
            return HttpResponse("Sign in first.", status=401,
                                content_type="text/plain; charset=utf-8")
        after = request.get_full_path()
        return HttpResponseRedirect(
            SIGN_IN if after == "/" else f"{SIGN_IN}?{urlencode({'next': after})}")
