"""What the window did without, because it does not wait for the helper, and has come meanwhile."""

from __future__ import annotations

from PyQt6.QtCore import QObject, Qt, pyqtSignal

from ...core.isolation import FETCHER
from ..documents.document import Document


class Arrivals(QObject):
    """All that shows the board asks again when a picture or artwork of it is there."""

    came = pyqtSignal()

    def __init__(self, document: Document) -> None:
        super().__init__(document)
        # told in the fetching thread
        self.came.connect(document.tell, Qt.ConnectionType.QueuedConnection)  # type: ignore[call-arg]
        self._told = self.came.emit
        FETCHER.listen(self._told)

    def stop(self) -> None:
        """The window closes."""
        FETCHER.forget(self._told)
