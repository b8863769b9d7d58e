"""Choices of stored fields, taken from the core so that there is one list of each."""

from __future__ import annotations

from enum import Enum

from django.db.models import Q


def choices_of(enum: type[Enum]) -> list[tuple[str, str]]:
    """Return the values of a core enum as Django choices."""
    return [(member.value, member.value.replace("_", " ")) for member in enum]


def one_of(field: str, enum: type[Enum]) -> Q:
    """Return the condition that a field holds a value of the enum."""
    return Q(**{f"{field}__in": [member.value for member in enum]})
