package flailbeat.app.control;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import javafx.css.CssMetaData;
import javafx.css.SimpleStyleableDoubleProperty;
import javafx.css.StyleConverter;
import javafx.css.Styleable;
import javafx.css.StyleableDoubleProperty;
import javafx.css.StyleableObjectProperty;
import javafx.css.StyleableProperty;
import javafx.scene.layout.Region;
import javafx.scene.paint.Color;
import javafx.scene.text.Font;
import javafx.scene.text.FontWeight;

/**
 * The colours of the style sheet, for canvases: an unseen node of the scene to which the style
 * sheet gives every {@link Ink}. They are there once the scene has been styled.
 */
public final class Palette extends Region {
  /** A colour's name; in the style sheet {@code INK_SOFT} is {@code -fb-ink-soft}. */
  public enum Ink {
    PAPER,
    RAISED,
    SUNK,
    INK,
    INK_SOFT,
    RULE,
    RULE_STRONG,
    WHEAT,
    WHEAT_PALE,
    RECORD,
    EARLY,
    LATE,
    ROW_DARK,
    CAP,
    CAP_DARK,
    LEVEL,
    STEP,
    TRACK_1,
    TRACK_2,
    TRACK_3,
    TRACK_4,
    TRACK_5,
    TRACK_6,
    TRACK_7,
    TRACK_8;

    /** The colour of a track, by its place in the song from 0; after the last they begin anew. */
    public static Ink ofTrack(int index) {
      return values()[TRACK_1.ordinal() + index % (TRACK_8.ordinal() - TRACK_1.ordinal() + 1)];
    }
  }

  /** The size of texts that all others are given for. */
  private static final double ROOT_SIZE = 13;

  private static final CssMetaData<Palette, Number> TEXT_SIZE =
      new CssMetaData<>("-fb-text-size", StyleConverter.getSizeConverter(), ROOT_SIZE) {
        @Override
        public boolean isSettable(Palette palette) {
          return true;
        }

        @Override
        public StyleableProperty<Number> getStyleableProperty(Palette palette) {
          return palette.textSize;
        }
      };

  private static final List<CssMetaData<? extends Styleable, ?>> META = meta();

  private final Map<Ink, StyleableObjectProperty<Color>> colors = new EnumMap<>(Ink.class);
  private final Set<Ink> given = EnumSet.noneOf(Ink.class);
  private final List<Runnable> listeners = new ArrayList<>();
  private final StyleableDoubleProperty textSize =
      new SimpleStyleableDoubleProperty(TEXT_SIZE, this, "textSize", ROOT_SIZE);

  public Palette() {
    getStyleClass().add("palette");
    setManaged(false);
    setVisible(false);
    for (Ink ink : Ink.values()) {
      colors.put(ink, new Entry(this, ink));
    }
    textSize.addListener((property, before, now) -> listeners.forEach(Runnable::run));
  }

  /** A font for words that have so much room from above to below, whatever size is wanted. */
  public Font fitted(double size, double room) {
    return Font.font("Lato", Math.min(scaled(size), room));
  }

  /** How many times as large as usual texts are. */
  public double textScale() {
    return scaled(1);
  }

  /** A font for words on a canvas, of a size that is given for texts of 13 pixels. */
  public Font font(double size) {
    return Font.font("Lato", scaled(size));
  }

  /** The same in bold. */
  public Font bold(double size) {
    return Font.font("Lato", FontWeight.BOLD, scaled(size));
  }

  /** A font for figures on a canvas, in bold. */
  public Font figures(double size) {
    return Font.font("JetBrains Mono", FontWeight.BOLD, scaled(size));
  }

  /** As {@link #figures}, where there is so much room from above to below. */
  public Font fittedFigures(double size, double room) {
    return Font.font("JetBrains Mono", FontWeight.BOLD, Math.min(scaled(size), room));
  }

  private double scaled(double size) {
    return size * textSize.get() / ROOT_SIZE;
  }

  /** The colour; black until the scene has been styled. */
  public Color color(Ink ink) {
    return colors.get(ink).get();
  }

  /** The colour, more or less clear. */
  public Color color(Ink ink, double opacity) {
    return color(ink).deriveColor(0, 1, 1, opacity);
  }

  /** Calls back when a colour has changed, as it does with another style sheet. */
  public void onChange(Runnable listener) {
    listeners.add(listener);
  }

  /** The first styling gives all the colours one by one; nobody is told before they are there. */
  private void changed(Ink ink) {
    given.add(ink);
    if (given.size() == Ink.values().length) {
      listeners.forEach(Runnable::run);
    }
  }

  private static List<CssMetaData<? extends Styleable, ?>> meta() {
    List<CssMetaData<? extends Styleable, ?>> result =
        new ArrayList<>(Region.getClassCssMetaData());
    for (Ink ink : Ink.values()) {
      result.add(new Meta(ink));
    }
    result.add(TEXT_SIZE);
    return List.copyOf(result);
  }

  private static Meta metaOf(Ink ink) {
    return META.stream()
        .filter(m -> m instanceof Meta meta && meta.ink == ink)
        .map(Meta.class::cast)
        .findFirst()
        .orElseThrow();
  }

  @Override
  public List<CssMetaData<? extends Styleable, ?>> getCssMetaData() {
    return META;
  }

  private static final class Meta extends CssMetaData<Palette, Color> {
    private final Ink ink;

    Meta(Ink ink) {
      super(
          "-fb-" + ink.name().toLowerCase(Locale.ROOT).replace('_', '-'),
          StyleConverter.getColorConverter(),
          Color.BLACK);
      this.ink = ink;
    }

    @Override
    public boolean isSettable(Palette palette) {
      return true;
    }

    @Override
    public StyleableProperty<Color> getStyleableProperty(Palette palette) {
      return palette.colors.get(ink);
    }
  }

  private static final class Entry extends StyleableObjectProperty<Color> {
    private final Palette palette;
    private final Ink ink;

    Entry(Palette palette, Ink ink) {
      super(Color.BLACK);
      this.palette = palette;
      this.ink = ink;
    }

    @Override
    protected void invalidated() {
      get();
      palette.changed(ink);
    }

    @Override
    public Object getBean() {
      return palette;
    }

    @Override
    public String getName() {
      return ink.name();
    }

    @Override
    public CssMetaData<Palette, Color> getCssMetaData() {
      return metaOf(ink);
    }
  }
}
