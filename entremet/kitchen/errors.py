"""Errors of the kitchen, on the core's tree so that one map answers all.

KitchenError
├── NotHere           a recipe, pan, oven or fit that this kitchen does not have
├── RackFull          more pans than a rack holds
├── NameTaken         a name that is in use already
├── EditedMeanwhile   something that was saved elsewhere since it was opened
├── Damaged           something stored that cannot be read any more
├── Busy              too much is being read at once
├── NotJson           a request of another kind
├── UnreadableRequest a request that is no JSON
├── RequestTooLarge   a request that holds more than anything here
├── UnfitValue        a text or a number that cannot be stored
└── Unsound           a file that cannot be served, copied or brought back
"""

from __future__ import annotations

from entremet.core.ground.errors import CoreError


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
    """Something that was saved elsewhere since it was opened."""

    code = "edited_meanwhile"


class RackFull(KitchenError):
    """More pans than a rack holds."""

    code = "rack_full"


class Damaged(KitchenError):
    """Something stored that cannot be read any more."""

    code = "damaged"


class Busy(KitchenError):
    """Too much is being read at once."""

    code = "busy"


class TooManySearches(KitchenError):
    """More searches are asked for than the server bears at a time."""

    code = "too_many_searches"


class NotJson(KitchenError):
    """A request of another kind than JSON."""

    code = "not_json"


class UnreadableRequest(KitchenError):
    """A request that says it is JSON and is not."""

    code = "unreadable_request"


class RequestTooLarge(KitchenError):
    """A request that holds more than anything here."""

    code = "too_large"


class UnfitValue(KitchenError):
    """A text or a number that cannot be stored."""

    code = "unfit_value"


class Unsound(KitchenError):
    """Why a kitchen cannot be served or brought back, in a sentence that says what to do."""

    code = "unsound"


UNREADABLE = (CoreError, ValueError, TypeError, KeyError, AttributeError)
"""What reading a damaged row raises; pydantic's and Unicode's errors are values' errors too."""
