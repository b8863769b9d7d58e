"""The desk: questions, holes, splits, the check-up and contradictions of a card."""
