"""Connections: what arrives by drops shuts nobody out, and TLS carries what plain carries."""

from __future__ import annotations

import gc
import hashlib
import http.client
import socket
import ssl
import time
from collections.abc import Iterator
from contextlib import ExitStack, contextmanager
from datetime import UTC, datetime, timedelta
from threading import Thread

import pytest

from entremet.kitchen.errors import Unsound
from entremet.site.door import listening
from entremet.site.door.certificate import LASTS, LEAST_LEFT, certificate
from entremet.site.door.listening import listen

NOW = datetime(2026, 11, 30, 8, tzinfo=UTC)
HERE, NEAR, OTHER = "127.0.0.1", "127.0.0.2", "127.0.0.3"
"""This machine, and two that stand in for others."""
LARGE = b"crumb" * 400_000


def answers(environ, start):
    said = environ["wsgi.input"].read()
    start("200 OK", [("Content-Type", "text/plain"), ("X-Scheme", environ["wsgi.url_scheme"]),
                     ("X-Heard", str(len(said)))])
    return [LARGE if environ["PATH_INFO"] == "/large" else b"here"]


@contextmanager
def listening_at(tls=None) -> Iterator[list[int]]:
    found = listen(answers, 0, threads=4, shared=False, tls=tls)
    loop = Thread(target=found[0].run, daemon=True)
    loop.start()
    try:
        yield [int(one.effective_port) for one in found]
    finally:
        for one in found:
            one.close()


@pytest.fixture
def strangers(monkeypatch):
    monkeypatch.setattr(listening, "_own", lambda address: address == HERE)


def link(port, who=HERE):
    return socket.create_connection((HERE, port), timeout=10, source_address=(who, 0))


def asked(port, who=HERE):
    with link(port, who) as one:
        one.sendall(b"GET / HTTP/1.1\r\nHost: x\r\nConnection: close\r\n\r\n")
        return one.makefile("rb").read().partition(b"\r\n\r\n")[2]


def let_go(one, within_s=10.0):
    """Whether the other side closes a connection."""
    one.settimeout(within_s)
    try:
        return one.recv(10) == b""
    except ConnectionResetError:
        return True


def test_half_sent_heads_of_one_address_leave_room_for_all_others(strangers):
    with listening_at() as (port,), ExitStack() as held:
        for _ in range(listening.MOST_OF_ONE + 30):
            one = held.enter_context(link(port, NEAR))
            one.sendall(b"GET / HTTP/1.1\r\nHo")
        assert asked(port, OTHER) == b"here"
        assert asked(port) == b"here"
        late = held.enter_context(link(port, NEAR))
        assert let_go(late)


def test_many_addresses_together_leave_this_machine_its_place(strangers, monkeypatch):
    monkeypatch.setattr(listening, "MOST_OF_OTHERS", 12)
    with listening_at() as (port,), ExitStack() as held:
        for place in range(20):
            held.enter_context(link(port, f"127.0.1.{place + 1}"))
        assert let_go(held.enter_context(link(port, OTHER)))
        assert asked(port) == b"here"


def test_half_sent_heads_of_this_machine_make_room_for_whole_ones(monkeypatch):
    monkeypatch.setattr(listening, "MOST_OF_HERE", 30)
    with listening_at() as (port,), ExitStack() as held:
        kept = held.enter_context(link(port))
        kept.sendall(b"GET / HTTP/1.1\r\nHost: x\r\n\r\n")
        assert kept.recv(9) == b"HTTP/1.1 "
        first = held.enter_context(link(port))
        for _ in range(60):
            held.enter_context(link(port)).sendall(b"GET / HTTP/1.1\r\nHo")
        assert asked(port) == b"here"
        assert let_go(first)
        kept.recv(4000)
        kept.sendall(b"GET / HTTP/1.1\r\nHost: x\r\nConnection: close\r\n\r\n")
        assert kept.makefile("rb").read().endswith(b"here"), "what was answered stays"


def test_a_head_that_does_not_arrive_is_not_waited_for(monkeypatch):
    monkeypatch.setattr(listening, "HEAD_S", 0.2)
    with listening_at() as (port,), ExitStack() as held:
        half, silent = (held.enter_context(link(port)) for _ in range(2))
        half.sendall(b"POST / HTTP/1.1\r\nHost: x\r\nContent-Le")
        kept = held.enter_context(link(port))
        kept.sendall(b"GET / HTTP/1.1\r\nHost: x\r\n\r\n")
        assert kept.recv(9) == b"HTTP/1.1 "
        assert let_go(half)
        assert let_go(silent)
        # One that was answered may stay for the next request.
        kept.recv(4000)
        kept.sendall(b"GET / HTTP/1.1\r\nHost: x\r\nConnection: close\r\n\r\n")
        assert kept.makefile("rb").read().endswith(b"here")


def test_a_body_may_take_longer_than_a_head_but_not_for_ever(monkeypatch):
    clock = [100.0]
    monkeypatch.setattr(listening.time, "monotonic", lambda: clock[0])
    with listening_at() as (port,), link(port) as one:
        one.sendall(b"POST / HTTP/1.1\r\nHost: x\r\nContent-Length: 9\r\n\r\nfou")
        channels = listening_channels(port)
        assert not any(channel.late(clock[0] + listening.HEAD_S + 1) for channel in channels)
        assert all(channel.late(clock[0] + listening.BODY_S + 1) for channel in channels)


def listening_channels(port):
    """The connections of the one who listens at a port, once there are any."""
    for _ in range(200):
        # By its very type: some objects there only pretend to be something when they are asked.
        found = [one for one in gc.get_objects() if type(one) is listening.Channel
                 and one.connected and int(one.server.effective_port) == port
                 and one.request is not None and one.request.headers_finished]
        if found:
            return found
        time.sleep(0.01)
    raise AssertionError("nobody came")


def test_a_port_that_cannot_be_had_is_said():
    with listening_at() as (port,), pytest.raises(Unsound, match="taken"):
        listen(answers, port, threads=1, shared=False)
    with pytest.raises(Unsound, match="no port"):
        listen(answers, 70_000, threads=1, shared=False)
    with pytest.raises(Unsound, match="to 65534"):
        listen(answers, 65_535, threads=1, shared=True, tls=ssl.create_default_context())


@pytest.fixture
def made(tmp_path):
    return certificate(tmp_path / "kitchen.pem", addresses=[HERE], names=["localhost"], now=NOW)


def trusting():
    context = ssl.create_default_context()
    context.check_hostname, context.verify_mode = False, ssl.CERT_NONE
    return context


def test_tls_carries_long_answers_and_long_questions_one_after_the_other(made):
    with listening_at(made[0]) as (_, port):
        one = http.client.HTTPSConnection(HERE, port, timeout=20, context=trusting())
        for path, body in (("/", b""), ("/large", b"x" * 3_000_000), ("/", b"y"), ("/large", b"")):
            one.request("POST", path, body)
            answer = one.getresponse()
            assert answer.read() == (LARGE if path == "/large" else b"here")
            assert answer.headers["X-Heard"] == str(len(body))
            assert answer.headers["X-Scheme"] == "https"
        one.close()


def test_tls_is_shown_with_the_fingerprint_that_was_said(made):
    with listening_at(made[0]) as (_, port), trusting().wrap_socket(link(port)) as one:
        shown = one.getpeercert(binary_form=True)
    assert hashlib.sha256(shown).hexdigest().upper() == made[1].replace(":", "")


def test_who_does_not_greet_or_speaks_plainly_holds_nobody_up(made, monkeypatch):
    monkeypatch.setattr(listening, "HEAD_S", 0.2)
    with listening_at(made[0]) as (plain, port), link(port) as silent, link(port) as talks:
        talks.sendall(b"GET / HTTP/1.1\r\nHost: x\r\n\r\n")
        with trusting().wrap_socket(link(port)) as one:
            one.sendall(b"GET / HTTP/1.1\r\nHost: x\r\nConnection: close\r\n\r\n")
            assert b"here" in one.makefile("rb").read()
        assert let_go(silent)
        assert let_go(talks)
        assert asked(plain) == b"here"


def test_a_certificate_is_made_once_closed_to_others_and_anew_before_it_ends(tmp_path):
    path = tmp_path / "kitchen.pem"

    def at(moment):
        return certificate(path, addresses=[HERE], names=["localhost"], now=moment)[1]

    first = at(NOW)
    assert path.stat().st_mode & 0o777 == 0o600
    assert at(NOW + LASTS - LEAST_LEFT - timedelta(days=1)) == first
    second = at(NOW + LASTS - LEAST_LEFT + timedelta(days=1))
    assert second != first
    path.write_text("damaged", "utf-8")
    assert at(NOW) not in (first, second)
