/** Words to practise with: everyday ones and those of a workshop, so that every letter of English comes often enough. */
export const ownWords: string[] =
  `the and for are but not you all any can had her was one our out day get has him his how man new now old see two way who boy did its let put say she too use
about above after again along always among another around asked away back because become before began begin being below best better between board both bring
build bench call came carry change close come could count cover cross cut draw drill drop each early earth edge every eye face fact fall family far feel feet
field file fill find finger first fit five fix follow food foot form found four free from front full gave give glass going good grain grip group grow guide
hand hard have head hear heat help here high hold hole home hot hour house idea iron join joint jump just keep kept key kind knew knob know lamp large last later
layer lead learn least leave left less level life lift light like line list little live load long look low made main make many mark matter maybe mean measure metal might
mile mind minute miss more morning most mount mouth move much must name near need never next nice night nine noise north note number object oil once only open order other
over own pack page paint pair panel paper part pass path pattern people pick piece pin place plain plan plant plate play point post power press price pull push quick quiet quite
quart quilt rail rain reach read ready real rest right ring river road room round row rule run saddle said same sand saw school screw sea second seem sent seven shape sharp shelf short should
show side sign silver simple since six size sky slide slow small smooth soft solder some song soon sound south space spare speak spring square stand start state steel step stick still stop story straight street strong
study such sure switch table take talk teach tell ten thank them then there these thick thin thing think third this those thread three through thumb tide time tin tiny today together told tool touch toward town trace tray tree true try turn
under until upon usual value vane vary verb very voice vow walk wall want warm wash watch water wave week weight well went were west what wheel when where which while white wide wind window wire wish with without wood word work world worn would write wrong
yard year yellow yes yet young your zero zinc zone axle axis box exact extra fix fox index mix next six tax text wax jam jar jaw jet jig job jog joke judge juice jury justice lazy size prize frozen hazel maze quay query quest quota equal squid
bevel bobbin buckle cable carve chisel clamp clock coil copper cork crank dial dowel felt flux gauge hinge jack knurl lathe ledge lever loom magnet mallet mesh notch panel pivot plank pulley quarry rasp rivet roller sleeve socket spool staple strap thimble valve vice wedge weave width winch wrench yarn`
    .split(/\s+/)
    .filter((word, nth, all) => word !== "" && all.indexOf(word) === nth);

/** Passages of our own, to measure by. */
export const ownPassages: string[] = [
  "The loom stands by the north window where the light stays even all day. She counts the threads twice, ties the first knot, and the pattern begins to grow under her hands.",
  "Before you solder a joint, look at it. Clean metal, a warm tip, a little flux: the tin flows by itself and leaves a small bright hill. If it stays a grey ball, do it again.",
  "A good knob has weight. It turns without a sound, stops where you leave it, and tells the finger by a small click that one step is done and the next may come.",
  "They found the loose wire after two evenings. It sat just so that every press of the third key shook it, and every look at it with the lid off made it behave.",
  "Down at the arcade the tide can be heard through the floor. The oldest machine still works, its lamps a little dim, its buttons worn smooth by forty summers of children.",
  "When the dome opens, nobody speaks. A red lamp glows on the panel, the stick moves by a hair, and far away a small cloud of light slides slowly into the middle of the field.",
];
