/** What a person has set, kept from one time to the next. */
package flailbeat.core.session.settings;
