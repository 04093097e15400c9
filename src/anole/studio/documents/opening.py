"""Clusters opened: what they hold is worked on in place."""

from __future__ import annotations

from ...core.edit.clusters import open_cluster
from ...core.model import Cluster
from .document import Document


def open_up(document: Document, cluster: Cluster) -> None:
    """Hand its turn and stretch on to its pieces, where it has any: a step only where it does."""
    if open_cluster(document.board, cluster.id) != document.board:
        document.apply("Open the cluster", lambda b: open_cluster(b, cluster.id))
