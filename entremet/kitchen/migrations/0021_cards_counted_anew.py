"""Minutes of hands of the cards there are, with peeling, grating and browning among them."""

from importlib import import_module

from django.db import migrations

from_the_cards = import_module("entremet.kitchen.migrations.0018_find_recipes").from_the_cards


class Migration(migrations.Migration):
    dependencies = [("kitchen", "0020_order_price")]

    operations = [migrations.RunPython(from_the_cards, migrations.RunPython.noop)]
