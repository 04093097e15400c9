"""Several pieces as one, and pieces that clip others."""

from __future__ import annotations

from ...core.edit.clusters import clip, dissolve_cluster, loses, make_cluster
from ...core.model import Cluster, Coated, Placed
from ...core.model.nesting import holder_of, siblings
from ..documents.opening import open_up
from ..look.status_bar import nothing
from ..shared.session import Session
from .command import PIECE, Command, otherwise


@otherwise("choose several pieces first")
def _can_cluster(session: Session) -> bool:
    chosen, board = session.selection.pieces, session.document.board
    if not chosen or not all(isinstance(piece, Placed) for piece in chosen):
        return False
    order = {piece.id for piece in siblings(board.pieces, chosen[0].id)}
    return all(piece.id in order for piece in chosen)


def _cluster(session: Session) -> None:
    ids = session.selection.ids
    fresh = session.document.make("Make a cluster", lambda b: make_cluster(b, ids))
    if fresh is not None:
        session.selection.choose(fresh)


@otherwise("choose a cluster first")
def _is_cluster(session: Session) -> bool:
    return isinstance(session.selection.piece, Cluster)


def _dissolve(session: Session) -> None:
    """At once where nothing of it is lost; else the bar at the foot asks."""
    cluster = session.selection.piece
    assert isinstance(cluster, Cluster)
    lost = loses(cluster)
    if not lost:
        _dissolve_now(session, cluster.id)
        return
    what = " and ".join([", ".join(lost[:-1]), lost[-1]] if len(lost) > 1 else lost)
    answers = (
        ("Dissolve", lambda: _dissolve_now(session, cluster.id)),
        ("Keep the cluster", nothing),
    )
    session.reading.status.ask(f"Dissolving it loses {what}.", answers)


def _dissolve_now(session: Session, cluster: str) -> None:
    ids = session.document.make("Dissolve the cluster", lambda b: dissolve_cluster(b, cluster))
    if ids:
        session.selection.choose_all(ids)


def _enter(session: Session) -> None:
    """Its topmost piece is chosen; the others can be clicked from then on."""
    cluster = session.selection.piece
    if isinstance(cluster, Cluster) and cluster.pieces:
        open_up(session.document, cluster)
        session.selection.choose(cluster.pieces[-1].id)


@otherwise("the piece lies in no cluster")
def _is_inside(session: Session) -> bool:
    return session.selection.holder is not None


def _leave(session: Session) -> None:
    holder = session.selection.holder
    if holder is not None:
        session.selection.choose(holder.id)


def _clipper(session: Session) -> str | None:
    """The lowest of several; of a single piece the next beneath it that has a silhouette."""
    chosen, board = session.selection.pieces, session.document.board
    if len(chosen) > 1:
        return chosen[0].id if isinstance(chosen[0], Coated) else None
    if not chosen:
        return None
    order = siblings(board.pieces, chosen[0].id)
    beneath = order[: order.index(chosen[0])]
    return next((piece.id for piece in reversed(beneath) if isinstance(piece, Coated)), None)


@otherwise("no silhouette lies beneath")
def _can_clip(session: Session) -> bool:
    return _clipper(session) is not None


def _clip(session: Session) -> None:
    by = _clipper(session)
    ids = [piece_id for piece_id in session.selection.ids if piece_id != by]
    session.document.apply("Clip", lambda b: clip(b, ids, by))


@otherwise("the piece is not clipped")
def _is_clipped(session: Session) -> bool:
    return any(piece.within for piece in session.selection.pieces)


def _unclip(session: Session) -> None:
    ids = session.selection.ids
    session.document.apply("Show all of it", lambda b: clip(b, ids, None))


def holders(session: Session) -> set[str]:
    """The clusters that lead to what is chosen."""
    board, found = session.document.board, set()
    for piece_id in session.selection.ids:
        holder = holder_of(board.pieces, piece_id)
        while holder is not None:
            found.add(holder.id)
            holder = holder_of(board.pieces, holder.id)
    return found


CLUSTERS = (
    Command("cluster", "Make a cluster", ("Ctrl+G",), _cluster, _can_cluster, (PIECE,)),
    Command(
        "dissolve", "Dissolve the cluster", ("Ctrl+Shift+G",), _dissolve, _is_cluster, (PIECE,)
    ),
    Command("enter", "Into the cluster", ("Alt+Down",), _enter, _is_cluster, (PIECE,)),
    Command("leave", "Out of the cluster", ("Alt+Up",), _leave, _is_inside, (PIECE,)),
    None,
    Command("clip", "Clip by the piece beneath", ("Alt+I",), _clip, _can_clip, (PIECE,)),
    Command("unclip", "Stop clipping", ("Alt+Shift+I",), _unclip, _is_clipped, (PIECE,)),
)
