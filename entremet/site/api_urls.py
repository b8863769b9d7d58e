"""Addresses of the API; loading them loads all of it."""

from __future__ import annotations

from entremet.kitchen.api.assembled import api

urlpatterns, app_name, namespace = api.urls
