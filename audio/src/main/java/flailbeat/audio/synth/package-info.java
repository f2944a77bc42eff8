/** Rendering: the synthesizer, the player of plans, the click, the limiter. */
package flailbeat.audio.synth;
