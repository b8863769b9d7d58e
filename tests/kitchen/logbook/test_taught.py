"""What bakes teach of times: moved, narrowed, asked about, set back."""

from __future__ import annotations

import math
from datetime import UTC, datetime, timedelta

import pytest

from entremet.kitchen.models import Oven
from tests.kitchen.logbook.conftest import lesson, width


def test_with_nothing_logged_a_recipe_gives_its_own_time_in_a_wider_window(demo, bake):
    one = bake()
    assert one["likely_min"] == 34
    assert width(one) == pytest.approx(math.exp(1.6448536 * 0.11874), rel=1e-4)
    assert not any("Learnt" in fact for fact in one["why"])


def test_bakes_move_a_time_narrow_its_window_and_are_named(log, bake):
    before = bake()
    for _ in range(3):
        log(38)
    after = bake()
    assert 36 < after["exact"]["likely_min"] < 38
    assert width(after) < width(before)
    said = " ".join(after["why"])
    assert "Learnt from 3 bakes, 3 in this oven, 3 of this recipe and 3 in this pan" in said
    assert "longer than the heat balance alone" in said
    assert "Learnt from 3 bakes" in after["origins"]["likely_min"]["note"]


def test_a_slow_oven_is_told_from_the_recipe_by_other_cakes(post, log, bake, recipe_id, pan_id,
                                                           taught, fit):
    for _ in range(3):
        log(38)
        other = post("/api/bakes", {"request": {
            "recipe": recipe_id("black-sesame"), "into": [{"pan": pan_id("sheet-33")}],
            "oven": Oven.objects.get(key="main").pk}, "minutes": 37, "how": "right"})
        assert other.status_code == 201
    found = taught()
    oven = lesson(found, "oven")
    assert oven["name"] == "Main oven"
    assert oven["shift"] > 0.05
    assert "slower than its dial says" in oven["words"]
    assert oven["bakes"] == 6
    assert oven["points"][0]["took"] == pytest.approx(38 / 34, rel=0.01)
    # A recipe never baked here goes by the oven, and another oven by none of it.
    fresh = fit("plum-bergamot", {"pan": pan_id("fluted-ring"), "count": 1})["bakes"][0]
    assert any("6 in this oven" in fact for fact in fresh["why"])
    hall = fit("plum-bergamot", {"pan": pan_id("fluted-ring"), "count": 1},
               oven=Oven.objects.get(key="hall").pk)["bakes"][0]
    assert not any("Learnt" in fact for fact in hall["why"])


def test_what_was_learnt_is_set_back_and_counts_again(log, bake, taught, post):
    for _ in range(4):
        log(39)
    moved = bake()["exact"]
    found = taught()
    for kind in ("oven", "recipe", "pan"):
        answer = post("/api/bakes/forget", {"kind": kind, "key": lesson(found, kind)["key"]})
        assert answer.status_code == 200
    assert bake()["likely_min"] == 34
    back = taught()
    assert back["lessons"] == []
    assert {one["kind"] for one in back["set_back"]} == {"oven", "recipe", "pan"}
    assert {one["name"] for one in back["set_back"]} == {
        "Main oven", "Parsnip and honey layer cake", "Round 18"}
    log(34)
    assert lesson(taught(), "oven")["bakes"] == 1
    for kind in ("oven", "recipe", "pan"):
        post("/api/bakes/forget", {"kind": kind, "key": lesson(found, kind)["key"],
                                   "forget": False})
    assert taught()["set_back"] == []
    assert bake()["exact"]["likely_min"] == pytest.approx(moved["likely_min"], rel=0.03)
    assert lesson(taught(), "oven")["bakes"] == 5


def test_another_stated_time_is_learnt_anew_while_the_oven_is_kept(log, client, post, put, bake,
                                                                  recipe_id):
    for _ in range(3):
        log(38)
    one = client.get(f"/api/recipes/{recipe_id('parsnip-honey')}").json()
    card = one["card"]
    card["stated_low_min"] = card["stated_high_min"] = 40
    changed = put(f"/api/recipes/{recipe_id('parsnip-honey')}",
                  {"card": card, "base": one["revision"]})
    assert changed.status_code == 200, changed.content
    said = " ".join(bake()["why"])
    assert "3 in this oven and 3 in this pan" in said
    assert "of this recipe" not in said


def test_one_absurd_bake_moves_nothing_and_is_asked_about(log, bake, client, put, taught):
    for _ in range(3):
        log(36)
    before = bake()["exact"]
    odd = log(12)
    assert bake()["exact"] == pytest.approx(before)
    assert "not counted" in odd["ask"]
    assert [one["id"] for one in taught()["asked"]] == [odd["id"]]
    body = {"minutes": 12, "how": "right", "counted": "left_out", "base": odd["version"]}
    answered = put(f"/api/bakes/{odd['id']}", body)
    assert answered.json()["ask"] == ""
    assert taught()["asked"] == []
    true = put(f"/api/bakes/{odd['id']}", {**body, "counted": "true",
                                           "base": answered.json()["version"]})
    assert true.status_code == 200
    assert bake()["exact"]["likely_min"] < before["likely_min"]


def test_the_score_is_honest(log, taught):
    for day in range(8, 0, -1):
        log(39, baked_at=(datetime.now(UTC) - timedelta(days=day)).isoformat())
    scores = {one["name"]: one for one in taught()["scores"]}
    learnt = scores["With what the bakes before it taught"]
    plain = scores["With nothing learnt"]
    stated = scores["The recipe's own minutes in any pan"]
    assert learnt["bakes"] == plain["bakes"] == stated["bakes"] == 8
    assert learnt["median"] < plain["median"] == pytest.approx(39 / 34 - 1, rel=0.01)
    assert stated["median"] == pytest.approx(39 / 34 - 1, rel=0.01)
    assert stated["inside"] is None


def test_a_stated_range_gives_way_to_what_was_baked(post, fit, recipe_id, pan_id, demo):
    own = {"pan": pan_id("sheet-33"), "count": 1}
    before = fit("black-sesame", own, oven=Oven.objects.get(key="main").pk)["bakes"][0]
    assert before["exact"]["latest_min"] == pytest.approx(42.04, abs=0.01)
    for _ in range(6):
        post("/api/bakes", {"request": {
            "recipe": recipe_id("black-sesame"), "into": [own],
            "oven": Oven.objects.get(key="main").pk}, "minutes": 38, "how": "right"})
    after = fit("black-sesame", own, oven=Oven.objects.get(key="main").pk)["bakes"][0]
    assert after["exact"]["likely_min"] > 35
    assert after["exact"]["latest_min"] > 38
    reach = [one["exact"]["latest_min"] / one["exact"]["early_min"] for one in (before, after)]
    assert reach[1] < 0.9 * reach[0]


def test_the_drawn_bake_ends_when_it_is_likely_done_and_its_crust_goes_along(log, post,
                                                                             request_body, bake):
    for _ in range(5):
        log(40)
    likely = bake()["likely_min"]
    answer = post("/api/fit/curve", {"fit": request_body, "entry": 0}).json()
    curve = answer["curves"][answer["chosen"]]
    assert curve["likely_min"] == likely > 37
    at = {one["at_min"]: one for one in curve["moments"]}
    assert at[likely]["centre_c"] == pytest.approx(97, abs=1.5)
    assert at[34]["centre_c"] < 95
    assert at[likely]["crust"] == bake()["crust"]


@pytest.mark.parametrize(("body", "status"), [
    ({"kind": "oven", "key": "oven:99"}, 422), ({"kind": "oven", "key": ""}, 422),
    ({"kind": "dial", "key": "1"}, 422), ({"kind": "mood", "key": ""}, 422),
    ({"kind": "oven", "key": "oven:99", "forget": False}, 404),
])
def test_only_what_was_learnt_is_set_back(log, post, body, status):
    log(36)
    assert post("/api/bakes/forget", body).status_code == status


def test_after_ten_right_bakes_the_first_look_says_what_it_goes_by(log, bake):
    for _ in range(9):
        log(35)
    nine = bake()
    assert nine["origins"]["first_look_min"]["note"].startswith("0.8 of the likely time")
    assert nine["exact"]["first_look_min"] == pytest.approx(0.8 * nine["exact"]["likely_min"])
    log(35)
    ten = bake()
    assert "after 10 right bakes" in ten["origins"]["first_look_min"]["note"]
    assert ten["exact"]["first_look_min"] == pytest.approx(ten["exact"]["early_min"] - 2)
    assert ten["origins"]["latest_min"]["note"] == "95 bakes of 100 are done by then"


def test_an_oven_put_back_as_it_was_is_told_as_it_is_now(log, taught):
    def main(off):
        Oven.objects.filter(key="main").update(dial_off_c=off)

    log(40)
    main(5)
    log(30)
    now = lesson(taught(), "oven")
    assert (now["bakes"], now["shift"] < 0) == (1, True)
    main(0)
    log(40)
    back = lesson(taught(), "oven")
    assert (back["bakes"], back["shift"] > 0) == (2, True)


def test_what_is_renamed_is_told_by_its_new_name_though_nothing_new_was_learnt(log, taught):
    log(36)
    assert lesson(taught(), "oven")["name"] == "Main oven"
    Oven.objects.filter(key="main").update(name="Left oven")
    assert lesson(taught(), "oven")["name"] == "Left oven"
    Oven.objects.filter(key="main").delete()
    assert lesson(taught(), "oven")["name"] == "Main oven", "as it was when it was baked in"
