/** What is said where a tool can hurt; the tool’s own instructions come first. */
export const CAUTIONS = {
  sliding:
    'Sharp blade: fingers behind the guard, several light strokes, cap or lock it when you stop. Follow the tool’s own instructions.',
  lever:
    'Latch the arm when you stop. One person at the guillotine; never reach under the blade. Follow the tool’s own instructions.',
  knife:
    'Sharp blade: steel rule, fingers well behind its edge, several light strokes. Cap the knife at once; used blades go in a closed box.',
  punch:
    'A mat under the card, never your hand; fingers clear of the punch when you press or strike it. Follow the tool’s own instructions.',
  scissors: 'Sharp points: cut away from yourself, and close them when you lay them down.',
  machine:
    'Hands, hair and sleeves clear while it moves; stop it before you reach in. Follow the machine’s own instructions.',
  heat: 'Hot rollers and plates burn: fingers, hair and sleeves clear, air the room, only card and foil that are made for heat, and let all of it cool before you touch it. Temperature and speed as the laminator’s and the foil’s own instructions say.',
  hotGlue:
    'Molten glue and the gun’s tip burn: fingers off, the gun on its stand, away from children, and let it cool before you put it away. Follow the gun’s own instructions.',
  sprayGlue:
    'Spray outdoors or with a draught, no flames or sparks near, and a mask where the can says so. Follow the can’s own instructions and local rules.',
  sealing:
    'A flame or a hot tip seals the ends: a draught, nothing that burns near, hair and sleeves clear, water at hand, and only ribbon that is made to melt. Follow the tool’s own instructions.',
  pricking: 'A mat under the card, never your hand; fingers clear of the point, and a cork on it when you lay it down.',
  magnets:
    'Magnets: never where a child can reach or swallow them, and off pacemakers, cards with a stripe and clocks. Follow their maker’s own instructions.',
  smallParts: 'Small parts: keep them, and the finished card, away from small children.',
  glue: 'Air the room and keep flames away from solvent glue. Follow the glue’s own instructions and local rules.',
} as const;
