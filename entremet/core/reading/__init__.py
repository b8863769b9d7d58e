"""Reading what people write: amounts, ingredient lines, recipes, settings in a sentence."""
