"""Cards are found by what they feed and by their minutes; worked out once for those there are."""

from contextlib import suppress
from typing import Any

from django.db import migrations, models


def from_the_cards(apps: Any, schema_editor: Any) -> None:
    from entremet.core.card.resolve import recipe_of
    from entremet.core.ground.errors import CoreError
    from entremet.core.ingredients.table import TABLE
    from entremet.core.ovens.oven import Oven
    from entremet.core.ovens.settings import OvenKind, Scale
    from entremet.core.work.of_card import card_facts
    from entremet.kitchen.documents.cards import card_from_stored

    oven = Oven(name="oven", kind=OvenKind.CONVENTIONAL, scale=Scale.CELSIUS, step=5, lowest=50,
                highest=300)
    revisions = apps.get_model("kitchen", "Revision")
    for row in apps.get_model("kitchen", "Recipe").objects.all():
        kept = revisions.objects.filter(recipe=row, number=row.head).first()
        # What cannot be read any more is told of where it is opened, and found by its words alone.
        with suppress(CoreError, AttributeError, KeyError, TypeError, ValueError):
            card = card_from_stored(kept.card)
            facts = card_facts(recipe_of(card, table=TABLE, as_written=card), oven)
            row.feeds, row.hands_min, row.all_min = facts.feeds, facts.hands_min, facts.all_min
            row.save(update_fields=["feeds", "hands_min", "all_min"])


class Migration(migrations.Migration):
    dependencies = [("kitchen", "0017_work_ids")]

    operations = [
        migrations.AddField("recipe", "feeds", models.PositiveIntegerField(null=True, blank=True)),
        migrations.AddField("recipe", "hands_min",
                            models.PositiveIntegerField(null=True, blank=True)),
        migrations.AddField("recipe", "all_min",
                            models.PositiveIntegerField(null=True, blank=True)),
        migrations.RunPython(from_the_cards, migrations.RunPython.noop),
    ]
