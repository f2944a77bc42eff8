/** What every view of a session stands on. */
package flailbeat.app.view.base;
