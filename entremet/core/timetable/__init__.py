"""Days planned: orders become tasks with bounds, laid out backwards from when they are due."""
