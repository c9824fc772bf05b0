/** Picture files turned into pixels, safely: nothing is decoded that claims to be larger than any office picture. */
package app.decant.picture;
