"""What this program is."""

from __future__ import annotations

from ipaddress import ip_address

from django.http import HttpRequest
from ninja import Router
from pydantic import Field

from entremet.kitchen.actions.about import about
from entremet.kitchen.api.schemas.base import Out

router = Router(tags=["about"])


class NewsOut(Out):
    """What changed with a version."""

    version: str
    changes: list[str]


class PackageOut(Out):
    """A package that ships."""

    name: str
    version: str
    licence: str


class AboutOut(Out):
    """Version, data, what changed, licences of all that ships."""

    version: str
    python: str
    folder: str = Field(description="where the data lies; empty on another screen than the "
                        "machine's own")
    news: list[NewsOut]
    packages: list[PackageOut]


@router.get("/about", response=AboutOut, operation_id="get_about")
def get_about(request: HttpRequest) -> AboutOut:
    """The program's version, where its data is, what changed, and whose work ships with it."""
    told = about()
    here = ip_address(request.META.get("REMOTE_ADDR") or "127.0.0.1").is_loopback
    return AboutOut.told_by(told, folder=told.folder if here else "")
