/** The keys as they lie under the hands. */
package flailbeat.app.view.deck;
