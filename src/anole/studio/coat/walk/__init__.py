"""A look shown as it is built, coat by coat."""
