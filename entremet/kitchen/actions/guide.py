"""The guide for people: pages of steps, each with what to press and what is seen then."""

from __future__ import annotations

import tomllib
from dataclasses import dataclass
from functools import lru_cache
from importlib.resources import files


@dataclass(frozen=True, slots=True, kw_only=True)
class GuideStep:
    """A step of a page.

    Parameters
    ----------
    say : str
        What to do, in words; what is pressed or seen by its name stands between double stars.
    do : tuple of str
        The same for the tests that take the step: "press button: Copy now", "see text: look at".
    picture : str
        Name of its picture; empty where it has none.
    about : str
        What the picture shows, for whoever does not see it.
    """

    say: str
    do: tuple[str, ...]
    picture: str = ""
    about: str = ""


@dataclass(frozen=True, slots=True, kw_only=True)
class GuidePage:
    """A page of the guide.

    Parameters
    ----------
    name : str
        In its address.
    title, lead : str
        Its title, and what it is for.
    kitchen : str
        What it is taken in: an empty kitchen, the demo, or the demo with its season.
    opens : str
        Where it begins; recipes and pans of the demo stand in braces by their keys.
    steps : tuple of GuideStep
        In their order.
    """

    name: str
    title: str
    lead: str
    kitchen: str
    opens: str
    steps: tuple[GuideStep, ...]


@lru_cache(maxsize=1)
def guide() -> tuple[GuidePage, ...]:
    """Return the pages of the guide in their order."""
    folder = files("entremet.kitchen.guide")
    found = sorted((one for one in folder.iterdir() if one.name.endswith(".toml")),
                   key=lambda one: one.name)
    return tuple(_page(one.name, one.read_text("utf-8")) for one in found)


def _page(file: str, text: str) -> GuidePage:
    told = tomllib.loads(text)
    name = file.removesuffix(".toml").split("-", 1)[1]
    return GuidePage(
        name=name, title=told["title"], lead=told["lead"], kitchen=told["kitchen"],
        opens=told["opens"], steps=tuple(GuideStep(
            say=one["say"], do=tuple(one["do"]), about=one.get("about", ""),
            picture=f"{name}-{one['picture']}" if "picture" in one else "")
            for one in told["steps"]))


def as_markdown(page: GuidePage, *, pictures: str) -> str:
    """Return a page as Markdown, with its pictures from a folder."""
    rows = [f"# {page.title}", "", page.lead]
    for place, step in enumerate(page.steps, start=1):
        rows += ["", f"{place}. {step.say}"]
        if step.picture:
            rows += ["", f"   ![{step.about}]({pictures}/{step.picture}.png)"]
    return "\n".join(rows) + "\n"
