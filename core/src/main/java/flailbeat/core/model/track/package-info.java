/** What is set for a track beside its sound and its clips. */
package flailbeat.core.model.track;
