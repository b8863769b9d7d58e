"""Settings of the tests' program on a disk that has no room for a kitchen's tables."""

from copy import deepcopy

from tests.site.quick_settings import *  # noqa: F403  # settings are taken whole
from tests.site.quick_settings import DATABASES as USUAL

DATABASES = deepcopy(USUAL)
DATABASES["default"]["OPTIONS"]["init_command"] += " PRAGMA max_page_count=20;"
