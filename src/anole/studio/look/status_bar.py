"""The bar at the foot: what happened, what went wrong, long work with its Cancel, and questions."""

from __future__ import annotations

from collections.abc import Callable, Sequence

from PyQt6.QtCore import QEvent, Qt, pyqtSignal
from PyQt6.QtGui import QEnterEvent
from PyQt6.QtWidgets import (
    QApplication,
    QHBoxLayout,
    QLabel,
    QProgressBar,
    QPushButton,
    QVBoxLayout,
    QWidget,
)

from ..runtime.lifetimes import discard
from .plain import Label


def nothing() -> None:
    """What is done where nothing is."""


Answers = Sequence[tuple[str, Callable[[], object]]]


def _text(name: str) -> QLabel:
    text = Label()
    text.setWordWrap(True)
    text.setAccessibleName(name)
    return text


def _row(*parts: QWidget) -> tuple[QWidget, QHBoxLayout]:
    widget = QWidget()
    row = QHBoxLayout(widget)
    row.setContentsMargins(16, 5, 14, 5)
    for number, part in enumerate(parts):
        row.addWidget(part, 1 if number == 0 else 0)
    return widget, row


class Answer(QPushButton):
    """`pointed`: whether the pointer is over it, for answers that can be looked at first."""

    pointed = pyqtSignal(bool)

    def enterEvent(self, event: QEnterEvent | None) -> None:
        super().enterEvent(event)
        self.pointed.emit(True)

    def leaveEvent(self, event: QEvent | None) -> None:
        super().leaveEvent(event)
        self.pointed.emit(False)


class StatusBar(QWidget):
    """A question stays until it is answered; messages come and go beneath it."""

    def __init__(self) -> None:
        super().__init__()
        self.setObjectName("bar")
        self.setAttribute(Qt.WidgetAttribute.WA_StyledBackground)
        self.text, self.question, self.progress = (
            _text("Message"),
            _text("Question"),
            QProgressBar(),
        )
        self.progress.setFixedWidth(220)
        self.progress.setRange(0, 1000)
        self.stop, self.shut = QPushButton("Cancel"), QPushButton("Close")
        self.copy = QPushButton("Copy details")
        self.copy.setToolTip("Copy what a maintainer needs to find the cause")
        self._details = ""
        self._cancel: Callable[[], object] = nothing
        self.answers: list[Answer] = []
        self._asking, self._answer_row = _row(self.question)
        self._saying, _ = _row(self.text, self.progress, self.copy, self.stop, self.shut)
        column = QVBoxLayout(self)
        column.setContentsMargins(0, 0, 0, 0)
        column.setSpacing(0)
        column.addWidget(self._asking)
        column.addWidget(self._saying)
        self.stop.clicked.connect(lambda: self._cancel())
        self.shut.clicked.connect(self.fall_silent)
        self.copy.clicked.connect(self._copy)
        self._asking.hide()
        self._saying.hide()
        self.hide()

    def say(self, message: str, details: str = "") -> None:
        """A message; with details, for a maintainer, a button copies those."""
        self.text.setText(message)
        self._details = details
        self._show(self.shut, *([self.copy] if details else []))

    def show_progress(
        self, message: str, share: float | None, cancel: Callable[[], object] | None = None
    ) -> None:
        """Long work: the share that is done, None where nobody knows, and how it is cancelled."""
        self.text.setText(message)
        self.progress.setRange(0, 0 if share is None else 1000)
        self.progress.setValue(round((share or 0) * 1000))
        self._cancel = cancel or nothing
        self._show(self.progress, *([self.stop] if cancel else []))

    def _show(self, *parts: QWidget) -> None:
        for part in (self.progress, self.copy, self.stop, self.shut):
            part.setVisible(part in parts)
        self._saying.show()
        self.show()

    @property
    def says(self) -> bool:
        """Whether a message is there to be read."""
        return not self._saying.isHidden() and self.progress.isHidden()

    def fall_silent(self) -> None:
        """Take the message away; a question stays."""
        self._saying.hide()
        self.setVisible(bool(self.answers))

    def ask(self, question: str, answers: Answers) -> None:
        """Ask in place of an earlier question; the last answer, also on Esc, changes nothing."""
        self._clear()
        self.question.setText(question)
        for label, then in answers:
            button = Answer(label)
            button.clicked.connect(lambda _=False, then=then: self._answered(then))
            self._answer_row.addWidget(button)
            self.answers.append(button)
        self.answers[0].setObjectName("main")
        self._asking.show()
        self.show()
        self.answers[0].setFocus()

    @property
    def asks(self) -> bool:
        """Whether a question waits."""
        return bool(self.answers)

    def escape(self) -> None:
        """Give the answer that changes nothing, or take the message away."""
        if self.answers:
            self.answers[-1].click()
        else:
            self.fall_silent()

    def _answered(self, then: Callable[[], object]) -> None:
        self._clear()
        then()

    def _clear(self) -> None:
        for button in self.answers:
            discard(button)
        self.answers = []
        self._asking.hide()
        self.setVisible(not self._saying.isHidden())

    def _copy(self) -> None:
        clipboard = QApplication.clipboard()
        if clipboard is not None:
            clipboard.setText(self._details)
