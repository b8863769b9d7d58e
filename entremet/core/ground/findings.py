"""Findings: what a baker should know about a fit, as values."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from dataclasses import field as dataclass_field
from enum import Enum


class Severity(Enum):
    """How much a finding matters."""

    STOP = "stop"
    WARN = "warn"
    NOTE = "note"


@dataclass(frozen=True, slots=True, kw_only=True)
class Finding:
    """One thing to know, in words, with the numbers behind it.

    Parameters
    ----------
    code : str
        Stable name of the kind of finding.
    severity : Severity
        Whether the work stops here, wants care, or is only worth knowing.
    text : str
        One or two sentences for the baker.
    subject : str
        What it is about: a pan's label, a line's name, an input's name; may be empty.
    numbers : dict of str to float
        Values behind the words, names with units.
    hint : str
        What to do next; may be empty.
    entry : int or None
        Place of the pan in the fit when the finding is about one pan.
    field : str
        Name of the input at fault, where there is one.
    """

    code: str
    severity: Severity
    text: str
    subject: str = ""
    numbers: dict[str, float] = dataclass_field(default_factory=dict)
    hint: str = ""
    entry: int | None = None
    field: str = ""


def ranked(findings: Sequence[Finding]) -> tuple[Finding, ...]:
    """Return findings with the gravest first, then those about a chosen pan, then in order."""
    order = list(Severity)
    return tuple(sorted(findings, key=lambda finding: (order.index(finding.severity),
                                                       finding.entry is None)))


@dataclass(frozen=True, slots=True)
class _Maker:
    """Makes findings of one severity."""

    severity: Severity

    def __call__(self, code: str, text: str, *, subject: str = "", hint: str = "",
                 entry: int | None = None, field: str = "",
                 numbers: dict[str, float] | None = None) -> Finding:
        return Finding(code=code, severity=self.severity, text=text, subject=subject, hint=hint,
                       entry=entry, field=field, numbers=numbers or {})


stop = _Maker(Severity.STOP)
warn = _Maker(Severity.WARN)
note = _Maker(Severity.NOTE)
