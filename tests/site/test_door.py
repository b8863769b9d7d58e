"""A kitchen open to its own network: nobody passes the door without the passphrase."""

from __future__ import annotations

import http.client
import json
import re
import sqlite3
import ssl
import stat
import subprocess
import sys
from collections.abc import Iterator
from concurrent.futures import ThreadPoolExecutor
from contextlib import closing
from pathlib import Path
from threading import Thread
from urllib.parse import urlencode

import pytest

from entremet.kitchen.actions.sharing import own_addresses
from entremet.site.door.hosts import known_host
from entremet.site.door.turn import MOST_WAIT, Turn
from tests.site.served import ROOT, env, served

PASSPHRASE = "four rolling plum pies"
PATHS = ("/", "/fit", "/label", "/api/recipes", "/api/kitchen", "/api/sharing", "/api/copies",
         "/api/nothing", "/static/index.html", "/static/mark.svg", "/nothing")
WRITES = (("POST", "/api/bowls"), ("PUT", "/api/kitchen"), ("DELETE", "/api/bowls/1"),
          ("POST", "/api/copies"), ("POST", "/api/copies/x.zip/restore"),
          ("POST", "/api/devices/scale/readings"), ("POST", "/api/sharing/sign-out"),
          ("POST", "/recipes"))


class Screen:
    """A browser as plain as can be: it keeps cookies and follows nothing."""

    def __init__(self, address: str) -> None:
        self.address, self.cookies = address.removeprefix("http://"), {}
        self.headers, self.text = {}, ""

    def ask(self, method: str, path: str, body: str | None = None, **headers: str) -> int:
        link = http.client.HTTPConnection(self.address, timeout=60)
        told = {"Host": self.address, **{name.replace("_", "-"): one
                                         for name, one in headers.items()}}
        if self.cookies:
            told["Cookie"] = "; ".join(f"{name}={one}" for name, one in self.cookies.items())
        link.request(method, path, body, told)
        answer = link.getresponse()
        self.text = answer.read().decode(errors="replace")
        self.headers = {name.lower(): one for name, one in answer.getheaders()}
        for name, one in answer.getheaders():
            if name.lower() == "set-cookie" and "Max-Age=0" not in one:
                key, value = one.split(";")[0].split("=", 1)
                self.cookies[key] = value
                assert "HttpOnly" in one
                assert "SameSite=Strict" in one
        link.close()
        return answer.status

    def sign_in(self, passphrase: str = PASSPHRASE, again: str | None = None, after: str = "/",
                **headers: str) -> int:
        self.ask("GET", "/sign-in", **headers)
        token = re.search(r'csrfmiddlewaretoken" value="([^"]+)', self.text)
        assert token is not None, self.text
        form = {"csrfmiddlewaretoken": token.group(1), "passphrase": passphrase, "next": after}
        if again is not None:
            form["again"] = again
        return self.ask("POST", "/sign-in", urlencode(form),
                        Content_Type="application/x-www-form-urlencoded", **headers)


@pytest.fixture(scope="module")
def shared(tmp_path_factory: pytest.TempPathFactory) -> Iterator[tuple[str, Path]]:
    """An open kitchen whose passphrase was chosen on the machine itself."""
    data = tmp_path_factory.mktemp("shared")
    with served(data, "--share") as (address, _):
        far, here = Screen(address), Screen(address)
        # Nobody can choose it from elsewhere, or through anything that passes requests on.
        assert far.ask("GET", "/sign-in", X_Forwarded_For="192.168.1.9") == 403
        assert "Go to the machine" in far.text
        assert here.ask("GET", "/fit") == 302
        assert here.sign_in("short", "short") == 422
        assert here.sign_in(PASSPHRASE, "another one entirely") == 422
        assert "not the same" in here.text
        assert here.sign_in("1234567890", "1234567890") == 422
        assert "too common" in here.text
        assert here.sign_in(PASSPHRASE, PASSPHRASE) == 302
        yield address, data


@pytest.fixture
def screen(shared):
    return Screen(shared[0])


@pytest.mark.parametrize("path", PATHS)
def test_nothing_answers_without_a_session(screen, path):
    status = screen.ask("GET", path)
    assert status == (302 if "." not in path and not path.startswith("/api") else 401)
    assert "Parsnip" not in screen.text
    if path.startswith("/api"):
        assert json.loads(screen.text)["code"] == "signed_out"
    assert screen.headers["x-frame-options"] == "DENY"
    assert "frame-ancestors 'none'" in screen.headers["content-security-policy"]
    assert "unsafe" not in screen.headers["content-security-policy"]


@pytest.mark.parametrize(("method", "path"), WRITES)
def test_nothing_is_written_without_a_session(screen, method, path):
    assert screen.ask(method, path, "{}", Content_Type="application/json") == 401
    screen.cookies = {"entremet": "0" * 32}
    assert screen.ask(method, path, "{}", Content_Type="application/json") == 401


def test_who_signs_in_is_let_in_and_goes_where_they_wanted(screen):
    assert screen.sign_in(after="/label?recipe=1") == 302
    assert screen.headers["location"] == "/label?recipe=1"
    assert screen.ask("GET", "/api/recipes") == 200
    assert screen.headers["cache-control"] == "no-store"
    assert screen.ask("GET", "/static/index.html") == 200
    told = json.loads(screen.text) if screen.ask("GET", "/api/sharing") == 200 else {}
    assert told["shared"]
    assert told["signed_in"] >= 1
    for address in told["addresses"]:
        assert PASSPHRASE not in (told["qr"] or "")
        assert address.startswith("http://")


@pytest.mark.parametrize("after", ["//evil.example", "https://evil.example", "javascript:x",
                                   "/\\evil.example"])
def test_nobody_is_sent_elsewhere_after_signing_in(screen, after):
    assert screen.sign_in(after=after) == 302
    assert screen.headers["location"] == "/"


@pytest.mark.parametrize("headers", [
    {"Origin": "http://evil.example"}, {"Sec_Fetch_Site": "cross-site"},
    {"Sec_Fetch_Site": "same-site"}, {"Origin": "null"}])
def test_another_site_writes_nothing_with_a_session_either(screen, headers):
    screen.sign_in()
    assert screen.ask("POST", "/api/copies", "{}", Content_Type="application/json",
                      **headers) == 403
    assert screen.ask("POST", "/sign-in", "passphrase=x",
                      Content_Type="application/x-www-form-urlencoded", **headers) == 403


@pytest.mark.parametrize("host", ["evil.example", "evil.example:8000", "8.8.8.8", "testserver", "",
                                  "0.0.0.0", "127.0.0.1.evil.example", "[::1].evil"])
def test_a_name_that_anybody_could_point_here_is_refused(screen, host):
    screen.sign_in()
    assert screen.ask("GET", "/api/recipes", Host=host) == 400
    assert "Parsnip" not in screen.text


def test_the_form_counts_only_with_its_own_token(screen):
    assert screen.ask("POST", "/sign-in", urlencode({"passphrase": PASSPHRASE}),
                      Content_Type="application/x-www-form-urlencoded") == 403
    assert "lay open too long" in screen.text
    assert "entremet" not in screen.cookies


def test_signing_all_out_signs_all_out(shared):
    one, other = Screen(shared[0]), Screen(shared[0])
    assert (one.sign_in(), other.sign_in()) == (302, 302)
    assert one.ask("POST", "/api/sharing/sign-out") == 204
    for each in (one, other):
        assert each.ask("GET", "/api/kitchen") == 401
    assert one.sign_in() == 302


def test_a_stream_ends_with_its_session(shared):
    looking = Screen(shared[0])
    looking.sign_in()
    assert looking.ask("POST", "/api/bowls", '{"name": "Big", "capacity_ml": 4000}',
                       Content_Type="application/json") == 201
    day = a_day(shared[1])
    link = http.client.HTTPConnection(looking.address, timeout=20)
    link.request("GET", f"/api/days/{day}/stream", headers={
        "Host": looking.address, "Cookie": f"entremet={looking.cookies['entremet']}"})
    stream = link.getresponse()
    assert stream.status == 200
    while not stream.readline().startswith(b": here"):
        pass
    other = Screen(shared[0])
    other.sign_in()
    assert other.ask("POST", "/api/sharing/sign-out") == 204
    # It reads on to its end; the time that takes is bounded by the link's own.
    assert b"event" not in stream.read()
    link.close()


def a_day(data):
    """Put a day without steps into the kitchen's file."""
    sheet = json.dumps({"title": "Choir tea", "steps": [], "dues": [], "pace": 1.0})
    with closing(sqlite3.connect(data / "kitchen.sqlite3")) as kitchen, kitchen:
        return kitchen.execute(
            "INSERT INTO kitchen_day (title, sheet, sheet_version, orders, started_at, how, drafts)"
            " VALUES ('Choir tea', ?, 1, '[]', '2026-11-27 08:00:00', '{}', '{}')",
            [sheet]).lastrowid


def test_who_may_come_in_is_read_by_the_owner_alone(shared):
    kept = list(shared[1].glob("kitchen.access.sqlite3*"))
    assert kept
    assert {stat.S_IMODE(one.stat().st_mode) for one in kept} == {0o600}


def test_a_passphrase_is_looked_up_one_at_a_time():
    turn = Turn()
    came = []

    def wait():
        came.append(turn.come())
        turn.go()

    assert turn.come()
    waiting = [Thread(target=wait, daemon=True) for _ in range(MOST_WAIT - 1)]
    for one in waiting:
        one.start()
    # The waiting ones hold their places as soon as they are there.
    while turn._waits.acquire(blocking=False):
        turn._waits.release()
    assert not turn.come()
    assert came == []
    turn.go()
    for one in waiting:
        one.join(10)
    assert came == [True] * (MOST_WAIT - 1)


def test_too_many_at_once_are_asked_to_try_again_and_this_machine_waits_for_none(
        tmp_path, monkeypatch):
    monkeypatch.setattr("tests.site.served.SETTINGS", "tests.site.slow_settings")
    with served(tmp_path, "--share") as (address, _):
        Screen(address).sign_in(PASSPHRASE, PASSPHRASE)
        many = 2 * MOST_WAIT
        with ThreadPoolExecutor(many + 1) as screens:
            far = [screens.submit(Screen(address).sign_in, X_Forwarded_For="192.168.1.9")
                   for _ in range(many)]
            assert Screen(address).sign_in() == 302
        assert {one.result() for one in far} == {302, 503}


def test_over_tls_everything_is_as_at_home_and_cookies_stay_encrypted(tmp_path):
    with served(tmp_path, "--share", "--tls") as (address, _):
        here = Screen(address)
        assert here.sign_in(PASSPHRASE, PASSPHRASE) == 302
        assert here.ask("GET", "/api/sharing") == 200
        told = json.loads(here.text)
        assert len(told["fingerprint"].split(":")) == 32
        assert all(one.startswith("https://") for one in told["addresses"])
        port = int(told["addresses"][0].rpartition(":")[2]) if told["addresses"] else None
        if port is None:
            pytest.skip("this machine has no address of its own")
        context = ssl.create_default_context()
        context.check_hostname, context.verify_mode = False, ssl.CERT_NONE
        link = http.client.HTTPSConnection("127.0.0.1", port, timeout=20, context=context)
        link.request("GET", "/sign-in")
        page = link.getresponse()
        assert "Secure" in page.headers["Set-Cookie"]
        token = re.search(r'csrfmiddlewaretoken" value="([^"]+)', page.read().decode())
        assert token is not None
        form = urlencode({"csrfmiddlewaretoken": token.group(1), "passphrase": PASSPHRASE})
        link.request("POST", "/sign-in", form, {
            "Cookie": page.headers["Set-Cookie"].split(";")[0],
            "Content-Type": "application/x-www-form-urlencoded",
            "Referer": f"https://127.0.0.1:{port}/sign-in"})
        let_in = link.getresponse()
        assert let_in.status == 302
        assert "Secure" in let_in.headers["Set-Cookie"]
        link.close()


def test_copies_carry_no_passphrase_and_no_session(shared, screen):
    address, data = shared
    screen.sign_in()
    assert screen.ask("POST", "/api/copies") == 201
    copy = next((data / "copies").glob("*.zip")).read_bytes()
    assert b"auth_user" not in copy
    key = data / "kitchen.secret"
    assert stat.S_IMODE(key.stat().st_mode) == 0o600
    assert address


def test_ten_wrong_ones_lock_out_for_a_while_and_a_new_one_is_chosen_at_the_machine(tmp_path):
    with served(tmp_path, "--share") as (address, _):
        here = Screen(address)
        here.sign_in(PASSPHRASE, PASSPHRASE)
        far = Screen(address)
        tries = [far.sign_in("wrong one") for _ in range(9)]
        assert set(tries) == {403}
        token = far.text
        assert "not the passphrase" in token
        assert far.sign_in("wrong one") == 429
        assert "Wait fifteen minutes" in far.text
        assert far.ask("GET", "/api/kitchen") == 401
        assert Screen(address).sign_in() == 429, "the right one is not let in while locked out"
        assert here.ask("GET", "/api/kitchen") == 200, "who is in stays in"
    changed = subprocess.run(
        [sys.executable, "-m", "entremet.site.door.passphrase"], input="a new and longer one\n",
        text=True, capture_output=True, env=env(tmp_path), cwd=ROOT, check=False)
    assert changed.returncode == 0, changed.stderr
    refused = subprocess.run(
        [sys.executable, "-m", "entremet.site.door.passphrase"], input="short\n",
        text=True, capture_output=True, env=env(tmp_path), cwd=ROOT, check=False)
    assert "passphrase is too short" in refused.stderr
    with served(tmp_path, "--share") as (address, _):
        here.address = address.removeprefix("http://")
        assert here.ask("GET", "/api/kitchen") == 401


def test_sessions_outlast_a_start_and_the_passphrase_is_hashed_at_length(tmp_path, monkeypatch):
    monkeypatch.setattr("tests.site.served.SETTINGS", "entremet.site.settings")
    with served(tmp_path, "--share") as (address, _):
        here = Screen(address)
        here.sign_in(PASSPHRASE, PASSPHRASE)
    with closing(sqlite3.connect(tmp_path / "kitchen.access.sqlite3")) as access:
        ((kept,),) = access.execute("SELECT password FROM auth_user")
    scheme, rounds, _ = kept.split("$", 2)
    assert scheme == "pbkdf2_sha256"
    assert int(rounds) >= 600_000
    with served(tmp_path, "--share") as (address, _):
        here.address = address.removeprefix("http://")
        assert here.ask("GET", "/api/kitchen") == 200


def test_who_does_not_share_has_no_door(tmp_path):
    with served(tmp_path) as (address, _):
        here = Screen(address)
        assert here.ask("GET", "/api/sharing") == 200
        assert json.loads(here.text) == {"shared": False, "addresses": [], "qr": None,
                                         "signed_in": 0, "fingerprint": ""}
        assert here.ask("POST", "/api/sharing/sign-out") == 204
        assert "set-cookie" not in here.headers
        assert not (tmp_path / "kitchen.secret").exists()
        for other in own_addresses():
            link = http.client.HTTPConnection(other, int(address.rpartition(":")[2]), timeout=2)
            with pytest.raises(OSError, match=r"refused|timed out|unreachable"):
                link.request("GET", "/")


@pytest.mark.parametrize(("host", "known"), [
    ("127.0.0.1:8000", True), ("localhost", True), ("LOCALHOST:1", True), ("192.168.1.7", False),
    ("evil.example", False), ("", False)])
def test_hosts_by_name(settings, host, known):
    assert known_host(host) is known
    settings.SHARED = True
    assert known_host(host) is (known or host == "192.168.1.7")
    assert known_host("10.0.0.3:8000")
    assert known_host("[fe80::1]:8000")
    assert not known_host("8.8.8.8")
    assert not known_host("0.0.0.0:8000")
