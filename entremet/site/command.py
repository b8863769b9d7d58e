"""``entremet``: start one's own kitchen and open it, or the demo; copies, passphrase, where."""

from __future__ import annotations

import argparse
import os
import shutil
import sys
import urllib.request
import webbrowser
from collections.abc import Sequence
from pathlib import Path

from entremet import __version__
from entremet.places import data_folder

PORT, PORTS = 8000, 20
"""Where it listens, and how many after it are tried where another program has that."""


def main(given: Sequence[str] | None = None) -> None:
    """Do what a command line asks for."""
    args = _parser().parse_args(given)
    if args.data is not None:
        os.environ["ENTREMET_DATA"] = str(args.data.expanduser().resolve())
    demo = args.what == "demo" or args.demo
    name = "demo" if demo else "kitchen"
    kitchen = data_folder() / f"{name}.sqlite3"
    match args.what:
        case "where":
            print(kitchen)
        case "backup" | "restore":
            from entremet.site import keep

            keep.main([args.what, *(["--demo"] if demo else []),
                       *(["--file", str(args.file)] if args.file else [])])
        case "passphrase":
            from entremet.site.door import passphrase

            passphrase.main(["--demo"] if demo else [])
        case _:
            _start(kitchen, args, demo=demo)


def _parser() -> argparse.ArgumentParser:
    parser = argparse.ArgumentParser(
        prog="entremet", description="Scale a cake batter to the pans at hand, and move its bake "
        "with it. Without a word it starts your own kitchen and opens it.")
    parser.add_argument("what", nargs="?", default="start", choices=[
        "start", "demo", "share", "backup", "restore", "passphrase", "where"],
        help="demo: the demo kitchen; share: open to your own network; where: its file")
    parser.add_argument("file", nargs="?", type=Path, help="restore: the copy to bring back")
    parser.add_argument("--demo", action="store_true", help="the demo kitchen, for all but start")
    parser.add_argument("--port", type=int, default=None, help=f"where to listen, else {PORT}")
    parser.add_argument("--data", type=Path, default=None, help="folder of the kitchen")
    parser.add_argument("--tls", action="store_true", help="with share: encrypted")
    parser.add_argument("--no-browser", action="store_true", help="open nothing")
    parser.add_argument("--version", action="version", version=f"entremet {__version__}")
    return parser


def _start(kitchen: Path, args: argparse.Namespace, *, demo: bool) -> None:
    running = running_at(kitchen)
    if running:
        print(f"Entremet is running: {running}", flush=True)
        if not args.no_browser:
            webbrowser.open(running)
        return
    if not demo and args.data is None and "ENTREMET_DATA" not in os.environ:
        try:
            brought = bring_over(Path.cwd() / "var", kitchen.parent)
        except OSError as error:
            sys.exit(f"The kitchen in {Path.cwd() / 'var'} could not be brought over "
                     f"({error.strerror}). It stays as it is; make room on the disk or allow "
                     "writing, then start again.")
        if brought:
            print(brought, flush=True)
    from entremet.site.serve import start

    if args.port is not None and not 0 <= args.port <= 65_535:
        sys.exit(f"There is no port {args.port}. Ports go from 1 to 65535.")
    start(free_port() if args.port is None else args.port, demo=demo, share=args.what == "share",
          tls=args.tls, ready=None if args.no_browser else webbrowser.open)


def running_at(kitchen: Path) -> str:
    """Return where a kitchen is served already; empty where nobody does, or does not say.

    What a program that was killed left behind is not believed: nobody holds its kitchen any more.
    """
    if not is_held(kitchen):
        return ""
    try:
        address = kitchen.with_suffix(".address").read_text("ascii").strip()
        # Never anything else than this machine, whatever the file says.
        if not address.startswith("http://127.0.0.1:"):
            return ""
        with urllib.request.urlopen(f"{address}/static/mark.svg", timeout=2):
            return address
    except (OSError, ValueError):
        return ""


def is_held(kitchen: Path) -> bool:
    """Say whether another Entremet has a kitchen open."""
    from entremet.kitchen.errors import Unsound
    from entremet.kitchen.safe.soundness import hold

    if not kitchen.parent.exists():
        return False
    try:
        os.close(hold(kitchen))
    except Unsound:
        return True
    return False


def free_port() -> int:
    """Return the usual port, or the next that no other program has."""
    import socket

    for port in range(PORT, PORT + PORTS):
        with socket.socket() as one:
            one.setsockopt(socket.SOL_SOCKET, socket.SO_REUSEADDR, 1)
            try:
                one.bind(("127.0.0.1", port))
            except OSError:
                continue
            return port
    return 0


def bring_over(old: Path, new: Path) -> str:
    """Copy a kitchen of a checkout to the user's own folder, once; return what to say of it.

    What stands there stays as it is; a kitchen that is there already is never written over.
    """
    if not (old / "kitchen.sqlite3").exists() or (new / "kitchen.sqlite3").exists():
        return ""
    if is_held(old / "kitchen.sqlite3"):
        sys.exit(f"The kitchen in {old} is running. Stop it first, so that it can be brought over.")
    new.mkdir(parents=True, exist_ok=True)
    for one in sorted(old.iterdir()):
        if one.is_dir():
            shutil.copytree(one, new / one.name, dirs_exist_ok=True)
        elif one.name != "kitchen.sqlite3":
            shutil.copy2(one, new / one.name)
    # The kitchen itself comes last: where this is broken off, it is done again.
    shutil.copy2(old / "kitchen.sqlite3", new / "kitchen.sqlite3.new")
    (new / "kitchen.sqlite3.new").replace(new / "kitchen.sqlite3")
    return f"Your kitchen was brought over from {old} to {new}. The old one stays as it was."


if __name__ == "__main__":
    main()
