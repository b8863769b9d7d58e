"""What the program says of itself."""

from __future__ import annotations

import pytest

from entremet import __version__

pytestmark = pytest.mark.django_db


def test_it_tells_its_version_where_its_data_lies_and_what_changed(client, settings):
    told = client.get("/api/about").json()
    assert told["version"] == __version__
    assert told["folder"] == str(settings.DATA.resolve())
    newest = told["news"][0]
    assert newest["version"] == __version__, "write down in docs/changes.md what changed"
    assert all(one["changes"] for one in told["news"])
    assert not any("**" in change or "`" in change for one in told["news"]
                   for change in one["changes"])


def test_every_package_that_ships_is_named_with_its_licence(client):
    rows = client.get("/api/about").json()["packages"]
    by_name = {row["name"]: row for row in rows}
    assert {"django", "numpy", "platformdirs"} <= by_name.keys()
    assert all(row["licence"] and row["version"] for row in rows)
    assert "package" not in by_name


def test_another_screen_is_not_told_where_things_lie_on_this_machine(client):
    assert client.get("/api/about", REMOTE_ADDR="192.168.1.20").json()["folder"] == ""
