/** The timing desk, part by part. */
package flailbeat.app.view.timing;
