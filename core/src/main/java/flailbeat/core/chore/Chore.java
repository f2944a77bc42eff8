package flailbeat.core.chore;

import flailbeat.core.model.Note;
import flailbeat.core.pitch.OctaveNames;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.stream.Collectors;

/**
 * A chore of a person's own: a condition on notes, and what is done to those that meet it.
 *
 * @param when it is met where all terms of any of these lists hold: "and" binds closer than "or".
 *     Empty for every note. Each list has a term at least.
 * @param then what is done
 * @param amount the number that it goes by; 0 where it goes by none
 */
public record Chore(List<List<Term>> when, ChoreAction then, int amount) {
  /**
   * A chore.
   *
   * @throws IllegalArgumentException for what cannot be done, with a message for the person
   */
  public Chore {
    if (then == null) {
      throw new IllegalArgumentException("A chore says what it does");
    }
    List<List<Term>> sane = new ArrayList<>();
    for (List<Term> all : when == null ? List.<List<Term>>of() : when) {
      if (all == null || all.isEmpty() || all.stream().anyMatch(Objects::isNull)) {
        throw new IllegalArgumentException("Each part of a chore's condition says something");
      }
      sane.add(List.copyOf(all));
    }
    when = List.copyOf(sane);
    then.require(amount);
  }

  /** One to begin with: it marks what is soft. */
  public static Chore starting() {
    return new Chore(List.of(List.of(Term.starting(Measure.VELOCITY))), ChoreAction.MARK, 0);
  }

  public Chore withWhen(List<List<Term>> value) {
    return new Chore(value, then, amount);
  }

  /** Does something else, by the number that this begins with. */
  public Chore withThen(ChoreAction value) {
    return new Chore(when, value, value.standard());
  }

  public Chore withAmount(int value) {
    return new Chore(when, then, value);
  }

  /**
   * What it would do. O(n log n) for n notes.
   *
   * @param seed what chance is drawn from: the same gives the same
   */
  public Outcome outcome(Area area, long seed) {
    Draft draft = new Draft();
    OwnChoreRun doing = new OwnChoreRun(this, area, draft);
    List<List<Note>> met = new ArrayList<>();
    for (Area.Part part : area.parts()) {
      Measurer measuring = new Measurer(area, part, this, seed);
      List<Note> own = new ArrayList<>();
      for (int i = 0; i < part.notes().size(); i++) {
        if (meets(measuring, i)) {
          own.add(part.notes().get(i));
        }
      }
      met.add(own);
    }
    doing.doTo(met);
    return draft.outcome(area.song());
  }

  private boolean meets(Measurer measuring, int note) {
    if (when.isEmpty()) {
      return true;
    }
    for (List<Term> all : when) {
      boolean holds = true;
      for (int i = 0; holds && i < all.size(); i++) {
        holds = all.get(i).holds(measuring.of(all.get(i), note));
      }
      if (holds) {
        return true;
      }
    }
    return false;
  }

  /** It in plain words. */
  public String inWords(OctaveNames octaves) {
    String condition =
        when.stream()
            .map(
                all ->
                    all.stream().map(t -> t.inWords(octaves)).collect(Collectors.joining(" and ")))
            .collect(Collectors.joining(", or where "));
    return when.isEmpty()
        ? "For every note: " + then.title(amount) + "."
        : "Where " + condition + ": " + then.title(amount) + ".";
  }
}
