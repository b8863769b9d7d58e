"""The web API of the kitchen."""

from __future__ import annotations

from ninja import NinjaAPI

from entremet.kitchen.api.problems import handle_problems
from entremet.kitchen.api.rendering import ValueRenderer
from entremet.kitchen.api.routers.fit import router as fit_router
from entremet.kitchen.api.routers.fits import router as fits_router
from entremet.kitchen.api.routers.kitchen import router as kitchen_router
from entremet.kitchen.api.routers.recipes import router as recipes_router

api = NinjaAPI(title="Entremet", version="1", docs_url=None, urls_namespace="api",
               renderer=ValueRenderer(),
               description="Scale a cake batter to other pans and move its bake with it.")
handle_problems(api)
for _router in (recipes_router, kitchen_router, fit_router, fits_router):
    api.add_router("", _router)
