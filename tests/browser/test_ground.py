"""Another site in a real browser writes and reads nothing; the page keeps what was typed."""

from __future__ import annotations

import re
import threading
import urllib.request
from collections.abc import Iterator
from http.server import BaseHTTPRequestHandler, HTTPServer
from pathlib import Path
from urllib.parse import urlencode

import pytest
from playwright.sync_api import Page, expect

from entremet.kitchen.models import Recipe
from tests.browser.conftest import eventually
from tests.site.served import served

EVIL = """<!doctype html><title>Another site</title>
<form id=form method=post enctype=text/plain action=%(api)s/bowls target=frame>
<input name='{"name":"form","capacity_ml":3000,"x":"' value='"}'></form>
<iframe name=frame id=frame></iframe><iframe id=room src=%(home)s></iframe>
<iframe id=raw src=%(home)s/static/index.html></iframe>"""

TRIES = """async (api) => {
  const body = JSON.stringify({name: "evil", capacity_ml: 3000});
  const told = [];
  for (const type of ["text/plain", "application/json"])
    for (const mode of ["no-cors", "cors"])
      await fetch(`${api}/bowls`, {method: "POST", mode, body, headers: {"Content-Type": type}})
        .then((answer) => told.push(answer.type), () => told.push("refused"));
  navigator.sendBeacon(`${api}/bowls`, new Blob([body], {type: "text/plain"}));
  await fetch(`${api}/recipes`).then((answer) => answer.text()).then(
    (text) => told.push(text), () => told.push("unread"));
  document.getElementById("form").submit();
  await new Promise((done) => setTimeout(done, 700));
  return told;
}"""


@pytest.fixture
def kitchen(tmp_path: Path) -> Iterator[str]:
    """The program as it is started; a test's own server serves its files past the guards."""
    with served(tmp_path) as (url, _):
        # The page is up before the API is loaded; what is tried here is its guards, not its start.
        with urllib.request.urlopen(f"{url}/api/kitchen", timeout=60) as answer:
            answer.read()
        yield url


@pytest.fixture
def other_site(kitchen: str) -> Iterator[str]:
    page = EVIL % {"api": f"{kitchen}/api", "home": kitchen}

    class Site(BaseHTTPRequestHandler):
        def do_GET(self) -> None:
            self.send_response(200)
            self.send_header("Content-Type", "text/html")
            self.end_headers()
            self.wfile.write(page.encode())

        def log_message(self, *_: object) -> None:
            pass

    server = HTTPServer(("127.0.0.1", 0), Site)
    threading.Thread(target=server.serve_forever, daemon=True).start()
    yield f"http://127.0.0.1:{server.server_port}"
    server.shutdown()


@pytest.mark.parametrize("host", ["127.0.0.1", "localhost"])
def test_another_site_writes_nothing_reads_nothing_and_frames_nothing(
        page: Page, other_site: str, kitchen: str, host: str):
    page.goto(other_site.replace("127.0.0.1", host))
    told = page.evaluate(TRIES, f"{kitchen}/api")
    assert told[-1] == "unread"
    for frame in ("#room", "#raw"):
        assert page.locator(frame).content_frame.locator("#root").count() == 0
    page.goto(f"{kitchen}/kitchen")
    expect(page.get_by_text("No bowl yet")).to_be_visible()
    page.evaluate("""() => fetch("/api/bowls", {method: "POST", headers:
        {"Content-Type": "application/json"}, body: '{"name":"Own","capacity_ml":3000}'})""")
    page.reload()
    expect(page.get_by_text("Own", exact=True)).to_be_visible()


@pytest.mark.by_link
def test_no_style_or_script_of_a_room_is_refused(bench: Page, live_server):
    """The fixture fails on any word of the policy; every room is opened and drawn in."""
    for path in ("/recipes", "/recipes/paste", f"/recipes/{Recipe.objects.all()[0].pk}", "/pans",
                 "/kitchen", "/fit"):
        bench.goto(f"{live_server.url}{path}")
        bench.locator("main h1").first.wait_for(state="attached")
    header = bench.locator("header")
    assert header.evaluate("one => getComputedStyle(one).height") == "52px"


@pytest.mark.by_link
def test_a_server_that_is_away_is_said_and_what_was_typed_stays(bench: Page, live_server):
    bench.goto(f"{live_server.url}/recipes/paste")
    text = bench.get_by_label("Recipe text")
    text.fill("Sloe ring\n200 g self-raising flour\n3 eggs")
    expect(bench.get_by_text("200 g", exact=True).first).to_be_visible()
    bench.context.route("**/api/**", lambda route: route.abort())
    text.fill("Sloe ring\n200 g self-raising flour\n4 eggs")
    expect(bench.get_by_text("The kitchen does not answer")).to_be_visible()
    bench.context.unroute("**/api/**")
    bench.reload()
    expect(bench.get_by_label("Recipe text")).to_have_value(
        "Sloe ring\n200 g self-raising flour\n4 eggs")


@pytest.mark.by_link
def test_a_million_pasted_lines_are_refused_before_they_are_drawn(bench: Page, live_server):
    bench.goto(f"{live_server.url}/recipes/paste")
    text = bench.get_by_label("Recipe text")
    text.fill("2 eggs")
    text.evaluate("""(field) => {
      const data = new DataTransfer();
      data.setData("text/plain", "1 cup flour\\n".repeat(1_000_000));
      field.dispatchEvent(new ClipboardEvent("paste",
        {clipboardData: data, bubbles: true, cancelable: true}));
    }""")
    expect(bench.get_by_text("still on your clipboard")).to_be_visible()
    expect(text).to_have_value("2 eggs")


@pytest.mark.by_link
def test_a_tag_is_never_cut_through_an_emoji(bench: Page, live_server):
    recipe = Recipe.objects.all()[0].pk
    bench.goto(f"{live_server.url}/recipes/{recipe}")
    bench.get_by_role("button", name=re.compile("^Tags, note and source: ")).click()
    tags = bench.get_by_label("Tags", exact=True)
    tags.fill("x" * 39 + "🧁🧁")
    tags.blur()
    bench.get_by_role("button", name="Save").click()
    eventually(bench, lambda: Recipe.objects.get(pk=recipe).tags == ["x" * 39 + "🧁"])
    bench.goto(f"{live_server.url}/recipes")
    expect(bench.get_by_role("link", name="Parsnip and honey layer cake").first).to_be_visible()


def test_it_installs_on_a_screen_and_takes_what_another_app_shares(bench: Page, live_server):
    where = bench.locator("link[rel=manifest]").get_attribute("href")
    manifest = bench.request.get(f"{live_server.url}{where}").json()
    assert manifest["display"] == "standalone"
    for icon in manifest["icons"]:
        assert bench.request.get(f"{live_server.url}{icon['src']}").headers[
            "content-type"] == "image/png"
    target = manifest["share_target"]
    assert target["method"] == "GET"
    query = urlencode({target["params"]["title"]: "Plum squares",
                       target["params"]["text"]: "200 g self-raising flour\n3 large eggs"})
    bench.goto(f"{live_server.url}{target['action']}?{query}")
    box = bench.get_by_role("textbox", name="Recipe text")
    expect(box).to_have_value("Plum squares\n200 g self-raising flour\n3 large eggs")
    assert "?" not in bench.url
    box.press("End")
    bench.reload()
    expect(box).to_have_value(re.compile("^Plum squares"))
    bench.goto(f"{live_server.url}/recipes/paste?{urlencode({'url': 'https://example.org/'})}")
    expect(box).to_have_value(re.compile("^Plum squares"))
