/** The song map: all tracks over the whole song. */
package flailbeat.app.view.map;
