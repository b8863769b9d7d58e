"""A photo of a recipe becomes its text, where the machine has an optical reader."""

from __future__ import annotations

import base64
import io

import pytest
from PIL import Image, ImageDraw, ImageFont

from entremet.kitchen import pictures, scanning

WORDS = "Plum squares\n200 g plain flour\n3 eggs\n150 g butter"


def picture(words: str = WORDS) -> str:
    page = Image.new("RGB", (900, 500), "white")
    ImageDraw.Draw(page).multiline_text((40, 40), words, fill="black",
                                        font=ImageFont.load_default(size=48), spacing=30)
    kept = io.BytesIO()
    page.save(kept, "PNG")
    return base64.b64encode(kept.getvalue()).decode()


@pytest.mark.skipif(not scanning.can_read_pictures(), reason="no optical reader here")
def test_a_photo_becomes_text_and_the_text_a_card(db, post):
    text = post("/api/readings/picture", {"picture": picture()}).json()["text"]
    card = post("/api/readings", {"text": text}).json()["card"]
    assert [line["ingredient"] for line in card["lines"]] == [
        "plain_flour", "egg", "unsalted_butter"]


@pytest.mark.parametrize("sent", ["x", base64.b64encode(b"no picture").decode(), "====" * 9])
def test_what_is_no_picture_is_said_in_words(db, post, sent, monkeypatch):
    monkeypatch.setattr(scanning, "can_read_pictures", lambda: True)
    answer = post("/api/readings/picture", {"picture": sent})
    assert answer.status_code == 422
    assert answer.json()["errors"][0]["field"] == "picture"


def test_without_the_reader_it_is_not_offered_and_refused(db, post, client, monkeypatch):
    monkeypatch.setattr(scanning.shutil, "which", lambda _name: None)
    assert client.get("/api/readings/readers").json() == {"picture": False}
    assert post("/api/readings/picture", {"picture": picture()}).status_code == 422


def test_a_picture_of_too_many_pixels_is_refused_before_it_is_read(db, post, monkeypatch):
    monkeypatch.setattr(scanning, "can_read_pictures", lambda: True)
    monkeypatch.setattr(pictures, "MOST_PIXELS", 1000)
    answer = post("/api/readings/picture", {"picture": picture()})
    assert answer.status_code == 422
    assert "smaller" in answer.json()["detail"]


@pytest.mark.parametrize(("found", "can"), [("/usr/bin/tesseract", True), (None, False)])
def test_whether_pictures_can_be_read_is_whether_the_reader_is_there(monkeypatch, found, can):
    monkeypatch.setattr(scanning.shutil, "which", lambda _: found)
    assert scanning.can_read_pictures() is can
