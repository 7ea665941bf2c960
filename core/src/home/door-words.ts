/**
 * Words that children know, spelled alike in Britain and America, none that sounds like another. Three of them open a
 * door: some 800 million ways (935 to the third).
 */
export const DOOR_WORDS: readonly string[] = `
  acorn actor alarm album alder amber anchor angle ankle answer ant anvil apple apron arbor arch archer arrow
  artist ash aspen atlas attic aunt autumn avenue award axle baby badge badger bagel baker balcony ball balloon
  bamboo banana band banjo bank banner barge bark barley barn barrel basil basin basket bat bath beach beacon bead
  beak bean beard beaver bee beetle bell belt bench berry bike birch bird biscuit bison blanket blazer block
  blossom blouse board boat bobbin bonfire bonnet book boot border bottle boulder bow bowl box bracket branch
  brass bread breeze brick bridge broom brother brush bubble bucket bud buffalo bugle builder bulb bundle bunny
  bus bush butter button cabbage cabin cable cactus cake calf camel camera camp canal candle canoe canvas cape
  captain caption caravan carpet carrot cart castle cat catch cattle cave cedar celery cello cement cereal chain
  chair chalk channel chapel chapter chart cheese cherry chess chest chicken chimney chin circle circus city clam
  class clay cliff clock cloth cloud clover club coach coast coat cobble cobweb cocoa coconut coin collar comb
  comet compass cone cook copper coral cork corn corner cottage cotton couch country cousin cow crab cradle crane
  crater crayon cream creek cricket crocus crow crown crumb crystal cub cube cuckoo cup curtain curve cushion
  cycle cymbal daffodil daisy dance dancer dawn day deck deer desert desk diary dinner disc dish diver dock doctor
  doll dolphin domino donkey door dough dove dragon drain drawer dream dress drill drum duck dune dusk dust eagle
  earth easel east echo edge eel egg elbow elder elk elm ember engine evening fabric face falcon family fan farm
  farmer feast feather fence fern ferry fiddle field fig finch finger fire fish flag flame flap flask flock floor
  flute fly foam fog folder forest fork fountain fox frame fridge friend frog frost fruit funnel gallery game
  garage garden garlic gate gazelle gem gentian giant ginger giraffe glacier glass globe glove glue goal goat gold
  goose gorge grain grape grass gravel green grocer guest guitar gull gum habit hall hammer hamster hand handle
  harp harvest hat hatch hawk hay hazel heart heather hedge helmet hen herb heron herring hill hinge hippo hive
  hobby holiday holly honey hood hoof hook hoop horn horse hotel house hunter hut ice igloo inch ink inlet insect
  iris iron island ivory ivy jacket jaguar jam jar jasmine jay jelly jersey jigsaw jockey journey judge jug
  juggler juice jump jungle juniper kennel kettle key kick kid king kingdom kitchen kite kitten kiwi knee knot
  koala label lace ladder lake lamb lamp lantern larch lark laugh lawn layer leaf leather ledge lemon lentil
  leopard letter lettuce library lid light lilac lily lime line linen lion lizard llama lobster lock locket lodge
  log loom loop lotus lunch lute lynx magnet magpie mammoth mango mantle map maple marble market marsh marten mask
  meadow medal melon mermaid metal mill miner mint minute mirror mist mitten mole monkey moon moor moose morning
  mosaic moss moth motor mound mouse muffin mule museum music mustard nail name napkin nature neck needle nest net
  nettle newt night noodle north nose notch note nurse nut oak oasis oat ocean octopus office oil olive onion opal
  opera orange orbit orchard orchid organ osprey ostrich otter oven owl oyster paddle page paint palace palm pan
  panda panel pansy panther paper parade parcel parent park parrot parsley parsnip party pasta paste pastry path
  patio paw peach peak peanut pear pearl pebble pelican pen pencil penguin penny pepper perch person petal phone
  photo piano picnic picture pie pier pigeon pillow pilot pin pine pipe pirate pizza planet plank plant plate plum
  pocket poem poet point pole polish pond pony pool poplar poppy porch porridge port post potato pottery pouch
  powder prairie primrose prince print prism prize pudding puffin pulley pump pumpkin puppet puppy purse puzzle
  pyramid quail quarry quartz queen quiet quill quilt quince quiz rabbit raccoon race racket radio radish raft
  rail rain rainbow raisin ramp ranch raven ray recipe reed reef reindeer ribbon rice riddle ridge ring river road
  robe robin robot rock rocket roof room root rope rose rowan ruby rudder rug ruler runner saddle sail sailor
  salad salmon salt sand sandal satin sauce saucer scarf school scooter screw sea seagull seal season seat seed
  shade shadow shape sheep shelf shell shield ship shirt shoe shore shovel shower silk silver singer sister skate
  sketch ski skirt sky slate sledge sleeve slide slipper smile smoke snail snow soap sock sofa soil song sorrel
  soup south spade spark sparrow spice spider spiral splash spoon spring spruce square squash squid stable stage
  stair stamp star starling station statue steam stem step stew stick stone stool stork storm story stove straw
  stream street string study sugar suit summer sun sunset surf swallow swan sweater swift swing switch table
  tablet tail tailor tandem tangle tapir target tart taxi tea teacher team teapot temple tent thimble thistle
  thread throne thumb thunder ticket tide tiger tile timber toad toast toffee tomato tongs tool tooth torch
  tortoise toucan towel tower town toy track tractor trail train tram tray treasure tree triangle trophy trout
  truck trumpet trunk tulip tunnel turkey turnip turtle twig twin umbrella uncle unicorn uniform urchin valley van
  vase velvet venus verse vest village vine viola violet violin visitor voice volcano vulture wafer wagon waiter
  wall walnut walrus wardrobe warren watch water wave wax weasel weather web wedge weekend west whale wheat wheel
  whisker whistle willow wind window wing winter wizard wolf wombat wood wool word worker world worm wreath wren
  wrist writer yacht yard yarn year yeast yellow yolk zebra zero zigzag zinc zipper zone zoo
`
  .trim()
  .split(/\s+/);

const WORDS_OF_DOOR = 3;

/** @param below gives a whole number from 0 to one less than asked for; for doors it must be one that nobody can foresee. */
export function doorWords(below: (sides: number) => number): string {
  return Array.from({ length: WORDS_OF_DOOR }, () => DOOR_WORDS[below(DOOR_WORDS.length)]!).join(' ');
}

/** The three words as they are kept, from what somebody typed; null when they are not three words of the list. */
export function readDoorWords(typed: string): string | null {
  const words = typed
    .toLowerCase()
    .split(/[^a-z]+/)
    .filter((word) => word !== '');
  return words.length === WORDS_OF_DOOR && words.every((word) => DOOR_WORDS.includes(word)) ? words.join(' ') : null;
}
