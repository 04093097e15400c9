"""All that can be put on a board, each as one change that can be looked at before it is made; and the
sheet that shows them on the user's own words. The finder offers the same."""
