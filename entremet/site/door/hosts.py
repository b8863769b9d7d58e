"""Under which names this machine answers: a name that anybody could point here is none of them."""

from __future__ import annotations

import ipaddress
import socket
from functools import lru_cache

from django.conf import settings
from django.http import HttpRequest

HERE = frozenset({"127.0.0.1", "localhost", "[::1]"})
FORWARDED = ("HTTP_FORWARDED", "HTTP_X_FORWARDED_FOR", "HTTP_X_REAL_IP", "HTTP_VIA")


def known_host(host: str) -> bool:
    """Say whether a request for this host is one for this machine.

    A site elsewhere can point its own name at this machine, but it cannot make a browser send
    an address of the home network, or this machine's name there, for it.

    >>> known_host("kitchen.example:8000")
    False
    """
    name = host.rpartition(":")[0] if host.rpartition(":")[2].isdigit() else host
    name = name.lower().rstrip(".")
    if name in HERE or name in settings.OTHER_NAMES:
        return True
    return settings.SHARED and (_is_private(name) or name in own_names())


@lru_cache(maxsize=1)
def own_names() -> frozenset[str]:
    """Return the names this machine has on its own network."""
    name = socket.gethostname().lower().split(".")[0]
    return frozenset({name, f"{name}.local"} - {"", ".local"})


def is_here(request: HttpRequest) -> bool:
    """Say whether a request comes from this machine itself, by no way round."""
    if any(name in request.META for name in FORWARDED):
        return False
    try:
        return ipaddress.ip_address(str(request.META.get("REMOTE_ADDR", ""))).is_loopback
    except ValueError:
        return False


def _is_private(name: str) -> bool:
    try:
        address = ipaddress.ip_address(name.strip("[]"))
    except ValueError:
        return False
    return address.is_private and not address.is_unspecified
