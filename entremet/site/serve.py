"""``python -m entremet.site.serve``: look at the kitchen's file, bring it up to date, serve it."""

from __future__ import annotations

import argparse
import ctypes
import gc
import os
import secrets
import signal
import sqlite3
import sys
import time
from collections.abc import Callable
from contextlib import suppress
from datetime import UTC, datetime
from pathlib import Path
from threading import Thread
from types import FrameType
from typing import TYPE_CHECKING

from entremet.kitchen.errors import Unsound
from entremet.kitchen.safe.copies import copy_of, fold_in, folder_of
from entremet.kitchen.safe.soundness import (
    check_file,
    check_folder,
    check_not_emptied,
    check_writable,
    hold,
    words_of,
)
from entremet.places import installed
from entremet.site.door.apart import closed_to_others

if TYPE_CHECKING:
    from entremet.site.door.listening import Listener

THREADS, STREAM_THREADS = 8, 20
"""For requests, and beside them for screens that look on at a day; a stream keeps a thread."""
LOOKED_EVERY_S = 60
"""How often it is looked whether the day's copy is due."""
LEAST_KEY = 50
M_ARENA_MAX = -8
"""Of glibc's mallopt; where there is none nothing is set."""


def main() -> None:
    parser = argparse.ArgumentParser(description="Serve Entremet on 127.0.0.1.")
    parser.add_argument("--port", type=int, default=8000)
    parser.add_argument("--demo", action="store_true", help="serve the demo kitchen")
    parser.add_argument("--share", action="store_true",
                        help="open it to its own network, to who signs in")
    parser.add_argument("--tls", action="store_true",
                        help="with --share: encrypted, by a certificate made on this machine")
    args = parser.parse_args()
    start(args.port, demo=args.demo, share=args.share, tls=args.tls)


def start(port: int, *, demo: bool = False, share: bool = False, tls: bool = False,
          ready: Callable[[str], object] | None = None) -> None:
    """Serve a kitchen until it is stopped; ``ready`` hears its address once it is up."""
    _give_memory_back()
    # Nothing that is loaded goes again: looking for litter meanwhile is a sixth of a start.
    gc.disable()
    if demo:
        os.environ["ENTREMET_KITCHEN"] = "demo"
    if share:
        os.environ["ENTREMET_SHARE"] = "1"
    if share and tls:
        os.environ["ENTREMET_TLS"] = "1"
    os.environ.setdefault("DJANGO_SETTINGS_MODULE", "entremet.site.settings")
    from django.conf import settings
    from django.db import DatabaseError

    kitchen = Path(settings.DATA) / f"{settings.KITCHEN}.sqlite3"
    try:
        _serve(kitchen, port, demo=demo, ready=ready)
    except Unsound as reason:
        sys.exit(str(reason))
    except (sqlite3.Error, DatabaseError) as error:
        sys.exit(words_of(error, kitchen, folder_of(kitchen)))
    except OSError as error:
        sys.exit(f"The disk could not be read or written ({error.strerror}). Nothing was changed; "
                 "make room on it or allow writing, then start again.")


def _serve(kitchen: Path, port: int, *, demo: bool,
           ready: Callable[[str], object] | None) -> None:
    import django
    from django.conf import settings
    from django.core.management import call_command

    check_folder(kitchen.parent)
    held = hold(kitchen)
    if settings.SHARED:
        settings.SECRET_KEY = lasting_key(kitchen.with_suffix(".secret"))
    django.setup()
    from entremet.kitchen.actions.safe import known_updates
    from entremet.kitchen.safe.updating import bring_up_to_date

    check_not_emptied(kitchen)
    check_file(kitchen, newest=known_updates())
    check_writable(kitchen)
    listeners = _listeners(kitchen, port)
    if _new(kitchen):
        bring_up_to_date()
    elif _waiting_updates():
        copy_of(kitchen, at=datetime.now(), why="before-update")
        bring_up_to_date()
    if settings.SHARED:
        closed_to_others(Path(settings.DATA) / f"{settings.KITCHEN}.access.sqlite3")
        bring_up_to_date("access")
        call_command("clearsessions")
    _keep_a_log()
    if demo:
        call_command("load_demo")
    # What is loaded stays; looking through it again and again for litter costs a tenth of a fit.
    gc.freeze()
    gc.enable()
    gc.set_threshold(50_000, 20, 50)
    address = f"http://127.0.0.1:{listeners[0].effective_port}"
    print(f"Entremet is ready: {address}", flush=True)
    if settings.SHARED:
        _say_where()

    from entremet.kitchen.actions.news import close_down

    def stop(_signal: int, _frame: FrameType | None) -> None:
        # Screens that look on let go of their threads first.
        close_down()
        raise SystemExit(0)

    for end in (signal.SIGTERM, signal.SIGINT):
        signal.signal(end, stop)
    if settings.LOADED_AHEAD:
        Thread(target=_warm, daemon=True).start()
    Thread(target=_copy_daily, args=(kitchen,), daemon=True).start()
    told = kitchen.with_suffix(".address")
    told.write_text(address, "ascii")
    if ready is not None:
        Thread(target=ready, args=(address,), daemon=True).start()
    try:
        listeners[0].run()
    finally:
        for one in listeners:
            one.close()
        told.unlink(missing_ok=True)
        fold_in(kitchen)
        os.close(held)


def _give_memory_back() -> None:
    """Let all threads share one place for memory: each would keep what one large page took."""
    with suppress(OSError, AttributeError, TypeError):
        ctypes.CDLL(None).mallopt(M_ARENA_MAX, 1)


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


def _listeners(kitchen: Path, port: int) -> list[Listener]:
    from django.conf import settings

    from entremet.site.door.listening import listen
    from entremet.site.wsgi import application

    tls = None
    if settings.TLS:
        from entremet.kitchen.actions.sharing import own_addresses
        from entremet.site.door.certificate import certificate
        from entremet.site.door.hosts import own_names

        tls, settings.FINGERPRINT = certificate(
            kitchen.with_suffix(".pem"), addresses=["127.0.0.1", *own_addresses()],
            names=["localhost", *sorted(own_names())], now=datetime.now(UTC))
    found = listen(application, port, threads=THREADS + STREAM_THREADS, shared=settings.SHARED,
                   tls=tls)
    settings.OTHERS_PORT = str(found[-1].effective_port)
    return found


def _warm() -> None:
    """Load all rooms and what the first fit asks for, while the browser opens its page."""
    import entremet.site.api_urls  # noqa: F401 - loading it is what it is for
    from entremet.core.ground.roots import brentq

    brentq(lambda x: x - 1, 0, 2)
    gc.freeze()


def _say_where() -> None:
    from django.conf import settings

    from entremet.kitchen.actions.sharing import addresses_of_others, has_passphrase

    for address in addresses_of_others():
        print(f"On your own network: {address}", flush=True)
    if settings.TLS:
        print("The other screen warns once that nobody vouches for this machine. Go on where it "
              f"names this fingerprint: {settings.FINGERPRINT}", flush=True)
    else:
        print("Open to your own network: only on one you trust, since what goes over it is not "
              f"encrypted; {'--tls' if installed() else 'TLS=1'} encrypts it.", flush=True)
    if not has_passphrase():
        print("Choose a passphrase on this machine first: open the first address here.", flush=True)


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
