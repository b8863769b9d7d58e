"""The demo kitchen, as the kitchen's own tests have it."""

from tests.kitchen.conftest import client, demo, post

__all__ = ["client", "demo", "post"]
