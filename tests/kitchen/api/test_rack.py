"""The rack over the API: pans kept, changed, taken away, in files and as templates."""

from __future__ import annotations

import csv
import io
import json

import pytest

from entremet.kitchen.models import RackPan

HEART = {"pan": {"outline": "heart", "label": " My  heart ", "across": "8 in", "wall_cm": "2 in"},
         "owned": 2}
SQUARE = [[0, 0], [4, 0], [4, 4], [0, 4]]


def test_a_pan_is_put_on_the_rack_by_measures(db, client, post):
    made = post("/api/pans", HEART)
    assert made.status_code == 201
    pan = made.json()
    assert (pan["label"], pan["owned"], pan["known_by"], pan["kind"]) == (
        "My heart", 2, "measures", "flat")
    assert pan["measures"]["across"] == pytest.approx(20.32)
    assert len(pan["drawing"]["plan"][0].split()) > 20
    assert client.get("/api/pans").json() == [pan]


def test_a_ring_is_put_on_the_rack_by_its_water(db, post):
    body = {"pan": {"outline": "ring", "label": "Ring", "across": 22, "wall_cm": 8,
                    "capacity_ml": 2400}}
    pan = post("/api/pans", body).json()
    assert (pan["known_by"], pan["capacity_ml"]) == ("capacity", 2400)
    check = post("/api/readings/pan/measures", {"pan": {**body["pan"], "tube": 7}}).json()
    assert check["by_measures_ml"] == pytest.approx(2733.2, abs=0.1)


def test_a_drawn_pan_and_half_a_ball(db, post):
    drawn = post("/api/pans", {"pan": {"outline": "drawn", "label": "Seven", "across": 20,
                                       "wall_cm": 5, "points": SQUARE}}).json()
    assert drawn["capacity_ml"] == pytest.approx(2000)
    ball = post("/api/pans", {"pan": {"outline": "half_ball", "label": "Ball", "across": 15}})
    assert ball.json()["capacity_ml"] == pytest.approx(883.57, abs=0.01)
    assert ball.json()["drawing"]["ball"]


@pytest.mark.parametrize(("change", "field"), [
    ({"across": 0}, "across"), ({"across": -3}, "across"), ({"across": 500}, "across"),
    ({"across": "wide"}, "across"), ({"wall_cm": 0}, "wall_cm"), ({"wall_cm": 90}, "wall_cm"),
    ({"outline": "ring", "tube": 30}, "tube"),
    ({"outline": "polygon", "sides": 2}, "sides"),
    ({"outline": "drawn", "points": [[0, 0], [4, 4], [4, 0], [0, 4]]}, "points"),
    ({"outline": "drawn", "points": []}, "points"), ({"capacity_ml": 1}, "capacity_ml"),
])
def test_a_pan_that_cannot_be_is_refused_by_field(db, post, change, field):
    body = {"pan": {"outline": "round", "across": 20, "wall_cm": 5, **change}}
    response = post("/api/pans", body)
    assert response.status_code == 422
    assert response.json()["errors"][0]["field"].split(".")[-1] == field
    assert RackPan.objects.count() == 0


def test_a_pan_is_changed_and_taken_away(db, client, post):
    path = f"/api/pans/{post('/api/pans', HEART).json()['id']}"
    wider = {"pan": {**HEART["pan"], "across": 24}, "owned": 1, "base": 1}
    assert client.put(path, wider, "application/json").json()["measures"]["across"] == 24
    wrong = {"pan": {**HEART["pan"], "across": 0}, "base": 2}
    assert client.put(path, wrong, "application/json").status_code == 422
    assert client.get("/api/pans").json()[0]["measures"]["across"] == 24
    assert client.delete(path).status_code == 204
    assert client.delete(path).status_code == 404
    assert client.put(path, wider, "application/json").status_code == 404


@pytest.mark.parametrize("kind", ["json", "csv"])
def test_the_rack_goes_out_and_comes_back_whole(demo, client, post, kind):
    post("/api/pans", {"pan": {"outline": "drawn", "label": "=Seven", "across": 20, "wall_cm": 5,
                               "points": SQUARE, "loose_base": True}})
    before = client.get("/api/pans").json()
    file = client.get(f"/api/rack/file?format={kind}")
    assert file["Content-Disposition"] == f'attachment; filename="rack.{kind}"'
    assert file["Content-Type"] == {"json": "application/json", "csv": "text/csv"}[kind]
    RackPan.objects.all().delete()
    back = post("/api/rack/file", {"text": file.content.decode()})
    assert back.status_code == 201, back.content

    def bare(pans):
        return [{name: value for name, value in pan.items() if name != "id"} for pan in pans]
    assert bare(client.get("/api/pans").json()) == bare(before)


def test_a_table_with_old_line_ends_is_read(db, post):
    response = post("/api/rack/file", {
        "text": "label,outline,across,wall_cm\rRound,round,20,5\rWide,round,25,5"})
    assert response.status_code == 201
    assert RackPan.objects.count() == 2


def test_csv_of_the_rack_holds_no_formula(db, client, post):
    post("/api/pans", {"pan": {**HEART["pan"], "label": "=1+1"}})
    rows = list(csv.DictReader(io.StringIO(
        client.get("/api/rack/file?format=csv").content.decode())))
    assert rows[0]["label"] == "'=1+1"
    assert (rows[0]["outline"], rows[0]["loose_base"]) == ("heart", "no")


@pytest.mark.parametrize("text", [
    "", "{", '{"format": "entremet-rack", "pans": []}', "label\nx", "a,b\n1,2",
    "label,outline,across,wall_cm\nRound,round,twenty,5", "label,outline\n,round",
    "label,outline,across,wall_cm\nGood,round,20,5\nBad,round,0,5",
    json.dumps({"format": "entremet-rack", "pans": [{"label": "x", "measures": {}}]}),
    json.dumps({"format": "entremet-rack", "pans": [
        {"label": "x", "measures": {"outline": "round", "across": 20, "surprise": 1}}]}),
    "label,outline,across\n" + "Round,round,20\n" * 201,
    "label,outline\nx," + "y" * 200_000,
])
def test_a_file_with_one_wrong_pan_adds_none(db, post, text):
    response = post("/api/rack/file", {"text": text})
    assert response.status_code == 422
    assert response.json()["detail"]
    assert RackPan.objects.count() == 0


def test_an_outline_is_read_from_svg_and_a_template_written(db, client, post):
    text = "<svg><path d='M0 0H40V40H0Z'/></svg>"
    points = post("/api/readings/outline", {"text": text}).json()["points"]
    pan = post("/api/pans", {"pan": {"outline": "drawn", "label": "Traced", "across": 18,
                                     "wall_cm": 5, "points": points}}).json()
    file = client.get(f"/api/pans/{pan['id']}/template")
    assert file["Content-Type"] == "image/svg+xml"
    assert 'width="20.00cm"' in file.content.decode()
    bad = post("/api/readings/outline", {"text": "<svg><path d='M0 0L4 4L4 0L0 4Z'/></svg>"})
    assert bad.json()["code"] == "impossible_pan"
    assert client.get("/api/pans/99999/template").status_code == 404


def test_of_a_pan_known_by_water_alone_there_is_no_template(db, client, post):
    pan = post("/api/pans", {"pan": {"outline": "ring", "label": "Ring",
                                     "capacity_ml": 2000}}).json()
    assert client.get(f"/api/pans/{pan['id']}/template").json()["code"] == "not_here"


def test_a_fit_takes_every_outline_of_the_rack(demo, client, fit):
    into = [{"pan": pan["id"], "count": 1} for pan in client.get("/api/pans").json()]
    answer = fit("parsnip-honey", *into)
    assert all(pan["batter_g_each"] > 0 for pan in answer["pans"])
    ball = next(pan for pan in answer["pans"] if pan["label"] == "Half ball 15")
    assert ball["kind"] == "ball"
    assert ball["fill"] == pytest.approx(0.5, abs=0.02)
    bake = next(one for one in answer["bakes"] if one["label"] == "Half ball 15")
    assert bake["likely_min"] > 0


@pytest.mark.parametrize("paper", ["A4", "Letter"])
def test_a_template_comes_as_pdf_pages_too(demo, client, pan_id, paper):
    answer = client.get(f"/api/pans/{pan_id('heart-20')}/template.pdf?paper={paper}")
    assert answer["Content-Type"] == "application/pdf"
    assert "attachment" in answer["Content-Disposition"]
    assert answer.content.startswith(b"%PDF")
    assert client.get(f"/api/pans/9999/template.pdf?paper={paper}").status_code == 404
