"""When the disk, the lock or the file is wrong, the answer says what is true and what to do."""

from __future__ import annotations

import sqlite3
import threading
from collections.abc import Iterator
from contextlib import contextmanager

import pytest
from django.conf import settings
from django.db import DatabaseError, OperationalError

from entremet.kitchen.actions import importing
from entremet.kitchen.api.storage_problems import storage_problem
from entremet.kitchen.errors import Busy
from entremet.kitchen.models import Bowl

BOWL = {"name": "Copper", "capacity_ml": 3000}


def failing(name: str) -> DatabaseError:
    cause = sqlite3.OperationalError("as the database says it")
    cause.sqlite_errorname = name
    error = OperationalError("as the database says it")
    error.__cause__ = cause
    return error


@pytest.mark.parametrize(("name", "status", "code", "words"), [
    ("SQLITE_FULL", 507, "disk_full", "Make room"), ("SQLITE_BUSY", 503, "locked", "Close it"),
    ("SQLITE_LOCKED_SHAREDCACHE", 503, "locked", "Close it"),
    ("SQLITE_READONLY_DBMOVED", 503, "read_only", "Allow writing"),
    ("SQLITE_CANTOPEN", 503, "file_gone", "its disk"),
    ("SQLITE_IOERR_WRITE", 503, "disk_error", "did not answer"),
    ("SQLITE_CORRUPT", 503, "file_damaged", "bring a copy back"), ("", 503, "storage", "anew")])
def test_each_trouble_of_the_disk_has_its_words(demo, client, post, monkeypatch, name, status, code,
                                                words):
    def fail(*_: object, **__: object) -> None:
        raise failing(name)

    monkeypatch.setattr(Bowl, "save", fail)
    answer = post("/api/bowls", BOWL)
    assert (answer.status_code, answer.json()["code"]) == (status, code)
    assert answer.json()["detail"].startswith("Nothing was kept; what you typed is still on your")
    assert words in answer.json()["detail"]
    read = storage_problem(failing(name), writing=False)[2]
    # Of a damaged file nobody can say that nothing is lost.
    lost = name in ("SQLITE_CORRUPT", "SQLITE_NOTADB")
    assert ("nothing is lost" in read) is not lost


def test_what_fails_at_the_very_end_is_told_as_well(demo, post, monkeypatch):
    @contextmanager
    def full_at_the_end() -> Iterator[None]:
        yield
        raise failing("SQLITE_FULL")

    monkeypatch.setattr("entremet.kitchen.api.writing.transaction.atomic", full_at_the_end)
    answer = post("/api/bowls", BOWL)
    assert (answer.status_code, answer.json()["code"]) == (507, "disk_full")


def test_a_reader_waits_for_nobodys_lock_for_long():
    options = settings.DATABASES["default"]["OPTIONS"]
    assert options["timeout"] <= 2
    assert "journal_mode" not in options["init_command"]


def test_too_many_long_texts_at_once_are_asked_to_come_back(demo, post, monkeypatch):
    monkeypatch.setattr(importing, "_seats", threading.BoundedSemaphore(1))
    monkeypatch.setattr(importing, "WAIT_S", 0.01)
    with importing._seat():
        answer = post("/api/readings", {"text": "200 g flour"})
        assert (answer.status_code, answer.json()["code"]) == (503, Busy.code)
        assert post("/api/fit/oven", {}).status_code == 422
    assert post("/api/readings", {"text": "200 g flour"}).status_code == 200


def test_a_text_that_takes_too_long_is_given_up_in_words(demo, post, monkeypatch):
    monkeypatch.setattr(importing, "PATIENCE_S", -1.0)
    answer = post("/api/readings", {"text": "200 g flour\n3 eggs"})
    assert (answer.status_code, answer.json()["errors"][0]["field"]) == (422, "text")
    assert "too long" in answer.json()["detail"]
