/** The ids that clips, notes, controllers and tracks keep through every edit. */
package flailbeat.core.model.id;
