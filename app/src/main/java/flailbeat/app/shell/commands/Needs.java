package flailbeat.app.shell.commands;

import flailbeat.app.command.Need;
import flailbeat.core.session.Session;
import java.util.function.BooleanSupplier;

/** What commands need of the song, each said in one way. */
final class Needs {
  private final Session session;

  Needs(Session session) {
    this.session = session;
  }

  private Need hand(BooleanSupplier isMet, String otherwise) {
    return new Need(isMet, otherwise, true);
  }

  /** Any notes on the chosen track. */
  Need notes() {
    return hand(
        () -> session.document().track().noteCount() > 0,
        "no notes on this track: play, draw or step some in first");
  }

  /** Notes in hand: selected ones or, with none selected, those of the chosen clip. */
  Need notesInHand() {
    return hand(this::hasNotesInHand, "no notes in hand: select some, or choose a clip with notes");
  }

  private boolean hasNotesInHand() {
    return !session.document().scope().notes().isEmpty();
  }

  private boolean hasSelection() {
    return !session.document().scope().selected().notes().isEmpty();
  }

  /** Notes in hand, or clips where these are meant. */
  Need inHandOrClips() {
    return hand(
        orClips(this::hasNotesInHand), "nothing in hand: select notes, or choose a clip first");
  }

  /** Any notes on the track, or clips where these are meant. */
  Need notesOrClips() {
    return hand(orClips(notes().isMet()), "nothing is here yet: play, draw or step some in first");
  }

  /** Selected notes, or clips where these are meant. */
  Need selected() {
    return hand(orClips(this::hasSelection), "select notes or clips first");
  }

  /** Selected notes, clips or points of a controller. */
  Need selectedOfAnyKind() {
    return hand(
        orClips(() -> hasSelection() || !session.document().selection().controls().isEmpty()),
        "select notes, clips or points of a lane first");
  }

  /** Clips that are chosen. */
  Need clips() {
    return Need.of(() -> !session.clips().choice().meant().isEmpty(), "choose a clip first");
  }

  /** It means clips on the large map, and notes elsewhere. */
  private BooleanSupplier orClips(BooleanSupplier notes) {
    return () ->
        session.clips().choice().areMeant()
            ? !session.clips().choice().meant().isEmpty()
            : notes.getAsBoolean();
  }
}
