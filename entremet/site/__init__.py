"""The Django project: settings, addresses, the front end's files."""
