"""Every border of every schema of the API, some eighty thousand calls."""

from __future__ import annotations

import pytest
import schemathesis
from hypothesis import settings as budget
from schemathesis.specs.openapi.checks import positive_data_acceptance

from entremet.site.wsgi import application

schema = schemathesis.openapi.from_wsgi("/api/openapi.json", application)


@pytest.mark.django_db
@schema.parametrize()
@budget(max_examples=20, deadline=None)
def test_the_api_keeps_to_its_description(case):
    # Some bodies are of the right shape and still contradict themselves (a rule with two numbers).
    case.call_and_validate(excluded_checks=[positive_data_acceptance])
