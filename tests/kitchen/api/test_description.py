"""Every operation keeps to the description of the API: a few calls of each, every day."""

from __future__ import annotations

from pathlib import Path

import pytest
from hypothesis import HealthCheck, given
from hypothesis import settings as budget

from entremet.kitchen.api import routers
from entremet.kitchen.api.assembled import api

PARTS = 3


@pytest.mark.django_db
@pytest.mark.parametrize("part", range(PARTS))
def test_the_api_keeps_to_its_description(part):
    # Two seconds to import, asked of these tests alone.
    import schemathesis
    from schemathesis.specs.openapi.checks import positive_data_acceptance

    from entremet.site.wsgi import application

    schema = schemathesis.openapi.from_wsgi("/api/openapi.json", application)
    every = sorted((one.ok() for one in schema.get_all_operations()), key=lambda one: one.label)
    assert len(every) > 100
    for operation in every[part::PARTS]:
        @given(operation.as_strategy())
        @budget(max_examples=2, deadline=None, derandomize=True, database=None,
                suppress_health_check=list(HealthCheck))
        def called(case):
            # Some bodies are of the right shape and still contradict themselves.
            case.call_and_validate(excluded_checks=[positive_data_acceptance])

        called()


def test_every_router_is_part_of_the_api():
    written = {one.stem for one in Path(routers.__file__).parent.glob("*.py")} - {"__init__"}
    asked = {view.__module__.rsplit(".", 1)[-1] for _, router in api._routers
             for path in router.path_operations.values()
             for view in [one.view_func for one in path.operations]}
    assert asked == written
