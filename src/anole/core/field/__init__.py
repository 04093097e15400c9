"""Fields of a silhouette: coverage, distance, blur."""
