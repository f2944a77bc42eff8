package flailbeat.core.session;

import static org.assertj.core.api.Assertions.assertThat;

import flailbeat.core.capture.RecordingMode;
import flailbeat.core.chore.Cleanup;
import flailbeat.core.chore.Reach;
import flailbeat.core.demo.HarbourLamps;
import flailbeat.core.edit.NoteRule;
import flailbeat.core.edit.Selection;
import flailbeat.core.edit.SongEdits;
import flailbeat.core.edit.clips.ClipMoves;
import flailbeat.core.edit.clips.ClipShapes;
import flailbeat.core.edit.clips.ClipShapes.Beyond;
import flailbeat.core.edit.clips.Landing;
import flailbeat.core.edit.notes.NoteMove;
import flailbeat.core.edit.notes.NoteTools;
import flailbeat.core.edit.shapes.ControlEdits;
import flailbeat.core.edit.shapes.PedalBars;
import flailbeat.core.event.Performed;
import flailbeat.core.harmony.BrokenChords;
import flailbeat.core.harmony.ChordFault;
import flailbeat.core.harmony.ChordParser;
import flailbeat.core.harmony.SongChords;
import flailbeat.core.keys.KeysMode;
import flailbeat.core.keys.PhysicalKey;
import flailbeat.core.model.Clip;
import flailbeat.core.model.Song;
import flailbeat.core.model.Track;
import flailbeat.core.model.control.Controller;
import flailbeat.core.model.id.ClipId;
import flailbeat.core.model.id.TrackId;
import flailbeat.core.model.sound.Instrument;
import flailbeat.core.model.sound.Mix.Dial;
import flailbeat.core.session.bench.NoteActions;
import flailbeat.core.session.bench.StepEntry;
import flailbeat.core.session.hands.Performer;
import flailbeat.core.session.harmony.ChordActions;
import flailbeat.core.session.harmony.TypedChords.Rhythm;
import flailbeat.core.session.map.ClipActions;
import flailbeat.core.session.run.RunControl;
import flailbeat.core.step.StepLength;
import flailbeat.core.time.NoteValue;
import flailbeat.core.time.Tempo;
import flailbeat.core.time.TickRange;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.Set;

/** Someone who does anything that there is to do, in any order. */
public final class RandomPerson {
  private static final long MS = 1_000_000;
  private static final PhysicalKey[] KEYS = {
    PhysicalKey.A, PhysicalKey.S, PhysicalKey.D, PhysicalKey.F, PhysicalKey.G, PhysicalKey.W
  };

  private long nowMs = 1000;
  private final FakePlayer player = new FakePlayer(() -> nowMs * MS);
  private final Session session = new Session(() -> nowMs * MS, player);
  private final List<String> done = new ArrayList<>();

  /** What is used. */
  public Session session() {
    return session;
  }

  FakePlayer player() {
    return player;
  }

  /** What was done since a song was opened, by numbers. */
  public List<String> done() {
    return done;
  }

  /** Opens a song, and begins anew. */
  public void open(Random random) {
    done.clear();
    session.open(random.nextBoolean() ? HarbourLamps.song() : Song.empty(), Optional.empty());
  }

  /** Lets go of all that is held. */
  void letGo() {
    session.run().stop();
    session.performer().releaseAll(nowMs * MS);
    session.performer().releaseDevice(nowMs * MS);
    session.performer().modulationOff();
    pass(500);
  }

  /** Lets time go by. */
  public void pass(int ms) {
    for (int i = 0; i < ms; i += 16) {
      nowMs += 16;
      session.tick();
    }
  }

  /** Does one thing. */
  public void act(Random random) {
    int kind = random.nextInt(42);
    done.add(String.valueOf(kind));
    RunControl runControl = session.runControl();
    PhysicalKey key = KEYS[random.nextInt(KEYS.length)];
    switch (kind) {
      case 0, 1, 2, 3 -> session.performer().press(key, nowMs * MS);
      case 4, 5 -> session.performer().release(key, nowMs * MS);
      case 6 -> session.run().recordOrStop();
      case 7 -> session.run().playOrStop();
      case 8 -> session.editing().undo();
      case 9 -> session.editing().redo();
      case 10 -> session.run().dropLastPass();
      case 11 -> player.stepBack(random.nextInt(-60, 90) * MS);
      case 12 -> session.run().sweep(random.nextBoolean());
      case 13 -> {
        long start = random.nextInt(4) * 3840L;
        session.run().loop(new TickRange(start, start + 3840L * (1 + random.nextInt(2))));
      }
      case 14 -> session.run().toggleLoop();
      case 15 ->
          runControl.setRecordSettings(
              runControl
                  .recordSettings()
                  .withMode(RecordingMode.values()[random.nextInt(3)])
                  .withQuantize(random.nextBoolean()));
      case 16 -> move(random);
      case 17 ->
          session
              .editing()
              .edit("Tempo", s -> SongEdits.setTempo(s, Tempo.ofBpm(60 + random.nextInt(200))));
      case 18 -> session.quantizing().quantize();
      case 19 -> runControl.setRepeat(random.nextBoolean(), NoteValue.straight(16));
      case 20 -> session.editing().stepTake(1);
      case 21 -> session.keysSwitch().set(KeysMode.values()[random.nextInt(3)]);
      case 22, 23, 24 -> step(random);
      case 26, 27 -> clip(random);
      case 28, 29 -> device(random);
      case 30, 38, 39 -> tracks(random);
      case 31 -> {
        if (random.nextInt(4) == 0) {
          session.open(HarbourLamps.song(), Optional.empty());
        }
      }
      case 40, 41 -> chords(random);
      case 32 -> chore(random);
      case 33 -> controllers(random);
      case 34 -> notes(random);
      case 35 -> session.run().keepPhrase();
      case 36 -> {
        if (random.nextInt(3) == 0) {
          session.run().panic();
          assertThat(player.sounding).as("%s", done).isEmpty();
        }
      }
      case 37 -> session.performer().sustain(random.nextBoolean(), nowMs * MS);
      default -> {
        if (random.nextBoolean()) {
          session.run().compareRounds();
        } else {
          session.run().calibrate();
        }
      }
    }
  }

  /** A clip loops, is shortened, or moved. */
  private void clip(Random random) {
    List<Clip> clips = session.document().track().clips();
    if (clips.isEmpty()) {
      return;
    }
    ClipId id = clips.get(random.nextInt(clips.size())).id();
    if (random.nextBoolean()) {
      session.document().chooseClip(id);
      clipCommand(random);
      return;
    }
    long length = 1 + random.nextLong(4 * 3840);
    session
        .editing()
        .edit(
            "Clip",
            s ->
                switch (random.nextInt(9)) {
                  case 5, 6 ->
                      ClipMoves.copy(
                          s, Set.of(id), random.nextLong(-8000, 8000), 0, true, Landing.OVER);
                  case 7 ->
                      ClipShapes.traits(s, Set.of(id), t -> t.withTranspose(random.nextInt(9) - 4));
                  case 8 -> ClipShapes.unlink(s, Set.of(id));
                  case 0 -> ClipShapes.loop(s, id, 240 + random.nextLong(3840), length);
                  case 1 -> ClipShapes.resize(s, id, length);
                  case 2 -> ClipMoves.copy(s, Set.of(id), random.nextLong(-8000, 8000), 0);
                  case 3 -> ClipShapes.split(s, Set.of(id), random.nextLong(20_000));
                  default -> ClipMoves.move(s, Set.of(id), random.nextLong(-8000, 8000), 0);
                });
  }

  private void clipCommand(Random random) {
    ClipActions clips = session.clips();
    switch (random.nextInt(14)) {
      case 0 -> clips.choice().selectTrack();
      case 1 -> clips.repeat(1 + random.nextInt(3), random.nextBoolean());
      case 2 -> clips.moveBars(random.nextInt(5) - 2);
      case 3 -> clips.move(random.nextInt(4000), random.nextInt(3) - 1, Landing.PUSH);
      case 4 -> clips.firstNoteToBar();
      case 5 -> clips.lengthen(random.nextInt(5) - 2, Beyond.LOOP);
      case 6 -> clips.splitAtBars();
      case 7 -> clips.join();
      case 8 -> clips.swap();
      case 9 -> clips.traits().settle();
      case 10 -> clips.cut();
      case 11 -> clips.paste();
      case 12 -> clips.traits().toggleMuted();
      default -> session.document().select(Selection.NONE);
    }
  }

  private void device(Random random) {
    Performer performer = session.performer();
    long now = nowMs * MS;
    switch (random.nextInt(6)) {
      case 0 -> performer.pressOnDevice(60 + random.nextInt(5), 90, now);
      case 1 -> performer.releaseOnDevice(60 + random.nextInt(5), now);
      case 2, 3 ->
          performer.moveOnDevice(
              new Performed.Control(now, random.nextBoolean() ? 64 : 1, random.nextInt(128)));
      case 4 -> performer.moveOnDevice(new Performed.Bend(now, random.nextInt(16384)));
      default -> performer.moveOnDevice(new Performed.Pressure(now, random.nextInt(128)));
    }
  }

  private void tracks(Random random) {
    List<Track> tracks = session.song().tracks();
    TrackId any = tracks.get(random.nextInt(tracks.size())).id();
    switch (random.nextInt(18)) {
      case 0 -> session.tracks().add(Instrument.melodic(random.nextInt(128)));
      case 1 -> session.tracks().remove();
      case 2 -> session.tracks().duplicate(any, random.nextBoolean());
      case 3 -> session.tracks().move(random.nextInt(5) - 2);
      case 4 -> session.tracks().group(any);
      case 5 -> session.tracks().fold(any);
      case 6 -> session.tracks().transpose(any, random.nextInt(30) - 15);
      case 7 -> session.tracks().sound(any, new Instrument(40, random.nextBoolean()));
      case 8 -> session.sounds().open();
      case 9 -> session.sounds().step(random.nextInt(5) - 2);
      case 10 -> session.sounds().keep();
      case 11 -> session.sounds().hearPhrase();
      case 12 -> session.dials().turn(any, Dial.values()[random.nextInt(7)], random.nextInt(128));
      case 13 -> session.dials().letGo();
      case 14 -> session.tracks().arm(any);
      case 15 -> session.tracks().soloAlone(any);
      default -> session.document().chooseTrack(tracks.get(random.nextInt(tracks.size())).id());
    }
  }

  private void chords(Random random) {
    ChordActions chords = session.chords().actions();
    switch (random.nextInt(17)) {
      case 0, 1 -> chords.invert(random.nextBoolean() ? 1 : -1);
      case 2 -> chords.drop(2 + random.nextInt(2));
      case 3 -> chords.open();
      case 4 -> chords.close();
      case 5 -> chords.lead();
      case 6 -> chords.addBass();
      case 7 -> chords.removeBass();
      case 8 -> chords.strum(random.nextInt(400), random.nextBoolean(), random.nextBoolean());
      case 9 -> chords.breakUp(BrokenChords.Order.values()[random.nextInt(3)]);
      case 10 -> session.drawing().takeStencil();
      case 11 -> chords.breakByStencil();
      case 12 -> chords.nextName();
      case 13 -> chords.takeKey();
      case 14 -> chords.underHands();
      case 15 -> chords.say(random.nextInt(8) * 1920L, ChordParser.parse("Gm7/C"));
      default -> typeChords(random);
    }
    assertThat(session.chords().harmony().found())
        .as("%s", done)
        .isEqualTo(new SongChords().find(session.song(), Optional.empty()));
  }

  private void typeChords(Random random) {
    Rhythm rhythm = Rhythm.values()[random.nextInt(Rhythm.values().length)];
    try {
      session.chords().typed().type("Dm7 G13 | % | C/E / F#m7b5", rhythm, random.nextBoolean());
    } catch (ChordFault e) {
      throw new AssertionError(String.valueOf(done), e);
    } catch (IllegalArgumentException e) {
      // A kit, or no stencil: said, and nothing is other.
      done.add(e.getMessage());
    }
  }

  private void chore(Random random) {
    session.chores().setReach(Reach.values()[random.nextInt(Reach.values().length)]);
    session.chores().tryOut(Cleanup.values()[random.nextInt(Cleanup.values().length)]);
    session.chores().carryOut();
  }

  private void controllers(Random random) {
    TrackId track = session.document().track().id();
    long start = random.nextLong(12_000);
    TickRange range = new TickRange(start, start + 2 + random.nextLong(6000));
    Controller of = random.nextBoolean() ? Controller.SUSTAIN : Controller.EXPRESSION;
    session
        .editing()
        .edit(
            "Controller",
            s ->
                switch (random.nextInt(4)) {
                  case 0 -> PedalBars.drawn(track, Controller.SUSTAIN, range).apply(s);
                  case 1 -> ControlEdits.erase(s, track, of, range);
                  case 2 -> ControlEdits.move(s, track, of, range, random.nextLong(-5000, 5000));
                  default -> ControlEdits.copy(s, track, of, range, random.nextLong(12_000));
                });
  }

  private void notes(Random random) {
    session.document().select(random.nextBoolean() ? NoteRule.ALL : new NoteRule.Softer(80));
    NoteActions notes = session.notes();
    switch (random.nextInt(7)) {
      case 0 -> notes.apply("Legato", NoteTools::legato);
      case 1 -> notes.moveDegrees(random.nextInt(5) - 2);
      case 2 -> notes.splitAtLines();
      case 3 -> notes.duplicate();
      case 4 -> notes.copy();
      case 5 -> notes.paste();
      default -> notes.apply("Join", NoteTools::join);
    }
  }

  private void step(Random random) {
    StepEntry steps = session.steps();
    switch (random.nextInt(12)) {
      case 0, 1 -> steps.advance();
      case 2 -> steps.back();
      case 3 -> steps.remove();
      case 4 -> steps.repeatLast();
      case 5 -> steps.tie();
      case 6 -> steps.chooseLength(StepLength.of(1 << random.nextInt(7)));
      case 7 -> steps.changeLength(StepLength::dotted);
      case 8 -> steps.moveToLine(random.nextBoolean() ? 1 : -1);
      case 9 -> steps.moveTo(random.nextLong(20_000));
      case 10 -> steps.fill();
      default ->
          steps.set(
              steps
                  .settings()
                  .withAdds(random.nextBoolean())
                  .withFindsFirst(random.nextBoolean())
                  .withOntoRhythm(random.nextInt(3) == 0)
                  .withWraps(random.nextBoolean()));
    }
  }

  private void move(Random random) {
    session.document().select(NoteRule.ALL);
    NoteMove move =
        new NoteMove(
            session.document().selection().notes(),
            random.nextLong(-20_000, 20_000),
            random.nextInt(5) - 2);
    session.editing().edit(move.label(), move);
  }
}
