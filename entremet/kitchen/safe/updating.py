"""A kitchen of an older program brought up to date: all of it, or nothing."""

from __future__ import annotations

from django.core.management import call_command
from django.db import connections, transaction


def bring_up_to_date(alias: str = "default") -> None:
    """Take every update that a database lacks, in one step of the database.

    Each update is a step of its own to the framework, and writes down that it was taken after what
    it did: a program that is stopped between the two would take it again, and could not. The
    tables are built anew under foreign keys, which are looked at before it is all kept.

    Raises
    ------
    DatabaseError
        When it cannot be done; the database is as it was.
    """
    connection = connections[alias]
    checked = connection.disable_constraint_checking()
    try:
        with transaction.atomic(using=alias):
            call_command("migrate", database=alias, verbosity=0)
            connection.check_constraints()
    finally:
        if checked:
            connection.enable_constraint_checking()
