"""Keep safe over the API: a copy made, looked into, brought back, undone; a file from elsewhere."""

from __future__ import annotations

import gzip
import io
import shutil
import zipfile

import pytest
from django.core.files.uploadedfile import SimpleUploadedFile

from entremet.kitchen.actions.safe import kitchen_file
from entremet.kitchen.models import Bake, Recipe
from entremet.kitchen.safe.copies import copies_of, folder_of
from tests.demo_rows import put_demo
from tests.kitchen.older.write import HERE as OLDER


@pytest.fixture
def whole(transactional_db, client):
    """A demo kitchen that is really in its file, and no copies yet."""
    shutil.rmtree(folder_of(kitchen_file()), ignore_errors=True)
    put_demo()
    yield client
    shutil.rmtree(folder_of(kitchen_file()), ignore_errors=True)


def counts(looked):
    return {one["words"]: one["count"] for one in looked}


def test_a_copy_is_looked_into_brought_back_and_undone(whole):
    made = whole.post("/api/copies").json()
    assert made["why"] == "on-demand"
    recipes = Recipe.objects.count()
    Recipe.objects.all().delete()
    looked = whole.get(f"/api/copies/{made['name']}/look").json()
    assert counts(looked["rows"])["recipes"] == recipes
    assert counts(looked["now"])["recipes"] == 0
    assert (looked["problem"], looked["older"]) == ("", False)
    assert Recipe.objects.count() == 0
    brought = whole.post(f"/api/copies/{made['name']}/restore").json()
    assert Recipe.objects.count() == recipes
    assert len(whole.get("/api/recipes").json()["rows"]) == recipes
    whole.post(f"/api/copies/{brought['before']}/restore")
    assert Recipe.objects.count() == 0
    listed = whole.get("/api/copies").json()
    assert [one["why"] for one in listed["copies"]] == [
        "before-restore", "before-restore", "on-demand"]
    assert (listed["most"], listed["days"]) == (10, 14)


def test_a_file_moves_to_another_machine(whole):
    made = whole.post("/api/copies").json()
    file = b"".join(whole.get(f"/api/copies/{made['name']}").streaming_content)
    assert zipfile.is_zipfile(io.BytesIO(file))
    shutil.rmtree(folder_of(kitchen_file()))
    Bake.objects.all().delete()
    brought = whole.post("/api/copies/file", {"file": SimpleUploadedFile("k.zip", file)})
    assert brought.status_code == 201
    name = brought.json()["copy_file"]["name"]
    assert brought.json()["copy_file"]["why"] == "brought"
    assert whole.post(f"/api/copies/{name}/restore").status_code == 200


def test_a_bare_database_is_packed_when_it_is_brought_in(whole):
    bare = kitchen_file().read_bytes()
    brought = whole.post("/api/copies/file", {"file": SimpleUploadedFile("k.sqlite3", bare)})
    assert brought.status_code == 201, brought.content
    assert zipfile.is_zipfile(copies_of(kitchen_file())[0].path)
    assert counts(brought.json()["rows"])["recipes"] == Recipe.objects.count()


@pytest.mark.parametrize("wrong", [b"", b"no copy", b"PK\x03\x04 broken",
                                   b"SQLite format 3\x00 broken"])
def test_a_file_that_is_no_copy_is_refused_and_not_kept(whole, wrong):
    refused = whole.post("/api/copies/file", {"file": SimpleUploadedFile("k.zip", wrong or b" ")})
    assert refused.status_code == 422
    assert refused.json()["errors"][0]["field"] == "file"
    assert "This file" in refused.json()["detail"]
    assert copies_of(kitchen_file()) == []
    assert whole.post("/api/copies/file").status_code == 422


def test_a_damaged_copy_says_so_and_cannot_be_brought_back(whole):
    made = whole.post("/api/copies").json()
    path = folder_of(kitchen_file()) / made["name"]
    path.write_bytes(path.read_bytes()[:-200])
    looked = whole.get(f"/api/copies/{made['name']}/look").json()
    assert "damaged" in looked["problem"]
    assert looked["rows"] == []
    assert whole.post(f"/api/copies/{made['name']}/restore").status_code == 422
    assert Recipe.objects.exists()


@pytest.mark.parametrize("name", ["none.zip", "..%2Fkitchen.sqlite3", "kitchen.sqlite3"])
def test_no_other_file_can_be_had(whole, name):
    assert whole.get(f"/api/copies/{name}").status_code in (404, 422)
    assert whole.post(f"/api/copies/{name}/restore").status_code in (404, 422)


def test_an_older_kitchen_is_brought_up_to_date_by_the_program_itself(whole):
    old = gzip.decompress((OLDER / "0013.sqlite3.gz").read_bytes())
    brought = whole.post("/api/copies/file", {"file": SimpleUploadedFile("old.sqlite3", old)})
    assert brought.json()["older"]
    Recipe.objects.all().delete()
    name = brought.json()["copy_file"]["name"]
    assert whole.post(f"/api/copies/{name}/restore").status_code == 200
    assert Recipe.objects.count() >= 1
    assert whole.get("/api/leftovers").json() == []
