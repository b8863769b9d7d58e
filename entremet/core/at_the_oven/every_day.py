"""The usual cautions, each at its step. They defer to the oven's manual and to local rules."""

from __future__ import annotations

from enum import Enum


class CautionAt(Enum):
    """Where in the work a caution belongs."""

    WEIGH = "weigh"
    BAKE = "bake"


HOT = ("Oven, racks and pans burn: dry gloves, and stand aside when the door opens. Your oven's "
       "manual comes first.")

CAUTIONS: dict[CautionAt, tuple[str, ...]] = {
    CautionAt.WEIGH: (
        "Raw flour and raw egg can make people ill: do not taste the batter, wash hands and tools.",
        "Check every label for allergens when you bake for others; food for sale follows your "
        "local rules.",
    ),
    CautionAt.BAKE: (HOT,),
}
