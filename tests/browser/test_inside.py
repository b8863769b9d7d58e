"""The cake cut open: at its likely minute first, moved by keys, beside itself with strips."""

from __future__ import annotations

import re

import pytest
from playwright.sync_api import Page, expect

from tests.browser.conftest import violations_in_both
from tests.browser.fits import open_fit
from tests.everyday import sizes


@pytest.mark.by_link
@pytest.mark.parametrize("width", sizes(1280, 390))
def test_a_bake_is_cut_open_and_held_beside_itself_with_strips(bench: Page, width: int):
    bench.set_viewport_size({"width": width, "height": 800})
    open_fit(bench, "parsnip-honey", ("round-15-deep", 1), state="bake")
    bench.get_by_role("radio", name="Inside").click()
    minute = bench.get_by_role("slider", name="Minute")
    slice_ = bench.get_by_role("img", name=re.compile("Round 15, deep cut open after"))
    likely = minute.input_value()
    expect(slice_).to_have_accessible_name(re.compile(f"after {likely} min: middle 9[5-8] °C"))
    minute.press("Home")
    expect(slice_).to_have_accessible_name(re.compile(r"after 0 min: middle 2\d °C, rim 2\d °C"))
    minute.press("ArrowRight")
    expect(minute).to_have_value("1")
    bench.get_by_role("button", name="strips").click()
    expect(bench.get_by_role("figure")).to_have_count(2)
    told = bench.get_by_role("figure").last
    expect(told).to_contain_text("The rim is done at about")
    expect(told).to_contain_text("Estimates of the field")
    expect(bench.get_by_role("table").filter(has_text="Moments of Round 15")).to_be_visible()
    assert violations_in_both(bench) == []
    bench.reload()
    expect(bench.get_by_role("slider", name="Minute")).to_be_visible()
