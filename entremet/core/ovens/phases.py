"""A phase of a bake as written: its setting, its minutes, covered or not."""

from __future__ import annotations

from dataclasses import dataclass

from entremet.core.ground.errors import ImpossibleRecipe
from entremet.core.ovens.settings import Setting

MOST_PHASES = 12
MOST_NOTE = 300


@dataclass(frozen=True, slots=True, kw_only=True)
class Phase:
    """A stretch of the bake as written: its setting, how long, covered or not."""

    setting: Setting | None = None
    minutes: float | None = None
    covered: bool = False
    note: str = ""

    def __post_init__(self) -> None:
        if self.minutes is not None and not 0 < self.minutes <= 600:
            raise ImpossibleRecipe("A phase lasts from above 0 to 600 minutes.", field="phases")
        if len(self.note) > MOST_NOTE:
            raise ImpossibleRecipe(f"The note of a phase is longer than {MOST_NOTE} signs.",
                                   field="phases")

    @property
    def text(self) -> str:
        """The phase in words.

        >>> Phase(minutes=20, covered=True).text
        '20 min covered'
        """
        parts = ["" if self.setting is None else self.setting.text,
                 "" if self.minutes is None else f"{self.minutes:g} min",
                 "covered" if self.covered else "", self.note]
        return " ".join(filter(None, parts))
