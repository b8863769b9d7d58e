"""Errors of the kitchen, on the core's tree so that one map answers all.

KitchenError
├── NotHere           a recipe, pan, oven or fit that this kitchen does not have
├── RackFull          more pans than a rack holds
├── NameTaken         a name that is in use already
└── EditedMeanwhile   a card that was saved elsewhere since it was opened
"""

from __future__ import annotations

from entremet.core.errors import CoreError


class KitchenError(CoreError):
    """Base of the kitchen's errors."""

    code = "kitchen_error"


class NotHere(KitchenError):
    """Something this kitchen does not have."""

    code = "not_here"


class NameTaken(KitchenError):
    """A name that is in use already."""

    code = "name_taken"


class EditedMeanwhile(KitchenError):
    """A card that was saved elsewhere since it was opened."""

    code = "edited_meanwhile"


class RackFull(KitchenError):
    """More pans than a rack holds."""

    code = "rack_full"
