"""Write a card out in an open format."""

from __future__ import annotations

import re
from dataclasses import dataclass
from enum import Enum
from typing import assert_never

from entremet.core.at_the_oven.every_day import CAUTIONS, CautionAt
from entremet.core.card.resolve import recipe_of
from entremet.core.formats.csv_lines import to_csv
from entremet.core.formats.json_ld import losses, to_json_ld
from entremet.core.formats.markdown import to_markdown
from entremet.core.ingredients.names import plain
from entremet.core.leaving.files import fit_json_ld, fit_markdown
from entremet.core.leaving.sheet import leaving_sheet
from entremet.core.plan.request import Request
from entremet.core.swaps.apply import variant_of, with_variant
from entremet.kitchen import pantry
from entremet.kitchen.actions import at_hand, fitting
from entremet.kitchen.actions.cards import card_in, recipe_row, revision_of
from entremet.kitchen.documents.cards import to_own_json


class Format(Enum):
    """Formats a card can be written in."""

    OWN = "own"
    JSON_LD = "json_ld"
    MARKDOWN = "markdown"
    CSV = "csv"


@dataclass(frozen=True, slots=True, kw_only=True)
class Exported:
    """A file to save, and what its format could not hold."""

    file_name: str
    media_type: str
    text: str
    losses: tuple[str, ...]


class FitFormat(Enum):
    """Formats a fit can be written in."""

    MARKDOWN = "markdown"
    JSON_LD = "json_ld"


@dataclass(frozen=True, slots=True, kw_only=True)
class FitFile:
    """A file of a fit to save."""

    file_name: str
    media_type: str
    text: str


def export_fit(request: Request, kind: FitFormat) -> FitFile:
    """Return a fit and its finish as a file, at its new size.

    Raises
    ------
    NotHere, CoreError
        As the fit itself.
    """
    fitted, done = fitting.finished(request)
    sheet = leaving_sheet(fitted.plan, done, scale_step_g=at_hand.scale_step_g(),
                          cautions=[text for at in CautionAt for text in CAUTIONS[at]])
    stem = re.sub(r"[^a-z0-9]+", "-", plain(sheet.title)).strip("-")[:60] or "fit"
    match kind:
        case FitFormat.MARKDOWN:
            return FitFile(file_name=f"{stem}.md", media_type="text/markdown",
                           text=fit_markdown(sheet))
        case FitFormat.JSON_LD:
            return FitFile(file_name=f"{stem}.json", media_type="application/ld+json",
                           text=fit_json_ld(sheet))
        case _:
            assert_never(kind)


def export(recipe_id: int, kind: Format, *, revision: int | None,
           variant: int | None) -> Exported:
    """Return a card as a file.

    Parameters
    ----------
    recipe_id : int
        The recipe.
    kind : Format
        The format.
    revision : int or None
        Which revision; None takes the newest.
    variant : int or None
        Variant whose swaps are written in; our own JSON holds all of them anyway.

    Raises
    ------
    NotHere, CoreError
        When there is no such recipe, revision or variant.
    """
    table = pantry.table()
    as_written = card_in(revision_of(recipe_row(recipe_id), revision))
    card = with_variant(as_written, variant, table=table).card
    name = "" if variant is None else variant_of(as_written, variant).name
    stem = re.sub(r"[^a-z0-9]+", "-", plain(f"{card.title} {name}")).strip("-")[:60] or "card"
    match kind:
        case Format.OWN:
            return Exported(file_name=f"{stem}.card.json", media_type="application/json",
                            text=to_own_json(as_written), losses=())
        case Format.JSON_LD:
            return Exported(file_name=f"{stem}.json", media_type="application/ld+json",
                            text=to_json_ld(card), losses=tuple(losses(card)))
        case Format.MARKDOWN:
            return Exported(file_name=f"{stem}.md", media_type="text/markdown",
                            text=to_markdown(card, variant=name),
                            losses=("phases, swaps and what each line grows with",))
        case Format.CSV:
            return Exported(file_name=f"{stem}.csv", media_type="text/csv",
                            text=to_csv(card, recipe_of(card, table=table)),
                            losses=("everything but the lines",))
        case _:
            assert_never(kind)
