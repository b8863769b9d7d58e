"""What a card claims of itself, and whether each line of it bears that out."""

from __future__ import annotations

import re
from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass

from entremet.core.card.lines import Line
from entremet.core.ground.findings import Finding, note, warn
from entremet.core.ground.reference import read_table
from entremet.core.ground.wording import listed
from entremet.core.labelling.allergens import ALLERGENS
from entremet.core.labelling.foods import Packet, settled
from entremet.core.labelling.goes_in import food_of, ingredient_of


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


def claims_in(said: Sequence[str]) -> tuple[Claim, ...]:
    """Return what a card claims by its title, its tags, or the name of its variant."""
    return tuple(claim for claim in CLAIMS.values()
                 if any(claim.words.search(one) for one in said))


def claim_findings(lines: Sequence[Line], *, claims: Sequence[Claim],
                   packets: Mapping[str, Packet], region: str = "") -> Iterator[Finding]:
    """Yield what breaks a claim, line by line, and what nobody knows enough of.

    What is made of several things holds what its packet names, so that until it is read nobody
    knows; a packet that was read settles it, as it does on a label.

    Parameters
    ----------
    lines : sequence of Line
        All of the card, also what is optional and what has no weight.
    claims : sequence of Claim
        What it says of itself.
    packets : mapping of str to Packet
        What the kitchen read off packets, by key.
    region : str
        Where it is sold: in some, another thing goes by the same name.
    """
    for claim in claims:
        unknown = []
        for line in lines:
            key, name = ingredient_of(line)
            known = settled(key, name, packets, region)
            held = [one for one in known.contains if one in claim.holds]
            traces = [one for one in known.may_contain if one in claim.holds]
            if held or food_of(key) in claim.keys:
                why = (f"holds {listed([ALLERGENS[one].name for one in held])}" if held
                       else "comes from an animal")
                yield warn("claim_broken", f"The card says “{claim.name}”, and {line.name} {why}.",
                           subject=line.name,
                           hint="Swap it, or take the word off the card before anybody relies "
                                "on it.")
            elif not known.known:
                unknown.append(line.name)
            elif traces:
                yield warn("claim_traces", f"The card says “{claim.name}”, and the packet of "
                           f"{line.name} says that it may contain "
                           f"{listed([ALLERGENS[one].name for one in traces])}.",
                           subject=line.name, hint="Whoever is allergic has to know that.")
        if unknown:
            yield note("claim_unknown", f"The card says “{claim.name}”; what is in "
                       f"{listed(unknown)} nobody has said.", subject=claim.name,
                       hint="Read the packets, and keep what they say under a label.")
