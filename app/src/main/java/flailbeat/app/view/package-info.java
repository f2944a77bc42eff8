/** The parts of the window; each shows some of the session and sends it what the person does. */
package flailbeat.app.view;
