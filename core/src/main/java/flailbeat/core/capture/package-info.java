/** What a recording gathers while it runs. */
package flailbeat.core.capture;
