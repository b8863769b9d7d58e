"""What this kitchen's packets say and where it sells: what its labels and its claims go by."""

from __future__ import annotations

from collections.abc import Sequence
from contextlib import suppress

from entremet.core.card.lines import Line
from entremet.core.ground.findings import Finding
from entremet.core.labelling.allergens import DEFAULT_REGION
from entremet.core.labelling.claims import claim_findings, claims_in
from entremet.core.labelling.foods import Packet
from entremet.core.measures.habits import Units
from entremet.kitchen.errors import UNREADABLE
from entremet.kitchen.models import Kitchen, LabelHabits, PacketRow


def claims_checked(lines: Sequence[Line], said: Sequence[str]) -> tuple[Finding, ...]:
    """Return what breaks a claim of a card, by what its packets say here; see the core's rule."""
    claims = claims_in(said)
    return tuple(claim_findings(lines, claims=claims, packets=packets(),
                                region=label_habits().region)) if claims else ()


def packets() -> dict[str, Packet]:
    """Return what packets say, by ingredient; a row that cannot be read settles nothing."""
    found = {}
    for row in PacketRow.objects.all():
        with suppress(*UNREADABLE):
            found[row.key] = packet_of(row)
    return found


def packet_of(row: PacketRow) -> Packet:
    """Return what a row says.

    Raises
    ------
    ImpossibleChoice
        When it names what is no allergen.
    """
    return Packet(name=row.name, opened=row.opened, contains=tuple(row.contains),
                  may_contain=tuple(row.may_contain))


def label_habits() -> LabelHabits:
    """Return how this kitchen labels; until it says, as its other habits suggest."""
    row = LabelHabits.objects.first()
    if row is not None:
        return row
    kitchen = Kitchen.objects.first() or Kitchen()
    return LabelHabits(id=1, region=usual_region(kitchen),
                       sheet="letter-12" if kitchen.paper == "Letter" else "a4-12")


def usual_region(kitchen: Kitchen) -> str:
    """Return the region whose rules a kitchen of such habits most likely goes by."""
    if kitchen.units == Units.US.value:
        return "us"
    if kitchen.measure_standard == "australian":
        return "anz"
    return "ca" if kitchen.paper == "Letter" else DEFAULT_REGION
