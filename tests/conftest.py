"""What all tests share."""

from __future__ import annotations

import os
import shutil
import tempfile
from collections.abc import Iterator
from pathlib import Path
from typing import Any

import pytest
from hypothesis import settings

from tests.once import RUN

# Playwright's own loop runs in the test's thread, where Django would refuse the database.
os.environ.setdefault("DJANGO_ALLOW_ASYNC_UNSAFE", "true")

# How long an example takes depends on the machine; speed is measured in the bench, never here.
# Examples are few and the same in every run; "make examples" looks for new ones by the thousand,
# and what it finds is kept as an example beside its test.
settings.register_profile("house", deadline=None, derandomize=True, max_examples=25)
settings.register_profile("fresh", deadline=None, max_examples=2_000)
settings.load_profile(os.environ.get("ENTREMET_EXAMPLES", "house"))


def pytest_configure(config: pytest.Config) -> None:
    """Where a run begins: a folder that its workers share."""
    if not hasattr(config, "workerinput"):
        os.environ[RUN] = tempfile.mkdtemp(prefix="entremet-run-")


def pytest_unconfigure(config: pytest.Config) -> None:
    if not hasattr(config, "workerinput"):
        shutil.rmtree(os.environ[RUN], ignore_errors=True)


@pytest.fixture(scope="session")
def django_db_modify_db_settings(request: pytest.FixtureRequest) -> Iterator[None]:
    """Keep the tests' kitchen in a file, as the real one: each thread has a connection of its own.

    In memory all threads of a live server share one, and one that reads bars one that writes.
    """
    from django.db import connections

    worker = getattr(request.config, "workerinput", {}).get("workerid", "alone")
    with tempfile.TemporaryDirectory(dir="/dev/shm" if Path("/dev/shm").is_dir() else None,
                                     prefix=f"entremet-{worker}-") as folder:
        connections["default"].settings_dict["TEST"]["NAME"] = str(Path(folder) / "kitchen.sqlite3")
        yield


@pytest.fixture(scope="session", autouse=True)
def no_close_within_a_test() -> Iterator[None]:
    """Let no end of a request close the connection whose transaction is the test's own."""
    from django.db.backends.base.base import BaseDatabaseWrapper

    real = BaseDatabaseWrapper.close_if_unusable_or_obsolete

    def close(self: BaseDatabaseWrapper) -> None:
        if not self.in_atomic_block:
            real(self)

    with pytest.MonkeyPatch.context() as patch:
        patch.setattr(BaseDatabaseWrapper, "close_if_unusable_or_obsolete", close)
        yield


@pytest.fixture(scope="session")
def django_db_setup(django_db_setup: None, django_db_blocker: Any) -> None:
    """Let readers read while something is written, as the server has it."""
    from django.db import connection

    with django_db_blocker.unblock(), connection.cursor() as cursor:
        cursor.execute("PRAGMA journal_mode=WAL")
        cursor.execute("PRAGMA synchronous=OFF")


@pytest.fixture(autouse=True)
def a_kitchen_of_its_own() -> None:
    """Let go of what the program keeps of a kitchen: the next test has another, of the same ids."""
    import sys

    for name in ("entremet.kitchen.actions.day_log", "entremet.kitchen.api.told"):
        if name in sys.modules:
            sys.modules[name].forget()
