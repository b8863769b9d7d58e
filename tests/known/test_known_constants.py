"""Every constant, default and pattern of the rules stands as it stood, or changed on purpose."""

from __future__ import annotations

import importlib
import inspect
import pkgutil
import re
from collections.abc import Iterator
from enum import Enum
from types import ModuleType
from typing import Any

import pytest
from django.core.management import call_command
from pydantic import BaseModel

import entremet.core
import entremet.kitchen.actions
import entremet.kitchen.api
import entremet.kitchen.safe
from tests.known.test_known_answers import held_against

ROOMS = (entremet.core, entremet.kitchen.actions, entremet.kitchen.api, entremet.kitchen.safe)
PLAIN = (int, float, str, bool, bytes, type(None))


def said(value: Any) -> Any:
    """Return a constant as JSON has it; None where it is none."""
    match value:
        case Enum():
            return value.name
        case re.Pattern():
            return [value.pattern, value.flags]
        case bytes():
            return value.hex()
        case _ if isinstance(value, PLAIN):
            return value
        case tuple() | list():
            return [said(one) for one in value]
        case set() | frozenset():
            return sorted(str(said(one)) for one in value)
        case dict():
            return {str(said(key)): said(one) for key, one in value.items()}
    return None


def of_module(module: ModuleType) -> dict[str, Any]:
    """Return the constants of a module, and the defaults of its functions and classes."""
    found = {}
    for name, value in vars(module).items():
        if re.fullmatch(r"_?[A-Z][A-Z0-9_]*", name):
            found[name] = said(value)
        elif getattr(value, "__module__", "") == module.__name__ and callable(value):
            if isinstance(value, type) and issubclass(value, Enum):
                found[name] = [[one.name, said(one.value)] for one in value]
                continue
            if isinstance(value, type) and issubclass(value, BaseModel):
                found[name] = {
                    field: [re.sub(r" at 0x\w+", "", repr(one.metadata)), said(one.default)]
                    for field, one in value.model_fields.items()}
                continue
            try:
                given = inspect.signature(value).parameters.values()
            except (TypeError, ValueError):
                continue
            found[name] = {one.name: said(one.default) for one in given
                           if one.default is not one.empty}
    return found


def test_constants_defaults_and_patterns() -> None:
    def asked() -> Iterator[tuple[str, Any]]:
        for room in ROOMS:
            for one in pkgutil.walk_packages(room.__path__, f"{room.__name__}."):
                # Where this lies on a machine is no constant.
                yield one.name, of_module(importlib.import_module(one.name))

    held_against("constants", asked(), deep=0)


@pytest.mark.django_db
def test_what_is_stored_is_as_the_newest_update_left_it() -> None:
    call_command("makemigrations", check=True, dry_run=True, verbosity=0)
