"""Labels: what goes into a cake, its allergens, what stands on the label, sheets to print it on."""
