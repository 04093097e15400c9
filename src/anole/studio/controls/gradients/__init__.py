"""Controls of gradients: the bar with its stops, the page, the shelf of saved ones."""
