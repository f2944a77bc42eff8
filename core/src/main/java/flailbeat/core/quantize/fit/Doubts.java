package flailbeat.core.quantize.fit;

/**
 * How sure each event's slot is.
 *
 * @param other the slot that is likeliest but for the one chosen
 * @param doubt the probability that another slot was meant, 0 to 1
 */
public record Doubts(int[] other, double[] doubt) {}
