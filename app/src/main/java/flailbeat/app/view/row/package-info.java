/** The rows over and under the bench: tabs, steps, values, the line that tells, the run row. */
package flailbeat.app.view.row;
