"""The card that goes with a cake: keeping, taking out, cutting, what is no food, allergens."""

from __future__ import annotations

from dataclasses import dataclass

from entremet.core.finished.finish import Finish, FinishedCake
from entremet.core.keeping.keeping import Keeping
from entremet.core.labelling.allergens import LabelText
from entremet.core.labelling.label import Label, allergen_lines, day_words
from entremet.core.labelling.setting import Paragraph

CANDLES = "Candles, ribbons, flowers and their picks come off before it is cut."


@dataclass(frozen=True, slots=True, kw_only=True)
class HandedOver:
    """What stands on the card.

    Parameters
    ----------
    title : str
        The cake.
    keep : tuple of str
        Where it stands and until when, when it is taken out, how it is frozen and thawed.
    cut : str
        How it is cut; empty for what is a portion already.
    not_food : tuple of str
        What is in or on it and has to come out.
    allergens : tuple of str
        As on the label.
    """

    title: str
    keep: tuple[str, ...]
    cut: str
    not_food: tuple[str, ...]
    allergens: tuple[str, ...]


def handed_over(label: Label, done: Finish, cake: FinishedCake) -> HandedOver:
    """Return the card of one of a row of finished cakes.

    Parameters
    ----------
    label : Label
        Of the same cake; its allergens and days stand on the card too.
    done, cake : Finish, FinishedCake
        A finish, and one of its rows.
    """
    keeping, serving = label.keeping, cake.serving
    return HandedOver(
        title=label.title,
        keep=tuple(filter(None, (
            f"{keeping.words} {_big(keeping.wrap)}. {label.until_words}.", keeping.take_out,
            *keeping.cautions,
            _freezing(keeping)))),
        cut="" if serving is None else f"For {serving.cut.pieces} portions. {serving.words}",
        not_food=(
            *(f"{one.count} supports stand in the {one.tier}, under the {one.above}: take them "
              "out before you cut it." for one in done.supports), CANDLES),
        allergens=tuple(allergen_lines(label)))


def paragraphs_of_card(card: HandedOver, label: Label) -> list[Paragraph]:
    """Return what stands on the card, from the top down."""
    def plain(text: str, strong: bool = False) -> Paragraph:
        return Paragraph(said=(LabelText(text=text, strong=strong),))

    return [
        Paragraph(said=(LabelText(text=card.title, strong=True),), title=True),
        plain(f"Made on {day_words(label.made_on)}."), *map(plain, card.keep),
        *([plain(card.cut)] if card.cut else []), *map(plain, card.not_food),
        *(plain(line, True) for line in card.allergens),
        *([] if card.allergens else [plain("No allergen of the list is in it.")])]


def _freezing(keeping: Keeping) -> str:
    frozen = keeping.frozen
    if frozen is None:
        return f"Do not freeze it: {keeping.not_frozen} does not bear it."
    months = "month" if frozen[0] == 1 else "months"
    return f"It freezes for {frozen[0]:g} {months}; thaw it {keeping.thaw}."


def _big(words: str) -> str:
    return words[:1].upper() + words[1:]
