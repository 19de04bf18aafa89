// Package pack knows where things can lie on a board. A Zone is the board made ready for questions of room; a Problem
// is a tray with what its elements are to each other; a Layout is what lies so far. Two kinds of bodies share a tray:
// rigid ones, which are parted where they stand in each other, and loose particles, which fill the regions that are
// left and settle until they touch. On these stand what a hand needs: Put, Carry, MakeRoom, GiveWay. What a good
// layout is, package search decides; this package sees to it that it is one.
package pack
