"""A question with answers to choose from, of which the core holds exactly one right."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from enum import Enum
from random import Random

from entremet.core.ground.errors import CoreError
from entremet.core.method.stages import StageKey

CHOICES = 4


class Asks(Enum):
    """What a question is about."""

    FIRST_LOOK = "first_look"
    DONE_FIRST = "done_first"
    BATTER = "batter"
    SETTING = "setting"
    STRIPS = "strips"
    STAGE = "stage"
    RESCUE = "rescue"


@dataclass(frozen=True, slots=True, kw_only=True)
class GuessChoice:
    """An answer to choose.

    Parameters
    ----------
    text : str
        In words.
    tells : str
        What somebody tends to who often chooses it; empty for the right one and for a mere slip.
    stage : StageKey or None
        Its drawing.
    """

    text: str
    tells: str = ""
    stage: StageKey | None = None


@dataclass(frozen=True, slots=True, kw_only=True)
class Guess:
    """A question, and answers of which one is right.

    Parameters
    ----------
    asks : Asks
        What about.
    text : str
        The question.
    choices : tuple of GuessChoice
        In the order they are shown.
    right : int
        Place of the right one.
    reason : str
        Why it is, with the fact that decides.
    """

    asks: Asks
    text: str
    choices: tuple[GuessChoice, ...]
    right: int
    reason: str

    def __post_init__(self) -> None:
        texts = {one.text for one in self.choices}
        if len(texts) < max(2, len(self.choices)) or not 0 <= self.right < len(self.choices):
            raise CoreError("A question has answers that differ, and one of them is right.",
                            field="choices")


def shuffled(asks: Asks, text: str, right: GuessChoice, wrong: Sequence[GuessChoice], reason: str,
             dice: Random) -> Guess | None:
    """Return a question with its answers in a drawn order; None where two of them are the same.

    Parameters
    ----------
    asks, text, reason
        Of the question.
    right : GuessChoice
        The right one.
    wrong : sequence of GuessChoice
        The others, which the core has found wrong.
    dice : Random
        Draws the order.
    """
    choices = [right, *wrong]
    if len({one.text for one in choices}) < len(choices) or len(choices) < 2:
        return None
    dice.shuffle(choices)
    return Guess(asks=asks, text=text, choices=tuple(choices), right=choices.index(right),
                 reason=reason)
