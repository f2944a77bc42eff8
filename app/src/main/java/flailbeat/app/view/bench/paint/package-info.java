/** What is drawn on the roll, its ruler and its rail. */
package flailbeat.app.view.bench.paint;
