"""A bake that was followed, as an answer has it."""

from __future__ import annotations

from base64 import b64encode

from entremet.core.inside.frames import frames_of
from entremet.core.inside.of_fit import PanToOpen
from entremet.core.inside.told import told_of
from entremet.core.inside.words import words_of
from entremet.kitchen.api.schemas.base import provenance
from entremet.kitchen.api.schemas.inside_out import InsideOut


def inside_answer(pan: PanToOpen, likely_min: float, *, setting: str,
                  shown: tuple[int, int, int]) -> InsideOut:
    """Return a pan cut open while it bakes.

    Parameters
    ----------
    pan : PanToOpen
        Which.
    likely_min : float
        When it is done.
    setting : str
        On the oven's dial.
    shown : tuple of int
        First look, likely and latest minute, as they are shown elsewhere.
    """
    bake = pan.followed(likely_min)
    inside = told_of(bake)
    frames = frames_of(bake, inside)
    first, likely, latest = shown
    ring = pan.body.inner_cm > 0
    return InsideOut.told_by(
        frames, inside, label=pan.label, setting=setting, first_look_min=first, likely_min=likely,
        latest_min=latest, wall_cm=pan.body.wall_cm, ring=ring, done_c=bake.done_c,
        states=b64encode(frames.states).decode(), tops_mm=b64encode(frames.tops_mm).decode(),
        dome_cm=inside.dome.value, words=list(words_of(inside, likely_min=likely, ring=ring)),
        origins={"lead_min": provenance(inside.lead_min), "dry": provenance(inside.dry),
                 "dome_cm": provenance(inside.dome)})
