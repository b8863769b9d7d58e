"""What a card claims of itself, and whether each line of it bears that out."""

from __future__ import annotations

import re
from collections.abc import Iterator, Sequence
from dataclasses import dataclass

from entremet.core.card.lines import Line
from entremet.core.ground.findings import Finding, note, warn
from entremet.core.ground.reference import read_table
from entremet.core.ground.wording import listed
from entremet.core.labelling.allergens import ALLERGENS
from entremet.core.labelling.foods import FOODS, held_by


@dataclass(frozen=True, slots=True, kw_only=True)
class Claim:
    """Something a card says it is, or is without.

    Parameters
    ----------
    name : str
        In words.
    words : re.Pattern
        What says so, in a title or a tag.
    holds, keys : frozenset of str
        Allergens and ingredients that break it.
    """

    name: str
    words: re.Pattern[str]
    holds: frozenset[str]
    keys: frozenset[str]


CLAIMS: dict[str, Claim] = {
    key: Claim(name=row["name"], words=re.compile(row["words"], re.IGNORECASE),
               holds=frozenset(row["holds"]), keys=frozenset(row["keys"]))
    for key, row in read_table("entremet.core.labelling", "claims.toml").items()}


def claim_findings(lines: Sequence[Line], *, said: Sequence[str]) -> Iterator[Finding]:
    """Yield what breaks a claim of a card, line by line, and what nobody knows enough of.

    Parameters
    ----------
    lines : sequence of Line
        All of the card, also what is optional and what has no weight.
    said : sequence of str
        Its title, its tags, the name of its variant.
    """
    for claim in CLAIMS.values():
        if not any(claim.words.search(one) for one in said):
            continue
        unknown = []
        for line in lines:
            if line.ingredient is None or line.ingredient.key not in FOODS:
                unknown.append(line.name)
                continue
            held = [one for one in held_by(line.ingredient.key) if one in claim.holds]
            if held or line.ingredient.key in claim.keys:
                why = f" holds {listed([ALLERGENS[one].name for one in held])}" if held else (
                    " comes from an animal")
                yield warn("claim_broken", f"The card says “{claim.name}”, and {line.name}{why}.",
                           subject=line.name,
                           hint="Swap it, or take the word off the card before anybody relies "
                                "on it.")
        if unknown:
            yield note("claim_unknown", f"The card says “{claim.name}”; what is in "
                       f"{listed(unknown)} nobody has said.", subject=claim.name,
                       hint="Read its packet.")
