"""What is stored."""

from entremet.kitchen.models.fits import KeptFit
from entremet.kitchen.models.kitchen import Kitchen, Oven
from entremet.kitchen.models.pans import RackPan
from entremet.kitchen.models.recipes import Component, Line, LinePart, Recipe, RecipePan

__all__ = ["Component", "KeptFit", "Kitchen", "Line", "LinePart", "Oven", "RackPan", "Recipe",
           "RecipePan"]
