/** Small controls that know nothing of the session: values in, callbacks out. */
package flailbeat.app.control;
