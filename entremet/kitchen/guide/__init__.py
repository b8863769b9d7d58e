"""The guide: six short pages, each a list of steps that the browser's tests take as they stand."""
