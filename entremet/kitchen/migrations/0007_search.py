"""The database's own full-text search over what a recipe's row is searched in, by parts of words."""

from django.db import migrations, models

MAKE = """
CREATE VIRTUAL TABLE kitchen_recipe_words USING fts5(
    words, content='kitchen_recipe', content_rowid='id', tokenize='trigram');
INSERT INTO kitchen_recipe_words(kitchen_recipe_words) VALUES('rebuild');
CREATE TRIGGER kitchen_recipe_words_in AFTER INSERT ON kitchen_recipe BEGIN
    INSERT INTO kitchen_recipe_words(rowid, words) VALUES (new.id, new.words);
END;
CREATE TRIGGER kitchen_recipe_words_out AFTER DELETE ON kitchen_recipe BEGIN
    INSERT INTO kitchen_recipe_words(kitchen_recipe_words, rowid, words)
    VALUES ('delete', old.id, old.words);
END;
CREATE TRIGGER kitchen_recipe_words_anew AFTER UPDATE OF words ON kitchen_recipe BEGIN
    INSERT INTO kitchen_recipe_words(kitchen_recipe_words, rowid, words)
    VALUES ('delete', old.id, old.words);
    INSERT INTO kitchen_recipe_words(rowid, words) VALUES (new.id, new.words);
END;
"""

UNMAKE = """
DROP TRIGGER kitchen_recipe_words_in;
DROP TRIGGER kitchen_recipe_words_out;
DROP TRIGGER kitchen_recipe_words_anew;
DROP TABLE kitchen_recipe_words;
"""


class Migration(migrations.Migration):

    dependencies = [
        ('kitchen', '0006_records_and_versions'),
    ]

    operations = [
        migrations.RunSQL(MAKE, UNMAKE),
        migrations.AddIndex(
            model_name='keptfit',
            index=models.Index(fields=['-kept_at', '-id'], name='kept_fits_newest_first'),
        ),
    ]
