"""The pans a list draws, taken from the newest revision of each card."""

from typing import Any

from django.db import migrations, models

MOST_DRAWN = 4


def fill(apps: Any, schema_editor: Any) -> None:
    """Copy the pans of each card's newest revision into its row; a damaged card has none."""
    recipes, revisions = apps.get_model("kitchen", "Recipe"), apps.get_model("kitchen", "Revision")
    for recipe in recipes.objects.all().iterator():
        card = revisions.objects.filter(recipe=recipe, number=recipe.head).values_list(
            "card", flat=True).first()
        pans = card.get("pans") if isinstance(card, dict) else None
        if isinstance(pans, list):
            recipe.pans = pans[:MOST_DRAWN]
            recipe.save(update_fields=["pans"])


class Migration(migrations.Migration):

    dependencies = [
        ('kitchen', '0009_habits'),
    ]

    operations = [
        migrations.AddField(
            model_name='recipe',
            name='pans',
            field=models.JSONField(blank=True, null=True),
        ),
        migrations.RunPython(fill, migrations.RunPython.noop),
    ]
