"""The Django app of the kitchen."""

from django.apps import AppConfig


class KitchenConfig(AppConfig):
    """The kitchen."""

    name = "entremet.kitchen"
    default_auto_field = "django.db.models.BigAutoField"
