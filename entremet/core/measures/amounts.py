"""Amounts as a line has them, and how they are shown once scaled."""

from __future__ import annotations

import math
from dataclasses import dataclass
from enum import Enum
from typing import assert_never

from entremet.core.ground.errors import UnreadableAmount
from entremet.core.ground.quantities import MARK, ml
from entremet.core.measures.fractions import write_number
from entremet.core.measures.masses import show_mass, steps_of
from entremet.core.measures.scoops import CUP_TOLERANCE, cups, little, spoons
from entremet.core.measures.units import MASS_G, Standard, Unit, ml_per

SPOON_LEADS_BELOW_STEPS = 5
LARGEST = 1e6
COUNTED_UNITS = frozenset({Unit.PIECE, Unit.TIN, Unit.SACHET, Unit.PACK})


class Precision(Enum):
    """How closely spoons have to meet an ingredient, as a share; practice."""

    RAISING = 0.06
    SEASONING = 0.10
    OTHER = CUP_TOLERANCE


@dataclass(frozen=True, slots=True, kw_only=True)
class Amount:
    """A number of a unit, as a recipe line states it.

    Parameters
    ----------
    value : float
        Above zero and at most a million; the lower end of a range.
    unit : Unit
        The unit it was written in.
    high : float or None
        The upper end of a range; None for one number.
    """

    value: float
    unit: Unit
    high: float | None = None

    def __post_init__(self) -> None:
        if not (math.isfinite(self.value) and 0 < self.value <= LARGEST):
            raise UnreadableAmount("An amount has to be above zero.", field="amount")
        if self.high is not None and not (self.value < self.high <= LARGEST):
            raise UnreadableAmount("A range has to run from a smaller to a larger number.",
                                   field="amount")

    @property
    def middle(self) -> float:
        """The middle of a range, or the number itself."""
        return self.value if self.high is None else (self.value + self.high) / 2

    def times(self, factor: float) -> Amount:
        """Return the amount multiplied; a range at both ends."""
        return Amount(value=self.value * factor, unit=self.unit,
                      high=None if self.high is None else self.high * factor)


class AmountSign(Enum):
    """Whether a joined amount is added or taken away."""

    PLUS = "plus"
    LESS = "less"


@dataclass(frozen=True, slots=True, kw_only=True)
class Joined:
    """A further amount of the same thing: "2 cups plus 1 tbsp", "250 g less a quarter cup"."""

    sign: AmountSign
    amount: Amount


@dataclass(frozen=True, slots=True, kw_only=True)
class Shown:
    """An amount in words.

    Parameters
    ----------
    text : str
        The whole, for one line of a card.
    grams : str or None
        The grams part alone; None where the weight is not known.
    measure : str or None
        The part in the unit of the line; None where only grams remain.
    measure_leads : bool
        Whether the measure is what to go by, the grams being too few for the scale.
    """

    text: str
    grams: str | None
    measure: str | None
    measure_leads: bool


def written(amount: Amount) -> str:
    """Write an amount plainly in its own unit.

    >>> written(Amount(value=1.5, unit=Unit.CUP))
    '1½ cups'
    """
    number = write_number(amount.value)
    if amount.high is not None:
        number = f"{number}–{write_number(amount.high)}"
    several = (amount.high or amount.value) > 1
    match amount.unit:
        case Unit.PIECE:
            return number
        case (Unit.CUP | Unit.EGG | Unit.YOLK | Unit.WHITE | Unit.STICK | Unit.DROP
              | Unit.HANDFUL | Unit.TIN | Unit.SACHET | Unit.PACK | Unit.PINT | Unit.QUART):
            return f"{number} {amount.unit.value}{'s' if several else ''}"
        case Unit.PINCH | Unit.DASH:
            return f"{number} {amount.unit.value}{'es' if several else ''}"
        case _:
            return f"{number} {amount.unit.value}"


def show_scaled(amount: Amount, *, factor: float, grams: float | None, precision: Precision,
                sizes: Standard, scale_step_g: float = 1.0,
                g_per_100ml: float | None = None) -> Shown:
    """Show an amount scaled by a factor: in the kind of unit it was written in, grams beside it.

    Parameters
    ----------
    amount : Amount
        As the recipe has it.
    factor : float
        Above zero; at 1 the amount shows as written.
    grams : float or None
        The scaled weight where it is known.
    precision : Precision
        How closely spoons have to meet it.
    sizes : Standard
        The recipe's cups and spoons.
    scale_step_g : float
        What the kitchen's scale reads to.
    g_per_100ml : float or None
        How heavy a measure of it is: what the scale does not show is told in spoons.

    Returns
    -------
    Shown
        Grams alone where no measure comes close enough.

    >>> from entremet.core.ground.quantities import plain
    >>> from entremet.core.measures.units import standard
    >>> milk = Amount(value=60, unit=Unit.MILLILITRE)
    >>> plain(show_scaled(milk, factor=1.7, grams=105.1, precision=Precision.OTHER,
    ...                   sizes=standard("us")).text)
    '102 ml (105 g)'
    """
    unchanged = math.isclose(factor, 1.0, abs_tol=1e-9)
    if amount.high is not None and not unchanged:
        return _range(amount, factor=factor, grams=grams, precision=precision, sizes=sizes,
                      scale_step_g=scale_step_g)
    measure = written(amount) if unchanged else _measure(amount, factor, precision, sizes)
    # Less than the scale shows is no weight to go by.
    seen = grams is not None and (grams == 0 or steps_of(grams, scale_step_g=scale_step_g) > 0)
    grams_text = show_mass(grams, scale_step_g=scale_step_g) if grams is not None and seen else None
    if grams is not None and not seen and measure is None:
        measure = little(grams, g_per_100ml, sizes=sizes)
        return Shown(text=measure, grams=None, measure=measure, measure_leads=True)
    if amount.unit in (Unit.GRAM, Unit.KILOGRAM) and seen:
        text = measure if unchanged and measure else grams_text or ""
        return Shown(text=text, grams=grams_text, measure=None, measure_leads=False)
    if measure is None:
        return Shown(text=grams_text or written(amount.times(factor)), grams=grams_text,
                     measure=None, measure_leads=False)
    few = (grams is None or grams < SPOON_LEADS_BELOW_STEPS * scale_step_g
           or amount.unit in COUNTED_UNITS)
    text = measure if unchanged or grams_text is None else f"{measure} ({grams_text})"
    return Shown(text=text, grams=grams_text, measure=measure, measure_leads=few)


def _range(amount: Amount, *, factor: float, grams: float | None, precision: Precision,
           sizes: Standard, scale_step_g: float) -> Shown:
    """Show both ends of a range; grams beside them are of its middle."""
    middle = amount.middle * factor
    ends = [show_scaled(Amount(value=end, unit=amount.unit), factor=factor,
                        grams=None if grams is None else grams * end * factor / middle,
                        precision=precision, sizes=sizes, scale_step_g=scale_step_g)
            for end in (amount.value, amount.high or amount.value)]

    def joined(texts: list[str | None]) -> str | None:
        first, last = texts
        if first is None or last is None:
            return None
        # One unit for both ends, where both have the same and no other.
        unit = f"{MARK}ml" if last.endswith(f"{MARK}ml") else (
            "" if " + " in last else f" {last.rsplit(' ', 1)[-1]}")
        return f"{first.removesuffix(unit)}–{last}"

    grams_text = joined([end.grams for end in ends])
    measure = joined([end.measure for end in ends])
    text = joined([end.measure or end.grams or end.text for end in ends]) or ""
    if measure is not None and grams_text is not None:
        text = f"{measure} ({grams_text})"
    return Shown(text=text, grams=grams_text, measure=measure,
                 measure_leads=ends[1].measure_leads)


def _measure(amount: Amount, factor: float, precision: Precision, sizes: Standard) -> str | None:
    scaled = amount.times(factor)
    match amount.unit:
        case Unit.GRAM | Unit.KILOGRAM:
            return None
        case Unit.TEASPOON | Unit.TABLESPOON | Unit.DESSERTSPOON:
            return spoons(_ml(scaled, sizes), sizes=sizes, tolerance=precision.value)
        case Unit.CUP:
            volume_ml = _ml(scaled, sizes)
            return (cups(volume_ml, sizes=sizes)
                    or spoons(volume_ml, sizes=sizes, tolerance=CUP_TOLERANCE))
        case Unit.MILLILITRE | Unit.LITRE:
            volume_ml = _ml(scaled, sizes)
            step = 1.0 if volume_ml >= 10 else 0.5
            return f"{max(step, math.floor(volume_ml / step + 0.5) * step):g}{MARK}ml"
        case Unit.OUNCE | Unit.POUND:
            return f"{scaled.value * MASS_G[amount.unit] / MASS_G[Unit.OUNCE]:.1f} oz"
        case Unit.FLUID_OUNCE:
            return f"{scaled.value:.1f} fl oz"
        case Unit.PINT | Unit.QUART:
            return ml(_ml(scaled, sizes))
        case Unit.PINCH | Unit.DASH | Unit.DROP | Unit.HANDFUL:
            return written(Amount(value=max(0.5, round(scaled.value * 2) / 2), unit=amount.unit))
        case (Unit.STICK | Unit.PIECE | Unit.EGG | Unit.YOLK | Unit.WHITE | Unit.TIN
              | Unit.SACHET | Unit.PACK):
            quarters = max(0.25, round(scaled.value * 4) / 4)
            close = abs(quarters - scaled.value) <= CUP_TOLERANCE * scaled.value
            if close or amount.unit in COUNTED_UNITS:
                return written(Amount(value=quarters, unit=amount.unit))
            return None
        case _:
            assert_never(amount.unit)


def _ml(amount: Amount, sizes: Standard) -> float:
    return amount.value * (ml_per(amount.unit, sizes) or 0.0)
