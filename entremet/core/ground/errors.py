"""Errors of the core. An error means misuse; what cannot be baked is a finding, not an error.

CoreError
├── UnreadableAmount     text that is not an amount, a length or a setting
├── ImpossiblePan        measures that no pan can have
├── ImpossibleRecipe     a card that contradicts itself in its structure
├── UnreadableRecipe     a text or file that holds no recipe, or too much
├── UnreadableOutline    a drawing that holds no outline of a pan
├── ImpossibleChoice     a choice that the fit does not know or cannot combine
└── UnknownReference     a style, ingredient or standard that no table holds
"""

from __future__ import annotations

from typing import ClassVar


class CoreError(Exception):
    """Base of all errors of the core.

    Parameters
    ----------
    text : str
        What is wrong and what to do, for the baker to read.
    field : str
        Name of the input at fault, dotted where nested; empty when there is none.
    """

    code: ClassVar[str] = "core_error"

    def __init__(self, text: str, *, field: str = "") -> None:
        super().__init__(text)
        self.text = text
        self.field = field


class UnreadableAmount(CoreError):
    """Text that cannot be read as an amount, a length or a setting."""

    code = "unreadable_amount"


class ImpossiblePan(CoreError):
    """Measures that no pan can have."""

    code = "impossible_pan"


class ImpossibleRecipe(CoreError):
    """A recipe whose own structure cannot be right."""

    code = "impossible_recipe"


class UnreadableRecipe(CoreError):
    """A text or file that holds no recipe, or more than a card takes."""

    code = "unreadable_recipe"


class UnreadableOutline(CoreError):
    """A drawing that holds no outline of a pan."""

    code = "unreadable_outline"


class ImpossibleChoice(CoreError):
    """A choice that the fit does not know, or that cannot be combined."""

    code = "impossible_choice"


class UnknownReference(CoreError):
    """A key that the reference tables do not hold."""

    code = "unknown_reference"
