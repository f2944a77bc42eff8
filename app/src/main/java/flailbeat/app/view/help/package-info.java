/** Shows the help texts. */
package flailbeat.app.view.help;
