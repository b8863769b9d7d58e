"""Inside measures of a pan, stored alike for the rack and for the pans of a recipe."""

from __future__ import annotations

from django.db import models

from entremet.core.pans.measures import OutlineName, PanMeasures, pan_from
from entremet.core.pans.pan import AnyPan, Finish
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
    finish = models.CharField(max_length=10, choices=choices_of(Finish),
                              default=Finish.BRIGHT.value)
    capacity_ml = models.FloatField(null=True, blank=True)

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
            wells=self.wells, flutes=self.flutes, finish=Finish(self.finish),
            capacity_ml=self.capacity_ml)

    def to_core(self) -> AnyPan:
        """Return the pan of these measures; raises ImpossiblePan where there is none."""
        return pan_from(self.measures, label=self.label)
