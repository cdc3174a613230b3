// Foods by their German, French, Italian and Spanish names: what most recipes of these kitchens are made of, each said in English as the
// table understands it. A name that stands in no row stays unknown, and is told so.

/** English | names, without accents, in any of the four languages. */
const ROWS = `
beef | rindfleisch; rinderbrust; rinderbraten; rindergulasch; boeuf; paleron; manzo; carne di manzo; cappello del prete; brasato; carne de vaca; ternera; carne de res; buey
port | portwein; porto; oporto; vino di porto; vino de oporto
juniper berries | wacholderbeeren; wacholder; genievre; baies de genievre; ginepro; bacche di ginepro; enebro; bayas de enebro
game stock | wildfond; fond de gibier; fondo di selvaggina; caldo de caza
beef stock | rinderfond; rinderbruhe; fond brun; fond de boeuf; fondo bruno; brodo di manzo; fondo oscuro; caldo de carne
chicken stock | geflugelfond; huhnerfond; gansefond; entenfond; fond de volaille
veal breast | kalbsbrust; poitrine de veau; punta di petto di vitello
veal cheek | kalbsbackchen; ochsenbackchen; joue de veau; joues de veau; guance di vitello; carrilleras de ternera
beef | rinderrouladen; rouladen; muscolo di manzo
oxtail | ochsenschwanz; queue de boeuf; coda di bue; rabo de vaca; rabo de toro; rabo de buey
venison shoulder | rehschulter; hirschschulter; epaule de chevreuil
wild boar | wildschweinschulter; wildschweinkeule; cuissot de sanglier
pheasant | fasan; faisan; fagiano
quail | wachteln; wachtel; cailles; caille; quaglie; quaglia; codornices; codorniz
suckling pig | spanferkel; cochon de lait; maialino da latte; cochinillo; lechon
duck bones | entenkarkassen; carcasses de canard; carcasa de pato
duck breast | entenbruste; filets de canard; pechugas de pato
goose fat | ganseschmalz; graisse d'oie; grasso d'oca
scallops | zamburinas; vieiras; noix de saint-jacques; coquilles saint-jacques; capesante; jakobsmuscheln
saffron | hebras de azafran; azafran; safran; zafferano; safranfaden
provolone | provola; scamorza; caciocavallo; casera
pasta | maccheroni; anelletti; placas de canelones; placas de lasana; feuilles de lasagne; lasagneblatter
escarole | scarola; scarole; escarola
dried herbs | beifuss; beifuß
horseradish | kren; frischer kren; raifort; rafano; cren
parsnip | petersilienwurzel; petersilienwurzeln; racine de persil
breadcrumbs | miga de pan; mie de pain; mollica; mollica di pane; weckmehl
stale bread | altbackene brotchen; semmeln; semmeln vom vortag; knodelbrot; pain rassis; pane raffermo
redcurrant jelly | johannisbeergelee; gelee de groseille; gelatina di ribes; jalea de grosella
coarse salt | sal gruesa; sel gros; sale grosso; grobes salz
dried morels | morilles sechees; getrocknete morcheln; spugnole secche; colmenillas secas
dried figs | figues sechees; getrocknete feigen; fichi secchi; higos secos
gingerbread | pain d'epices; lebkuchen; pan di zenzero; pan de especias
mixed vegetables | suppengrun; suppengemuse; bouquet de legumes
beef cheek | rinderbacken; ochsenbacken; joue de boeuf; joues de boeuf; guance di manzo; guancia di manzo; carrillera; carrilleras
minced beef | rinderhack; rinderhackfleisch; boeuf hache; macinato di manzo; carne macinata; carne picada
minced pork | schweinehack; mett; schweinemett; porc hache; chair de porc; macinato di maiale; carne picada de cerdo
minced meat | hackfleisch; gemischtes hackfleisch; viande hachee; chair a saucisse; macinato misto
veal | kalbfleisch; kalbsbraten; kalbsschulter; veau; vitello; ternera blanca
pork | schweinefleisch; schweinebraten; porc; echine; maiale; carne di maiale; cerdo; carne de cerdo
pork shoulder | schweineschulter; schweinenacken; epaule de porc; gorge de porc; spalla di maiale; paletilla de cerdo
pork belly | schweinebauch; poitrine de porc; pancia di maiale; panceta de cerdo
bacon | speck; bauchspeck; lardons; lard fume; poitrine fumee; pancetta; panceta; tocino; bacon ahumado
cooked ham | kochschinken; jambon blanc; jambon cuit; prosciutto cotto; jamon cocido; jamon york
dry-cured ham | rohschinken; jambon cru; jambon sec; prosciutto crudo; jamon serrano; jamon iberico
lamb | lammfleisch; lammkeule; lammschulter; agneau; epaule d'agneau; gigot; agnello; cordero
venison | hirsch; hirschfleisch; rehfleisch; rehkeule; wildfleisch; chevreuil; cervo; capriolo; venado; ciervo
wild boar | wildschwein; sanglier; cinghiale; jabali
rabbit | kaninchen; lapin; coniglio; conejo
chicken | hahnchen; huhn; hahnchenfleisch; poulet; volaille; pollo
chicken breast | hahnchenbrust; huhnerbrust; blanc de poulet; blancs de poulet; petto di pollo; pechuga de pollo; pechuga
chicken thighs | hahnchenschenkel; hahnchenkeulen; cuisses de poulet; cosce di pollo; muslos de pollo
chicken livers | huhnerleber; hahnchenleber; foies de volaille; fegatini; fegatini di pollo; higaditos de pollo
turkey | pute; putenbrust; truthahn; dinde; tacchino; pavo
duck | ente; canard; chair de canard; anatra; pato
duck legs | entenkeulen; entenkeule; cuisses de canard; cuisse de canard; cosce d'anatra; muslos de pato
duck breast | entenbrust; magret; magrets; magret de canard; petto d'anatra; magret de pato
duck fat | entenschmalz; graisse de canard; grasso d'anatra
goose | gans; oie; oca; oca intera; ganso
lard | schmalz; schweineschmalz; saindoux; strutto; manteca de cerdo
pig's liver | schweineleber; leber; foie; fegato; higado; foie de porc; fegato di maiale; higado de cerdo
marrow bones | markknochen; rinderknochen; suppenknochen; os a moelle; os de veau; ossa; huesos
cod | kabeljau; dorsch; cabillaud; merluzzo; bacalao fresco; merluza
salt cod | stockfisch; klippfisch; morue; baccala; bacalao
salmon | lachs; lachsfilet; saumon; salmone
smoked salmon | raucherlachs; saumon fume; salmone affumicato; salmon ahumado
trout | forelle; forellen; truite; trota; trucha
tuna | thunfisch; thon; tonno; atun
mackerel | makrele; makrelen; maquereau; maquereaux; sgombro; caballa
anchovies | sardellen; sardellenfilets; anchois; acciughe; alici; anchoas; boquerones
prawns | garnelen; krabben; crevettes; gambas; gamberi; gamberetti; langostinos
mussels | miesmuscheln; muscheln; moules; cozze; mejillones
clams | venusmuscheln; palourdes; vongole; almejas
squid | tintenfisch; calamars; encornets; calamari; calamares; sepia; seppie
octopus | krake; pulpo; poulpe; polpo
eggs | ei; eier; oeuf; oeufs; uovo; uova; huevo; huevos
egg yolks | eigelb; eigelbe; dotter; jaune d'oeuf; jaunes d'oeufs; jaunes d'oeuf; tuorlo; tuorli; yema; yemas; yemas de huevo
egg whites | eiweiss; eiklar; blanc d'oeuf; blancs d'oeufs; blancs d'oeuf; albume; albumi; claras; clara de huevo; claras de huevo
milk | milch; vollmilch; lait; lait entier; latte; latte intero; leche; leche entera
raw milk | rohmilch; lait cru; latte crudo; leche cruda
cream | sahne; schlagsahne; obers; schlagobers; creme; creme liquide; creme entiere; creme fleurette; panna; panna fresca; nata; nata liquida; nata para montar
sour cream | schmand; saure sahne; sauerrahm; creme epaisse; creme aigre; panna acida; nata agria
yoghurt | joghurt; naturjoghurt; yaourt; yogurt naturale; yogur; yogur natural
buttermilk | buttermilch; babeurre; lait ribot; latticello
quark | quark; magerquark; topfen; fromage blanc; requeson
butter | butter; weiche butter; beurre; beurre doux; beurre froid; beurre mou; burro; burro freddo; mantequilla
butter, clarified | butterschmalz; beurre clarifie; burro chiarificato; mantequilla clarificada
hard cheese | hartkase; bergkase; kase; fromage; formaggio; queso; gruyere; comte; emmental; fromage rape; parmigiano; parmigiano grattugiato; pecorino; grana; grana padano; queso curado; queso rallado; queso manchego
soft cheese | weichkase; fromage a pate molle; robiola; stracchino; queso tierno
blue cheese | blauschimmelkase; fromage bleu; bleu; gorgonzola; queso azul; cabrales
mozzarella | mozzarella di bufala; fior di latte
ricotta | ricotta fresca
flour | mehl; weizenmehl; farine; farine de ble; farine de froment; farina; farina 00; farina 0; farina manitoba; harina; harina de trigo; harina de fuerza
wholemeal flour | vollkornmehl; farine complete; farina integrale; harina integral
chestnut flour | kastanienmehl; farine de chataigne; farine de chataignes; farina di castagne; harina de castana
rice flour | reismehl; farine de riz; farina di riso; harina de arroz
chickpea flour | kichererbsenmehl; farine de pois chiche; farine de pois chiches; farina di ceci; harina de garbanzo; harina de garbanzos
buckwheat flour | buchweizenmehl; farine de sarrasin; farina di grano saraceno; harina de trigo sarraceno
rye flour | roggenmehl; roggenvollkornmehl; farine de seigle; farina di segale; harina de centeno
semolina | griess; hartweizengriess; semoule; semola; semola rimacinata
cornmeal | maisgriess; semoule de mais; polenta; farina di mais; harina de maiz
cornflour | starke; speisestarke; maisstarke; kartoffelstarke; fecule; maizena; amido; amido di mais; fecola; almidon
rolled oats | haferflocken; flocons d'avoine; fiocchi d'avena; copos de avena
rice | reis; riz; riso; arroz
pasta | nudeln; pates; spaghetti; tagliatelle; tallarines; fideos
bread | brot; pain; pane; pan
breadcrumbs | semmelbrosel; paniermehl; chapelure; pangrattato; pan rallado
puff pastry | blatterteig; pate feuilletee; pasta sfoglia; hojaldre
shortcrust pastry | murbeteig; pate brisee; pate sablee; pasta frolla; masa quebrada
salt | salz; meersalz; sel; gros sel; sel fin; fleur de sel; sale; sale fino; sale grosso; sal; sal gorda; sal fina
curing salt 0.5 % | pokelsalz; nitritpokelsalz; sel nitrite; sale nitritato; sal nitrificante; sal de curado
sugar | zucker; feinster zucker; sucre; sucre en poudre; sucre semoule; zucchero; zucchero semolato; azucar
icing sugar | puderzucker; staubzucker; sucre glace; zucchero a velo; azucar glas
brown sugar | brauner zucker; rohrzucker; cassonade; vergeoise; zucchero di canna; azucar moreno
honey | honig; miel; miele
wine vinegar | essig; weinessig; weissweinessig; rotweinessig; vinaigre; vinaigre de vin; aceto; aceto di vino; vinagre; vinagre de vino; vinagre de jerez
red wine | rotwein; vin rouge; vino rosso; vino tinto
white wine | weisswein; vin blanc; vino bianco; vino blanco
beer | bier; biere; birra; cerveza
brandy | weinbrand; cognac; armagnac; eau-de-vie; grappa; conac
rum | rhum
olive oil | olivenol; huile d'olive; olio; olio d'oliva; olio di oliva; olio extravergine; olio extravergine di oliva; olio extravergine d'oliva; aceite de oliva; aceite de oliva virgen extra
sunflower oil | ol; sonnenblumenol; rapsol; pflanzenol; huile; huile de tournesol; huile de colza; huile neutre; olio di semi; olio di girasole; aceite; aceite de girasol
water | wasser; kaltes wasser; lauwarmes wasser; eau; eau froide; eau tiede; acqua; acqua tiepida; agua; agua tibia; agua fria
stock | bruhe; fleischbruhe; rinderbruhe; huhnerbruhe; fond; kalbsfond; bouillon; bouillon de volaille; bouillon de canard; bouillon de boeuf; brodo; brodo di carne; brodo di pollo; caldo; caldo de pollo; caldo de carne
vegetable stock | gemusebruhe; bouillon de legumes; brodo vegetale; caldo de verduras
fish stock | fischfond; fumet; fumet de poisson; brodo di pesce; fumetto; caldo de pescado
mustard | senf; moutarde; senape; mostaza
soy sauce | sojasauce; sojasosse; sauce soja; salsa di soia; salsa de soja
mayonnaise | mayonnaise maison; maionese; mayonesa
yeast | hefe; frische hefe; trockenhefe; levure; levure boulangere; levure fraiche; lievito; lievito di birra; levadura; levadura fresca; levadura seca
baking powder | backpulver; levure chimique; lievito per dolci; levadura quimica; polvo de hornear
sourdough starter | sauerteig; anstellgut; levain; lievito madre; masa madre
gelatine | gelatine; blattgelatine; feuilles de gelatine; gelatina; fogli di gelatina; colla di pesce; hojas de gelatina
dark chocolate | zartbitterschokolade; kuverture; schokolade; chocolat noir; chocolat; cioccolato fondente; cioccolato; chocolate negro; cobertura
milk chocolate | vollmilchschokolade; chocolat au lait; cioccolato al latte; chocolate con leche
cocoa | kakao; kakaopulver; cacao; cacao amaro; cacao en polvo
onion | zwiebel; zwiebeln; oignon; oignons; cipolla; cipolle; cebolla; cebollas
shallots | schalotten; schalotte; echalotes; echalote; scalogno; scalogni; chalotas; chalota
garlic | knoblauch; knoblauchzehe; knoblauchzehen; ail; gousse d'ail; gousses d'ail; aglio; spicchio d'aglio; ajo; ajos; diente de ajo; dientes de ajo
leek | lauch; porree; poireau; poireaux; porro; porri; puerro; puerros
carrots | karotte; karotten; mohre; mohren; mohrruben; carotte; carottes; carota; carote; zanahoria; zanahorias
celery | sellerie; staudensellerie; celeri; celeri branche; branche de celeri; sedano; costa di sedano; apio
celeriac | knollensellerie; celeri-rave; sedano rapa; apionabo
cabbage | kohl; weisskohl; weisskraut; rotkohl; rotkraut; chou; chou rouge; chou blanc; cavolo; cavolo rosso; verza; col; repollo; lombarda
beetroot | rote bete; rote rube; betterave; betteraves; barbabietola; barbabietole; remolacha
potatoes | kartoffel; kartoffeln; mehlige kartoffeln; erdapfel; pommes de terre; pomme de terre; patate; patatas; patata
tomatoes | tomate; tomaten; tomates; pomodoro; pomodori
red pepper | paprika rot; paprikaschote; paprikaschoten; poivron; poivrons; peperone; peperoni; pimiento; pimientos; pimientos rojos
mushrooms | champignons; pilze; champignons de paris; funghi; champinones; setas
dried mushrooms | getrocknete steinpilze; cepes seches; porcini secchi; funghi secchi
spinach | spinat; epinards; spinaci; espinacas
aubergine | auberginen; aubergines; melanzana; melanzane; berenjena; berenjenas
cucumber | gurke; gurken; concombre; cetriolo; cetrioli; pepino
pumpkin | kurbis; potiron; courge; zucca; calabaza
peas | erbsen; petits pois; piselli; guisantes
green beans | grune bohnen; haricots verts; fagiolini; judias verdes
dried white beans | weisse bohnen; getrocknete bohnen; haricots secs; haricots blancs; fagioli secchi; fagioli; alubias; judias blancas
red kidney beans, dried | kidneybohnen; haricots rouges; fagioli rossi; alubias rojas; frijoles rojos
chickpeas | kichererbsen; pois chiches; ceci; garbanzos
lentils | linsen; lentilles; lenticchie; lentejas
parsley | petersilie; persil; prezzemolo; perejil
basil | basilikum; basilic; basilico; albahaca
thyme | thymian; thym; timo; tomillo
rosemary | rosmarin; romarin; rosmarino; romero
sage | salbei; sauge; salvia
bay | lorbeer; lorbeerblatt; lorbeerblatter; laurier; feuille de laurier; feuilles de laurier; alloro; laurel; hoja de laurel
pepper | pfeffer; poivre; pepe; pepe nero; pimienta; pimienta negra
paprika | paprikapulver; paprika edelsuss; pimenton; paprika doux; paprica
nutmeg | muskat; muskatnuss; noix de muscade; muscade; noce moscata; nuez moscada
cinnamon | zimt; zimtstange; cannelle; cannella; canela
vanilla pod | vanille; vanilleschote; gousse de vanille; vaniglia; baccello di vaniglia; vainilla; vaina de vainilla
apples | apfel; pomme; pommes; mela; mele; manzana; manzanas
pears | birne; birnen; poire; poires; pera; pere; peras
plums | pflaumen; zwetschgen; prunes; prugne; susine; ciruelas
quinces | quitte; quitten; coing; coings; mele cotogne; membrillo; membrillos
lemon | zitrone; zitronen; zitronensaft; citron; citrons; jus de citron; limone; limoni; succo di limone; limon; limones; zumo de limon
orange | orangen; oranges; arancia; arance; naranja; naranjas
raisins | rosinen; raisins secs; uvetta; pasas
almonds | mandel; mandeln; gemahlene mandeln; amandes; poudre d'amandes; mandorle; farina di mandorle; almendras; almendra molida
walnuts | walnusse; noix; cerneaux de noix; noci; nueces
hazelnuts | haselnusse; noisettes; nocciole; avellanas
pistachios | pistazien; pistaches; pistacchi; pistachos
pine nuts | pinienkerne; pignons; pinoli; pinones
sesame | sesam; tahin; sesamo
savoy cabbage | wirsing; spitzkohl; chou vert; chou frise; cavolo verza
beef tongue | rinderzunge; langue de boeuf; lingua di manzo; lengua de vaca
black peppercorns | pfefferkorner; poivre en grains; pepe in grani; pimienta en grano
chard | mangold; blettes; cardons; bietole; bietola; acelgas
pumpkin seeds | kurbiskerne; graines de courge; semi di zucca; pipas de calabaza
sunflower seeds | sonnenblumenkerne; graines de tournesol; semi di girasole; pipas de girasol
poppy seeds | mohn; pavot; semi di papavero; amapola
artichokes | artischocken; artichauts; carciofi; alcachofas
caraway | kummel; carvi; cumino dei prati; alcaravea
cumin | kreuzkummel; cumin moulu; cumino; comino
prunes | dorrpflaumen; backpflaumen; pruneaux; prugne secche; ciruelas pasas
lamb stock | lammfond; fond d'agneau; brodo d'agnello; caldo de cordero
buckwheat | buchweizen; sarrasin; grano saraceno; trigo sarraceno
stale bread | altbackenes brot; dinkelbrot; altbackenes dinkelbrot; bauernbrot; weissbrot; pain rassis; pane raffermo; pan duro
fennel | fenchel; fenouil; finocchio; finocchi; hinojo
ginger | ingwer; gingembre; zenzero; jengibre
chillies | chilischote; chilischoten; piment; piments; peperoncino; peperoncini; guindilla; chiles
spring onions | fruhlingszwiebeln; ciboule; oignons nouveaux; cipollotti; cebolletas
olives | oliven; olives noires; olive nere; aceitunas
capers | kapern; capres; capperi; alcaparras
tomato purée | tomatenmark; concentre de tomate; concentre de tomates; concentrato di pomodoro; tomate concentrado
tinned tomatoes | dosentomaten; geschalte tomaten; passata; pelati; tomates pelees; pomodori pelati; tomate triturado
cherries | kirschen; cerises; ciliegie; cerezas
strawberries | erdbeeren; fraises; fragole; fresas
raspberries | himbeeren; framboises; lamponi; frambuesas
blackcurrants | johannisbeeren; schwarze johannisbeeren; cassis; ribes nero; grosellas negras
elderberries | holunderbeeren; baies de sureau; bacche di sambuco; bayas de sauco
bitter almonds | bittermandeln; amandes ameres; mandorle amare; almendras amargas
chestnuts | maronen; kastanien; marrons; chataignes; castagne; castanas
`;

/** Words of a state, and what they are in English: "pulpo congelado" is frozen. */
const STATES: readonly (readonly [RegExp, string])[] = [
  [/\b(?:tiefgekuhlt\w*|gefroren\w*|surgele\w*|congele\w*|surgelat\w*|congelad\w*)\b/, "frozen"],
  [/\b(?:getrocknet\w*|sech[es]*|secch[ei]|secco|secos?|secas?)\b/, "dried"],
  [/\b(?:gekocht\w*|gegart\w*|cuite?s?|cott[oaie]|cocid[oa]s?)\b/, "cooked"],
  [/\b(?:gerauchert\w*|fumee?s?|affumicat\w*|ahumad\w*)\b/, "smoked"],
  [/\b(?:aus der dose|dosen\w*|en (?:boite|conserve)|in scatola|en lata|de bote)\b/, "tinned"],
];
/** Free of something, or made of plants in its place: what the name then means is not said here. */
const OTHERWISE = /\b(?:ohne|sans|senza|sin)\b|frei(?:e[nrsm]?)?\b|\b(?:vegan\w*|vegetal\w*|vegetale?s?|pflanzlich\w*)\b/;

/** Words that are others in English ("pan drippings"): only where they are the whole name. */
const ALONE: ReadonlySet<string> = new Set(["pan", "sale", "sal", "col", "pain", "fond", "oca", "chiles", "caldo", "pates", "ol"]);

const plain = (text: string): string =>
  text.toLowerCase().replaceAll("ß", "ss").replaceAll("œ", "oe").normalize("NFD").replaceAll(/\p{M}/gu, "").replaceAll("’", "'");

let byName: Map<string, string> | undefined;
/** Every name of the rows with what it is in English. */
export function foreignNames(): ReadonlyMap<string, string> {
  byName ??= new Map(
    ROWS.trim()
      .split("\n")
      .flatMap((row) => {
        const [english = "", list = ""] = row.split("|");
        return list.split(";").map((name) => [plain(name).trim(), english.trim()] as const);
      }),
  );
  return byName;
}
const MOST_WORDS = 5;

/**
 * An ingredient's name in English where it is written in German, French, Italian or Spanish: by the longest phrase that stands in the rows,
 * of several as long the first, with what is said of its state.
 * @returns undefined where no row has a word of it, or where it is said to be without something
 * @example inEnglish("pulpo congelado") // "frozen octopus"
 */
export function inEnglish(name: string): string | undefined {
  // Without its sugar milk is milk: what its protein does to a guest stays.
  const text = plain(name)
    .replaceAll(/\([^)]*\)/g, " ")
    .replaceAll(/\b(?:laktosefrei\w*|(?:ohne|sans|senza|sin) (?:laktose|lactose|lattosio|lactosa))\b/g, " ");
  const known = foreignNames();
  const whole = known.get(text.trim());
  if (whole || OTHERWISE.test(text)) return whole;
  const words = text.match(/[\p{L}'-]+/gu) ?? [];
  for (let many = Math.min(MOST_WORDS, words.length); many > 0; many--)
    for (let from = 0; from + many <= words.length; from++) {
      const phrase = words.slice(from, from + many).join(" ");
      const english = ALONE.has(phrase) ? undefined : known.get(phrase);
      if (!english) continue;
      const states = STATES.flatMap(([said, word]) => (said.test(text) && !english.includes(word) ? [word] : []));
      return [...states, english].join(" ");
    }
  return undefined;
}

/** Whether the whole of a name stands in the rows: then it goes before an English word that looks like it ("pâte feuilletée" is no pâté). */
export const isWhollyForeign = (name: string): boolean => {
  const text = plain(name).trim();
  return text.includes(" ") && foreignNames().has(text);
};
