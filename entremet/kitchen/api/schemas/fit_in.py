"""What a fit is asked for."""

from __future__ import annotations

from pydantic import Field, model_validator

from entremet.core.baking.temperature import School
from entremet.core.errors import CoreError
from entremet.core.fitting.choices import Choices, EggChoice, PanRule, Rule
from entremet.kitchen.api.schemas.base import StrictIn
from entremet.kitchen.api.schemas.pans import MeasuresIn

MOST_ENTRIES = 40


class PanRuleIn(StrictIn):
    """A rule for one pan; its kind follows from the number when only one is given."""

    kind: Rule | None = None
    fill: float | None = Field(None, description="share of the capacity")
    grams: float | None = Field(None, description="batter in each")

    @model_validator(mode="after")
    def _settle(self) -> PanRuleIn:
        if self.kind is None:
            if (self.fill is None) == (self.grams is None):
                raise ValueError("give a kind, or one of fill and grams")
            self.kind = Rule.FILL if self.fill is not None else Rule.GRAMS
        if self.kind is Rule.KEEP_BATCH:
            raise ValueError("a batch is kept for all pans together, never for one")
        if ((self.fill is not None and self.kind is not Rule.FILL)
                or (self.grams is not None and self.kind is not Rule.GRAMS)):
            raise ValueError(f"this number does not go with {self.kind.value}")
        try:
            self.to_core()
        except CoreError as error:
            raise ValueError(error.text) from error
        return self

    def to_core(self) -> PanRule:
        """Return the rule as the core takes it."""
        return PanRule(rule=self.kind or Rule.SAME_DEPTH, fill=self.fill, grams=self.grams)


class EntryIn(StrictIn):
    """A pan and how many; wells, for a tray."""

    pan: int | MeasuresIn
    count: int = 1
    rule: PanRuleIn | None = None


class FitIn(StrictIn):
    """A fit: a recipe into pans."""

    recipe: int
    revision: int | None = Field(None, ge=1, le=2**31 - 1, description="null takes the newest")
    variant: int | None = Field(None, description="key of a variant of the card")
    instead: dict[int, int] = Field(default_factory=dict, max_length=100, description="by line, "
                                    "which of its alternatives is taken")
    joins: int | None = Field(None, description="joins to fill, all cakes together")
    into: list[EntryIn] = Field(max_length=MOST_ENTRIES)
    rule: Rule = Rule.SAME_DEPTH
    eggs: EggChoice = EggChoice.DEFAULT
    oven: int | None = None
    temperature: School = School.SAME_CRUST
    separately: bool = Field(False, description="every pan at its own setting")
    with_optional: list[int] = Field(default_factory=list, max_length=100,
                                     description="ids of optional lines that go in")

    def choices(self) -> Choices:
        """Return the choices as the core takes them."""
        return Choices(rule=self.rule, eggs=self.eggs,
                       school=self.temperature, separately=self.separately, joins=self.joins,
                       with_optional=frozenset(self.with_optional))
