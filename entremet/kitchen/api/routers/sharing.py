"""A second screen: where this kitchen can be reached, and who is signed in."""

from __future__ import annotations

from django.http import HttpRequest
from ninja import Router, Status
from pydantic import Field

from entremet.kitchen.actions import sharing
from entremet.kitchen.api.schemas.base import Out, ProblemOut

router = Router(tags=["sharing"])


class SharingOut(Out):
    """Whether and where other screens reach this kitchen."""

    shared: bool
    addresses: list[str]
    qr: str | None
    signed_in: int
    fingerprint: str = Field(description="of the certificate other screens see; empty where what "
                             "goes over the network is not encrypted")


@router.get("/sharing", response=SharingOut, operation_id="get_sharing")
def get_sharing(request: HttpRequest) -> SharingOut:
    """Whether and where other screens reach this kitchen; a code that carries the address alone."""
    now = sharing.sharing()
    return SharingOut(shared=now.shared, addresses=list(now.addresses), signed_in=now.signed_in,
                      fingerprint=now.fingerprint,
                      qr=_code(now.addresses[0]) if now.addresses else None)


@router.post("/sharing/sign-out", response={204: None, 404: ProblemOut},
             operation_id="sign_out_all")
def sign_out_all(request: HttpRequest) -> Status[None]:
    """Sign every screen out, this one too."""
    if sharing.sharing().shared:
        sharing.sign_out_all()
    return Status(204, None)


def _code(address: str) -> str:
    import segno  # loaded when somebody looks

    return segno.make(address, error="m").svg_data_uri(scale=6, border=2, dark="#14213d",
                                                       light="#ffffff")
