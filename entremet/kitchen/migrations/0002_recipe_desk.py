"""Cards become documents with revisions.

Until now recipes could not be entered: every card is one of the demo's, which is loaded anew, and a
kept fit names lines of a card that is no more.
"""

import django.db.models.deletion
from django.db import migrations, models


class Migration(migrations.Migration):
    dependencies = [("kitchen", "0001_initial")]

    operations = [
        migrations.DeleteModel("LinePart"),
        migrations.DeleteModel("Line"),
        migrations.DeleteModel("Component"),
        migrations.DeleteModel("RecipePan"),
        migrations.DeleteModel("KeptFit"),
        migrations.DeleteModel("Recipe"),
        migrations.CreateModel(
            name='Answer',
            fields=[
                ('id', models.BigAutoField(auto_created=True, primary_key=True, serialize=False, verbose_name='ID')),
                ('asked', models.CharField(choices=[('name', 'what is this'), ('ounces', 'weight or fluid')], max_length=8)),
                ('phrase', models.CharField(max_length=200)),
                ('value', models.CharField(blank=True, max_length=60)),
                ('answered_at', models.DateTimeField()),
            ],
            options={
                'constraints': [models.UniqueConstraint(fields=('asked', 'phrase'), name='one_answer')],
            },
        ),
        migrations.CreateModel(
            name='OwnIngredient',
            fields=[
                ('id', models.BigAutoField(auto_created=True, primary_key=True, serialize=False, verbose_name='ID')),
                ('key', models.SlugField(max_length=60, unique=True)),
                ('name', models.CharField(max_length=80)),
                ('role', models.CharField(choices=[('flour', 'flour'), ('starch', 'starch'), ('sugar', 'sugar'), ('fat', 'fat'), ('egg', 'egg'), ('liquid', 'liquid'), ('dairy', 'dairy'), ('acid_dairy', 'acid dairy'), ('acid', 'acid'), ('leavener', 'leavener'), ('salt', 'salt'), ('cocoa', 'cocoa'), ('chocolate', 'chocolate'), ('flavour', 'flavour'), ('fruit', 'fruit'), ('nut', 'nut')], max_length=12)),
                ('added_at', models.DateTimeField()),
            ],
            options={
                'ordering': ['name'],
                'constraints': [models.CheckConstraint(condition=models.Q(('role__in', ['flour', 'starch', 'sugar', 'fat', 'egg', 'liquid', 'dairy', 'acid_dairy', 'acid', 'leavener', 'salt', 'cocoa', 'chocolate', 'flavour', 'fruit', 'nut'])), name='own_ingredient_role_known')],
            },
        ),
        migrations.CreateModel(
            name='OwnWeight',
            fields=[
                ('id', models.BigAutoField(auto_created=True, primary_key=True, serialize=False, verbose_name='ID')),
                ('ingredient', models.CharField(max_length=60, unique=True)),
                ('amount', models.FloatField()),
                ('unit', models.CharField(choices=[('g', 'g'), ('kg', 'kg'), ('oz', 'oz'), ('lb', 'lb'), ('stick', 'stick'), ('ml', 'ml'), ('l', 'l'), ('fl oz', 'fl oz'), ('pint', 'pint'), ('quart', 'quart'), ('cup', 'cup'), ('tbsp', 'tbsp'), ('dsp', 'dsp'), ('tsp', 'tsp'), ('pinch', 'pinch'), ('dash', 'dash'), ('drop', 'drop'), ('handful', 'handful'), ('egg', 'egg'), ('yolk', 'yolk'), ('white', 'white'), ('tin', 'tin'), ('sachet', 'sachet'), ('pack', 'pack'), ('piece', 'piece')], max_length=8)),
                ('standard', models.CharField(choices=[('us', 'us'), ('us_label', 'us_label'), ('metric', 'metric'), ('australian', 'australian'), ('imperial', 'imperial')], max_length=12)),
                ('grams', models.FloatField()),
                ('weighed_at', models.DateTimeField()),
            ],
            options={
                'ordering': ['ingredient'],
                'constraints': [models.CheckConstraint(condition=models.Q(('amount__gt', 0), ('grams__gt', 0)), name='own_weight_above_zero')],
            },
        ),
        migrations.CreateModel(
            name='Recipe',
            fields=[
                ('id', models.BigAutoField(auto_created=True, primary_key=True, serialize=False, verbose_name='ID')),
                ('key', models.SlugField(blank=True, null=True, unique=True)),
                ('title', models.CharField(max_length=120)),
                ('style', models.CharField(blank=True, max_length=40)),
                ('written_for', models.CharField(blank=True, max_length=300)),
                ('oven', models.CharField(blank=True, max_length=40)),
                ('time', models.CharField(blank=True, max_length=40)),
                ('note', models.CharField(blank=True, max_length=300)),
                ('tags', models.JSONField(blank=True, default=list)),
                ('words', models.TextField(blank=True)),
                ('head', models.PositiveIntegerField(default=1)),
                ('position', models.PositiveIntegerField(default=0)),
                ('changed_at', models.DateTimeField()),
                ('archived_at', models.DateTimeField(blank=True, null=True)),
            ],
            options={
                'ordering': ['position', '-changed_at', 'id'],
                'constraints': [models.CheckConstraint(condition=models.Q(('head__gte', 1)), name='recipe_head')],
            },
        ),
        migrations.CreateModel(
            name='KeptFit',
            fields=[
                ('id', models.BigAutoField(auto_created=True, primary_key=True, serialize=False, verbose_name='ID')),
                ('name', models.CharField(max_length=80, unique=True)),
                ('request', models.JSONField()),
                ('kept_at', models.DateTimeField()),
                ('recipe', models.ForeignKey(on_delete=django.db.models.deletion.CASCADE, related_name='kept_fits', to='kitchen.recipe')),
            ],
        ),
        migrations.CreateModel(
            name='Revision',
            fields=[
                ('id', models.BigAutoField(auto_created=True, primary_key=True, serialize=False, verbose_name='ID')),
                ('number', models.PositiveIntegerField()),
                ('card', models.JSONField()),
                ('made', models.CharField(choices=[('new', 'new card'), ('edited', 'edited'), ('imported', 'imported'), ('duplicated', 'duplicated'), ('restored', 'restored')], max_length=12)),
                ('of', models.PositiveIntegerField(blank=True, null=True)),
                ('saved_at', models.DateTimeField()),
                ('recipe', models.ForeignKey(on_delete=django.db.models.deletion.CASCADE, related_name='revisions', to='kitchen.recipe')),
            ],
            options={
                'ordering': ['-number'],
                'constraints': [models.UniqueConstraint(fields=('recipe', 'number'), name='one_revision_of_a_number')],
            },
        ),
    ]

