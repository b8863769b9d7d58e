"""Inside measures of a pan as it is stored."""

from __future__ import annotations

from dataclasses import asdict
from enum import Enum
from functools import lru_cache

from django.db import models

from entremet.core.pans.measures import OutlineName, PanMeasures, pan_from
from entremet.core.pans.pan import AnyPan, PanFinish
from entremet.kitchen.models.choices import choices_of


class MeasuredPan(models.Model):
    """Centimetres and millilitres as the baker measured them; empty where nobody did."""

    label = models.CharField(max_length=80)
    outline = models.CharField(max_length=12, choices=choices_of(OutlineName))
    across = models.FloatField(null=True, blank=True)
    width = models.FloatField(null=True, blank=True)
    tube = models.FloatField(null=True, blank=True)
    corner = models.FloatField(default=0)
    rim_across = models.FloatField(null=True, blank=True)
    rim_width = models.FloatField(null=True, blank=True)
    rim_tube = models.FloatField(null=True, blank=True)
    wall_cm = models.FloatField(null=True, blank=True)
    wells = models.PositiveSmallIntegerField(default=1)
    flutes = models.PositiveSmallIntegerField(default=0)
    finish = models.CharField(max_length=10, choices=choices_of(PanFinish),
                              default=PanFinish.BRIGHT.value)
    capacity_ml = models.FloatField(null=True, blank=True)
    sides = models.PositiveSmallIntegerField(default=6)
    points = models.JSONField(default=list, blank=True)
    loose_base = models.BooleanField(default=False)

    class Meta:
        abstract = True

    def __str__(self) -> str:
        return self.label

    @property
    def measures(self) -> PanMeasures:
        """The measures as the core takes them."""
        return PanMeasures(
            outline=OutlineName(self.outline), across=self.across, width=self.width,
            tube=self.tube, corner=self.corner, rim_across=self.rim_across,
            rim_width=self.rim_width, rim_tube=self.rim_tube, wall_cm=self.wall_cm,
            wells=self.wells, flutes=self.flutes, finish=PanFinish(self.finish),
            capacity_ml=self.capacity_ml, sides=self.sides,
            points=tuple((x, y) for x, y in self.points), loose_base=self.loose_base)

    @measures.setter
    def measures(self, given: PanMeasures) -> None:
        for name in PanMeasures.__dataclass_fields__:
            value = getattr(given, name)
            setattr(self, name, value.value if isinstance(value, Enum) else value)
        self.points = [list(point) for point in given.points]

    def measures_as_kept(self) -> dict[str, object]:
        """Return the measures as plain values, without what is usual."""
        usual = asdict(PanMeasures(outline=self.measures.outline))
        return {name: given.value if isinstance(given, Enum) else given
                for name, given in asdict(self.measures).items()
                if name == "outline" or given != usual[name]}

    def to_core(self) -> AnyPan:
        """Return the pan of these measures; raises ImpossiblePan where there is none."""
        return _pan(self.measures, self.label)


@lru_cache(maxsize=512)
def _pan(measures: PanMeasures, label: str) -> AnyPan:
    """Build each pan once; a fit asks for the whole rack."""
    return pan_from(measures, label=label)
