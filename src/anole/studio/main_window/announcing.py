"""What the bar at the foot says of itself: what went wrong, what is read, what is being prepared."""

from __future__ import annotations

from PyQt6.QtCore import QObject, Qt, QTimer

from ...core.render.leaving_out import failing
from ..exchange.writing import Writing
from ..runtime.left_out import told
from ..runtime.troubles import TROUBLES, Event
from ..shared.session import Session

WARMING_MS = 700
"""A start that finds its kernels is too short to mention."""
MOST_NAMED = 3


class Announcing(QObject):
    """Says at the foot what nobody else says."""

    def __init__(self, session: Session, writing: Writing) -> None:
        super().__init__(session.document)
        self.session, self.status, self._writing = session, session.reading.status, writing
        session.document.said.connect(self.status.say)
        # queued, for it may have been caught amid painting, when nothing of a window may change
        TROUBLES.happened.connect(self._trouble, Qt.ConnectionType.QueuedConnection)  # type: ignore[call-arg]
        session.worker.warmed.connect(self._warmed)
        # the first start compiles kernels
        self._warming = QTimer(self)
        self._warming.setSingleShot(True)
        self._warming.timeout.connect(lambda: self._warmed(0.0))
        self._warming.start(WARMING_MS)
        if session.settings.trouble:
            self.status.say(session.settings.trouble)

    def _warmed(self, share: float) -> None:
        if share >= 1:
            self._warming.stop()
            if not self.status.progress.isHidden() and self._writing.job is None:
                self.status.fall_silent()
            return
        if not self._warming.isActive() and not self.status.says:
            message = "Preparing to draw; only the first start takes this long."
            self.status.show_progress(message, share)

    def fonts_skipped(self, troubles: list[str]) -> None:
        """Fonts of the system that cannot be used."""
        if troubles:
            rest = len(troubles) - MOST_NAMED
            more = f" and {rest} more" if rest > 0 else ""
            named = "; ".join(troubles[:MOST_NAMED])
            self.status.say(f"Fonts of this system that were skipped: {named}{more}")

    def _trouble(self, event: Event) -> None:
        trouble, board = event.trouble, self.session.document.board
        if event.part is not None:
            self.session.left_out.take(board, event.part)
            for part in failing(board, event.part):
                trouble = trouble._replace(message=told(part, event.error))
        self.status.say(*trouble)
