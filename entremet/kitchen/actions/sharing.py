"""A kitchen on its own network: its addresses, its passphrase, who is signed in."""

from __future__ import annotations

import ipaddress
import socket
import struct
from contextlib import closing, suppress
from dataclasses import dataclass

from django.conf import settings
from django.db import transaction
from django.http import HttpRequest

from entremet.kitchen.actions import news

WHO = "kitchen"
"""The one account there is."""

_GET_ADDRESS = 0x8915
"""SIOCGIFADDR of Linux; elsewhere the way out tells the address."""


@dataclass(frozen=True, slots=True, kw_only=True)
class OnNetwork:
    """How this kitchen can be reached.

    Parameters
    ----------
    shared : bool
        Whether it is open to its own network.
    addresses : tuple of str
        Where other screens find it.
    signed_in : int
        Screens that are.
    fingerprint : str
        Of the certificate they are to see; empty where nothing is encrypted.
    """

    shared: bool
    addresses: tuple[str, ...]
    signed_in: int
    fingerprint: str = ""


def sharing() -> OnNetwork:
    """Return how this kitchen can be reached."""
    if not settings.SHARED:
        return OnNetwork(shared=False, addresses=(), signed_in=0)
    from django.contrib.sessions.models import Session
    from django.utils import timezone

    return OnNetwork(
        shared=True, signed_in=Session.objects.filter(expire_date__gt=timezone.now()).count(),
        addresses=tuple(addresses_of_others()), fingerprint=settings.FINGERPRINT)


def addresses_of_others() -> list[str]:
    """Return where other screens find this kitchen, the address in use first."""
    scheme = "https" if settings.TLS else "http"
    return [f"{scheme}://{one}:{settings.OTHERS_PORT}" for one in own_addresses()]


def own_addresses() -> list[str]:
    """Return the addresses of this machine on its own network, the one in use first."""
    found = [_way_out(), *_of_interfaces()]
    return [one for one in dict.fromkeys(found) if one and not ipaddress.ip_address(
        one).is_loopback]


def _way_out() -> str:
    """Return the address by which this machine would go out; nothing is sent."""
    with suppress(OSError), closing(socket.socket(socket.AF_INET, socket.SOCK_DGRAM)) as way:
        way.connect(("192.0.2.1", 9))
        return str(way.getsockname()[0])
    return ""


def _of_interfaces() -> list[str]:
    try:
        from fcntl import ioctl
    except ImportError:
        return []
    found = []
    with suppress(OSError), closing(socket.socket(socket.AF_INET, socket.SOCK_DGRAM)) as asked:
        for _, name in socket.if_nameindex():
            with suppress(OSError):
                told = ioctl(asked.fileno(), _GET_ADDRESS, struct.pack("256s", name.encode()[:15]))
                found.append(socket.inet_ntoa(told[20:24]))
    return found


def has_passphrase() -> bool:
    """Say whether a passphrase was chosen."""
    from django.contrib.auth.models import User

    return User.objects.filter(username=WHO).exists()


def set_passphrase(passphrase: str) -> None:
    """Choose a passphrase; every screen is signed out by it."""
    from django.contrib.auth.models import User

    with transaction.atomic(using="access"):
        user, _ = User.objects.get_or_create(username=WHO)
        user.set_password(passphrase)
        user.save()
    sign_out_all()


def sign_out_all() -> None:
    """Sign every screen out, this one too."""
    from django.contrib.sessions.models import Session

    Session.objects.all().delete()
    news.tell()


def still_in(request: HttpRequest) -> bool:
    """Say whether a screen that looks on may still do so."""
    if not settings.SHARED:
        return True
    from django.contrib.sessions.models import Session

    key = request.session.session_key
    return bool(key) and Session.objects.filter(session_key=key).exists()
