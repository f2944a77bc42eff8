/** How to quantize, what it would do, and the commands that do it. */
package flailbeat.core.session.timing;
