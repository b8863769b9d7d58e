"""Connections: how many each address may hold, how long a request may take to arrive, over TLS too.

The server reads requests in one thread and hands whole ones to others. What arrives by drops costs
it nothing but a place, so places are what is kept: a few for each address, and always one for this
machine.
"""

from __future__ import annotations

import ipaddress
import ssl
import time
from collections import Counter
from typing import Any

from waitress.adjustments import Adjustments
from waitress.channel import HTTPChannel
from waitress.server import TcpWSGIServer
from waitress.task import ThreadedTaskDispatcher

from entremet.kitchen.errors import Unsound
from entremet.places import port_words

MOST_OF_ONE, MOST_OF_OTHERS = 40, 400
"""Connections of one address, and of all but this machine; a browser holds six for its pages."""
MOST_OF_HERE, MANY = 400, 20
"""Connections of this machine from which on the late ones go, so many at a time."""
MOST_IN_ALL = 1000
HEAD_S, BODY_S = 10.0, 120.0
"""How long the head of a request and the whole of it may take to arrive."""
LOOKED_EVERY_S = 1

_WANTS = (ssl.SSLWantReadError, ssl.SSLWantWriteError)


class Channel(HTTPChannel):  # type: ignore[misc]  # waitress has no types
    """A connection that knows since when it has been waited for."""

    def __init__(self, *given: Any, **named: Any) -> None:
        super().__init__(*given, **named)
        self.waited_since: float | None = time.monotonic()

    def received(self, data: bytes) -> bool:
        """Take in what arrived; an unfinished request is waited for from its first byte on."""
        taken: bool = super().received(data)
        if self.request is None:
            self.waited_since = None
        elif self.waited_since is None:
            self.waited_since = time.monotonic()
        return taken

    def late(self, now: float) -> bool:
        """Say whether what has to arrive is late."""
        if self.waited_since is None or self.requests:
            return False
        headed = self.request is not None and self.request.headers_finished
        return bool(now - self.waited_since > (BODY_S if headed else HEAD_S))


class TlsChannel(Channel):
    """A connection over TLS: greeted without holding anybody up, then read and written as others.

    OpenSSL lets no two threads into one connection; a request's own thread writes its answer.
    """

    def __init__(self, *given: Any, **named: Any) -> None:
        super().__init__(*given, **named)
        self._greeted = False

    def handle_read(self) -> None:
        """Greet, or read all that has arrived: what lies decrypted already rouses nobody."""
        if not self._greeted:
            try:
                self.socket.do_handshake()
            except _WANTS:
                return
            except OSError:
                self.handle_close()
                return
            self._greeted = True
        super().handle_read()
        while self.socket is not None and self.readable() and self.socket.pending():
            super().handle_read()

    def recv(self, size: int) -> bytes:
        """Read; nothing yet is not the end."""
        with self.outbuf_lock:
            try:
                data: bytes = super().recv(size)
            except _WANTS:
                return _NOTHING_YET
            return data

    def received(self, data: bytes) -> bool:
        """Take in what arrived."""
        return True if data is _NOTHING_YET else super().received(data)

    def send(self, data: bytes, do_close: bool = True) -> int:
        """Write as much as goes now."""
        with self.outbuf_lock:
            try:
                sent: int = super().send(data, do_close=do_close)
            except _WANTS:
                return 0
            return sent


_NOTHING_YET = bytes(2)
"""Stands for what is to come; told from data by being this object."""


class Listener(TcpWSGIServer):  # type: ignore[misc]  # waitress has no types
    """Takes connections in, within what each address may hold."""

    channel_class = Channel
    tls: ssl.SSLContext | None = None

    def handle_accept(self) -> None:
        """Take a connection in, or let go of it at once."""
        try:
            taken = self.accept()
        except OSError:
            return
        if taken is None:
            return
        connection, address = taken
        if not self.has_room_for(address[0]):
            connection.close()
            return
        try:
            self.set_socket_options(connection)
            if self.tls is not None:
                connection.setblocking(False)
                connection = self.tls.wrap_socket(connection, server_side=True,
                                                  do_handshake_on_connect=False)
        except OSError:
            # Gone again already.
            connection.close()
            return
        self.channel_class(self, connection, self.fix_addr(address), self.adj, map=self._map)

    def has_room_for(self, address: str) -> bool:
        """Say whether another connection of an address is let in.

        One of this machine always is: where it holds too many, what has not arrived goes first.
        """
        if _own(address):
            own = [one for one in self._map.values()
                   if isinstance(one, Channel) and _own(one.addr[0])]
            if len(own) >= MOST_OF_HERE:
                late = [one for one in own if one.waited_since is not None and not one.requests]
                for one in sorted(late, key=lambda one: one.waited_since or 0.0)[:MANY]:
                    one.handle_close()
            return True
        held = Counter(one.addr[0] for one in self._map.values() if isinstance(one, Channel))
        others = sum(many for one, many in held.items() if not _own(one))
        return held[address] < MOST_OF_ONE and others < MOST_OF_OTHERS

    def maintenance(self, now: float) -> None:
        """Let go of what is idle, and of what does not arrive."""
        super().maintenance(now)
        moment = time.monotonic()
        for channel in list(self.active_channels.values()):
            if channel.late(moment):
                channel.will_close = True


class TlsListener(Listener):
    """Takes connections in that are encrypted."""

    channel_class = TlsChannel


def listen(application: Any, port: int, *, threads: int, shared: bool,
           tls: ssl.SSLContext | None = None) -> list[Listener]:
    """Return who listens: to this machine, to all where it is shared, to others over TLS.

    Parameters
    ----------
    application : callable
        Answers.
    port : int
        0 takes a free one. Over TLS others use the port after it.
    threads : int
        How many requests are answered at once.
    shared : bool
        Whether others than this machine may come.
    tls : SSLContext or None
        Then others come encrypted, and only this machine may come as it is.

    Raises
    ------
    Unsound
        When a port cannot be had.
    """
    dispatcher = ThreadedTaskDispatcher()
    dispatcher.set_thread_count(threads)
    places: dict[int, Any] = {}

    def one(kind: type[Listener], host: str, at: int, scheme: str) -> Listener:
        adj = Adjustments(
            host=host, port=at, connection_limit=MOST_IN_ALL, threads=threads,
            asyncore_use_poll=True, cleanup_interval=LOOKED_EVERY_S, url_scheme=scheme,
            # A request that came by a way round has to be known as one.
            clear_untrusted_proxy_headers=False,
            # A stream's events are short; none waits for more to fill a packet.
            send_bytes=1)
        try:
            return kind(application, places, dispatcher=dispatcher, adj=adj,
                        sockinfo=adj.listen[0])
        except PermissionError:
            raise Unsound(f"Port {at} needs rights this program does not have. Choose one from "
                          f"1024 on: {port_words(8000)}") from None
        except OSError:
            raise Unsound(f"Port {at} is taken. Choose another: {port_words(at + 1)}") from None

    highest = 65535 if tls is None else 65534
    if not 0 <= port <= highest:
        raise Unsound(f"There is no port {port}. Ports go from 1 to {highest}.")
    if tls is None:
        return [one(Listener, "0.0.0.0" if shared else "127.0.0.1", port, "http")]
    here = one(Listener, "127.0.0.1", port, "http")
    others = one(TlsListener, "0.0.0.0", port and port + 1, "https")
    others.tls = tls
    return [here, others]


def _own(address: str) -> bool:
    try:
        return ipaddress.ip_address(address).is_loopback
    except ValueError:
        return False


