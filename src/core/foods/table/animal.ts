// Meat, poultry, fish, shellfish, eggs and what is made of milk. Format: table.ts.
export const ANIMAL = `
= meat beef | 66/14/0.1/0 | ph=5.4-5.8 | FDC 2021
beef | beef; boneless beef; stewing beef; stew beef; diced beef; beef for stewing; casserole beef; braising beef; braising steak; stewing steak; beef cubes
beef.chuck | beef chuck; chuck; chuck steak; chuck roast; chuck eye; blade steak; beef blade; feather blade; flat iron; beef shoulder; jacob's ladder | 64/17
beef.shin | beef shin; shin; beef shank; beef leg; gravy beef | 72/5
beef.cheek | beef cheek; ox cheek | 69/11
beef.brisket | beef brisket; brisket; flat cut brisket; point cut brisket | 58/25
beef.shortrib | beef short rib; short rib; beef rib; rib of beef; forerib; standing rib roast; prime rib; beef back rib; rib roast; thin rib | 55/30
beef.steak | steak; beef steak; rib-eye; ribeye; rib eye steak; beef rump; fillet steak; t-bone; porterhouse; entrecote; bavette; hanger steak; onglet; beef skirt; beef flank; tri-tip; picanha; +sirloin; sirloin steak; +rump steak; +skirt steak; +flank steak | 64/14
beef.fillet | beef fillet; fillet of beef; beef tenderloin; tenderloin of beef; beef chateaubriand; chateaubriand | 68/8
beef.round | beef topside; silverside; beef silverside; beef round; top round; bottom round; eye of round; beef top rump; rump roast; roasting beef; beef joint; +topside | 70/6
oxtail | oxtail; ox tail; beef tail | 58/22
beef.tongue | beef tongue; ox tongue; tongue; calf tongue; veal tongue; lamb tongue; pork tongue | 64/16
beef.neck | beef neck; beef clod; clod | 67/11
veal | veal; veal shoulder; veal breast; veal loin; veal leg; rose veal; veal escalope; veal cutlet; veal cheek; stewing veal | 73/5
veal.shank | veal shank; veal shin; ossobuco; osso buco | 72/6
bison | bison; buffalo meat | 73/3
= meat pork | 65/15/0.1/0 | ph=5.5-6 | FDC 2021
pork | pork; diced pork; pork cubes; stewing pork; pork meat; lean pork; rose pork; pork joint; roasting pork
pork.shoulder | pork shoulder; pork butt; boston butt; pork neck; pork collar; pork blade; picnic shoulder; pork hand; hand of pork; pork neck end; spare rib joint; pork scotch fillet; coppa joint; pork shoulder steak | 65/17
pork.belly | pork belly; belly pork; pork side; belly slice; pork flank; pork belly strip | 42/48
pork.loin | pork loin; pork chop; pork cutlet; pork steak; pork loin chop; pork escalope; pork schnitzel; rack of pork; pork rack; loin of pork | 70/8
pork.fillet | pork fillet; pork tenderloin; tenderloin | 73/4
pork.leg | pork leg; leg of pork; fresh ham; fresh ham joint; pork leg joint; pork haunch; pork silverside; pork topside | 68/10
pork.hock | pork hock; pork knuckle; pork shank; ham hock, raw; fresh ham hock; eisbein | 62/17
pork.rib | pork rib; sparerib; baby back rib; back rib; rib rack; st louis rib; pork sparerib; riblet; country-style rib; +spare rib | 56/25
pork.cheek | pork cheek; pig cheek; pig's cheek; pork jowl; jowl; pig jowl; pork chap | 60/22
pork.head | pig head; pig's head; pork head; half a pig's head; hog head
pork.tail | pig tail; pig's tail; pork tail
pork.suckling | suckling pig; sucking pig; whole pig | 62/18
= meat lamb | 62/18/0.1/0 | ph=5.4-6.7 | FDC 2021
lamb | lamb; diced lamb; stewing lamb; lamb cubes; lamb meat; lamb for stewing
lamb.shoulder | lamb shoulder; shoulder of lamb; lamb blade | 60/21
lamb.leg | lamb leg; leg of lamb; gigot; lamb rump; lamb chump; lamb leg steak | 66/13
lamb.shank | lamb shank | 66/13
lamb.neck | lamb neck; lamb neck fillet; neck of lamb; scrag end; middle neck; lamb scrag | 62/19
lamb.rack | lamb rack; rack of lamb; lamb chop; lamb cutlet; lamb loin; best end; lamb best end; lamb noisette; lamb saddle; saddle of lamb; lamb fillet | 59/22
lamb.breast | lamb breast; breast of lamb; lamb rib; lamb belly; lamb flap | 50/35
mutton | mutton; hogget; mutton shoulder; mutton leg; hogget shoulder | 62/18
goat | goat; kid; goat meat; goat leg; goat shoulder; kid goat; cabrito; goat shank | 75/3
= meat game | 73/3/0.1/0 | ph=5.5-6.2 | FDC 2021
venison | venison; deer; venison haunch; venison shoulder; venison loin; venison saddle; diced venison; roe deer; red deer; moose; caribou; venison steak; venison neck; venison shin; +reindeer; +elk
= meat pork | 73/4/0.1/0 | ph=5.5-6.2 | FDC 2021
boar | wild boar; boar; boar shoulder; wild boar haunch; boar leg
= meat rabbit | 73/3/0.1/0 | ph=5.6-6 | FDC 2021
rabbit | rabbit; wild rabbit; rabbit saddle; rabbit leg; rabbit joint
hare | hare; hare saddle; jugged hare; leveret
= meat game | 73/3/0.1/0 | ph=5.5-6.2 | FDC 2021
horse | horse; horse meat; horsemeat
kangaroo | kangaroo
ostrich | ostrich
= poultry chicken | 69/12/0.1/0 | ph=5.8-6.4 | FDC 2021
chicken | chicken; whole chicken; roasting chicken; spatchcock chicken; spatchcocked chicken; poussin; spring chicken; broiler; roaster; capon; free-range chicken; corn-fed chicken; chicken piece; jointed chicken; chicken joint; chicken quarter; cockerel; cornish hen; chicken crown; chook; fryer
chicken.hen | boiling fowl; boiling hen; stewing hen; stewing chicken; old hen; laying hen; soup hen; soup chicken; fowl; hen | 66/15
chicken.breast | chicken breast; chicken fillet; chicken tender; chicken supreme; chicken goujon; chicken mini-fillet; chicken breast fillet; chicken cutlet; chicken escalope; chicken tenderloin | 74/3
chicken.thigh | chicken thigh; chicken oyster; chicken leg; chicken drumstick; drumstick; thigh; chicken maryland; dark meat chicken; chicken thigh fillet; chicken leg quarter | 70/12
chicken.wing | chicken wing; wing; wing tip; chicken wing tip; chicken drumette; wingette; buffalo wing | 66/16
chicken.back | chicken back; +chicken foot; chicken feet; chicken neck; chicken frame | 62/18
chicken.skin | chicken skin; poultry skin; duck skin | 54/32
turkey | turkey; turkey breast; turkey crown; turkey thigh; turkey leg; turkey drumstick; turkey wing; whole turkey; turkey neck; turkey escalope; turkey steak | 71/7
= poultry duck | 60/24/0.1/0 | ph=5.8-6.3 | FDC 2021
duck | duck; whole duck; duck crown; duckling; wild duck; mallard; mallard duck; barbary duck; duck wing; muscovy duck; duck carcass; duck neck
duck.breast | duck breast; magret; duck magret; duck breast fillet | 60/25
duck.leg | duck leg; duck thigh; duck drumstick | 58/26
goose | goose; goose leg; goose breast; whole goose; goose crown | 50/33
= poultry game | 70/8/0.1/0 | ph=5.8-6.3 | FDC 2021
guineafowl | guinea fowl; guinea hen; guineafowl; pintade
quail | quail; spatchcocked quail; squab quail
pigeon | pigeon; squab; pigeon breast; wood pigeon
pheasant | pheasant; pheasant breast; pheasant leg
partridge | partridge; woodcock; snipe; ptarmigan; game bird; teal; +grouse
= mince beef | 65/16/0.1/0 | ph=5.4-5.8 | FDC 2021
beef.mince | minced beef; beef mince; ground beef; ground chuck; ground round; ground sirloin; hamburger meat; steak mince; minced steak; steak haché; beef patty; mincemeat of beef; minced chuck
veal.mince | minced veal; veal mince; ground veal
= mince pork | 61/21/0.1/0 | ph=5.5-6 | FDC 2021
pork.mince | minced pork; pork mince; ground pork; pork sausage meat; sausage meat; sausagemeat; bulk sausage; loose sausage; minced pork shoulder; minced pork belly; pork forcemeat; forcemeat
= mince lamb | 60/22/0.1/0 | ph=5.4-6.7 | FDC 2021
lamb.mince | minced lamb; lamb mince; ground lamb; minced mutton; ground mutton; kofta mix; minced goat
= mince game | 71/7/0.1/0 | ph=5.5-6.2 | FDC 2021
venison.mince | minced venison; venison mince; ground venison; minced boar; minced rabbit; ground bison; ground elk
= mince mixed | 63/18/0.1/0 | ph=5.4-6 | FDC 2021
mince | mince; minced meat; ground meat; mixed mince; meatloaf mix; meatball mix; lean mince; meat mince
= poultry-mince chicken | 72/9/0.1/0 | ph=5.8-6.4 | FDC 2021
chicken.mince | minced chicken; chicken mince; ground chicken; ground turkey; turkey mince; minced turkey; ground duck; minced duck; duck mince; poultry mince; chicken forcemeat; chicken mousseline
= sausage pork | 52/27/1.8/1 | ph=5.6-6.2 | FDC 2021
sausage.fresh | sausage; pork sausage; fresh sausage; raw sausage; bratwurst; chipolata; breakfast sausage; breakfast link; italian sausage; salsiccia; cooking chorizo; fresh chorizo; chorizo, fresh; merguez; toulouse sausage; cumberland sausage; lincolnshire sausage; boerewurst; boerewors; longaniza; linguica; lamb sausage; beef sausage; venison sausage; link sausage; banger; cotechino; zampone
chicken.sausage | chicken sausage; turkey sausage; duck sausage | 62/18
= offal mixed | 72/5/0.2/0 | ph=6-6.6 | FDC 2021
liver.pork | pork liver; pig liver; pig's liver; lamb liver; lamb's liver; liver; calf liver; calf's liver; calves' liver; beef liver; ox liver; veal liver; venison liver | 71/4
kidney | kidney; lamb kidney; lamb's kidney; pork kidney; ox kidney; beef kidney; veal kidney; pig's kidney; steak and kidney | 77/3
heart | heart; ox heart; beef heart; lamb heart; pork heart; chicken heart; duck heart; lamb's heart; pig's heart; veal heart | 76/4
sweetbread | sweetbread; veal sweetbread; lamb sweetbread; calf sweetbread | 68/15
tripe | tripe; honeycomb tripe; chitterling; intestine; pork intestine | 84/4
brain | brain; lamb brain; calf brain | 79/9
caul | caul; caul fat; crepine; lace fat | 40/55
casing | casing; hog casing; sausage casing; natural casing; sausage skin; sheep casing; beef middle; ox runner; collagen casing; hog middle; pork casing; lamb casing; beef bung; beef casing | 80/3/10
= blood mixed | 80/0.2/0.5/0 | ph=7.2-7.4 | FDC 2021
blood | blood; pig blood; pig's blood; duck blood; pork blood; fresh blood; ox blood; dried blood
= poultry-offal chicken | 76/5/0.2/0 | ph=6-6.6 | FDC 2021
liver.chicken | chicken liver; duck liver; goose liver; turkey liver; poultry liver; chicken livers, trimmed
foiegras | foie gras; fattened liver; lobe of foie gras; raw foie gras; foie gras lobe | 40/44
giblets | giblet; turkey giblet; chicken giblet; poultry neck; +gizzard; chicken gizzard; duck gizzard; goose gizzard | 76/4
= bones mixed | 40/15/0.2/0 | ph=5.5-6.6 | FDC 2021
bones | bone; beef bone; veal bone; pork bone; lamb bone; marrow bone; soup bone; stock bone; neck bone; knuckle bone; meaty bone; bone marrow; marrowbone; bones for stock; ham bone; venison bone; shank bone; roasting bone; game carcass; rib bone; back bone; oxtail bone; veal knuckle; game bone
trotter | trotter; pig trotter; pig's trotter; pig's foot; pig foot; pork trotter; calf foot; calf's foot; cow foot; cow heel; pig's feet; calves' feet; veal foot; lamb's feet | 60/13
porkskin | pork skin; pork rind; pig skin; rind; pork rind, raw | 45/30
ears | pig's ear; pig ear; pork ear; snout
= bones chicken | 60/15/0.2/0 | ph=5.8-6.4 | FDC 2021
bones.chicken | chicken bone; chicken carcass; raw chicken carcass; poultry bone; duck bone; turkey carcass; roast chicken carcass; duck carcass, raw; chicken stock bone; poultry carcass; carcass; goose carcass; turkey bone
= bones fish | 75/3/0.3/0 | ph=6-6.8 | FDC 2021 | a=fish
bones.fish | fish bone; fish head; fish frame; salmon head; fish trimming; white fish bone; salmon bone; fish carcass; fish trim; turbot bone; halibut bone
= fat mixed | 5/93/0/0 | | FDC 2021
lard | lard; leaf lard; leaf fat; pork lard; manteca; rendered pork fat; flare fat | 0/100
backfat | back fat; pork back fat; pork fat; fatback; fat back; hard fat; pork fatback; speck fat; barding fat; lardo fat; fresh back fat; pork belly fat; pig fat | 8/89
suet | suet; beef suet; kidney suet; shredded suet; tallow; beef fat; beef dripping; dripping; mutton fat; lamb fat; tail fat; beef tallow; bone marrow fat | 2/95
fat.duck | duck fat; goose fat; chicken fat; schmaltz; rendered duck fat; poultry fat | 0/100
= cured-raw beef | 25/12/5/6 | ph=5-5.8 | FDC 2021
jerky | jerky; beef jerky; biltong; droewors; dried beef; venison jerky
= cured-raw pork | 45/30/5/1 | ph=5-6.2 | FDC 2021
bacon | bacon; streaky bacon; back bacon; smoked bacon; lardon; bacon lardon; unsmoked bacon; bacon rasher; rasher; smoked streaky bacon; slab bacon; bacon bit; salted pork; petit sale; ventreche; green bacon; bacon end; dry-cured bacon; collar bacon; turkey bacon; +pancetta; cubed pancetta; +guanciale; +gammon; gammon joint; gammon steak; unsmoked gammon; +salt pork | 40/42/3.5
ham.dry | prosciutto; parma ham; jamon; jamon iberico; iberico ham; country ham; air-dried ham; dry-cured ham; bayonne ham; black forest ham; westphalian ham; coppa; capocollo; lomo; cecina; lonza; culatello; dry ham; +serrano; serrano ham; +speck; +bresaola | 50/18/5.5
salami | salami; saucisson; pepperoni; nduja; soppressata; dry sausage; lap cheong; chinese sausage; sucuk; sujuk; kabanos; landjager; fuet; finocchiona; dry-cured sausage; sobrasada; cured sausage; hard salami; +chorizo; cured chorizo; spanish chorizo | 35/38/4
lardo | lardo; cured back fat; salo | 15/80/4
= cured-cooked pork | 70/8/2.2/1 | ph=6-6.5 | FDC 2021
ham | ham; cooked ham; boiled ham; roast ham; ham steak; smoked ham; wet-cured ham; ham hock; smoked ham hock; gammon hock; ham knuckle; smoked hock; ham slice; ham off the bone; ham end; tasso; kassler; york ham; ham shank; city ham
sausage.cooked | frankfurter; wiener; hot dog; cooked sausage; smoked sausage; bologna; kielbasa; blood sausage; morcilla; boudin noir; boudin; boudin blanc; white pudding; andouille; liver sausage; liverwurst; haggis; luncheon meat; saveloy; garlic sausage; bockwurst; weisswurst; knackwurst; montbeliard sausage; morteau sausage; +mortadella; +black pudding | 58/26/2
beef.corned | corned beef; salt beef; pastrami; bully beef; canned corned beef | 60/15/2.5
pate | pate; chicken liver pate; liver pate; meat paste; potted meat; brawn; head cheese; +rillettes; duck rillettes; pork rillettes; +terrine; foie gras terrine | 54/28/1.6
confit | duck confit; confit duck; confit duck leg; goose confit; confit goose; confit de canard; duck leg confit; confit leg | 55/22/1.8
= fish white | 80/1/0.2/0 | ph=6-6.8 | FDC 2021 | a=fish
cod | cod; cod fillet; cod loin; pollack; coley; saithe; ling; pouting; white fish; white fish fillet; firm white fish; hoki; cusk; cod cheek; cod tail; +haddock; haddock fillet; +pollock; +whiting; +hake; hake fillet
flatfish | sole; lemon sole; dover sole; flounder; brill; dab; sole fillet; megrim; witch; +plaice; +turbot; turbot fillet; +halibut; halibut fillet
seabass | sea bass; seabass; bass; bream; gilthead bream; barramundi; red mullet; mullet; sea bass fillet; dorade; branzino; striped bass; john dory; rockfish; redfish; croaker; porgy; gurnard; wrasse; tilefish; black cod; sablefish; garfish; +sea bream; sea bream fillet; +snapper; red snapper; +grouper | 77/3
monkfish | monkfish; monkfish tail; ray wing; dogfish; huss; shark; rock salmon; eel-pout; wolffish; sea devil; +skate; skate wing
fish | fish; fish fillet; whole fish; oily fish; fish steak; mixed fish; fish pie mix; fresh fish; raw fish; reef fish; game fish; fish for soup
= fish salmon | 66/13/0.2/0 | ph=6.1-6.3 | FDC 2021 | a=fish
salmon | salmon; salmon fillet; salmon side; side of salmon; salmon steak; salmon belly; salmon tail; farmed salmon; atlantic salmon; organic salmon; king salmon; sockeye; coho; chinook; sockeye salmon; wild salmon; pacific salmon; salmon loin; sushi-grade salmon; salmon trout; char; arctic char; sea trout; ocean trout; steelhead
= fish-freshwater mixed | 76/5/0.2/0 | ph=6.2-7 | FDC 2021 | a=fish
trout | trout; rainbow trout; brown trout; lake trout; trout fillet; whole trout; farmed trout; river trout
pike | pike; pikeperch; walleye; bass, largemouth; tench; freshwater fish; whitefish; vendace; barbel; pangasius; catfish; catfish fillet; pike fillet; burbot; roach; lake fish; river fish; smelt; powan; +perch; pike-perch; perch fillet; +zander; zander fillet; +carp; +tilapia; +grayling
sturgeon | sturgeon
eel | eel; fresh eel; conger eel; conger; moray | 68/12
= fish-scombroid mixed | 68/10/0.2/0 | ph=5.6-6.2 | FDC 2021 | a=fish
tuna | tuna; tuna steak; tuna loin; yellowfin; yellowfin tuna; bluefin; bluefin tuna; ahi; ahi tuna; albacore; fresh tuna; sashimi-grade tuna; sushi-grade tuna; bigeye tuna; skipjack; toro; tuna belly; marlin; +bonito; fresh bonito; +swordfish; swordfish steak | 70/5
mackerel | mackerel; mackerel fillet; whole mackerel; horse mackerel; spanish mackerel; kingfish; king mackerel; amberjack; hamachi; mahimahi; dolphinfish; wahoo; bluefish; jack mackerel; scad; saury; escolar; dorado; fresh mackerel; +yellowtail; +mahi; mahi-mahi | 64/14
sardine | sardine; fresh sardine; pilchard; whitebait; anchovy, fresh; shad; whole sardine; bloater, fresh; +sprat; fresh sprat; +herring; herring fillet; fresh herring; whole herring; +fresh anchovy | 66/12
= fish-cured mixed | 45/6/12/0 | ph=5.5-6.3 | FDC 2021 | a=fish
anchovy | anchovy; anchovy fillet; salted anchovy; anchovy in oil; anchovies in salt; anchovy paste; tinned anchovy; anchovy in salt; canned anchovy | 50/10/10
saltcod | salt cod; bacalao; baccala; bacalhau; salted cod; stockfish; klipfish; dried cod; salt fish; saltfish | 40/2/18
herring.salt | salt herring; matjes; matjes herring; rollmop; pickled herring; roll-mop; soused herring; marinated herring; boquerones; marinated anchovy | 55/12/6
gravlax | gravlax; gravadlax; cured salmon; gravad salmon | 62/13/4
bonito.flakes | bonito flake; katsuobushi; dried bonito; dried anchovy; dried sardine; dried fish; niboshi; iriko; dried whitebait | 15/3/3
roe | roe; fish roe; ikura; lumpfish roe; trout roe; tobiko; cod roe; smoked cod roe; keta; herring roe; masago; whitefish roe; +salmon roe; +caviar; +bottarga; +taramasalata | 60/12/4
= fish-smoked mixed | 68/6/3/0 | ph=6-6.3 | FDC 2021 | a=fish
fish.smoked | smoked fish; smoked cod; finnan haddie; lox; smoked eel; smoked herring; buckling; arbroath smokie; smoked sprat; bloater; smoked sturgeon; smoked halibut; smoked tuna; smoked char; nova lox; +smoked haddock; undyed smoked haddock; +kipper; +smoked salmon; cold-smoked salmon; cold smoked salmon; hot-smoked salmon; +smoked trout; +smoked mackerel
= fish-canned mixed | 65/8/1/0 | ph=5.8-6.2 | FDC 2021 | a=fish
fish.canned | tinned tuna; canned tuna; tuna in oil; tuna in brine; tinned sardine; canned salmon; tinned fish; canned mackerel; tinned mackerel; canned sardine; tinned salmon; tuna in olive oil; oil packed tuna; water packed tuna; sardines in oil; sardine in oil; fish ball; fish cake; fish finger
surimi | surimi; crab stick; seafood stick; imitation crab; imitation crabmeat; imitation crab meat; mock crab | | a=fish,crustaceans,eggs,gluten_cereals
seafood | seafood; mixed seafood; frozen seafood mix; fruits de mer | | a=fish,crustaceans,molluscs
= crustacean | 77/1/0.5/0 | ph=6.8-8 | FDC 2021 | a=crustaceans
shellfish | shellfish; mixed shellfish; shellfish shell; shellfish bisque
prawn | prawn; shrimp; tiger prawn; king prawn; raw prawn; brown shrimp; rock shrimp; prawn shell; shrimp shell; prawn head; shell-on prawn; peeled prawn; cooked prawn; jumbo shrimp; gambas; red prawn; spot prawn; cooked shrimp; white shrimp; grey shrimp
crab | crab; crab meat; crabmeat; brown crab; dressed crab; white crab meat; brown crab meat; soft-shell crab; spider crab; blue crab; dungeness crab; crab claw; king crab; snow crab; picked crab
lobster | lobster; lobster tail; live lobster; lobster shell; crawfish; yabby; scampi; marron; spiny lobster; langouste; scampi tail; lobster claw; rock lobster; crab shell; +crayfish; +langoustine
shrimp.dried | dried shrimp; shrimp paste; belacan; dried prawn; gapi; terasi; crustacean shell; shrimp powder | 35/3/15
= bivalve | 80/2/0.6/0 | ph=5.9-6.9 | FDC 2021 | a=molluscs
oyster | oyster; live oyster; rock oyster; native oyster; shucked oyster; smoked oyster; pacific oyster; fresh oyster
mussel | mussel; live mussel; mussel meat; fresh mussel; green-lipped mussel; mussels in shell
clam | clam; vongole; palourde; littleneck; cherrystone; manila clam; quahog; geoduck; carpet shell; surf clam; littleneck clam; whelk-clam; steamer clam; +razor clam; +cockle
scallop | scallop; king scallop; queen scallop; hand-dived scallop; scallop roe; queenie; bay scallop; sea scallop; diver scallop
= cephalopod | 79/1/0.5/0 | ph=6-6.8 | FDC 2021 | a=molluscs
squid | squid; calamari; baby squid; squid ring; squid tube; +octopus; baby octopus; octopus tentacle; +cuttlefish
= gastropod | 77/1/0.6/0 | ph=6.5-7 | FDC 2021 | a=molluscs
snail | snail; escargot; winkle; periwinkle; abalone; conch; limpet; sea cucumber; jellyfish; +whelk; +sea urchin
= frog | 82/0.3/0.1/0 | ph=6.5-6.8 | FDC 2021
frog | frog leg; frogs' legs; frog's leg; turtle
= egg | 76/10/0.3/0.4 | ph=7.1-7.9 | FDC 2021 | a=eggs | d=egg_beaten
egg | egg; whole egg; hen egg; hen's egg; free-range egg; beaten egg; large egg; medium egg; goose egg; egg, beaten; whisked egg; egg for glazing; egg wash; organic egg; raw egg; liquid egg; +duck egg; +quail egg
egg.yolk | egg yolk; yolk; yolk of egg; duck egg yolk | 52/27/0.1/0.6 | d=egg_yolk
egg.white | egg white; white of egg; albumen; egg albumen | 88/0/0.4/0.7 | d=egg_white
= egg-safe | 76/10/0.3/0.4 | ph=7-8 | FDC 2021 | a=eggs
egg.pasteurised | pasteurised egg; pasteurised egg yolk; pasteurised egg white; carton egg white; egg powder; dried egg white; meringue powder; egg white powder; dried egg; carton egg; pasteurised liquid egg; powdered egg white
egg.cooked | hard-boiled egg; boiled egg; cooked egg; hard boiled egg; salted egg yolk; salted egg; preserved egg; century egg; pickled egg; soft-boiled egg
= mayonnaise | 20/75/1.2/1 | ph=3.6-4 | label | a=eggs | d=mayonnaise
mayonnaise | mayonnaise; mayo; aioli; salad cream; tartare sauce; remoulade; jarred mayonnaise; bought mayonnaise
= milk | 88/3.6/0.1/4.8 | ph=6.4-6.8 | FDC 2021 | a=milk | d=milk_whole
milk | milk; whole milk; full-fat milk; full-cream milk; semi-skimmed milk; skimmed milk; skim milk; cow's milk; goat milk; goat's milk; sheep milk; uht milk; fresh milk; low-fat milk; ewe's milk; pasteurised milk; lukewarm milk; warm milk; 2% milk; jersey milk; buffalo milk
milk.powder | milk powder; dried milk; powdered milk; skimmed milk powder; dry milk; nonfat dry milk; whole milk powder; malted milk powder; dry milk powder | 3/10/1/45 | d=milk_powder
milk.condensed | condensed milk; sweetened condensed milk; evaporated milk; dulce de leche; tinned milk | 30/8/0.3/50
= milk-raw | 88/3.6/0.1/4.8 | ph=6.4-6.8 | FDC 2021 | a=milk | d=milk_whole
milk.raw | raw milk; unpasteurised milk; farm milk, unpasteurised; raw cow's milk; raw cream; unpasteurised cream; raw goat milk; milk straight from the cow
= cream | 60/33/0.1/3 | ph=6.4-6.8 | FDC 2021 | a=milk | d=cream_36
cream | cream; double cream; single cream; whipping cream; heavy cream; light cream; pouring cream; half-and-half; thickened cream; whipped cream; cooking cream; pasteurised cream; table cream; heavy whipping cream
custard | custard; creme anglaise; pastry cream; creme patissiere; bought custard; ready-made custard; vanilla custard | 72/6/0.1/14
icecream | ice cream; vanilla ice cream; gelato; bought ice cream | 61/11/0.1/21
= cultured | 85/4/0.1/4 | ph=4-4.6 | FDC 2021 | a=milk | d=yogurt
yogurt | yogurt; yoghurt; greek yogurt; natural yogurt; plain yogurt; live yogurt; strained yogurt; skyr; natural yoghurt; greek-style yogurt; curd yogurt; dahi; ayran; yogurt starter; drained yogurt; +labneh; +kefir
buttermilk | buttermilk; cultured buttermilk; filmjolk | 90/1/0.2/4.8 | d=buttermilk
creme.fraiche | creme fraiche; crème fraîche; soured cream; smetana; clotted cream; crema; cultured cream; +sour cream | 62/30/0.1/3 | d=sour_cream
= butter | 16/81/0.1/0 | ph=6.1-6.4 | FDC 2021 | a=milk | d=butter
butter | butter; unsalted butter; cold butter; softened butter; soft butter; cultured butter; sweet butter; block of butter; pastry butter; dry butter; tourage butter; melted butter; butter for greasing; lamination butter; stick of butter; european-style butter
butter.salted | salted butter; slightly salted butter; garlic butter; herb butter | 16/80/1.7/0
ghee | ghee; clarified butter; brown butter; beurre noisette; smen; niter kibbeh; butterfat | 0/99/0/0 | d=butter_clarified
= cheese-hard | 35/33/1.8/0 | ph=5-5.9 | FDC 2021 | a=milk | d=cheese_hard_grated
cheese.hard | parmesan; parmigiano; parmigiano reggiano; grana padano; grana; hard cheese; cheese; grated cheese; edam; beaufort; cantal; red leicester; double gloucester; cheshire; lancashire; swiss cheese; asiago; fontina; provolone; raclette; jarlsberg; monterey jack; colby; sbrinz; aged cheese; smoked cheese; parmesan rind; strong cheese; mature cheese; parmigiano-reggiano; montasio; mimolette; caciocavallo; appenzeller; cheese rind; kashkaval; +pecorino; pecorino romano; +cheddar; mature cheddar; +gruyere; +emmental; +comte; +gouda; aged gouda; +manchego
cheese.processed | processed cheese; american cheese; cheese slice; cheese spread | 40/26/3/5
halloumi | halloumi; grilling cheese; bread cheese | 50/27/2.7/2
= cheese-soft | 50/26/1.5/0 | ph=5.9-7.5 | FDC 2021 | a=milk
cheese.soft | brie; soft cheese, ripened; vacherin; reblochon; munster; epoisses; goat's cheese, ripened; chevre; goat cheese log; bloomy-rind cheese; pont l'eveque; livarot; limburger; chaource; tunworth; saint-nectaire; morbier; washed-rind cheese; stracchino; saint-marcellin; mont d'or; +camembert; +taleggio
= cheese-blue | 45/30/3/0 | ph=5.7-6.5 | FDC 2021 | a=milk
cheese.blue | blue cheese; dolcelatte; danish blue; cambozola; fourme d'ambert; bleu d'auvergne; cashel blue; saint agur; blue; +stilton; +roquefort; +gorgonzola
= cheese-fresh | 65/18/0.8/3 | ph=4.6-6.4 | FDC 2021 | a=milk
cheese.fresh | cream cheese; fromage frais; fromage blanc; curd cheese; soft cheese; queso fresco; goat cheese; goat's cheese; soft goat's cheese; fresh goat's cheese; curd; cheese curd; queso blanco; farmer's cheese; farmer cheese; tvorog; bocconcini; stracciatella; neufchatel; oaxaca cheese; string cheese; whey cheese; brocciu; sheep's cheese; bryndza; sirene; full-fat cream cheese; cow's curd; +ricotta; +mascarpone; +mozzarella; buffalo mozzarella; +burrata; +cottage cheese; +quark; +paneer; +feta
= cheese-raw-milk | 48/27/1.6/0 | ph=5-7 | FDC 2021 | a=milk
cheese.rawmilk | raw-milk cheese; unpasteurised cheese; raw milk cheese; raw-milk brie; raw-milk camembert; camembert de normandie; brie de meaux; lait cru cheese; raw-milk goat cheese; unpasteurised brie; raw-milk cheddar; raw-milk reblochon
= whey | 93/0.3/0.1/5 | ph=4.6-6.5 | FDC 2021 | a=milk
whey | whey; acid whey; sweet whey; whey powder
`;
