package flailbeat.app.view.page;

import flailbeat.app.control.Buttons;
import flailbeat.app.control.EntryField;
import flailbeat.app.control.Form;
import flailbeat.app.control.Menus;
import flailbeat.app.view.row.StepStrip;
import flailbeat.core.chore.ByNumber;
import flailbeat.core.chore.Chore;
import flailbeat.core.chore.ChoreAction;
import flailbeat.core.chore.Measure;
import flailbeat.core.chore.Relation;
import flailbeat.core.chore.Term;
import flailbeat.core.pitch.OctaveNames;
import flailbeat.core.session.Session;
import flailbeat.core.session.chores.ChoreTrial;
import flailbeat.core.session.person.Named;
import java.util.ArrayList;
import java.util.List;
import java.util.function.UnaryOperator;
import java.util.stream.Stream;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.MenuButton;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/**
 * Puts a chore together from plain words: conditions, one below the other, and what is done to the
 * notes that meet them. Whatever is changed is shown on the bench at once.
 */
final class ChoreComposer extends VBox {
  private static final double GAP = 4;
  private static final int VALUE_COLUMNS = 4;

  private final Session session;
  private final ChoreTrial chores;
  private final Runnable back;
  private final EntryField name;
  private final VBox conditions = new VBox(GAP);
  private final MenuButton does = Menus.button("chore-does", "What is done to each note");
  private final EntryField amount;
  private final Label words = Form.remark("");
  private final Button forget;
  private Chore chore = Chore.starting();
  private String givenName = "";
  private String keptAs = "";

  ChoreComposer(Session session, Runnable back) {
    super(GAP);
    this.session = session;
    this.chores = session.chores();
    this.back = back;
    setId("chore-composer");
    name = new EntryField("chore-name", 12, "What it is called", this::setName);
    for (ChoreAction each : ChoreAction.values()) {
      does.getItems().add(Menus.item(titleOf(each), () -> set(chore.withThen(each))));
    }
    does.setMaxWidth(Double.MAX_VALUE);
    HBox.setHgrow(does, Priority.ALWAYS);
    amount =
        Form.number("chore-amount", "The number that it goes by", n -> set(chore.withAmount(n)));
    words.setId("chore-words");
    Button tryIt =
        Buttons.text("Try", "Show again what it would do", () -> chores.tryOut(givenName, chore));
    tryIt.setId("chore-try");
    Button keep = Buttons.text("Keep", "In your settings, for every song", this::keep);
    keep.setId("chore-keep");
    keep.getStyleClass().add("primary");
    forget = Buttons.text("Forget", "Take it out of your settings", this::forget);
    forget.setId("chore-forget");
    Button close = Buttons.text("Back", "To the list", this::close);
    close.setId("chore-back");
    getChildren()
        .addAll(
            Form.row("Name", name),
            Form.heading("Notes where"),
            conditions,
            Form.heading("Then"),
            new HBox(GAP, does, amount),
            words,
            new HBox(6, keep, tryIt, close, forget));
  }

  /** Opens a chore, to be changed. */
  void open(String called, Chore value) {
    givenName = called;
    keptAs = called;
    set(value);
  }

  private void setName(String text) {
    givenName = Named.nameOf(text);
    set(chore);
  }

  private void set(Chore value) {
    chore = value;
    chores.tryOut(givenName, chore);
    refresh();
  }

  private static String titleOf(ChoreAction each) {
    return each.title().replace(ByNumber.MARK, "\u2026");
  }

  private void refresh() {
    name.show(givenName);
    List<List<Term>> when = chore.when();
    conditions.getChildren().clear();
    for (int i = 0; i < when.size(); i++) {
      if (i > 0) {
        conditions.getChildren().add(StepStrip.label("or where"));
      }
      for (int j = 0; j < when.get(i).size(); j++) {
        conditions.getChildren().add(new TermRow(i, j));
      }
      conditions.getChildren().add(more(i));
    }
    if (when.isEmpty()) {
      conditions.getChildren().addAll(Form.remark("Every note."), more(0));
    }
    does.setText(titleOf(chore.then()));
    Form.show(amount, chore.then().hasAmount());
    amount.show(String.valueOf(chore.amount()));
    words.setText(ChoreTrial.inWords(chore));
    Form.show(forget, !keptAs.isEmpty());
  }

  /** What adds a condition to those of a group or, behind the last, another group. */
  private HBox more(int group) {
    HBox row = new HBox(GAP);
    boolean none = chore.when().isEmpty();
    Button and =
        Buttons.text(
            none ? "Add a condition" : "and\u2026",
            "Another condition, which must hold as well",
            () -> change(group, terms -> terms.add(fresh(terms))));
    and.setId("chore-and-" + group);
    and.getStyleClass().add("small");
    row.getChildren().add(and);
    if (!none && group == chore.when().size() - 1) {
      Button or =
          Buttons.text(
              "or\u2026",
              "Other conditions, which may hold instead",
              () -> change(group + 1, terms -> terms.add(fresh(terms))));
      or.setId("chore-or");
      or.getStyleClass().add("small");
      row.getChildren().add(or);
    }
    return row;
  }

  /** A condition on what the others of its group do not look at yet. */
  private static Term fresh(List<Term> terms) {
    return Stream.concat(Stream.of(Measure.VELOCITY), Stream.of(Measure.values()))
        .filter(m -> terms.stream().noneMatch(t -> t.of() == m))
        .findFirst()
        .map(Term::starting)
        .orElseGet(() -> Term.starting(Measure.VELOCITY));
  }

  private interface Changing {
    void apply(List<Term> terms);
  }

  /** Changes the conditions of a group; one that is left without any goes. */
  private void change(int group, Changing changing) {
    List<List<Term>> all = new ArrayList<>(chore.when());
    if (group == all.size()) {
      all.add(List.of());
    }
    List<Term> terms = new ArrayList<>(all.get(group));
    changing.apply(terms);
    all.set(group, terms);
    all.removeIf(List::isEmpty);
    set(chore.withWhen(all));
  }

  private void keep() {
    if (givenName.isEmpty()) {
      session.notices().tell("Give the chore a name first");
      name.edit();
      return;
    }
    boolean taken = !givenName.equals(keptAs) && chores.own().all().containsKey(givenName);
    if (taken) {
      session.notices().warn("Another chore has this name: give it one of its own");
      name.edit();
      return;
    }
    chores.own().keep(givenName, chore);
    if (!keptAs.isEmpty() && !keptAs.equals(givenName)) {
      chores.own().remove(keptAs);
    }
    keptAs = givenName;
    session.notices().tell("Kept: " + givenName);
    back.run();
  }

  private void forget() {
    chores.own().remove(keptAs);
    session.notices().tell("Forgotten: " + keptAs);
    close();
  }

  private void close() {
    chores.leave();
    back.run();
  }

  /** One condition, in two lines: what is measured, and how it compares. */
  private final class TermRow extends VBox {
    private final int group;
    private final int index;
    private final Term term;

    TermRow(int group, int index) {
      super(2);
      this.group = group;
      this.index = index;
      this.term = chore.when().get(group).get(index);
      String at = group + "-" + index;
      getStyleClass().add("term");
      MenuButton of = Menus.button("term-of-" + at, "What of a note is looked at");
      for (Measure each : Measure.values()) {
        of.getItems().add(Menus.item(each.title(), () -> give(t -> Term.starting(each))));
      }
      of.setText(term.of().title());
      of.setMaxWidth(Double.MAX_VALUE);
      HBox.setHgrow(of, Priority.ALWAYS);
      Button away =
          Buttons.text(
              "\u00d7",
              "Without this condition",
              () -> change(group, terms -> terms.remove(index)));
      away.setId("term-away-" + at);
      away.getStyleClass().add("small");
      HBox first = new HBox(GAP, of, away);
      if (index > 0) {
        first.getChildren().addFirst(StepStrip.label("and"));
      }
      first.setAlignment(Pos.CENTER_LEFT);
      getChildren().addAll(first, comparison(at));
    }

    private HBox comparison(String at) {
      MenuButton not = Menus.button("term-not-" + at, "Whether it holds, or does not");
      not.getItems()
          .addAll(
              Menus.item("is", () -> give(t -> with(t, false, t.is()))),
              Menus.item("is not", () -> give(t -> with(t, true, t.is()))));
      not.setText(term.not() ? "is not" : "is");
      HBox row = new HBox(GAP, not);
      row.setAlignment(Pos.CENTER_LEFT);
      if (term.of() != Measure.CHANCE) {
        MenuButton is = Menus.button("term-is-" + at, "How it compares");
        for (Relation each : Relation.values()) {
          is.getItems().add(Menus.item(each.title(), () -> give(t -> with(t, t.not(), each))));
        }
        is.setText(term.is().title());
        row.getChildren().add(is);
      }
      row.getChildren().add(value("term-from-" + at, term.from(), true));
      if (term.is() == Relation.BETWEEN) {
        row.getChildren().addAll(StepStrip.label("to"), value("term-to-" + at, term.to(), false));
      }
      row.getChildren().add(StepStrip.label(term.of().unit()));
      return row;
    }

    private EntryField value(String id, double value, boolean lower) {
      EntryField field =
          new EntryField(
              id,
              VALUE_COLUMNS,
              "Another value",
              typed -> {
                double wanted = Term.parse(term.of(), typed, OctaveNames.MIDDLE_C4);
                give(
                    t ->
                        lower
                            ? new Term(t.of(), t.not(), t.is(), wanted, t.to())
                            : new Term(t.of(), t.not(), t.is(), t.from(), wanted));
              });
      field.show(term.text(value, OctaveNames.MIDDLE_C4));
      return field;
    }

    private static Term with(Term t, boolean not, Relation is) {
      return new Term(t.of(), not, is, t.from(), Math.max(t.from(), t.to()));
    }

    private void give(UnaryOperator<Term> wanted) {
      Term made = wanted.apply(term);
      change(group, terms -> terms.set(index, made));
    }
  }
}
