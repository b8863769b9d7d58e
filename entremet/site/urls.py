"""Addresses: the API, and the front end for everything else."""

from __future__ import annotations

from django.conf import settings
from django.urls import URLResolver, path, re_path
from django.urls.resolvers import RoutePattern

from entremet.site.front_end import index, worker

if settings.SHARED:
    from entremet.site.door.sign_in import sign_in

urlpatterns = [
    # By name: the page opens while the API is loaded.
    URLResolver(RoutePattern("api/", is_endpoint=False), "entremet.site.api_urls",
                app_name="ninja", namespace="api"),
    *([path("sign-in", sign_in)] if settings.SHARED else []),
    path("sw.js", worker),
    re_path(r"^(?!api(?:/|$)|static/).*$", index),
]

handler400 = "entremet.site.front_end.unreadable"
handler404 = "entremet.site.front_end.not_found"
handler500 = "entremet.site.front_end.broken"
