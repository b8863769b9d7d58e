"""The independent check of the heat balance: heating solved in two dimensions."""
