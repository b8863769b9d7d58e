"""Many screens at once: none is refused because another writes, one answer serves all."""

from __future__ import annotations

import base64
import io
import json
from concurrent.futures import ThreadPoolExecutor
from threading import Event as Signal

import pytest
from django.db import connections, transaction
from django.db.backends.signals import connection_created
from PIL import Image

from entremet.core.running.events import EventKind
from entremet.kitchen.actions import day_log, news, photos, running
from entremet.kitchen.api import told as telling
from entremet.kitchen.api import writing
from entremet.kitchen.models import BakePhoto, Day, RackPan, Recipe, Tick
from tests.demo_rows import put_demo
from tests.kitchen.conftest import Screen

pytestmark = pytest.mark.django_db(transaction=True)
SCREENS, EACH = 8, 6


def send(path, body, method="post"):
    answer = getattr(Screen(), method)(path, json.dumps(body), content_type="application/json")
    connections.close_all()
    return answer


@pytest.fixture
def day(transactional_db):
    put_demo()
    return send("/api/days", {"fit": fit()}).json()


def fit():
    return {"recipe": Recipe.objects.get(key="plum-bergamot").pk,
            "into": [{"pan": RackPan.objects.get(key="round-20").pk, "count": 1}]}


def logged(many):
    return [send("/api/bakes", {"request": fit(), "minutes": 30 + one}).json()["id"]
            for one in range(many)]


@pytest.fixture
def impatient():
    """A file that lets nobody try again: who does not queue is refused at once."""
    def hurry(connection, **_):
        with connection.cursor() as cursor:
            cursor.execute("PRAGMA busy_timeout=0")

    connection_created.connect(hurry)
    yield
    connection_created.disconnect(hurry)


def at_once(work, many):
    with ThreadPoolExecutor(many) as screens:
        return list(screens.map(work, range(many)))


def ticks(day, *names, kind="held"):
    return {"events": [{"id": name, "kind": kind, "step": day["lead"]} for name in names]}


def test_ticks_of_eight_screens_at_once_are_all_kept_and_none_is_refused(day, impatient):
    path = f"/api/days/{day['id']}/events"
    codes = at_once(lambda screen: [send(path, ticks(day, f"screen-{screen}-{one}")).status_code
                                    for one in range(EACH)], SCREENS)
    assert {code for row in codes for code in row} == {200}
    assert Tick.objects.count() == SCREENS * EACH
    assert len(day_log.events_of(Day.objects.get())) == SCREENS * EACH


def test_photos_of_eight_screens_at_once_are_all_kept(day, impatient):
    shot = io.BytesIO()
    Image.effect_noise((900, 700), 60).save(shot, "JPEG")
    picture = base64.b64encode(shot.getvalue()).decode()
    bakes = logged(SCREENS)
    codes = at_once(lambda place: send(f"/api/bakes/{bakes[place]}/photo", {"picture": picture},
                                       "put").status_code, SCREENS)
    assert codes == [200] * SCREENS
    assert BakePhoto.objects.count() == SCREENS


def test_a_picture_is_opened_before_anybody_has_to_wait_for_it(day, monkeypatch):
    opened, go_on, opening = Signal(), Signal(), photos.encoded_anew

    def slowly(picture):
        opened.set()
        assert go_on.wait(10)
        return opening(picture)

    monkeypatch.setattr(photos, "encoded_anew", slowly)
    shot = io.BytesIO()
    Image.new("RGB", (40, 40)).save(shot, "PNG")
    (bake,) = logged(1)
    with ThreadPoolExecutor(1) as other:
        sent = other.submit(send, f"/api/bakes/{bake}/photo", {
            "picture": base64.b64encode(shot.getvalue()).decode()}, "put")
        assert opened.wait(10)
        path = f"/api/days/{day['id']}/events"
        assert send(path, ticks(day, "meanwhile-1")).status_code == 200
        go_on.set()
        assert sent.result().status_code == 200


def test_who_waits_too_long_is_told_that_nothing_was_kept(day, monkeypatch):
    monkeypatch.setattr(writing, "PATIENCE_S", 0.05)
    held, done = Signal(), Signal()

    def hold():
        with writing.one_turn():
            held.set()
            done.wait(10)

    with ThreadPoolExecutor(1) as other:
        other.submit(hold)
        assert held.wait(10)
        late = send("/api/ovens", {"name": "Hall"})
        done.set()
    assert (late.status_code, late.json()["code"]) == (503, "busy")
    assert "Nothing was kept" in late.json()["detail"]
    assert send("/api/ovens", {"name": "Hall"}).status_code == 201


def test_a_tick_that_was_taken_back_by_the_file_is_not_known(day):
    row = Day.objects.get()
    now = running.right_now()

    def tick(name):
        return running.NewTick(key=name, kind=EventKind.HELD, step=day["lead"])

    running.add_ticks(row, [tick("first-tick")], now=now)
    with transaction.atomic():
        running.add_ticks(row, [tick("never-kept")], now=now)
        transaction.set_rollback(True)
    running.add_ticks(row, [tick("second-tick"), tick("first-tick")], now=now)
    assert [one.id for one in day_log.events_of(row)] == ["first-tick", "second-tick"]


def test_ticks_of_a_copy_brought_back_are_read_anew(day):
    row = Day.objects.get()
    now = running.right_now()
    for name in ("one-tick", "two-tick"):
        running.add_ticks(row, [running.NewTick(key=name, kind=EventKind.HELD,
                                                step=day["lead"])], now=now)
    day_log.events_of(row)
    Tick.objects.filter(key="two-tick").update(key="other-tick")
    assert [one.id for one in day_log.events_of(row)] == ["one-tick", "other-tick"]
    Tick.objects.all().delete()
    assert day_log.events_of(row) == []


def test_what_was_ticked_is_read_once(day, django_assert_num_queries):
    row = Day.objects.get()
    running.add_ticks(row, [running.NewTick(key=f"tick-{one:04}", kind=EventKind.HELD,
                                            step=day["lead"]) for one in range(30)],
                      now=running.right_now())
    day_log.events_of(row)
    with django_assert_num_queries(1) as seen:
        assert len(day_log.events_of(row)) == 30
    assert f'"id" >= {Tick.objects.last().pk}' in seen.captured_queries[0]["sql"]


def test_one_answer_is_worked_out_for_all_who_look_on():
    asked = []

    def answer():
        asked.append(1)
        return []

    at_once(lambda _: telling.told("a day", "day", answer), SCREENS)
    assert len(asked) == 1
    news.tell("device")
    telling.told("a day", "day", answer)
    assert len(asked) == 1
    news.tell("day")
    telling.told("a day", "day", answer)
    telling.told("another", "day", answer)
    assert len(asked) == 3


def test_an_answer_grows_old_because_time_moves_a_day(monkeypatch):
    clock = iter([10.0, 10.5, 11.2, 11.2])
    monkeypatch.setattr(telling, "monotonic", lambda: next(clock))
    asked = []

    def answer():
        asked.append(1)
        return []

    for _ in range(3):
        telling.told("a day", "day", answer)
    assert len(asked) == 2


def test_a_tick_of_another_screen_is_in_the_answer_that_all_are_given(day, monkeypatch):
    path, tell = f"/api/days/{day['id']}/events", news.tell

    def tell_late(*given):
        # Between what this screen kept and what it is told, another one ticks.
        monkeypatch.setattr(news, "tell", tell)
        with ThreadPoolExecutor(1) as other:
            assert other.submit(send, path, ticks(day, "other-tick")).result().status_code == 200
        tell(*given)

    monkeypatch.setattr(news, "tell", tell_late)
    mine = send(path, ticks(day, "first-tick")).json()
    assert mine["last_tick"] == "other-tick"
