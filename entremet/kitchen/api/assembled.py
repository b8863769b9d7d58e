"""The web API of the kitchen, put together: whoever loads this loads all rooms."""

from __future__ import annotations

from copy import deepcopy
from typing import Any

from ninja import NinjaAPI
from ninja.openapi.schema import OpenAPISchema

from entremet.kitchen.api.parsing import StrictParser
from entremet.kitchen.api.problems import handle_problems
from entremet.kitchen.api.rendering import ValueRenderer
from entremet.kitchen.api.routers.about import router as about_router
from entremet.kitchen.api.routers.book import router as book_router
from entremet.kitchen.api.routers.changes import router as changes_router
from entremet.kitchen.api.routers.desk import router as desk_router
from entremet.kitchen.api.routers.fit import router as fit_router
from entremet.kitchen.api.routers.fits import router as fits_router
from entremet.kitchen.api.routers.guide import router as guide_router
from entremet.kitchen.api.routers.inside import router as inside_router
from entremet.kitchen.api.routers.kitchen import router as kitchen_router
from entremet.kitchen.api.routers.labels import router as labels_router
from entremet.kitchen.api.routers.leftovers import router as leftovers_router
from entremet.kitchen.api.routers.logbook import router as logbook_router
from entremet.kitchen.api.routers.orders import router as orders_router
from entremet.kitchen.api.routers.rack import router as rack_router
from entremet.kitchen.api.routers.recipes import router as recipes_router
from entremet.kitchen.api.routers.running import router as running_router
from entremet.kitchen.api.routers.safe import router as safe_router
from entremet.kitchen.api.routers.sharing import router as sharing_router
from entremet.kitchen.api.routers.trainer import router as trainer_router
from entremet.kitchen.api.routers.welcome import router as welcome_router

EVERYWHERE = (400, 401, 403, 503)
WITH_A_BODY = (413, 415, 422, 507)
"""Statuses that any operation may answer with: another site, a locked file, a body too large."""


class KitchenAPI(NinjaAPI):
    """The API, whose description says that errors are problem+json."""

    _described: OpenAPISchema | None = None

    def get_openapi_schema(self, **options: Any) -> OpenAPISchema:
        """Return the description; worked out once, since that takes seconds and nothing moves."""
        if self._described is None:
            self._described = self._describe(**options)
        return self._described

    def _describe(self, **options: Any) -> OpenAPISchema:
        schema = super().get_openapi_schema(**options)
        problem = {"description": "A problem", "content": {"application/problem+json": {
            "schema": {"$ref": "#/components/schemas/ProblemOut"}}}}
        for operations in schema["paths"].values():
            for operation in operations.values():
                for status in (*EVERYWHERE, *(WITH_A_BODY if "requestBody" in operation else ())):
                    operation["responses"].setdefault(status, deepcopy(problem))
                for status, response in operation["responses"].items():
                    if int(status) >= 400:
                        body = response["content"].pop("application/json", None)
                        if body is not None:
                            response["content"]["application/problem+json"] = body
        return schema


api = KitchenAPI(title="Entremet", version="1", docs_url=None, urls_namespace="api",
                 renderer=ValueRenderer(), parser=StrictParser(),
                 description="Scale a cake batter to other pans and move its bake with it.")
handle_problems(api)
for _router in (recipes_router, desk_router, rack_router, kitchen_router, fit_router, fits_router,
                inside_router, trainer_router, welcome_router, orders_router, running_router,
                logbook_router, labels_router, leftovers_router, safe_router, sharing_router,
                changes_router, about_router, book_router, guide_router):
    api.add_router("", _router)
