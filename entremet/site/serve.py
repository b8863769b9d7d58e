"""``python -m entremet.site.serve``: bring the database up to date and serve on this machine."""

from __future__ import annotations

import argparse
import os
import sys


def main() -> None:
    parser = argparse.ArgumentParser(description="Serve Entremet on 127.0.0.1.")
    parser.add_argument("--port", type=int, default=8000)
    parser.add_argument("--demo", action="store_true", help="serve the demo kitchen")
    args = parser.parse_args()
    if args.demo:
        os.environ["ENTREMET_KITCHEN"] = "demo"
    os.environ.setdefault("DJANGO_SETTINGS_MODULE", "entremet.site.settings")

    import django
    from django.conf import settings
    from django.core.management import call_command

    settings.DATA.mkdir(parents=True, exist_ok=True)
    django.setup()
    call_command("migrate", verbosity=0)
    if args.demo:
        call_command("load_demo")

    from waitress.server import create_server

    from entremet.site.wsgi import application

    try:
        server = create_server(application, host="127.0.0.1", port=args.port, threads=4)
    except OSError:
        sys.exit(f"Port {args.port} is taken. Choose another: make demo PORT={args.port + 1}")
    print(f"Entremet is ready: http://127.0.0.1:{server.effective_port}", flush=True)
    server.run()


if __name__ == "__main__":
    main()
