"""``python -m entremet.site.serve``: look at the kitchen's file, bring it up to date, serve it."""

from __future__ import annotations

import argparse
import gc
import os
import secrets
import signal
import sys
import time
from datetime import datetime
from pathlib import Path
from threading import Thread
from types import FrameType

from entremet.kitchen.errors import Unsound
from entremet.kitchen.safe.copies import copy_of, fold_in
from entremet.kitchen.safe.soundness import (
    check_file,
    check_folder,
    check_not_emptied,
    check_writable,
    hold,
)

THREADS, STREAM_THREADS = 8, 20
"""For requests, and beside them for screens that look on at a day; a stream keeps a thread."""
LOOKED_EVERY_S = 60
"""How often it is looked whether the day's copy is due."""
LEAST_KEY = 50
MOST_CONNECTIONS = 1000
"""Connections that may lie open, idle ones too; a browser keeps a few for each of its pages."""


def main() -> None:
    parser = argparse.ArgumentParser(description="Serve Entremet on 127.0.0.1.")
    parser.add_argument("--port", type=int, default=8000)
    parser.add_argument("--demo", action="store_true", help="serve the demo kitchen")
    parser.add_argument("--share", action="store_true",
                        help="open it to its own network, to who signs in")
    args = parser.parse_args()
    # Nothing that is loaded goes again: looking for litter meanwhile is a sixth of a start.
    gc.disable()
    if args.demo:
        os.environ["ENTREMET_KITCHEN"] = "demo"
    if args.share:
        os.environ["ENTREMET_SHARE"] = "1"
    os.environ.setdefault("DJANGO_SETTINGS_MODULE", "entremet.site.settings")
    try:
        _serve(args.port, demo=args.demo)
    except Unsound as reason:
        sys.exit(str(reason))


def _serve(port: int, *, demo: bool) -> None:
    import django
    from django.conf import settings
    from django.core.management import call_command

    kitchen = Path(settings.DATA) / f"{settings.KITCHEN}.sqlite3"
    check_folder(kitchen.parent)
    held = hold(kitchen)
    if settings.SHARED:
        settings.SECRET_KEY = lasting_key(kitchen.with_suffix(".secret"))
    django.setup()
    from entremet.kitchen.actions.safe import known_updates

    check_not_emptied(kitchen)
    check_file(kitchen, newest=known_updates())
    check_writable(kitchen)
    server = _server(port, shared=settings.SHARED)
    if _new(kitchen):
        call_command("migrate", verbosity=0)
    elif _waiting_updates():
        copy_of(kitchen, at=datetime.now(), why="before-update")
        call_command("migrate", verbosity=0)
    if settings.SHARED:
        call_command("migrate", database="access", verbosity=0)
        call_command("clearsessions")
    _keep_a_log()
    if demo:
        call_command("load_demo")
    # What is loaded stays; looking through it again and again for litter costs a tenth of a fit.
    gc.freeze()
    gc.enable()
    gc.set_threshold(50_000, 20, 50)
    print(f"Entremet is ready: http://127.0.0.1:{server.effective_port}", flush=True)
    if settings.SHARED:
        _say_where(server.effective_port)

    from entremet.kitchen.actions.news import close_down

    def stop(_signal: int, _frame: FrameType | None) -> None:
        # Screens that look on let go of their threads first.
        close_down()
        raise SystemExit(0)

    for end in (signal.SIGTERM, signal.SIGINT):
        signal.signal(end, stop)
    Thread(target=_warm, daemon=True).start()
    Thread(target=_copy_daily, args=(kitchen,), daemon=True).start()
    try:
        server.run()
    finally:
        server.close()
        fold_in(kitchen)
        os.close(held)


def lasting_key(path: Path) -> str:
    """Return the key that signs sessions; made once, readable by its owner alone."""
    try:
        made = os.open(path, os.O_WRONLY | os.O_CREAT | os.O_EXCL, 0o600)
    except FileExistsError:
        kept = path.read_text(encoding="ascii").strip()
        if len(kept) >= LEAST_KEY:
            return kept
        path.unlink()
        return lasting_key(path)
    with os.fdopen(made, "w", encoding="ascii") as file:
        file.write(secrets.token_urlsafe(48))
    return path.read_text(encoding="ascii")


def _server(port: int, *, shared: bool):  # type: ignore[no-untyped-def]  # waitress has no types
    from waitress.server import create_server

    from entremet.site.wsgi import application

    if not 0 <= port <= 65535:
        raise Unsound(f"There is no port {port}. Ports go from 1 to 65535.")
    try:
        return create_server(application, host="0.0.0.0" if shared else "127.0.0.1", port=port,
                             connection_limit=MOST_CONNECTIONS, threads=THREADS + STREAM_THREADS,
                             asyncore_use_poll=True,
                             # A request that came by a way round has to be known as one.
                             clear_untrusted_proxy_headers=False,
                             # A stream's events are short; none waits for more to fill a packet.
                             send_bytes=1)
    except PermissionError:
        raise Unsound(f"Port {port} needs rights this program does not have. Choose one from 1024 "
                      "on: make demo PORT=8000") from None
    except OSError:
        raise Unsound(f"Port {port} is taken. Choose another: make demo PORT={port + 1}") from None


def _warm() -> None:
    """Load what the first fit asks for, while nobody waits."""
    from entremet.core.ground.roots import brentq

    brentq(lambda x: x - 1, 0, 2)


def _say_where(port: int) -> None:
    from entremet.kitchen.actions.sharing import has_passphrase, own_addresses

    for address in own_addresses():
        print(f"On your own network: http://{address}:{port}", flush=True)
    print("Open to your own network: only on one you trust, since what goes over it is not "
          "encrypted." + ("" if has_passphrase() else " Choose a passphrase on this machine first: "
                          "open the first address here."), flush=True)


def _copy_daily(kitchen: Path) -> None:
    """Copy the kitchen once on each day it changed, while nobody waits for it."""
    from entremet.kitchen.actions.safe import daily_copy

    while True:
        time.sleep(LOOKED_EVERY_S)
        daily_copy(kitchen, datetime.now(), lambda words: print(words, file=sys.stderr, flush=True))


def _new(kitchen: Path) -> bool:
    return not kitchen.exists() or kitchen.stat().st_size == 0


def _waiting_updates() -> bool:
    """Say whether a kitchen's file is older than the program; the command alone takes longer."""
    from django.db import connection
    from django.db.migrations.executor import MigrationExecutor

    executor = MigrationExecutor(connection)
    return bool(executor.migration_plan(executor.loader.graph.leaf_nodes()))


def _keep_a_log() -> None:
    """Let readers read while something is written; the file remembers it."""
    from django.db import connection

    with connection.cursor() as cursor:
        cursor.execute("PRAGMA journal_mode=WAL")


if __name__ == "__main__":
    main()
