<?xml version="1.0" encoding="utf-8"?>
<!DOCTYPE TS>
<TS version="2.1" language="fr" sourcelanguage="en">
<context>
    <name>Monitor</name>
    <message>
        <source>%1: this is not the profile of a monitor. Choose another file, or cancel to use the system&apos;s.</source>
        <translation>%1 : ce n’est pas un profil d’écran. Choisissez un autre fichier, ou annulez pour utiliser celui du système.</translation>
    </message>
</context>
<context>
    <name>QObject</name>
    <message>
        <source>There is no command to run.</source>
        <translation>Il n’y a aucune commande à exécuter.</translation>
    </message>
    <message>
        <source>%1 cannot be started. Is it installed?</source>
        <translation>Impossible de lancer %1. Est-il installé ?</translation>
    </message>
    <message>
        <source>Sheet</source>
        <translation>Planche</translation>
    </message>
    <message>
        <source>Close-up</source>
        <translation>Gros plan</translation>
    </message>
    <message>
        <source>Blind trial</source>
        <translation>Test à l’aveugle</translation>
    </message>
    <message>
        <source>Sheet over photos</source>
        <translation>Planche de plusieurs photos</translation>
    </message>
    <message>
        <source>Mouse and sliders</source>
        <translation>Souris et curseurs</translation>
    </message>
    <message>
        <source>Lists</source>
        <translation>Listes</translation>
    </message>
    <message>
        <source>Arrows</source>
        <translation>Flèches</translation>
    </message>
    <message>
        <source>Go from cell to cell</source>
        <translation>Aller de case en case</translation>
    </message>
    <message>
        <source>Enter</source>
        <translation>Entrée</translation>
    </message>
    <message>
        <source>Open the cell in the close-up</source>
        <translation>Ouvrir la case en gros plan</translation>
    </message>
    <message>
        <source>O</source>
        <translation>O</translation>
    </message>
    <message>
        <source>Show the original</source>
        <translation>Montrer l’original</translation>
    </message>
    <message>
        <source>A to H</source>
        <translation>A à H</translation>
    </message>
    <message>
        <source>Show that take</source>
        <translation>Montrer cette variante</translation>
    </message>
    <message>
        <source>R</source>
        <translation>R</translation>
    </message>
    <message>
        <source>Show the next reference</source>
        <translation>Montrer la référence suivante</translation>
    </message>
    <message>
        <source>Left, Right</source>
        <translation>Gauche, Droite</translation>
    </message>
    <message>
        <source>Show the previous or next take</source>
        <translation>Montrer la variante précédente ou suivante</translation>
    </message>
    <message>
        <source>Tab</source>
        <translation>Tab</translation>
    </message>
    <message>
        <source>Flip the last two</source>
        <translation>Basculer entre les deux dernières</translation>
    </message>
    <message>
        <source>Ctrl+Tab, Shift+Tab</source>
        <translation>Ctrl+Tab, Maj+Tab</translation>
    </message>
    <message>
        <source>Go to the next or previous control</source>
        <translation>Aller au contrôle suivant ou précédent</translation>
    </message>
    <message>
        <source>Space</source>
        <translation>Espace</translation>
    </message>
    <message>
        <source>Show the original while held</source>
        <translation>Montrer l’original tant que la touche est enfoncée</translation>
    </message>
    <message>
        <source>Up, Down</source>
        <translation>Haut, Bas</translation>
    </message>
    <message>
        <source>Zoom in or out</source>
        <translation>Agrandir ou réduire</translation>
    </message>
    <message>
        <source>Shift+Arrows</source>
        <translation>Maj+Flèches</translation>
    </message>
    <message>
        <source>Pan</source>
        <translation>Déplacer</translation>
    </message>
    <message>
        <source>Page Up, Page Down</source>
        <translation>Page préc., Page suiv.</translation>
    </message>
    <message>
        <source>Go to the previous or next probe</source>
        <translation>Aller au point de contrôle précédent ou suivant</translation>
    </message>
    <message>
        <source>K</source>
        <translation>K</translation>
    </message>
    <message>
        <source>Paint on the zone; with Shift erase; again: stop</source>
        <translation>Peindre sur la zone ; avec Maj, effacer ; encore une fois : arrêter</translation>
    </message>
    <message>
        <source>M</source>
        <translation>M</translation>
    </message>
    <message>
        <source>Show the zone: in colour, grey outside, as an outline, not at all</source>
        <translation>Montrer la zone : en couleur, gris dehors, en contour, pas du tout</translation>
    </message>
    <message>
        <source>N</source>
        <translation>N</translation>
    </message>
    <message>
        <source>Go to the next place that the checks found; with Shift the one before</source>
        <translation>Aller à l’endroit suivant trouvé par les contrôles ; avec Maj, au précédent</translation>
    </message>
    <message>
        <source>S</source>
        <translation>S</translation>
    </message>
    <message>
        <source>Sweep over the whole photo at 100 %; with Shift one step back</source>
        <translation>Parcourir toute la photo à 100 % ; avec Maj, un pas en arrière</translation>
    </message>
    <message>
        <source>P</source>
        <translation>P</translation>
    </message>
    <message>
        <source>Add a probe here</source>
        <translation>Ajouter ici un point de contrôle</translation>
    </message>
    <message>
        <source>Choose this take for export</source>
        <translation>Choisir cette variante pour l’export</translation>
    </message>
    <message>
        <source>Esc</source>
        <translation>Échap</translation>
    </message>
    <message>
        <source>Go back to the sheet</source>
        <translation>Revenir à la planche</translation>
    </message>
    <message>
        <source>Prefer the left or right picture, or the first or second</source>
        <translation>Préférer l’image de gauche ou de droite, ou la première ou la seconde</translation>
    </message>
    <message>
        <source>Down</source>
        <translation>Bas</translation>
    </message>
    <message>
        <source>See no difference</source>
        <translation>Ne voir aucune différence</translation>
    </message>
    <message>
        <source>F</source>
        <translation>F</translation>
    </message>
    <message>
        <source>Show both in one place, or beside each other</source>
        <translation>Montrer les deux au même endroit, ou côte à côte</translation>
    </message>
    <message>
        <source>Change between the two that are in one place</source>
        <translation>Passer de l’une à l’autre au même endroit</translation>
    </message>
    <message>
        <source>Backspace</source>
        <translation>Retour arrière</translation>
    </message>
    <message>
        <source>Take the last answer back</source>
        <translation>Reprendre la dernière réponse</translation>
    </message>
    <message>
        <source>Show the result, then go back</source>
        <translation>Montrer le résultat, puis revenir</translation>
    </message>
    <message>
        <source>Show the previous or next probe of each photo</source>
        <translation>Montrer le point de contrôle précédent ou suivant de chaque photo</translation>
    </message>
    <message>
        <source>Drag a cell</source>
        <translation>Glisser une case</translation>
    </message>
    <message>
        <source>Pan its row; with Shift all rows</source>
        <translation>Déplacer sa rangée ; avec Maj, toutes les rangées</translation>
    </message>
    <message>
        <source>Wheel on a cell</source>
        <translation>Molette sur une case</translation>
    </message>
    <message>
        <source>Zoom at the pointer</source>
        <translation>Agrandir sous le pointeur</translation>
    </message>
    <message>
        <source>Double-click a cell</source>
        <translation>Double clic sur une case</translation>
    </message>
    <message>
        <source>Open it in the close-up</source>
        <translation>L’ouvrir en gros plan</translation>
    </message>
    <message>
        <source>Alt with a brush</source>
        <translation>Alt avec un pinceau</translation>
    </message>
    <message>
        <source>Draw a straight line</source>
        <translation>Tracer une ligne droite</translation>
    </message>
    <message>
        <source>Pen with a brush</source>
        <translation>Stylet avec un pinceau</translation>
    </message>
    <message>
        <source>Press harder to draw a wider line</source>
        <translation>Appuyer plus fort pour un trait plus large</translation>
    </message>
    <message>
        <source>Click in the close-up</source>
        <translation>Clic dans le gros plan</translation>
    </message>
    <message>
        <source>Say which zones act there, and how strongly</source>
        <translation>Dire quelles zones agissent là, et avec quelle force</translation>
    </message>
    <message>
        <source>Ctrl+wheel with a brush</source>
        <translation>Ctrl+molette avec un pinceau</translation>
    </message>
    <message>
        <source>Set its size; with Shift its soft edge</source>
        <translation>Régler sa taille ; avec Maj, son bord doux</translation>
    </message>
    <message>
        <source>Drag a slider</source>
        <translation>Glisser un curseur</translation>
    </message>
    <message>
        <source>Set its value; with Shift 10× finer</source>
        <translation>Régler sa valeur ; avec Maj, 10× plus fin</translation>
    </message>
    <message>
        <source>Arrows on a slider</source>
        <translation>Flèches sur un curseur</translation>
    </message>
    <message>
        <source>One step; with Shift the smallest</source>
        <translation>Un pas ; avec Maj, le plus petit</translation>
    </message>
    <message>
        <source>Double-click a slider</source>
        <translation>Double clic sur un curseur</translation>
    </message>
    <message>
        <source>Reset its value; so does Delete</source>
        <translation>Réinitialiser sa valeur ; Suppr aussi</translation>
    </message>
    <message>
        <source>Drag on the overview</source>
        <translation>Glisser sur la vue d’ensemble</translation>
    </message>
    <message>
        <source>Move a probe</source>
        <translation>Déplacer un point de contrôle</translation>
    </message>
    <message>
        <source>Double-click the overview</source>
        <translation>Double clic sur la vue d’ensemble</translation>
    </message>
    <message>
        <source>Add a probe</source>
        <translation>Ajouter un point de contrôle</translation>
    </message>
    <message>
        <source>Delete</source>
        <translation>Suppr</translation>
    </message>
    <message>
        <source>In the list: close the selected photos. On the overview: remove the probe</source>
        <translation>Dans la liste : fermer les photos sélectionnées. Sur la vue d’ensemble : retirer le point de contrôle</translation>
    </message>
</context>
<context>
    <name>WorkPart</name>
    <message>
        <source>Takes</source>
        <translation>Variantes</translation>
    </message>
    <message>
        <source>Probes</source>
        <translation>Points de contrôle</translation>
    </message>
    <message>
        <source>Look</source>
        <translation>Développement</translation>
    </message>
    <message>
        <source>Settings</source>
        <translation>Réglages</translation>
    </message>
</context>
<context>
    <name>core</name>
    <message>
        <source>%1 %2 → %3</source>
        <translation>%1 %2 → %3</translation>
    </message>
    <message>
        <source>%1 and more</source>
        <translation>%1 et plus</translation>
    </message>
    <message>
        <source>%1 changed</source>
        <translation>%1 modifié</translation>
    </message>
    <message>
        <source>%1 of the bright points are gone: a zone on them with luminance %2 would keep them.</source>
        <translation>%1 des points lumineux ont disparu : une zone sur eux avec luminance %2 les garderait.</translation>
    </message>
    <message>
        <source>%1 of the noise is left in even areas: luminance %2 would take more.</source>
        <translation>%1 du bruit reste dans les plages unies : luminance %2 en retirerait plus.</translation>
    </message>
    <message>
        <source>%1: renamed to &quot;%2&quot;</source>
        <translation>%1 : renommée « %2 »</translation>
    </message>
    <message>
        <source>16 bit</source>
        <translation>16 bits</translation>
    </message>
    <message>
        <source>32 bit floating point</source>
        <translation>32 bits à virgule flottante</translation>
    </message>
    <message>
        <source>8 bit</source>
        <translation>8 bits</translation>
    </message>
    <message>
        <source>A fine grid is left all over the picture.</source>
        <translation>Une trame fine reste sur toute l’image.</translation>
    </message>
    <message>
        <source>Above 0 brightens areas darker than mid-grey by up to 1.5 stops, and the noise in them. Local contrast stays.</source>
        <translation>Au-dessus de 0, éclaircit jusqu’à 1,5 EV ce qui est plus sombre que le gris moyen, et le bruit qui s’y trouve. Le contraste local reste.</translation>
    </message>
    <message>
        <source>Above 0 makes texture and small forms stand out from their surround, and the noise in them.</source>
        <translation>Au-dessus de 0, fait ressortir la texture et les petites formes de leur entourage, et le bruit qui s’y trouve.</translation>
    </message>
    <message>
        <source>Above 0 strengthens weak colours; those that are strong already stay as they are.</source>
        <translation>Au-dessus de 0, renforce les couleurs faibles ; celles qui sont déjà fortes restent telles quelles.</translation>
    </message>
    <message>
        <source>Added by you</source>
        <translation>Ajouté par vous</translation>
    </message>
    <message>
        <source>An ICC profile for RGB instead of a colour space, such as a printer&apos;s.</source>
        <translation>Un profil ICC pour RVB au lieu d’un espace de couleur, par exemple celui d’une imprimante.</translation>
    </message>
    <message>
        <source>BM3D</source>
        <translation>BM3D</translation>
    </message>
    <message>
        <source>BM3D quick</source>
        <translation>BM3D rapide</translation>
    </message>
    <message>
        <source>BM3D with one kind of blocks instead of two. Faster.</source>
        <translation>BM3D avec une sorte de blocs au lieu de deux. Plus rapide.</translation>
    </message>
    <message>
        <source>Below 0 darkens areas brighter than mid-grey by up to 1.5 stops. Local contrast stays.</source>
        <translation>Au-dessous de 0, assombrit jusqu’à 1,5 EV ce qui est plus clair que le gris moyen. Le contraste local reste.</translation>
    </message>
    <message>
        <source>Bright areas</source>
        <translation>Parties claires</translation>
    </message>
    <message>
        <source>Bright points such as stars and glints are gone or dimmed.</source>
        <translation>Des points lumineux, comme étoiles et reflets, ont disparu ou sont affaiblis.</translation>
    </message>
    <message>
        <source>Bright points such as stars and glints are kept.</source>
        <translation>Les points lumineux, comme étoiles et reflets, sont conservés.</translation>
    </message>
    <message>
        <source>Bright points: must not vanish</source>
        <translation>Points lumineux : ne doivent pas disparaître</translation>
    </message>
    <message>
        <source>Brightens the corners to match the middle, and the noise in them.</source>
        <translation>Éclaircit les coins pour les accorder au centre, et le bruit qui s’y trouve.</translation>
    </message>
    <message>
        <source>Brightness of the whole photo in stops. Exported, unlike the push.</source>
        <translation>Luminosité de toute la photo en EV. Exportée, contrairement à la poussée.</translation>
    </message>
    <message>
        <source>Clean, with straight edges. Slower.</source>
        <translation>Propre, avec des bords droits. Plus lent.</translation>
    </message>
    <message>
        <source>Cleanest and sharpest: a neural network trained on other pictures.</source>
        <translation>Le plus propre et le plus net : un réseau de neurones entraîné sur d’autres images.</translation>
    </message>
    <message>
        <source>Coarse colour noise to remove here, as a factor of the take&apos;s.</source>
        <translation>Bruit de couleur grossier à retirer ici, en facteur de celui de la variante.</translation>
    </message>
    <message>
        <source>Colour blotches</source>
        <translation>Taches de couleur</translation>
    </message>
    <message>
        <source>Colour blotches are left: coarse colour %1 would take more.</source>
        <translation>Des taches de couleur restent : couleur grossière %1 en retirerait plus.</translation>
    </message>
    <message>
        <source>Colour blotches of 8 to 32 pixels are left.</source>
        <translation>Des taches de couleur de 8 à 32 pixels restent.</translation>
    </message>
    <message>
        <source>Colour blotches of 8–64 px to remove. Needs Colour above 0.</source>
        <translation>Taches de couleur de 8–64 px à retirer. Demande Couleur au-dessus de 0.</translation>
    </message>
    <message>
        <source>Colour noise to remove here, as a factor of the take&apos;s.</source>
        <translation>Bruit de couleur à retirer ici, en facteur de celui de la variante.</translation>
    </message>
    <message>
        <source>Colour noise to remove; 1.00× is as much as was measured.</source>
        <translation>Bruit de couleur à retirer ; 1,00× est autant que mesuré.</translation>
    </message>
    <message>
        <source>Colour shift</source>
        <translation>Dérive de couleur</translation>
    </message>
    <message>
        <source>Colour temperature of the light; higher makes the picture warmer.</source>
        <translation>Température de couleur de la lumière ; plus haut rend l’image plus chaude.</translation>
    </message>
    <message>
        <source>Colours and brightness are kept.</source>
        <translation>Couleurs et luminosité sont conservées.</translation>
    </message>
    <message>
        <source>Colours or brightness of whole areas have changed.</source>
        <translation>Les couleurs ou la luminosité de plages entières ont changé.</translation>
    </message>
    <message>
        <source>Colours that the file can hold. sRGB suits screens; wider spaces are for further work.</source>
        <translation>Couleurs que le fichier peut contenir. sRGB convient aux écrans ; les espaces plus larges servent à la suite du travail.</translation>
    </message>
    <message>
        <source>Corner: least light and sharpness</source>
        <translation>Coin : le moins de lumière et de netteté</translation>
    </message>
    <message>
        <source>DNG: full colour instead of the mosaic, with sharpening and lens corrections applied. Three times as large.</source>
        <translation>DNG : couleur complète au lieu de la mosaïque, avec netteté et corrections d’objectif. Trois fois plus gros.</translation>
    </message>
    <message>
        <source>DNG: stores a preview with all pixels instead of 1024 across.</source>
        <translation>DNG : enregistre un aperçu de tous les pixels au lieu de 1024 de large.</translation>
    </message>
    <message>
        <source>DNG: where the edits go that another program keeps beside the raw, in an XMP file of its name.</source>
        <translation>DNG : où vont les retouches qu’un autre programme garde à côté du raw, dans un fichier XMP du même nom.</translation>
    </message>
    <message>
        <source>Dark areas</source>
        <translation>Parties sombres</translation>
    </message>
    <message>
        <source>Darkest area with detail: colour noise shows here first</source>
        <translation>Partie la plus sombre avec du détail : le bruit de couleur s’y voit d’abord</translation>
    </message>
    <message>
        <source>Darkest area with detail; push +%1 EV to see it</source>
        <translation>Partie la plus sombre avec du détail ; poussez de +%1 EV pour la voir</translation>
    </message>
    <message>
        <source>Deep red or blue: the noisiest channel, and colour fades here</source>
        <translation>Rouge ou bleu profond : le canal le plus bruité, et la couleur y pâlit</translation>
    </message>
    <message>
        <source>Demosaic: fine</source>
        <translation>Dématriçage : fin</translation>
    </message>
    <message>
        <source>Demosaic: quick</source>
        <translation>Dématriçage : rapide</translation>
    </message>
    <message>
        <source>Detail brought back here, more or less than the take does.</source>
        <translation>Détail rendu ici, plus ou moins que dans la variante.</translation>
    </message>
    <message>
        <source>Detail is kept.</source>
        <translation>Le détail est conservé.</translation>
    </message>
    <message>
        <source>Detail is lost at %1 of the places that have some: detail %2 would bring more back.</source>
        <translation>Du détail se perd à %1 des endroits qui en ont : détail %2 en rendrait plus.</translation>
    </message>
    <message>
        <source>Detail is lost at %1 of the places that have some: luminance %2 would keep more.</source>
        <translation>Du détail se perd à %1 des endroits qui en ont : luminance %2 en garderait plus.</translation>
    </message>
    <message>
        <source>Detail lost</source>
        <translation>Détail perdu</translation>
    </message>
    <message>
        <source>Edges have halos: light and dark seams along them.</source>
        <translation>Les bords ont des halos : des liserés clairs et sombres.</translation>
    </message>
    <message>
        <source>Edges have no halos.</source>
        <translation>Les bords n’ont pas de halos.</translation>
    </message>
    <message>
        <source>Edges: crop</source>
        <translation>Bords : recadrer</translation>
    </message>
    <message>
        <source>Edges: enlarge to fill</source>
        <translation>Bords : agrandir pour remplir</translation>
    </message>
    <message>
        <source>Edges: keep all, black</source>
        <translation>Bords : tout garder, noir</translation>
    </message>
    <message>
        <source>Edits: beside the DNG</source>
        <translation>Retouches : à côté du DNG</translation>
    </message>
    <message>
        <source>Edits: both</source>
        <translation>Retouches : les deux</translation>
    </message>
    <message>
        <source>Edits: into the DNG</source>
        <translation>Retouches : dans le DNG</translation>
    </message>
    <message>
        <source>Edits: leave out</source>
        <translation>Retouches : omettre</translation>
    </message>
    <message>
        <source>Even areas are clean.</source>
        <translation>Les plages unies sont propres.</translation>
    </message>
    <message>
        <source>File format. A DNG stays a raw: the look goes into its preview and its XMP. All others are finished pictures.</source>
        <translation>Format de fichier. Un DNG reste un raw : le développement va dans son aperçu et son XMP. Tous les autres sont des images finies.</translation>
    </message>
    <message>
        <source>File name. {stem}, {letter}, {take}, {method}, {iso}, {date}, {counter} and {version} are filled in from the photo and the take.</source>
        <translation>Nom du fichier. {stem}, {letter}, {take}, {method}, {iso}, {date}, {counter} et {version} sont remplis d’après la photo et la variante.</translation>
    </message>
    <message>
        <source>Finest texture: smears first</source>
        <translation>Texture la plus fine : se brouille en premier</translation>
    </message>
    <message>
        <source>Grain put back here, more or less than the take does.</source>
        <translation>Grain remis ici, plus ou moins que dans la variante.</translation>
    </message>
    <message>
        <source>Green–magenta balance; higher is more magenta.</source>
        <translation>Équilibre vert–magenta ; plus haut donne plus de magenta.</translation>
    </message>
    <message>
        <source>Halos</source>
        <translation>Halos</translation>
    </message>
    <message>
        <source>Higher keeps more faint detail, and some noise with it.</source>
        <translation>Plus haut garde plus de détail faible, et un peu de bruit avec lui.</translation>
    </message>
    <message>
        <source>How full colour is made from the sensor&apos;s mosaic; fine is slower and keeps more detail.</source>
        <translation>Comment la couleur complète est tirée de la mosaïque du capteur ; fin est plus lent et garde plus de détail.</translation>
    </message>
    <message>
        <source>How wide the zone&apos;s border is, in pixels of the photo.</source>
        <translation>Largeur du bord de la zone, en pixels de la photo.</translation>
    </message>
    <message>
        <source>ICC profile</source>
        <translation>Profil ICC</translation>
    </message>
    <message>
        <source>If it exists: add a number</source>
        <translation>S’il existe : ajouter un numéro</translation>
    </message>
    <message>
        <source>If it exists: do not export</source>
        <translation>S’il existe : ne pas exporter</translation>
    </message>
    <message>
        <source>If it exists: replace</source>
        <translation>S’il existe : remplacer</translation>
    </message>
    <message>
        <source>In focus</source>
        <translation>Net</translation>
    </message>
    <message>
        <source>Invented texture</source>
        <translation>Texture inventée</translation>
    </message>
    <message>
        <source>JPEG and JPEG XL: 95 looks like the original, 80 to 90 is for the web. JPEG XL at 100 is lossless.</source>
        <translation>JPEG et JPEG XL : 95 ressemble à l’original, 80 à 90 convient au web. JPEG XL à 100 est sans perte.</translation>
    </message>
    <message>
        <source>JPEG: half the resolution for colour makes the file smaller and fine red detail softer.</source>
        <translation>JPEG : la couleur à demi-résolution rend le fichier plus petit et le détail rouge fin plus mou.</translation>
    </message>
    <message>
        <source>LZW compression</source>
        <translation>Compression LZW</translation>
    </message>
    <message>
        <source>Learned</source>
        <translation>Appris</translation>
    </message>
    <message>
        <source>Learned quick</source>
        <translation>Appris rapide</translation>
    </message>
    <message>
        <source>Lossless compression</source>
        <translation>Compression sans perte</translation>
    </message>
    <message>
        <source>Lossless compression: lossless JPEG in a DNG, ZIP or LZW in a TIFF.</source>
        <translation>Compression sans perte : JPEG sans perte dans un DNG, ZIP ou LZW dans un TIFF.</translation>
    </message>
    <message>
        <source>Luminance noise to remove here, as a factor of the take&apos;s.</source>
        <translation>Bruit de luminance à retirer ici, en facteur de celui de la variante.</translation>
    </message>
    <message>
        <source>Luminance noise to remove; 1.00× is as much as was measured.</source>
        <translation>Bruit de luminance à retirer ; 1,00× est autant que mesuré.</translation>
    </message>
    <message>
        <source>Maps dark to bright, on display values.</source>
        <translation>Fait correspondre sombre et clair, sur les valeurs affichées.</translation>
    </message>
    <message>
        <source>Marked by strokes</source>
        <translation>Marqué par des traits</translation>
    </message>
    <message>
        <source>Moves the zone&apos;s border outward, in pixels of the photo.</source>
        <translation>Déplace le bord de la zone vers l’extérieur, en pixels de la photo.</translation>
    </message>
    <message>
        <source>Much of the noise is left in even areas.</source>
        <translation>Beaucoup de bruit reste dans les plages unies.</translation>
    </message>
    <message>
        <source>NL-Bayes</source>
        <translation>NL-Bayes</translation>
    </message>
    <message>
        <source>NL-means</source>
        <translation>NL-means</translation>
    </message>
    <message>
        <source>Natural in fine irregular texture. Slower.</source>
        <translation>Naturel dans la texture fine et irrégulière. Plus lent.</translation>
    </message>
    <message>
        <source>Natural, keeps texture that repeats. For moderate noise.</source>
        <translation>Naturel, garde la texture qui se répète. Pour un bruit modéré.</translation>
    </message>
    <message>
        <source>No colour blotches are left.</source>
        <translation>Aucune tache de couleur ne reste.</translation>
    </message>
    <message>
        <source>No take chosen</source>
        <translation>Aucune variante choisie</translation>
    </message>
    <message>
        <source>Noise along edges</source>
        <translation>Bruit le long des bords</translation>
    </message>
    <message>
        <source>Noise is left along edges that are clean farther away.</source>
        <translation>Du bruit reste le long de bords propres plus loin.</translation>
    </message>
    <message>
        <source>Noise is taken away evenly.</source>
        <translation>Le bruit est retiré uniformément.</translation>
    </message>
    <message>
        <source>Noise is taken away up to the edges.</source>
        <translation>Le bruit est retiré jusqu’aux bords.</translation>
    </message>
    <message>
        <source>Noise left</source>
        <translation>Bruit restant</translation>
    </message>
    <message>
        <source>Notes changed</source>
        <translation>Notes modifiées</translation>
    </message>
    <message>
        <source>Nothing in this photo is even enough to tell.</source>
        <translation>Rien dans cette photo n’est assez uni pour le dire.</translation>
    </message>
    <message>
        <source>Nothing is added that the photo does not have.</source>
        <translation>Rien n’est ajouté que la photo n’ait pas.</translation>
    </message>
    <message>
        <source>Nothing stands out from the noise</source>
        <translation>Rien ne se détache du bruit</translation>
    </message>
    <message>
        <source>Of a marked colour</source>
        <translation>D’une couleur marquée</translation>
    </message>
    <message>
        <source>Out of focus</source>
        <translation>Flou</translation>
    </message>
    <message>
        <source>Painted</source>
        <translation>Peint</translation>
    </message>
    <message>
        <source>Parts of the photo that are cleaned more or less than the rest.</source>
        <translation>Parties de la photo nettoyées plus ou moins que le reste.</translation>
    </message>
    <message>
        <source>Patterns</source>
        <translation>Motifs</translation>
    </message>
    <message>
        <source>Points lost</source>
        <translation>Points perdus</translation>
    </message>
    <message>
        <source>Points of light</source>
        <translation>Points de lumière</translation>
    </message>
    <message>
        <source>Print resolution noted in the file. Pixels stay the same.</source>
        <translation>Résolution d’impression notée dans le fichier. Les pixels restent les mêmes.</translation>
    </message>
    <message>
        <source>Probe %1 added</source>
        <translation>Point de contrôle %1 ajouté</translation>
    </message>
    <message>
        <source>Probe %1 moved</source>
        <translation>Point de contrôle %1 déplacé</translation>
    </message>
    <message>
        <source>Probe %1 removed</source>
        <translation>Point de contrôle %1 retiré</translation>
    </message>
    <message>
        <source>Probe %1 renamed to &quot;%2&quot;</source>
        <translation>Point de contrôle %1 renommé « %2 »</translation>
    </message>
    <message>
        <source>Probe %1 resized</source>
        <translation>Point de contrôle %1 redimensionné</translation>
    </message>
    <message>
        <source>Probes reordered</source>
        <translation>Points de contrôle réordonnés</translation>
    </message>
    <message>
        <source>Puts some luminance noise back as grain. Colour noise stays out.</source>
        <translation>Remet un peu de bruit de luminance comme grain. Le bruit de couleur reste dehors.</translation>
    </message>
    <message>
        <source>Quick and even. For light noise, or a first look.</source>
        <translation>Rapide et uniforme. Pour un bruit léger ou un premier coup d’œil.</translation>
    </message>
    <message>
        <source>Reduces the picture to this many pixels on its long edge; 0 keeps its size. Never enlarges.</source>
        <translation>Réduit l’image à ce nombre de pixels sur son grand côté ; 0 garde sa taille. N’agrandit jamais.</translation>
    </message>
    <message>
        <source>Reduces the picture to this share of its width and height.</source>
        <translation>Réduit l’image à cette part de sa largeur et de sa hauteur.</translation>
    </message>
    <message>
        <source>Reference R%1 opened</source>
        <translation>Référence R%1 ouverte</translation>
    </message>
    <message>
        <source>Reference R%1: colour match off</source>
        <translation>Référence R%1 : accord des couleurs désactivé</translation>
    </message>
    <message>
        <source>Reference R%1: colour match on</source>
        <translation>Référence R%1 : accord des couleurs activé</translation>
    </message>
    <message>
        <source>Reference closed</source>
        <translation>Référence fermée</translation>
    </message>
    <message>
        <source>Removes coloured edges towards the corners (lateral chromatic aberration), before demosaicing.</source>
        <translation>Retire les bords colorés vers les coins (aberration chromatique latérale), avant le dématriçage.</translation>
    </message>
    <message>
        <source>Removes purple next to bright edges. Purple elsewhere stays.</source>
        <translation>Retire le violet à côté des bords clairs. Le violet ailleurs reste.</translation>
    </message>
    <message>
        <source>Repairs hot and dead pixels and lines of the read-out before noise reduction.</source>
        <translation>Répare les pixels chauds et morts et les lignes de lecture avant la réduction du bruit.</translation>
    </message>
    <message>
        <source>Separates noise from detail.</source>
        <translation>Sépare le bruit du détail.</translation>
    </message>
    <message>
        <source>Sharpening here, as a factor of the look&apos;s.</source>
        <translation>Netteté ici, en facteur de celle du développement.</translation>
    </message>
    <message>
        <source>Sharpening: 0.5 px</source>
        <translation>Netteté : 0,5 px</translation>
    </message>
    <message>
        <source>Sharpening: 0.7 px</source>
        <translation>Netteté : 0,7 px</translation>
    </message>
    <message>
        <source>Sharpening: 1.0 px</source>
        <translation>Netteté : 1,0 px</translation>
    </message>
    <message>
        <source>Sharpening: 1.4 px</source>
        <translation>Netteté : 1,4 px</translation>
    </message>
    <message>
        <source>Sharpening: fine 0.5 px</source>
        <translation>Netteté : fine 0,5 px</translation>
    </message>
    <message>
        <source>Sharpening: look</source>
        <translation>Netteté : développement</translation>
    </message>
    <message>
        <source>Sharpening: medium 0.7 px</source>
        <translation>Netteté : moyenne 0,7 px</translation>
    </message>
    <message>
        <source>Sharpening: off</source>
        <translation>Netteté : aucune</translation>
    </message>
    <message>
        <source>Sharpening: wide 1.0 px</source>
        <translation>Netteté : large 1,0 px</translation>
    </message>
    <message>
        <source>Sharpening: widest 1.4 px</source>
        <translation>Netteté : très large 1,4 px</translation>
    </message>
    <message>
        <source>Sharpest area: where the eye goes first</source>
        <translation>Partie la plus nette : où l’œil va d’abord</translation>
    </message>
    <message>
        <source>Smooth areas</source>
        <translation>Parties lisses</translation>
    </message>
    <message>
        <source>Smooth mid-tone: grain and blotches show here</source>
        <translation>Ton moyen lisse : grain et taches s’y voient</translation>
    </message>
    <message>
        <source>Some areas are left noisier than others.</source>
        <translation>Certaines plages restent plus bruitées que d’autres.</translation>
    </message>
    <message>
        <source>Some noise is left in even areas.</source>
        <translation>Un peu de bruit reste dans les plages unies.</translation>
    </message>
    <message>
        <source>Straightens lines that the lens has bent. Pixels are interpolated.</source>
        <translation>Redresse les lignes que l’objectif a courbées. Les pixels sont interpolés.</translation>
    </message>
    <message>
        <source>Strength of all colours; 100 % is as the camera saw them.</source>
        <translation>Force de toutes les couleurs ; 100 % est comme l’appareil les a vues.</translation>
    </message>
    <message>
        <source>Strong edges</source>
        <translation>Bords forts</translation>
    </message>
    <message>
        <source>Strongest edge: halos and fringes show here</source>
        <translation>Bord le plus fort : halos et franges s’y voient</translation>
    </message>
    <message>
        <source>TIFF and PNG: bits per colour. 8 is enough to look at, 16 to work on, 32 keeps everything.</source>
        <translation>TIFF et PNG : bits par couleur. 8 suffisent pour regarder, 16 pour travailler, 32 gardent tout.</translation>
    </message>
    <message>
        <source>Take %1 added</source>
        <translation>Variante %1 ajoutée</translation>
    </message>
    <message>
        <source>Take %1 chosen</source>
        <translation>Variante %1 choisie</translation>
    </message>
    <message>
        <source>Take %1 removed</source>
        <translation>Variante %1 retirée</translation>
    </message>
    <message>
        <source>Takes reordered</source>
        <translation>Variantes réordonnées</translation>
    </message>
    <message>
        <source>Textured areas</source>
        <translation>Parties texturées</translation>
    </message>
    <message>
        <source>The command after it was not run: others can write where this queue is kept.</source>
        <translation>La commande suivante n’a pas été exécutée : d’autres peuvent écrire là où se trouve cette file.</translation>
    </message>
    <message>
        <source>The edits beside the raw are too large or damaged and were left out.</source>
        <translation>Les retouches à côté du raw sont trop grandes ou endommagées et ont été omises.</translation>
    </message>
    <message>
        <source>The file asks for corrections that are not known here; they stay undone.</source>
        <translation>Le fichier demande des corrections inconnues ici ; elles ne sont pas faites.</translation>
    </message>
    <message>
        <source>The file does not say which lens it was taken with.</source>
        <translation>Le fichier ne dit pas avec quel objectif il a été pris.</translation>
    </message>
    <message>
        <source>The file is probably damaged; copy it again from the card.</source>
        <translation>Le fichier est sans doute endommagé ; copiez-le de nouveau depuis la carte.</translation>
    </message>
    <message>
        <source>The learned method in one pass. Faster.</source>
        <translation>La méthode apprise en une passe. Plus rapide.</translation>
    </message>
    <message>
        <source>The original&apos;s XMP is longer than a JPEG can hold and was left out.</source>
        <translation>Le XMP de l’original est plus long que ce qu’un JPEG peut contenir et a été omis.</translation>
    </message>
    <message>
        <source>The original&apos;s XMP is too large or damaged and was left out.</source>
        <translation>Le XMP de l’original est trop grand ou endommagé et a été omis.</translation>
    </message>
    <message>
        <source>The photo is small</source>
        <translation>La photo est petite</translation>
    </message>
    <message>
        <source>The white balance that the camera has set.</source>
        <translation>La balance des blancs réglée par l’appareil.</translation>
    </message>
    <message>
        <source>There is no grid.</source>
        <translation>Il n’y a pas de trame.</translation>
    </message>
    <message>
        <source>There is not enough memory for this. Close other programs or photos and try again.</source>
        <translation>Il n’y a pas assez de mémoire pour cela. Fermez d’autres programmes ou photos et réessayez.</translation>
    </message>
    <message>
        <source>There is texture that the photo does not have.</source>
        <translation>Il y a de la texture que la photo n’a pas.</translation>
    </message>
    <message>
        <source>Thin lines before a smooth ground: the first that break</source>
        <translation>Lignes fines sur fond lisse : les premières qui se rompent</translation>
    </message>
    <message>
        <source>This photo has no bright points to judge by.</source>
        <translation>Cette photo n’a pas de points lumineux d’après lesquels juger.</translation>
    </message>
    <message>
        <source>Uncompressed</source>
        <translation>Non compressé</translation>
    </message>
    <message>
        <source>Undoes lens blur of this radius after noise reduction. Noise is not sharpened.</source>
        <translation>Corrige le flou d’objectif de ce rayon après la réduction du bruit. Le bruit n’est pas accentué.</translation>
    </message>
    <message>
        <source>Undoes lens blur of this radius in this take alone, after noise reduction; or as the look does.</source>
        <translation>Corrige le flou d’objectif de ce rayon dans cette seule variante, après la réduction du bruit ; ou comme le développement.</translation>
    </message>
    <message>
        <source>Unevenness</source>
        <translation>Inégalité</translation>
    </message>
    <message>
        <source>Wavelet</source>
        <translation>Wavelet</translation>
    </message>
    <message>
        <source>What happens at the edges when distortion is corrected.</source>
        <translation>Ce qui arrive aux bords quand la distorsion est corrigée.</translation>
    </message>
    <message>
        <source>What happens when a file of that name exists. Originals are never replaced.</source>
        <translation>Ce qui arrive quand un fichier de ce nom existe. Les originaux ne sont jamais remplacés.</translation>
    </message>
    <message>
        <source>What was taken away has the form of the picture: detail is lost.</source>
        <translation>Ce qui a été retiré a la forme de l’image : du détail se perd.</translation>
    </message>
    <message>
        <source>Where the file goes: empty means next to the original, a name means a subfolder there, a full path means that folder.</source>
        <translation>Où va le fichier : vide veut dire à côté de l’original, un nom veut dire un sous-dossier là, un chemin complet veut dire ce dossier.</translation>
    </message>
    <message>
        <source>a developed picture cannot become a raw again. Export it as a TIFF.</source>
        <translation>une image développée ne peut pas redevenir un raw. Exportez-la en TIFF.</translation>
    </message>
    <message>
        <source>a layer cannot be read back.</source>
        <translation>un calque ne peut pas être relu.</translation>
    </message>
    <message>
        <source>a preset&apos;s name has no slash and does not begin with a dot.</source>
        <translation>le nom d’un préréglage ne contient pas de barre et ne commence pas par un point.</translation>
    </message>
    <message>
        <source>as shot</source>
        <translation>telle que prise</translation>
    </message>
    <message>
        <source>border</source>
        <translation>bord</translation>
    </message>
    <message>
        <source>chromatic aberration</source>
        <translation>aberration chromatique</translation>
    </message>
    <message>
        <source>coarse colour</source>
        <translation>couleur grossière</translation>
    </message>
    <message>
        <source>colour</source>
        <translation>couleur</translation>
    </message>
    <message>
        <source>colour space</source>
        <translation>espace de couleur</translation>
    </message>
    <message>
        <source>compression</source>
        <translation>compression</translation>
    </message>
    <message>
        <source>corner</source>
        <translation>coin</translation>
    </message>
    <message>
        <source>darkest</source>
        <translation>le plus sombre</translation>
    </message>
    <message>
        <source>deep colour</source>
        <translation>couleur profonde</translation>
    </message>
    <message>
        <source>demosaic</source>
        <translation>dématriçage</translation>
    </message>
    <message>
        <source>demosaiced</source>
        <translation>dématricé</translation>
    </message>
    <message>
        <source>depth</source>
        <translation>profondeur</translation>
    </message>
    <message>
        <source>detail</source>
        <translation>détail</translation>
    </message>
    <message>
        <source>distortion</source>
        <translation>distorsion</translation>
    </message>
    <message>
        <source>edge</source>
        <translation>bord</translation>
    </message>
    <message>
        <source>edges</source>
        <translation>bords</translation>
    </message>
    <message>
        <source>edits made elsewhere</source>
        <translation>retouches faites ailleurs</translation>
    </message>
    <message>
        <source>exposure</source>
        <translation>exposition</translation>
    </message>
    <message>
        <source>feather</source>
        <translation>bord doux</translation>
    </message>
    <message>
        <source>file name</source>
        <translation>nom du fichier</translation>
    </message>
    <message>
        <source>folder</source>
        <translation>dossier</translation>
    </message>
    <message>
        <source>format</source>
        <translation>format</translation>
    </message>
    <message>
        <source>full-size preview</source>
        <translation>aperçu pleine taille</translation>
    </message>
    <message>
        <source>grain</source>
        <translation>grain</translation>
    </message>
    <message>
        <source>half colour resolution</source>
        <translation>couleur à demi-résolution</translation>
    </message>
    <message>
        <source>highlights</source>
        <translation>hautes lumières</translation>
    </message>
    <message>
        <source>if the name is taken</source>
        <translation>si le nom est pris</translation>
    </message>
    <message>
        <source>in focus</source>
        <translation>net</translation>
    </message>
    <message>
        <source>it claims more pixels than it can hold; the file is damaged.</source>
        <translation>il annonce plus de pixels qu’il ne peut en contenir ; le fichier est endommagé.</translation>
    </message>
    <message>
        <source>it claims more than 500 megapixels; Irenic reads photos of up to that.</source>
        <translation>il annonce plus de 500 mégapixels ; Irenic lit les photos jusqu’à cette taille.</translation>
    </message>
    <message>
        <source>it could not be written to its end.</source>
        <translation>il n’a pas pu être écrit jusqu’au bout.</translation>
    </message>
    <message>
        <source>it does not say how its mosaic is laid out (CFARepeatPatternDim and CFAPattern); the file is damaged.</source>
        <translation>il ne dit pas comment sa mosaïque est disposée (CFARepeatPatternDim et CFAPattern) ; le fichier est endommagé.</translation>
    </message>
    <message>
        <source>it does not say where its pixels are; the file is damaged. Copy it again from the card.</source>
        <translation>il ne dit pas où sont ses pixels ; le fichier est endommagé. Copiez-le de nouveau depuis la carte.</translation>
    </message>
    <message>
        <source>it holds no mosaic that Irenic can clean.</source>
        <translation>il ne contient aucune mosaïque qu’Irenic puisse nettoyer.</translation>
    </message>
    <message>
        <source>it holds several raw pictures, and not the first of them can be read.</source>
        <translation>il contient plusieurs images raw, et la première ne peut pas être lue.</translation>
    </message>
    <message>
        <source>it is a link that leads to itself.</source>
        <translation>c’est un lien qui mène à lui-même.</translation>
    </message>
    <message>
        <source>it is larger than this disk can hold in one file. Choose another folder.</source>
        <translation>il est plus grand que ce que ce disque peut contenir en un fichier. Choisissez un autre dossier.</translation>
    </message>
    <message>
        <source>it is too large for a JPEG. Export a TIFF.</source>
        <translation>il est trop grand pour un JPEG. Exportez un TIFF.</translation>
    </message>
    <message>
        <source>it is too large to be what it is called.</source>
        <translation>il est trop grand pour être ce que dit son nom.</translation>
    </message>
    <message>
        <source>it would be larger than the 4 GB that a DNG can hold.</source>
        <translation>il serait plus grand que les 4 Go qu’un DNG peut contenir.</translation>
    </message>
    <message>
        <source>its black and white levels contradict each other.</source>
        <translation>ses niveaux de noir et de blanc se contredisent.</translation>
    </message>
    <message>
        <source>its colour profile cannot be used.</source>
        <translation>son profil de couleur ne peut pas être utilisé.</translation>
    </message>
    <message>
        <source>its compressed pixels are damaged. Copy it again from the card.</source>
        <translation>ses pixels compressés sont endommagés. Copiez-le de nouveau depuis la carte.</translation>
    </message>
    <message>
        <source>its floating-point values are stored in a way that Irenic cannot read. Save it with 16, 24 or 32 bits, deflated or not compressed.</source>
        <translation>ses valeurs à virgule flottante sont enregistrées d’une façon qu’Irenic ne peut pas lire. Enregistrez-le en 16, 24 ou 32 bits, avec deflate ou sans compression.</translation>
    </message>
    <message>
        <source>its folder is not there. Choose another one.</source>
        <translation>son dossier n’est pas là. Choisissez-en un autre.</translation>
    </message>
    <message>
        <source>its lossy JPEG has other than 8 bits, which Irenic cannot read. Save it with lossless JPEG.</source>
        <translation>son JPEG avec perte n’a pas 8 bits, ce qu’Irenic ne peut pas lire. Enregistrez-le en JPEG sans perte.</translation>
    </message>
    <message>
        <source>its mosaic is neither a 2x2 pattern of red, green and blue nor X-Trans; Irenic cannot clean others.</source>
        <translation>sa mosaïque n’est ni un motif 2x2 de rouge, vert et bleu ni X-Trans ; Irenic ne peut pas en nettoyer d’autres.</translation>
    </message>
    <message>
        <source>its name is too long for this disk. Choose a shorter one.</source>
        <translation>son nom est trop long pour ce disque. Choisissez-en un plus court.</translation>
    </message>
    <message>
        <source>its name is too long.</source>
        <translation>son nom est trop long.</translation>
    </message>
    <message>
        <source>its pixels are kept in a way that Irenic cannot read.</source>
        <translation>ses pixels sont enregistrés d’une façon qu’Irenic ne peut pas lire.</translation>
    </message>
    <message>
        <source>its pixels are packed as JPEG XL, which Irenic cannot read in a DNG yet. Save it with lossless JPEG.</source>
        <translation>ses pixels sont compressés en JPEG XL, qu’Irenic ne peut pas encore lire dans un DNG. Enregistrez-le en JPEG sans perte.</translation>
    </message>
    <message>
        <source>its rows or columns are interleaved, which Irenic cannot read. Save it without.</source>
        <translation>ses lignes ou ses colonnes sont entrelacées, ce qu’Irenic ne peut pas lire. Enregistrez-le sans cela.</translation>
    </message>
    <message>
        <source>its sizes contradict each other; the file is damaged.</source>
        <translation>ses tailles se contredisent ; le fichier est endommagé.</translation>
    </message>
    <message>
        <source>its sizes make no sense; the file is damaged.</source>
        <translation>ses tailles n’ont pas de sens ; le fichier est endommagé.</translation>
    </message>
    <message>
        <source>its tiles are of another size than it says; the file is damaged.</source>
        <translation>ses tuiles ont une autre taille que celle annoncée ; le fichier est endommagé.</translation>
    </message>
    <message>
        <source>its values are neither whole nor floating-point numbers; Irenic cannot read them.</source>
        <translation>ses valeurs ne sont ni des entiers ni des nombres à virgule flottante ; Irenic ne peut pas les lire.</translation>
    </message>
    <message>
        <source>its values lie along a curve of its own (MapTable or MapPolynomial), which Irenic cannot follow yet. Save it with lossless JPEG.</source>
        <translation>ses valeurs suivent une courbe propre (MapTable ou MapPolynomial), qu’Irenic ne peut pas encore suivre. Enregistrez-le en JPEG sans perte.</translation>
    </message>
    <message>
        <source>lights</source>
        <translation>lumières</translation>
    </message>
    <message>
        <source>local contrast</source>
        <translation>contraste local</translation>
    </message>
    <message>
        <source>long edge</source>
        <translation>grand côté</translation>
    </message>
    <message>
        <source>luminance</source>
        <translation>luminance</translation>
    </message>
    <message>
        <source>method</source>
        <translation>méthode</translation>
    </message>
    <message>
        <source>mid-tone</source>
        <translation>ton moyen</translation>
    </message>
    <message>
        <source>middle</source>
        <translation>milieu</translation>
    </message>
    <message>
        <source>muted colours</source>
        <translation>couleurs sourdes</translation>
    </message>
    <message>
        <source>nothing may be written there. Choose another folder.</source>
        <translation>rien ne peut y être écrit. Choisissez un autre dossier.</translation>
    </message>
    <message>
        <source>of all places</source>
        <translation>de tous les endroits</translation>
    </message>
    <message>
        <source>of bright points</source>
        <translation>des points lumineux</translation>
    </message>
    <message>
        <source>of places with detail</source>
        <translation>des endroits avec du détail</translation>
    </message>
    <message>
        <source>of the colour noise that was there</source>
        <translation>du bruit de couleur qui était là</translation>
    </message>
    <message>
        <source>of the edge&apos;s height</source>
        <translation>de la hauteur du bord</translation>
    </message>
    <message>
        <source>of the noise that was there</source>
        <translation>du bruit qui était là</translation>
    </message>
    <message>
        <source>planar colour is not supported. Save it with the colours side by side.</source>
        <translation>la couleur en plans séparés n’est pas prise en charge. Enregistrez-le avec les couleurs côte à côte.</translation>
    </message>
    <message>
        <source>purple fringes</source>
        <translation>franges violettes</translation>
    </message>
    <message>
        <source>quality</source>
        <translation>qualité</translation>
    </message>
    <message>
        <source>repair bad pixels and banding</source>
        <translation>réparer pixels défectueux et bandes</translation>
    </message>
    <message>
        <source>resolution</source>
        <translation>résolution</translation>
    </message>
    <message>
        <source>saturation</source>
        <translation>saturation</translation>
    </message>
    <message>
        <source>shadows</source>
        <translation>ombres</translation>
    </message>
    <message>
        <source>sharpening</source>
        <translation>netteté</translation>
    </message>
    <message>
        <source>size</source>
        <translation>taille</translation>
    </message>
    <message>
        <source>temperature</source>
        <translation>température</translation>
    </message>
    <message>
        <source>texture</source>
        <translation>texture</translation>
    </message>
    <message>
        <source>the decoder made no progress and was ended. The file is probably damaged; copy it again from the card.</source>
        <translation>le décodeur n’avançait pas et a été arrêté. Le fichier est sans doute endommagé ; copiez-le de nouveau depuis la carte.</translation>
    </message>
    <message>
        <source>the decoder was stopped from outside, perhaps for lack of memory. Close other programs and try again.</source>
        <translation>le décodeur a été arrêté de l’extérieur, peut-être faute de mémoire. Fermez d’autres programmes et réessayez.</translation>
    </message>
    <message>
        <source>the disk is full. Make room, or choose another folder.</source>
        <translation>le disque est plein. Faites de la place, ou choisissez un autre dossier.</translation>
    </message>
    <message>
        <source>the file could not be read to its end: its disk fails, or it was changed meanwhile. Copy it to another disk and try again.</source>
        <translation>le fichier n’a pas pu être lu jusqu’au bout : son disque est défaillant, ou il a été modifié entre-temps. Copiez-le sur un autre disque et réessayez.</translation>
    </message>
    <message>
        <source>the file ends too early or is damaged. Copy it again from the card.</source>
        <translation>le fichier finit trop tôt ou est endommagé. Copiez-le de nouveau depuis la carte.</translation>
    </message>
    <message>
        <source>the file ends too early or is damaged. Copy it again.</source>
        <translation>le fichier finit trop tôt ou est endommagé. Copiez-le de nouveau.</translation>
    </message>
    <message>
        <source>the file ends too early or is damaged: part of the picture is missing. Copy it again.</source>
        <translation>le fichier finit trop tôt ou est endommagé : une partie de l’image manque. Copiez-le de nouveau.</translation>
    </message>
    <message>
        <source>the file ends too early. Copy it again from the card.</source>
        <translation>le fichier finit trop tôt. Copiez-le de nouveau depuis la carte.</translation>
    </message>
    <message>
        <source>the file ends too early: some of its pixels are missing. Copy it again from the card.</source>
        <translation>le fichier finit trop tôt : certains de ses pixels manquent. Copiez-le de nouveau depuis la carte.</translation>
    </message>
    <message>
        <source>the file is empty. Copy it again from the card.</source>
        <translation>le fichier est vide. Copiez-le de nouveau depuis la carte.</translation>
    </message>
    <message>
        <source>the file needs a name.</source>
        <translation>le fichier a besoin d’un nom.</translation>
    </message>
    <message>
        <source>the file that is there must not be changed. Choose another name.</source>
        <translation>le fichier qui est là ne doit pas être modifié. Choisissez un autre nom.</translation>
    </message>
    <message>
        <source>the greens of its mosaic do not lie on a diagonal; Irenic cannot clean others.</source>
        <translation>les verts de sa mosaïque ne sont pas en diagonale ; Irenic ne peut pas en nettoyer d’autres.</translation>
    </message>
    <message>
        <source>the picture is too small to be a photo.</source>
        <translation>l’image est trop petite pour être une photo.</translation>
    </message>
    <message>
        <source>the sizes of its tiles make no sense; the file is damaged.</source>
        <translation>les tailles de ses tuiles n’ont pas de sens ; le fichier est endommagé.</translation>
    </message>
    <message>
        <source>there is a file of this name already. Choose another name.</source>
        <translation>il y a déjà un fichier de ce nom. Choisissez un autre nom.</translation>
    </message>
    <message>
        <source>there is a file of this name that Irenic did not make, and it is never replaced. Choose another name.</source>
        <translation>il y a un fichier de ce nom qu’Irenic n’a pas fait, et il n’est jamais remplacé. Choisissez un autre nom.</translation>
    </message>
    <message>
        <source>there is not enough memory for it.</source>
        <translation>il n’y a pas assez de mémoire pour lui.</translation>
    </message>
    <message>
        <source>there is not enough memory to make it.</source>
        <translation>il n’y a pas assez de mémoire pour le faire.</translation>
    </message>
    <message>
        <source>thin lines</source>
        <translation>lignes fines</translation>
    </message>
    <message>
        <source>this DNG holds no raw picture, only previews; there is nothing that Irenic can clean.</source>
        <translation>ce DNG ne contient pas d’image raw, seulement des aperçus ; il n’y a rien qu’Irenic puisse nettoyer.</translation>
    </message>
    <message>
        <source>this is a JPEG for printing (CMYK), which Irenic cannot read. Save it as RGB.</source>
        <translation>c’est un JPEG pour l’impression (CMJN), qu’Irenic ne peut pas lire. Enregistrez-le en RVB.</translation>
    </message>
    <message>
        <source>this is a device, not a file. Choose another name.</source>
        <translation>c’est un périphérique, pas un fichier. Choisissez un autre nom.</translation>
    </message>
    <message>
        <source>this is a folder, not a file.</source>
        <translation>c’est un dossier, pas un fichier.</translation>
    </message>
    <message>
        <source>this is a folder. Choose a file name.</source>
        <translation>c’est un dossier. Choisissez un nom de fichier.</translation>
    </message>
    <message>
        <source>this is a link to another place, which is not written through. Choose another name.</source>
        <translation>c’est un lien vers un autre endroit, à travers lequel rien n’est écrit. Choisissez un autre nom.</translation>
    </message>
    <message>
        <source>this is a pipe or a device, not a file.</source>
        <translation>c’est un tube ou un périphérique, pas un fichier.</translation>
    </message>
    <message>
        <source>this is no file that can be read.</source>
        <translation>ce n’est pas un fichier qui puisse être lu.</translation>
    </message>
    <message>
        <source>this is not a photo that Irenic can read, or it is damaged.</source>
        <translation>ce n’est pas une photo qu’Irenic puisse lire, ou elle est endommagée.</translation>
    </message>
    <message>
        <source>this is the original photo, which is never overwritten. Choose another name or folder.</source>
        <translation>c’est la photo originale, qui n’est jamais écrasée. Choisissez un autre nom ou dossier.</translation>
    </message>
    <message>
        <source>this kind of TIFF cannot be read. Save it as RGB or grey with 8, 16 or 32 bits, with the colours side by side.</source>
        <translation>cette sorte de TIFF ne peut pas être lue. Enregistrez-le en RVB ou en gris avec 8, 16 ou 32 bits, les couleurs côte à côte.</translation>
    </message>
    <message>
        <source>tint</source>
        <translation>teinte</translation>
    </message>
    <message>
        <source>tone curve</source>
        <translation>courbe de tons</translation>
    </message>
    <message>
        <source>vignetting</source>
        <translation>vignettage</translation>
    </message>
    <message>
        <source>you have no permission to read it.</source>
        <translation>vous n’avez pas le droit de le lire.</translation>
    </message>
    <message>
        <source>your share of the disk is used up. Make room, or choose another folder.</source>
        <translation>votre part du disque est épuisée. Faites de la place, ou choisissez un autre dossier.</translation>
    </message>
    <message>
        <source>zones</source>
        <translation>zones</translation>
    </message>
    <message>
        <source>Reference R%1: as it is</source>
        <translation>Référence R%1 : telle quelle</translation>
    </message>
    <message>
        <source>Reference R%1: cleaned</source>
        <translation>Référence R%1 : nettoyée</translation>
    </message>
    <message>
        <source>Colour has run over edges: fringes of the other side&apos;s colour.</source>
        <translation>La couleur a débordé : franges de la couleur de l’autre côté.</translation>
    </message>
    <message>
        <source>Colours end at their edges.</source>
        <translation>Les couleurs finissent à leurs bords.</translation>
    </message>
    <message>
        <source>Fringes</source>
        <translation>Franges</translation>
    </message>
    <message>
        <source>This photo has too few edges of this kind to judge by.</source>
        <translation>Cette photo a trop peu de bords de cette sorte d’après lesquels juger.</translation>
    </message>
    <message>
        <source>of the way to the other side&apos;s colour</source>
        <translation>du chemin vers la couleur de l’autre côté</translation>
    </message>
    <message>
        <source>Estimated error</source>
        <translation>Erreur estimée</translation>
    </message>
    <message>
        <source>Little is won by this take: its error is nearly that of the noise.</source>
        <translation>Cette variante gagne peu : son erreur est presque celle du bruit.</translation>
    </message>
    <message>
        <source>The take is nearer to the picture than the noisy photo is.</source>
        <translation>La variante est plus proche de l’image que la photo bruitée.</translation>
    </message>
    <message>
        <source>Look</source>
        <translation>Développement</translation>
    </message>
    <message>
        <source>Brightens the view to show the shadows. Never exported.</source>
        <translation>Éclaircit la vue pour montrer les ombres. Jamais exporté.</translation>
    </message>
    <message>
        <source>How much what differs is amplified.</source>
        <translation>De combien est amplifié ce qui diffère.</translation>
    </message>
    <message>
        <source>brush</source>
        <translation>pinceau</translation>
    </message>
    <message>
        <source>gain</source>
        <translation>gain</translation>
    </message>
    <message>
        <source>push</source>
        <translation>poussée</translation>
    </message>
    <message>
        <source>Diameter of the brush, in pixels of the photo; a pen&apos;s pressure narrows it. (Ctrl+wheel)</source>
        <translation>Diamètre du pinceau, en pixels de la photo ; la pression d’un stylet le rétrécit. (Ctrl+molette)</translation>
    </message>
    <message>
        <source>How much of the brush fades out. (Ctrl+Shift+wheel)</source>
        <translation>Quelle part du pinceau s’estompe. (Ctrl+Maj+molette)</translation>
    </message>
    <message>
        <source>soft edge</source>
        <translation>bord doux</translation>
    </message>
    <message>
        <source>Found again, as in %1</source>
        <translation>Retrouvé, comme dans %1</translation>
    </message>
    <message>
        <source>%1 cannot be started (%2)</source>
        <translation>%1 ne peut pas être lancé (%2)</translation>
    </message>
    <message>
        <source>%1 cannot be used for output.</source>
        <translation>%1 ne peut pas servir pour la sortie.</translation>
    </message>
    <message>
        <source>%1 is no ICC profile of RGB colours.</source>
        <translation>%1 n’est pas un profil ICC de couleurs RVB.</translation>
    </message>
    <message>
        <source>%1 is no preset and no sidecar of Irenic</source>
        <translation>%1 n’est ni un préréglage ni un fichier annexe d’Irenic</translation>
    </message>
    <message>
        <source>%1 was not checked to the end.</source>
        <translation>%1 n’a pas été vérifié jusqu’au bout.</translation>
    </message>
    <message>
        <source>%1 was not exported: the file exists. Choose another name or use --overwrite.</source>
        <translation>%1 n’a pas été exporté : le fichier existe déjà. Choisissez un autre nom ou utilisez --overwrite.</translation>
    </message>
    <message>
        <source>%1 was not written: %2</source>
        <translation>%1 n’a pas été écrit : %2</translation>
    </message>
    <message>
        <source>%1. Check that it is there and may be used.</source>
        <translation>%1. Vérifiez que cela existe et peut être utilisé.</translation>
    </message>
    <message>
        <source>%1. It could not be renamed. Nothing is saved for this photo until you move the file.</source>
        <translation>%1. Il n’a pas pu être renommé. Rien n’est enregistré pour cette photo tant que vous ne déplacez pas le fichier.</translation>
    </message>
    <message>
        <source>%1; the photo starts with defaults. The old file is kept as %2.</source>
        <translation>%1 ; la photo repart des valeurs par défaut. L’ancien fichier est conservé sous %2.</translation>
    </message>
    <message>
        <source>A DNG keeps what is not used here of its profile</source>
        <translation>Un DNG garde ce qui n’est pas utilisé ici de son profil</translation>
    </message>
    <message>
        <source>A TIFF above 4 GB holds no Exif, IPTC and XMP yet; they were left out.</source>
        <translation>Un TIFF de plus de 4 Go ne contient pas encore d’Exif, d’IPTC ni de XMP ; ils ont été omis.</translation>
    </message>
    <message>
        <source>Another program holds it; try again.</source>
        <translation>Un autre programme l’occupe ; réessayez.</translation>
    </message>
    <message>
        <source>Cannot make a folder in %1 (%2). Check its free space and permissions.</source>
        <translation>Impossible de créer un dossier dans %1 (%2). Vérifiez l’espace libre et les droits.</translation>
    </message>
    <message>
        <source>Cannot open %1</source>
        <translation>Impossible d’ouvrir %1</translation>
    </message>
    <message>
        <source>Cannot write in %1 (%2). Choose another folder.</source>
        <translation>Impossible d’écrire dans %1 (%2). Choisissez un autre dossier.</translation>
    </message>
    <message>
        <source>Check its disk.</source>
        <translation>Vérifiez le disque.</translation>
    </message>
    <message>
        <source>Check its permissions and free space.</source>
        <translation>Vérifiez les droits et l’espace libre.</translation>
    </message>
    <message>
        <source>Exif&apos;s %1 is longer than this kind of file can hold and was left out.</source>
        <translation>%1 d’Exif est plus long que ce que ce type de fichier peut contenir et a été omis.</translation>
    </message>
    <message>
        <source>It is damaged and has to be set aside.</source>
        <translation>Elle est endommagée et doit être mise de côté.</translation>
    </message>
    <message>
        <source>Make room on its disk.</source>
        <translation>Libérez de la place sur le disque.</translation>
    </message>
    <message>
        <source>Settings of %1 are damaged (%2) and could not be renamed. Nothing is saved for this photo until you move the file.</source>
        <translation>Les réglages de %1 sont endommagés (%2) et n’ont pas pu être renommés. Rien n’est enregistré pour cette photo tant que vous ne déplacez pas le fichier.</translation>
    </message>
    <message>
        <source>Settings of %1 are damaged (%2); the photo starts with defaults. The old file is kept as %3.</source>
        <translation>Les réglages de %1 sont endommagés (%2) ; la photo repart des valeurs par défaut. L’ancien fichier est conservé sous %3.</translation>
    </message>
    <message>
        <source>The command after it: %1</source>
        <translation>La commande qui suit : %1</translation>
    </message>
    <message>
        <source>The damaged queue %1 cannot be set aside (%2). Move it away yourself.</source>
        <translation>La file endommagée %1 ne peut pas être mise de côté (%2). Déplacez-la vous-même.</translation>
    </message>
    <message>
        <source>The edits in %1 set %2: look at that again in the cleaned DNG.</source>
        <translation>Les retouches dans %1 contiennent %2 : revoyez-les dans le DNG nettoyé.</translation>
    </message>
    <message>
        <source>The export process stopped (status %1). Retry it alone.</source>
        <translation>Le processus d’export s’est arrêté (état %1). Relancez-le seul.</translation>
    </message>
    <message>
        <source>The export process was stopped from outside, perhaps for lack of memory. Close other programs and retry.</source>
        <translation>Le processus d’export a été arrêté de l’extérieur, peut-être faute de mémoire. Fermez d’autres programmes et réessayez.</translation>
    </message>
    <message>
        <source>The export queue %1 was written by a newer Irenic. Use that, or move the file away.</source>
        <translation>La file d’export %1 a été écrite par un Irenic plus récent. Utilisez-le ou déplacez le fichier.</translation>
    </message>
    <message>
        <source>The export queue cannot be used: %1 (%2).</source>
        <translation>La file d’export est inutilisable : %1 (%2).</translation>
    </message>
    <message>
        <source>The export queue cannot be used: %1 is no file. It has to be set aside.</source>
        <translation>La file d’export est inutilisable : %1 n’est pas un fichier. Elle doit être mise de côté.</translation>
    </message>
    <message>
        <source>The file&apos;s baseline exposure of %1 EV is used.</source>
        <translation>L’exposition de base du fichier, %1 EV, est utilisée.</translation>
    </message>
    <message>
        <source>The worker died (%1). The file may be damaged; try it by itself.</source>
        <translation>Le processus est mort (%1). Le fichier est peut-être endommagé ; essayez-le seul.</translation>
    </message>
    <message>
        <source>The worker made no progress and was ended.</source>
        <translation>Le processus n’avançait plus et a été arrêté.</translation>
    </message>
    <message>
        <source>There is no command to run.</source>
        <translation>Il n’y a aucune commande à lancer.</translation>
    </message>
    <message>
        <source>This place is clipped: its colour is lost. Click something grey that is less bright.</source>
        <translation>Cet endroit est écrêté : sa couleur est perdue. Cliquez sur un gris moins clair.</translation>
    </message>
    <message>
        <source>This place is too dark to tell its colour. Click something grey that is brighter.</source>
        <translation>Cet endroit est trop sombre pour que l’on en connaisse la couleur. Cliquez sur un gris plus clair.</translation>
    </message>
    <message>
        <source>&quot;%1&quot; cannot be run (%2).</source>
        <translation>« %1 » ne peut pas être lancé (%2).</translation>
    </message>
    <message>
        <source>&quot;%1&quot; ended with status %2.</source>
        <translation>« %1 » s’est terminé avec l’état %2.</translation>
    </message>
    <message>
        <source>&quot;%1&quot; is not in the lens database.</source>
        <translation>« %1 » n’est pas dans la base de données d’objectifs.</translation>
    </message>
    <message>
        <source>&quot;%1&quot; was ended by signal %2.</source>
        <translation>« %1 » a été arrêté par le signal %2.</translation>
    </message>
    <message>
        <source>&quot;%1&quot; was stopped.</source>
        <translation>« %1 » a été arrêté.</translation>
    </message>
    <message>
        <source>a %1 has 8 or 16 bits: choose 16, or a TIFF.</source>
        <translation>un %1 a 8 ou 16 bits : choisissez 16, ou un TIFF.</translation>
    </message>
    <message>
        <source>a file of this kind cannot be written. Hand over a TIFF.</source>
        <translation>un fichier de ce type ne peut pas être écrit. Transmettez un TIFF.</translation>
    </message>
    <message>
        <source>an entry of the queue cannot be read: %1</source>
        <translation>une entrée de la file est illisible : %1</translation>
    </message>
    <message>
        <source>an entry of the queue has noise that no sensor has.</source>
        <translation>une entrée de la file a un bruit qu’aucun capteur n’a.</translation>
    </message>
    <message>
        <source>another program</source>
        <translation>un autre programme</translation>
    </message>
    <message>
        <source>changed in another window</source>
        <translation>modifié dans une autre fenêtre</translation>
    </message>
    <message>
        <source>cleaned by %1</source>
        <translation>nettoyée par %1</translation>
    </message>
    <message>
        <source>colour tables</source>
        <translation>tables de couleurs</translation>
    </message>
    <message>
        <source>colours matched: %1 EV, off by %2 % (%3 % before)</source>
        <translation>couleurs alignées : %1 EV, écart %2 % (avant %3 %)</translation>
    </message>
    <message>
        <source>gain table</source>
        <translation>table de gain</translation>
    </message>
    <message>
        <source>hue and saturation table</source>
        <translation>table de teinte et de saturation</translation>
    </message>
    <message>
        <source>in place</source>
        <translation>en place</translation>
    </message>
    <message>
        <source>in the file</source>
        <translation>dans le fichier</translation>
    </message>
    <message>
        <source>it cannot be read (%1).</source>
        <translation>il est illisible (%1).</translation>
    </message>
    <message>
        <source>it cannot be written (%1).</source>
        <translation>il ne peut pas être écrit (%1).</translation>
    </message>
    <message>
        <source>it claims %1 x %2 pixels, more than it can hold; the file is damaged.</source>
        <translation>il annonce %1 x %2 pixels, plus qu’il ne peut en contenir ; le fichier est endommagé.</translation>
    </message>
    <message>
        <source>it claims %1 x %2 pixels; Irenic reads photos of up to 500 megapixels.</source>
        <translation>il annonce %1 x %2 pixels ; Irenic lit des photos jusqu’à 500 mégapixels.</translation>
    </message>
    <message>
        <source>it has %1 bits for each value; Irenic reads 8 to 32.</source>
        <translation>il a %1 bits par valeur ; Irenic lit de 8 à 32.</translation>
    </message>
    <message>
        <source>it has %1 values for each pixel; Irenic cleans mosaics, grey and RGB.</source>
        <translation>il a %1 valeurs par pixel ; Irenic nettoie les mosaïques, le gris et le RVB.</translation>
    </message>
    <message>
        <source>it is too large (%1 MB) to be what it is called.</source>
        <translation>il est trop grand (%1 Mo) pour être ce que dit son nom.</translation>
    </message>
    <message>
        <source>it shows another picture (match %1, needs %2). Choose a file made from this photo</source>
        <translation>il montre une autre image (correspondance %1, il faut %2). Choisissez un fichier fait à partir de cette photo</translation>
    </message>
    <message>
        <source>its folder cannot be made (%1). Choose another folder.</source>
        <translation>son dossier ne peut pas être créé (%1). Choisissez un autre dossier.</translation>
    </message>
    <message>
        <source>its path is too long</source>
        <translation>son chemin est trop long</translation>
    </message>
    <message>
        <source>its pixels are packed in a way (%1) that Irenic cannot read. Save it with lossless JPEG or none.</source>
        <translation>ses pixels sont compressés d’une façon (%1) qu’Irenic ne peut pas lire. Enregistrez-le en JPEG sans perte ou sans compression.</translation>
    </message>
    <message>
        <source>its pixels cannot be read (%1).</source>
        <translation>ses pixels sont illisibles (%1).</translation>
    </message>
    <message>
        <source>its values are predicted in a way (%1) that Irenic cannot read.</source>
        <translation>ses valeurs sont prédites d’une façon (%1) qu’Irenic ne peut pas lire.</translation>
    </message>
    <message>
        <source>look table</source>
        <translation>table d’apparence</translation>
    </message>
    <message>
        <source>not a file of Irenic&apos;s</source>
        <translation>pas un fichier d’Irenic</translation>
    </message>
    <message>
        <source>process %1</source>
        <translation>processus %1</translation>
    </message>
    <message>
        <source>process %1 on another machine</source>
        <translation>processus %1 sur une autre machine</translation>
    </message>
    <message>
        <source>scaled to %1 %</source>
        <translation>mise à l’échelle à %1 %</translation>
    </message>
    <message>
        <source>shifted by %1 and %2 pixels</source>
        <translation>décalée de %1 et %2 pixels</translation>
    </message>
    <message>
        <source>the decoder crashed (%1).</source>
        <translation>le décodeur a planté (%1).</translation>
    </message>
    <message>
        <source>the decoder ended with status %1.</source>
        <translation>le décodeur s’est terminé avec l’état %1.</translation>
    </message>
    <message>
        <source>the decoder took more time than any photo takes.</source>
        <translation>le décodeur a pris plus de temps que n’en prend aucune photo.</translation>
    </message>
    <message>
        <source>the decoder tried what no decoder may do, and was ended.</source>
        <translation>le décodeur a tenté ce qu’aucun décodeur ne doit faire et a été arrêté.</translation>
    </message>
    <message>
        <source>the edits beside the raw are damaged</source>
        <translation>les retouches à côté du raw sont endommagées</translation>
    </message>
    <message>
        <source>the file ends too early or is damaged: its first list of tags cannot be read. Copy it again from the card.</source>
        <translation>le fichier se termine trop tôt ou est endommagé : sa première liste de balises est illisible. Recopiez-le depuis la carte.</translation>
    </message>
    <message>
        <source>the file ends too early or is damaged: the value of its tag %1 cannot be read. Copy it again from the card.</source>
        <translation>le fichier se termine trop tôt ou est endommagé : la valeur de sa balise %1 est illisible. Recopiez-le depuis la carte.</translation>
    </message>
    <message>
        <source>the profile %1 does not exist.</source>
        <translation>le profil %1 n’existe pas.</translation>
    </message>
    <message>
        <source>the worker cannot be started (%1).</source>
        <translation>le processus ne peut pas être lancé (%1).</translation>
    </message>
    <message>
        <source>the written file cannot be read back (%1). Try again or choose another folder.</source>
        <translation>le fichier écrit ne peut pas être relu (%1). Réessayez ou choisissez un autre dossier.</translation>
    </message>
    <message>
        <source>there is no preset &quot;%1&quot;.</source>
        <translation>il n’y a pas de préréglage « %1 ».</translation>
    </message>
    <message>
        <source>there is no such file. Has it been moved or renamed?</source>
        <translation>ce fichier n’existe pas. A-t-il été déplacé ou renommé ?</translation>
    </message>
    <message>
        <source>there is no such profile.</source>
        <translation>ce profil n’existe pas.</translation>
    </message>
    <message>
        <source>this is not a lensfun database that can be read.</source>
        <translation>ce n’est pas une base de données lensfun lisible.</translation>
    </message>
    <message>
        <source>this is not a photo that Irenic can read, or it is damaged (%1).</source>
        <translation>ce n’est pas une photo qu’Irenic peut lire, ou elle est endommagée (%1).</translation>
    </message>
    <message>
        <source>this picture cannot be read (%1).</source>
        <translation>cette image est illisible (%1).</translation>
    </message>
    <message>
        <source>this picture cannot be read, or ends too early (%1). Copy it again.</source>
        <translation>cette image est illisible ou se termine trop tôt (%1). Recopiez-la.</translation>
    </message>
    <message>
        <source>turned by %1°</source>
        <translation>tournée de %1°</translation>
    </message>
    <message>
        <source>what is asked for is too long (%1 kB) for the queue.</source>
        <translation>la demande est trop longue (%1 ko) pour la file.</translation>
    </message>
    <message>
        <source>written by a newer Irenic. What this version does not know is kept as it is.</source>
        <translation>écrit par un Irenic plus récent. Ce que cette version ne connaît pas est conservé tel quel.</translation>
    </message>
    <message>
        <source>%1 leaves the least error (%2 of the noise).</source>
        <translation>%1 laisse la plus petite erreur (%2 du bruit).</translation>
    </message>
    <message>
        <source>%1 would leave less, but loses bright points.</source>
        <translation>%1 en laisserait moins, mais perd des points lumineux.</translation>
    </message>
    <message>
        <source>%1 would leave less, but shifts colours.</source>
        <translation>%1 en laisserait moins, mais décale les couleurs.</translation>
    </message>
    <message>
        <source>As good here as any at: %1</source>
        <translation>Ici aussi bon que tout autre pour : %1</translation>
    </message>
    <message>
        <source>Next is %1 (%2).</source>
        <translation>Vient ensuite %1 (%2).</translation>
    </message>
    <message>
        <source>Nothing in this photo is flat, so its noise, and this with it, is in doubt.</source>
        <translation>Rien dans cette photo n’est uni : son bruit est donc incertain, et ceci aussi.</translation>
    </message>
    <message>
        <source>Weaker here than others at: %1</source>
        <translation>Ici plus faible que d’autres pour : %1</translation>
    </message>
    <message>
        <source>the camera has smoothed this raw, and its noise has a form of its own. Only takes of it can be checked.</source>
        <translation>l’appareil a lissé ce raw, et son bruit a une forme propre. Seules ses variantes peuvent être contrôlées.</translation>
    </message>
    <message>
        <source>Slow gradients are smooth.</source>
        <translation>Les dégradés lents sont lisses.</translation>
    </message>
    <message>
        <source>Slow gradients show steps: 8 bits without dithering.</source>
        <translation>Les dégradés lents montrent des paliers : 8 bits sans tramage.</translation>
    </message>
    <message>
        <source>Steps of tone</source>
        <translation>Paliers de tons</translation>
    </message>
    <message>
        <source>There is not enough memory to pack it.</source>
        <translation>La mémoire ne suffit pas pour le compresser.</translation>
    </message>
    <message>
        <source>This photo has no slow gradients to judge by.</source>
        <translation>Cette photo n’a pas de dégradés lents pour en juger.</translation>
    </message>
    <message>
        <source>it has seen light. Take dark frames with the lens covered, right after the photos.</source>
        <translation>elle a vu de la lumière. Prenez les images noires avec l’objectif couvert, juste après les photos.</translation>
    </message>
    <message>
        <source>it is no raw with a mosaic of 2 x 2 that names its camera, ISO and exposure, so it cannot be a dark frame.</source>
        <translation>ce n’est pas un raw à mosaïque de 2 x 2 qui indique son appareil, son ISO et son exposition : ce ne peut pas être une image noire.</translation>
    </message>
    <message>
        <source>its camera, ISO, size or exposure differs from the other dark frames. Give frames that were taken alike.</source>
        <translation>son appareil, son ISO, sa taille ou son exposition diffère des autres images noires. Donnez des images prises de la même façon.</translation>
    </message>
    <message>
        <source>of places with slow gradients</source>
        <translation>des endroits à dégradés lents</translation>
    </message>
    <message>
        <source>the dark frame is of another camera, ISO or size. Take dark frames with the settings of the photo.</source>
        <translation>l’image noire vient d’un autre appareil, d’un autre ISO ou d’une autre taille. Prenez des images noires avec les réglages de la photo.</translation>
    </message>
    <message>
        <source>these are too many dark frames. At most 64 can be averaged.</source>
        <translation>il y a trop d’images noires. On peut en moyenner 64 au plus.</translation>
    </message>
    <message>
        <source>Checks compare files of the same size and kind: a raw with a DNG of the same mosaic, a finished picture with another finished picture.</source>
        <translation>Les contrôles comparent des fichiers de même taille et de même sorte : avec un raw, un DNG de la même mosaïque ; avec une image finie, une autre image finie.</translation>
    </message>
</context>
<context>
    <name>irenic::Application</name>
    <message>
        <source>Something went wrong, for an unknown reason. Your last action may not have been done.</source>
        <translation>Quelque chose a échoué pour une raison inconnue. Votre dernière action n’a peut-être pas été faite.</translation>
    </message>
</context>
<context>
    <name>irenic::Cell</name>
    <message>
        <source>Cell of the sheet</source>
        <translation>Case de la planche</translation>
    </message>
    <message>
        <source>R %1  G %2  B %3</source>
        <translation>R %1  V %2  B %3</translation>
    </message>
    <message>
        <source>No photo</source>
        <translation>Aucune photo</translation>
    </message>
    <message>
        <source>Rendering failed: %1 Click to retry.</source>
        <translation>Échec du rendu : %1 Cliquez pour réessayer.</translation>
    </message>
    <message>
        <source>Draft, final picture %1 %</source>
        <translation>Brouillon, image finale %1 %</translation>
    </message>
    <message>
        <source>Rendering %1 %</source>
        <translation>Rendu %1 %</translation>
    </message>
    <message>
        <source>Draft, final picture follows</source>
        <translation>Brouillon, l’image finale suit</translation>
    </message>
    <message>
        <source>Waiting</source>
        <translation>En attente</translation>
    </message>
    <message>
        <source>, %1 s left</source>
        <translation>, encore %1 s</translation>
    </message>
</context>
<context>
    <name>irenic::CheckPanel</name>
    <message>
        <source>not told</source>
        <translation>indéterminé</translation>
    </message>
    <message>
        <source>good</source>
        <translation>bon</translation>
    </message>
    <message>
        <source>look</source>
        <translation>à voir</translation>
    </message>
    <message>
        <source>bad</source>
        <translation>mauvais</translation>
    </message>
    <message>
        <source>%1: %2, %3</source>
        <translation>%1 : %2, %3</translation>
    </message>
    <message>
        <source>%1 %</source>
        <translation>%1 %</translation>
    </message>
    <message>
        <source>%1
%2: %3 %4</source>
        <translation>%1
%2 : %3 %4</translation>
    </message>
    <message>
        <source>Show where</source>
        <translation>Montrer où</translation>
    </message>
    <message>
        <source>Marks on the overview and on the picture where the checks found something: all of them, or the one that you clicked. The brighter, the worse.</source>
        <translation>Indique sur la vue d’ensemble et sur l’image où les contrôles ont trouvé quelque chose : tous, ou celui que vous avez cliqué. Plus c’est clair, pire c’est.</translation>
    </message>
    <message>
        <source>Stop checking (%1 %)</source>
        <translation>Arrêter le contrôle (%1 %)</translation>
    </message>
    <message>
        <source>Check this take</source>
        <translation>Contrôler cette variante</translation>
    </message>
    <message>
        <source>Add this take</source>
        <translation>Ajouter cette variante</translation>
    </message>
    <message>
        <source>Adds a take with what the checks advise. This one stays as it is.</source>
        <translation>Ajoute une variante avec ce que conseillent les contrôles. Celle-ci reste telle quelle.</translation>
    </message>
    <message>
        <source>The checks found nothing to look at.</source>
        <translation>Les contrôles n’ont rien trouvé à regarder.</translation>
    </message>
    <message>
        <source>%1: place %2 of %3</source>
        <translation>%1 : endroit %2 sur %3</translation>
    </message>
    <message>
        <source>Measures over the whole photo what was kept, lost and added. (N steps through the places to look at)</source>
        <translation>Mesure sur toute la photo ce qui a été gardé, perdu et ajouté. (N parcourt les endroits à regarder)</translation>
    </message>
    <message>
        <source>Check this reference</source>
        <translation>Contrôler cette référence</translation>
    </message>
</context>
<context>
    <name>irenic::CloseUp</name>
    <message>
        <source>Close-up</source>
        <translation>Gros plan</translation>
    </message>
    <message>
        <source>Sheet</source>
        <translation>Planche</translation>
    </message>
    <message>
        <source>Goes back to the sheet. (Esc)</source>
        <translation>Revient à la planche. (Échap)</translation>
    </message>
    <message>
        <source>Flip</source>
        <translation>Basculer</translation>
    </message>
    <message>
        <source>Shows one take at a time, all at the same place. Letters and arrows choose, Tab flips the last two, Space shows the original while held. (F5)</source>
        <translation>Montre une variante à la fois, toutes au même endroit. Lettres et flèches choisissent, Tab bascule entre les deux dernières, Espace montre l’original tant qu’elle est enfoncée. (F5)</translation>
    </message>
    <message>
        <source>Divide</source>
        <translation>Diviser</translation>
    </message>
    <message>
        <source>Shows the last two takes on either side of a line that you drag. (F6)</source>
        <translation>Montre les deux dernières variantes de part et d’autre d’une ligne que vous glissez. (F6)</translation>
    </message>
    <message>
        <source>Side by side</source>
        <translation>Côte à côte</translation>
    </message>
    <message>
        <source>Shows the last takes side by side, all at the same place. (F7)</source>
        <translation>Montre les dernières variantes côte à côte, toutes au même endroit. (F7)</translation>
    </message>
    <message>
        <source>Removed</source>
        <translation>Retiré</translation>
    </message>
    <message>
        <source>Shows what this take removed, amplified, on grey. (F8)</source>
        <translation>Montre ce que cette variante a retiré, amplifié, sur gris. (F8)</translation>
    </message>
    <message>
        <source>Difference</source>
        <translation>Différence</translation>
    </message>
    <message>
        <source>Shows the last take minus this one, amplified, on grey. (F9)</source>
        <translation>Montre la dernière variante moins celle-ci, amplifiée, sur gris. (F9)</translation>
    </message>
    <message>
        <source>Luminance and colour</source>
        <translation>Luminance et couleur</translation>
    </message>
    <message>
        <source>Luminance</source>
        <translation>Luminance</translation>
    </message>
    <message>
        <source>Colour</source>
        <translation>Couleur</translation>
    </message>
    <message>
        <source>Which part of the difference is shown</source>
        <translation>Quelle partie de la différence est montrée</translation>
    </message>
    <message>
        <source>Vertical</source>
        <translation>Verticale</translation>
    </message>
    <message>
        <source>Horizontal</source>
        <translation>Horizontale</translation>
    </message>
    <message>
        <source>Follow pointer</source>
        <translation>Suivre le pointeur</translation>
    </message>
    <message>
        <source>Quarters</source>
        <translation>Quarts</translation>
    </message>
    <message>
        <source>How the view is divided</source>
        <translation>Comment la vue est divisée</translation>
    </message>
    <message>
        <source>Divides the view by a line that you drag, by one that follows the pointer, or into quarters of up to four takes.</source>
        <translation>Divise la vue par une ligne que vous glissez, par une qui suit le pointeur, ou en quarts de quatre variantes au plus.</translation>
    </message>
    <message>
        <source>Stacked</source>
        <translation>Superposées</translation>
    </message>
    <message>
        <source>Stacks the pictures instead of putting them side by side.</source>
        <translation>Empile les images au lieu de les mettre côte à côte.</translation>
    </message>
    <message>
        <source>advised</source>
        <translation>conseillée</translation>
    </message>
    <message>
        <source>Shows the original. (O)</source>
        <translation>Montre l’original. (O)</translation>
    </message>
    <message>
        <source>Shows take %1. (%1)</source>
        <translation>Montre la variante %1. (%1)</translation>
    </message>
    <message>
        <source>Shows reference %1. (R; again for the next)</source>
        <translation>Montre la référence %1. (R ; encore une fois pour la suivante)</translation>
    </message>
    <message>
        <source>Removed: nothing, this is the original.</source>
        <translation>Retiré : rien, c’est l’original.</translation>
    </message>
    <message>
        <source>Removed by %1: even grain is noise, outlines are lost detail.</source>
        <translation>Retiré par %1 : un grain uniforme est du bruit, des contours sont du détail perdu.</translation>
    </message>
    <message>
        <source>%1 minus %2, relative to noise: lighter than grey means %1 is lighter.</source>
        <translation>%1 moins %2, par rapport au bruit : plus clair que le gris veut dire que %1 est plus claire.</translation>
    </message>
    <message>
        <source>Probe %1</source>
        <translation>Point de contrôle %1</translation>
    </message>
    <message>
        <source>The sweep is over: all of the photo was seen.</source>
        <translation>Le parcours est fini : toute la photo a été vue.</translation>
    </message>
    <message>
        <source>%1 of %2</source>
        <translation>%1 sur %2</translation>
    </message>
    <message>
        <source>Zone %1, %2: %3 %</source>
        <translation>Zone %1, %2 : %3 %</translation>
    </message>
</context>
<context>
    <name>irenic::CurveEditor</name>
    <message>
        <source>Tone curve</source>
        <translation>Courbe de tons</translation>
    </message>
    <message>
        <source>Left is dark, up is brighter. Click to add a point, drag to move it, double-click to remove it.
Keys: Page Up and Page Down choose a point, arrows move it (Shift: finely), Insert adds one, Delete removes it, Home resets the curve.</source>
        <translation>À gauche c’est sombre, en haut c’est plus clair. Clic pour ajouter un point, glisser pour le déplacer, double clic pour le retirer.
Touches : Page préc. et Page suiv. choisissent un point, les flèches le déplacent (Maj : finement), Inser en ajoute un, Suppr le retire, Début réinitialise la courbe.</translation>
    </message>
    <message>
        <source>Makes the curve larger, or smaller again.</source>
        <translation>Agrandit la courbe, ou la réduit de nouveau.</translation>
    </message>
    <message>
        <source>Smaller</source>
        <translation>Plus petite</translation>
    </message>
    <message>
        <source>Larger</source>
        <translation>Plus grande</translation>
    </message>
</context>
<context>
    <name>irenic::DeliveryForm</name>
    <message>
        <source>Full size</source>
        <translation>Pleine taille</translation>
    </message>
</context>
<context>
    <name>irenic::DifferenceView</name>
    <message>
        <source>Difference on grey</source>
        <translation>Différence sur gris</translation>
    </message>
    <message>
        <source>Measuring…</source>
        <translation>Mesure…</translation>
    </message>
</context>
<context>
    <name>irenic::Document</name>
    <message>
        <source>Strengths stayed as they were. Recommended with this method here: luminance %1×, colour %2×, detail %3 %.</source>
        <translation>Les intensités sont restées telles quelles. Recommandé ici avec cette méthode : luminance %1×, couleur %2×, détail %3 %.</translation>
    </message>
    <message>
        <source>Strengths stayed as they were: with every method 1.00× is as much noise as was measured.</source>
        <translation>Les intensités sont restées telles quelles : avec chaque méthode, 1,00× est autant de bruit que mesuré.</translation>
    </message>
    <message>
        <source>Four references are open, which is the limit. Close one first.</source>
        <translation>Quatre références sont ouvertes, c’est la limite. Fermez-en une d’abord.</translation>
    </message>
    <message>
        <source>A sheet has twelve probes at most. Remove one first.</source>
        <translation>Une planche a douze points de contrôle au plus. Retirez-en un d’abord.</translation>
    </message>
    <message>
        <source>%1 pasted to one photo</source>
        <translation>%1 : collé dans une photo</translation>
    </message>
    <message>
        <source>%1 pasted to %2 photos</source>
        <translation>%1 : collé dans %2 photos</translation>
    </message>
    <message>
        <source>Recommended take</source>
        <translation>Variante recommandée</translation>
    </message>
    <message>
        <source>Probe %1</source>
        <translation>Point de contrôle %1</translation>
    </message>
    <message>
        <source>A is recommended. B and C are nearly as good and look least like it.</source>
        <translation>A est recommandée. B et C sont presque aussi bonnes et lui ressemblent le moins.</translation>
    </message>
</context>
<context>
    <name>irenic::Drawer</name>
    <message>
        <source>%1 GB</source>
        <translation>%1 Go</translation>
    </message>
    <message>
        <source>%1 MB</source>
        <translation>%1 Mo</translation>
    </message>
    <message>
        <source>%1 min</source>
        <translation>%1 min</translation>
    </message>
    <message>
        <source>%1 s</source>
        <translation>%1 s</translation>
    </message>
    <message>
        <source>Export several photos, and the queue</source>
        <translation>Exporter plusieurs photos, et la file d’attente</translation>
    </message>
    <message>
        <source>The last export settings cannot be used (%1). These are the defaults.</source>
        <translation>Les derniers réglages d’export ne peuvent pas être utilisés (%1). Voici ceux par défaut.</translation>
    </message>
    <message>
        <source>Export</source>
        <translation>Exporter</translation>
    </message>
    <message>
        <source>The chosen take</source>
        <translation>La variante choisie</translation>
    </message>
    <message>
        <source>Recommended take of each photo</source>
        <translation>La variante recommandée de chaque photo</translation>
    </message>
    <message>
        <source>Which take is exported</source>
        <translation>Quelle variante est exportée</translation>
    </message>
    <message>
        <source>Exports the take that you chose for each photo, or the recommended one, measured when its turn comes.</source>
        <translation>Exporte la variante que vous avez choisie pour chaque photo, ou celle recommandée, mesurée quand vient son tour.</translation>
    </message>
    <message>
        <source>of</source>
        <translation>de</translation>
    </message>
    <message>
        <source>This photo</source>
        <translation>Cette photo</translation>
    </message>
    <message>
        <source>Selected photos</source>
        <translation>Photos sélectionnées</translation>
    </message>
    <message>
        <source>Selected photos, with this photo&apos;s take and look</source>
        <translation>Photos sélectionnées, avec la variante et le développement de cette photo</translation>
    </message>
    <message>
        <source>Which photos are exported</source>
        <translation>Quelles photos sont exportées</translation>
    </message>
    <message>
        <source>as</source>
        <translation>en</translation>
    </message>
    <message>
        <source>and</source>
        <translation>et</translation>
    </message>
    <message>
        <source>Second file of each photo</source>
        <translation>Second fichier de chaque photo</translation>
    </message>
    <message>
        <source>Exports a second file of each photo by an export preset, such as a small JPEG next to a DNG.</source>
        <translation>Exporte un second fichier de chaque photo par un préréglage d’export, par exemple un petit JPEG à côté d’un DNG.</translation>
    </message>
    <message>
        <source>File name</source>
        <translation>Nom du fichier</translation>
    </message>
    <message>
        <source>Next to originals</source>
        <translation>À côté des originaux</translation>
    </message>
    <message>
        <source>In a subfolder…</source>
        <translation>Dans un sous-dossier…</translation>
    </message>
    <message>
        <source>Subfolder</source>
        <translation>Sous-dossier</translation>
    </message>
    <message>
        <source>Name of the subfolder:</source>
        <translation>Nom du sous-dossier :</translation>
    </message>
    <message>
        <source>Choose folder…</source>
        <translation>Choisir un dossier…</translation>
    </message>
    <message>
        <source>Alike</source>
        <translation>À l’identique</translation>
    </message>
    <message>
        <source>Cleans photos of one camera and ISO by one noise, measured on all of them: for panoramas and focus series.</source>
        <translation>Nettoie les photos d’un appareil et d’un ISO par un seul bruit, mesuré sur toutes : pour panoramas et séries de mise au point.</translation>
    </message>
    <message>
        <source>Check</source>
        <translation>Contrôler</translation>
    </message>
    <message>
        <source>Measures what the take did to each photo once its file is there; the queue can then list the worst first.</source>
        <translation>Mesure ce que la variante a fait à chaque photo dès que son fichier est là ; la file peut alors montrer les pires d’abord.</translation>
    </message>
    <message>
        <source>What happens with each file once it is there.</source>
        <translation>Ce qui arrive à chaque fichier dès qu’il est là.</translation>
    </message>
    <message>
        <source>Nothing</source>
        <translation>Rien</translation>
    </message>
    <message>
        <source>Open with its program</source>
        <translation>Ouvrir avec son programme</translation>
    </message>
    <message>
        <source>Run a command…</source>
        <translation>Exécuter une commande…</translation>
    </message>
    <message>
        <source>Run a command</source>
        <translation>Exécuter une commande</translation>
    </message>
    <message>
        <source>Command to run on each file ({file} stands for its path):</source>
        <translation>Commande pour chaque fichier ({file} est son chemin) :</translation>
    </message>
    <message>
        <source>Export presets</source>
        <translation>Préréglages d’export</translation>
    </message>
    <message>
        <source>These export settings cannot be used: %1</source>
        <translation>Ces réglages d’export ne peuvent pas être utilisés : %1</translation>
    </message>
    <message>
        <source>Add to queue</source>
        <translation>Ajouter à la file</translation>
    </message>
    <message>
        <source>Ctrl+Shift+E</source>
        <translation>Ctrl+Shift+E</translation>
    </message>
    <message>
        <source>Adds these files to the queue and starts exporting. (Ctrl+Shift+E)</source>
        <translation>Ajoute ces fichiers à la file et commence l’export. (Ctrl+Maj+E)</translation>
    </message>
    <message>
        <source>Then: nothing</source>
        <translation>Ensuite : rien</translation>
    </message>
    <message>
        <source>Then: open</source>
        <translation>Ensuite : ouvrir</translation>
    </message>
    <message>
        <source>Then: %1</source>
        <translation>Ensuite : %1</translation>
    </message>
    <message>
        <source>Folder: %1</source>
        <translation>Dossier : %1</translation>
    </message>
    <message>
        <source>Subfolder: %1</source>
        <translation>Sous-dossier : %1</translation>
    </message>
    <message>
        <source>Choose a take first: click the ring at the head of its column.</source>
        <translation>Choisissez d’abord une variante : cliquez l’anneau en tête de sa colonne.</translation>
    </message>
    <message>
        <source>Estimating size and time…</source>
        <translation>Estimation de la taille et du temps…</translation>
    </message>
    <message>
        <source>About %1, %2</source>
        <translation>Environ %1, %2</translation>
    </message>
    <message>
        <source>About %1 and %2 for all %3</source>
        <translation>Environ %1 et %2 pour les %3</translation>
    </message>
    <message>
        <source>No take is chosen for %1. Choose one, or export the recommended take of each photo.</source>
        <translation>Aucune variante n’est choisie pour %1. Choisissez-en une, ou exportez celle recommandée de chaque photo.</translation>
    </message>
    <message>
        <source>The noise of the photos before is still being measured.</source>
        <translation>Le bruit des photos précédentes est encore en cours de mesure.</translation>
    </message>
    <message>
        <source>Measuring the noise of %1 photos together…</source>
        <translation>Mesure commune du bruit de %1 photos…</translation>
    </message>
    <message>
        <source>Added %1 files to the queue.</source>
        <translation>%1 fichiers ajoutés à la file.</translation>
    </message>
    <message>
        <source>Folder for exports</source>
        <translation>Dossier pour les exports</translation>
    </message>
    <message>
        <source>Save export preset</source>
        <translation>Enregistrer le préréglage d’export</translation>
    </message>
    <message>
        <source>Name of the preset:</source>
        <translation>Nom du préréglage :</translation>
    </message>
    <message>
        <source>Small JPEG</source>
        <translation>Petit JPEG</translation>
    </message>
    <message>
        <source>None</source>
        <translation>Aucun</translation>
    </message>
    <message>
        <source>Save export preset…</source>
        <translation>Enregistrer un préréglage d’export…</translation>
    </message>
    <message>
        <source>Then: return</source>
        <translation>Ensuite : rendre</translation>
    </message>
    <message>
        <source>Not returned: not all files were exported.</source>
        <translation>Non rendue : tous les fichiers n’ont pas été exportés.</translation>
    </message>
    <message>
        <source>Return the photo and close</source>
        <translation>Rendre la photo et fermer</translation>
    </message>
</context>
<context>
    <name>irenic::Equalise</name>
    <message>
        <source>luminance</source>
        <translation>luminance</translation>
    </message>
    <message>
        <source>colour</source>
        <translation>couleur</translation>
    </message>
    <message>
        <source>Measuring for equal %1 noise…</source>
        <translation>Mesure pour un bruit égal : %1…</translation>
    </message>
    <message>
        <source> (as near as it comes)</source>
        <translation> (au plus près)</translation>
    </message>
    <message>
        <source>%1 % of the noise left</source>
        <translation>%1 % du bruit reste</translation>
    </message>
    <message>
        <source>Equal %1 noise: %2.</source>
        <translation>Bruit égal, %1 : %2.</translation>
    </message>
</context>
<context>
    <name>irenic::ExportBar</name>
    <message>
        <source>Export…</source>
        <translation>Exporter…</translation>
    </message>
    <message>
        <source>Cancel</source>
        <translation>Annuler</translation>
    </message>
    <message>
        <source>Ctrl+E</source>
        <translation>Ctrl+E</translation>
    </message>
    <message>
        <source>Exports the chosen take to a file. The original is never touched. (Ctrl+E)</source>
        <translation>Exporte la variante choisie dans un fichier. L’original n’est jamais touché. (Ctrl+E)</translation>
    </message>
    <message>
        <source>Export queue</source>
        <translation>File d’export</translation>
    </message>
    <message>
        <source>Ctrl+D</source>
        <translation>Ctrl+D</translation>
    </message>
    <message>
        <source>Exports several photos at once, and shows the queue. (Ctrl+D)</source>
        <translation>Exporte plusieurs photos à la fois, et montre la file d’attente. (Ctrl+D)</translation>
    </message>
    <message>
        <source>Export cancelled. Nothing was written.</source>
        <translation>Export annulé. Rien n’a été écrit.</translation>
    </message>
    <message>
        <source>, about %1 s left</source>
        <translation>, encore environ %1 s</translation>
    </message>
    <message>
        <source>Queue: %1</source>
        <translation>File : %1</translation>
    </message>
    <message>
        <source>Return take %1</source>
        <translation>Rendre la variante %1</translation>
    </message>
    <message>
        <source>Export take %1…</source>
        <translation>Exporter la variante %1…</translation>
    </message>
    <message>
        <source>Ctrl+Return</source>
        <translation>Ctrl+Return</translation>
    </message>
    <message>
        <source>Export take</source>
        <translation>Exporter la variante</translation>
    </message>
    <message>
        <source>%1 %2</source>
        <translation>%1 %2</translation>
    </message>
    <message>
        <source>Exporting %1</source>
        <translation>Export de %1</translation>
    </message>
    <message>
        <source>Writes the chosen take to the program that handed the photo over, and closes. (Ctrl+Return)</source>
        <translation>Écrit la variante choisie pour le programme qui a confié la photo, et ferme. (Ctrl+Entrée)</translation>
    </message>
    <message>
        <source>Returns to the program that opened it: %1</source>
        <translation>Retourne au programme qui l’a ouverte : %1</translation>
    </message>
    <message>
        <source>Returning %1</source>
        <translation>Retour de %1</translation>
    </message>
    <message>
        <source>Exported and verified: %1</source>
        <translation>Exporté et vérifié : %1</translation>
    </message>
</context>
<context>
    <name>irenic::ExportsList</name>
    <message>
        <source>Missing</source>
        <translation>Absent</translation>
    </message>
    <message>
        <source>%1 MB</source>
        <translation>%1 Mo</translation>
    </message>
    <message>
        <source>As set</source>
        <translation>Comme réglé</translation>
    </message>
    <message>
        <source>Other settings</source>
        <translation>Autres réglages</translation>
    </message>
    <message>
        <source>Older method</source>
        <translation>Méthode plus ancienne</translation>
    </message>
    <message>
        <source>Not known</source>
        <translation>Inconnu</translation>
    </message>
    <message>
        <source>The take and the look are as they were when this was made.</source>
        <translation>La variante et le développement sont ceux du moment de l’export.</translation>
    </message>
    <message>
        <source>The take or the look has changed since, or the take is gone.</source>
        <translation>La variante ou le développement a changé depuis, ou la variante n’existe plus.</translation>
    </message>
    <message>
        <source>An older version of Irenic made this. Compare it as a reference, or export again.</source>
        <translation>Fait par une version plus ancienne d’Irenic. Comparez-le comme référence, ou exportez de nouveau.</translation>
    </message>
    <message>
        <source>What this was made with was not noted, or was measured as it was made.</source>
        <translation>Ce avec quoi il a été fait n’a pas été noté, ou a été mesuré en le faisant.</translation>
    </message>
    <message>
        <source>Exports of this photo</source>
        <translation>Exports de cette photo</translation>
    </message>
    <message>
        <source>File</source>
        <translation>Fichier</translation>
    </message>
    <message>
        <source>Take</source>
        <translation>Variante</translation>
    </message>
    <message>
        <source>When</source>
        <translation>Quand</translation>
    </message>
    <message>
        <source>Size</source>
        <translation>Taille</translation>
    </message>
    <message>
        <source>Made as</source>
        <translation>Fait comme</translation>
    </message>
    <message>
        <source>%1 was made by an older version of this method. To see what is new, open it as a reference (View, Panels, Exports).</source>
        <translation>%1 a été fait par une version plus ancienne de cette méthode. Pour voir ce qui est nouveau, ouvrez-le comme référence (Affichage, Panneaux, Exports).</translation>
    </message>
    <message>
        <source>Open file</source>
        <translation>Ouvrir le fichier</translation>
    </message>
    <message>
        <source>Show in folder</source>
        <translation>Montrer dans le dossier</translation>
    </message>
    <message>
        <source>Compare as reference</source>
        <translation>Comparer comme référence</translation>
    </message>
    <message>
        <source>Rename…</source>
        <translation>Renommer…</translation>
    </message>
    <message>
        <source>Rename export</source>
        <translation>Renommer l’export</translation>
    </message>
    <message>
        <source>New name of the file:</source>
        <translation>Nouveau nom du fichier :</translation>
    </message>
    <message>
        <source>Move to trash</source>
        <translation>Mettre à la corbeille</translation>
    </message>
    <message>
        <source>No mark</source>
        <translation>Aucune marque</translation>
    </message>
    <message>
        <source>Mark ●</source>
        <translation>Marque ●</translation>
    </message>
    <message>
        <source>Mark ●●</source>
        <translation>Marque ●●</translation>
    </message>
    <message>
        <source>Mark ●●●</source>
        <translation>Marque ●●●</translation>
    </message>
    <message>
        <source>The file before is still being changed.</source>
        <translation>Le fichier précédent est encore en cours de modification.</translation>
    </message>
    <message>
        <source>A file&apos;s name cannot be empty or have a / in it.</source>
        <translation>Le nom d’un fichier ne peut être vide ni contenir de /.</translation>
    </message>
    <message>
        <source>%1 cannot be renamed to %2. Is there a file of that name?</source>
        <translation>%1 ne peut pas être renommé en %2. Y a-t-il un fichier de ce nom ?</translation>
    </message>
    <message>
        <source>%1 was changed by another program, and stays where it is.</source>
        <translation>%1 a été modifié par un autre programme, et reste où il est.</translation>
    </message>
    <message>
        <source>%1 cannot be moved to the trash.</source>
        <translation>%1 ne peut pas être mis à la corbeille.</translation>
    </message>
</context>
<context>
    <name>irenic::FaultReport</name>
    <message>
        <source>No photo is open.</source>
        <translation>Aucune photo n’est ouverte.</translation>
    </message>
    <message>
        <source>What was said last:</source>
        <translation>Ce qui a été dit en dernier :</translation>
    </message>
    <message>
        <source>With the names of folders</source>
        <translation>Avec les noms des dossiers</translation>
    </message>
    <message>
        <source>Report a fault</source>
        <translation>Signaler un défaut</translation>
    </message>
    <message>
        <source>Nothing is sent. Read it, add what you did, then save or copy it.</source>
        <translation>Rien n’est envoyé. Lisez, ajoutez ce que vous avez fait, puis enregistrez ou copiez.</translation>
    </message>
    <message>
        <source>Report</source>
        <translation>Rapport</translation>
    </message>
    <message>
        <source>Copy</source>
        <translation>Copier</translation>
    </message>
    <message>
        <source>Save…</source>
        <translation>Enregistrer…</translation>
    </message>
    <message>
        <source>Save the report</source>
        <translation>Enregistrer le rapport</translation>
    </message>
    <message>
        <source>irenic-report.txt</source>
        <translation>irenic-rapport.txt</translation>
    </message>
    <message>
        <source>Text (*.txt)</source>
        <translation>Texte (*.txt)</translation>
    </message>
    <message>
        <source>Saved: %1</source>
        <translation>Enregistré : %1</translation>
    </message>
    <message>
        <source>%1 could not be saved: %2</source>
        <translation>%1 n’a pas pu être enregistré : %2</translation>
    </message>
</context>
<context>
    <name>irenic::HistogramView</name>
    <message>
        <source>Whole photo with its look, before noise reduction: red, green and blue. Heights are square roots.
Clipped to black: %1
Clipped to white: %2</source>
        <translation>Toute la photo avec son développement, avant la réduction du bruit : rouge, vert et bleu. Les hauteurs sont des racines carrées.
Écrêté dans le noir : %1
Écrêté dans le blanc : %2</translation>
    </message>
    <message>
        <source>Histogram; clipped to white %1</source>
        <translation>Histogramme ; écrêté dans le blanc %1</translation>
    </message>
</context>
<context>
    <name>irenic::HistoryList</name>
    <message>
        <source>History</source>
        <translation>Historique</translation>
    </message>
    <message>
        <source>All steps, the newest last. Click one to go back to it; grey steps were undone.</source>
        <translation>Toutes les étapes, la plus récente en dernier. Cliquez-en une pour y revenir ; les étapes grises ont été annulées.</translation>
    </message>
    <message>
        <source>Opened</source>
        <translation>Ouverte</translation>
    </message>
    <message>
        <source>Earlier steps</source>
        <translation>Étapes précédentes</translation>
    </message>
</context>
<context>
    <name>irenic::KeptWork</name>
    <message>
        <source>%1 is open in another window (%2). Your changes are saved separately.</source>
        <translation>%1 est ouverte dans une autre fenêtre (%2). Vos changements sont enregistrés à part.</translation>
    </message>
    <message>
        <source>%1 may be open elsewhere (%2). Your changes are saved separately.</source>
        <translation>%1 est peut-être ouverte ailleurs (%2). Vos changements sont enregistrés à part.</translation>
    </message>
    <message>
        <source>%1 is free again. Your changes are saved as usual.</source>
        <translation>%1 est de nouveau libre. Vos changements sont enregistrés comme d’habitude.</translation>
    </message>
    <message>
        <source>Settings of %1 could not be saved: %2</source>
        <translation>Les réglages de %1 n’ont pas pu être enregistrés : %2</translation>
    </message>
    <message>
        <source>as the other window left it</source>
        <translation>comme l’autre fenêtre l’a laissé</translation>
    </message>
</context>
<context>
    <name>irenic::KeyList</name>
    <message>
        <source>Irenic: keyboard and mouse</source>
        <translation>Irenic : clavier et souris</translation>
    </message>
    <message>
        <source>Keyboard and mouse</source>
        <translation>Clavier et souris</translation>
    </message>
    <message>
        <source>Search keys</source>
        <translation>Chercher des touches</translation>
    </message>
    <message>
        <source>All keys and gestures</source>
        <translation>Toutes les touches et tous les gestes</translation>
    </message>
    <message>
        <source>Key</source>
        <translation>Touche</translation>
    </message>
    <message>
        <source>What it does</source>
        <translation>Ce qu’elle fait</translation>
    </message>
    <message>
        <source>Print…</source>
        <translation>Imprimer…</translation>
    </message>
    <message>
        <source>Prints this list, or saves it as PDF.</source>
        <translation>Imprime cette liste, ou l’enregistre en PDF.</translation>
    </message>
</context>
<context>
    <name>irenic::LookStrip</name>
    <message>
        <source>White balance</source>
        <translation>Balance des blancs</translation>
    </message>
    <message>
        <source>Tone</source>
        <translation>Tons</translation>
    </message>
    <message>
        <source>Lens</source>
        <translation>Objectif</translation>
    </message>
    <message>
        <source>Detail</source>
        <translation>Détail</translation>
    </message>
    <message>
        <source>Reset %1</source>
        <translation>Réinitialiser %1</translation>
    </message>
    <message>
        <source>Resets this group to what the camera and the file suggest.</source>
        <translation>Remet ce groupe à ce que suggèrent l’appareil et le fichier.</translation>
    </message>
    <message>
        <source>Pick grey</source>
        <translation>Choisir un gris</translation>
    </message>
    <message>
        <source>Ctrl+G</source>
        <translation>Ctrl+G</translation>
    </message>
    <message>
        <source>Sets the white balance from a neutral grey that you click. (Ctrl+G)</source>
        <translation>Règle la balance des blancs d’après un gris neutre que vous cliquez. (Ctrl+G)</translation>
    </message>
    <message>
        <source>Tone curve</source>
        <translation>Courbe de tons</translation>
    </message>
    <message>
        <source>Opens the tone curve. The sheet follows every change.</source>
        <translation>Ouvre la courbe de tons. La planche suit chaque changement.</translation>
    </message>
    <message>
        <source>Auto tone</source>
        <translation>Tons automatiques</translation>
    </message>
    <message>
        <source>Sets exposure, highlights and shadows from the photo.</source>
        <translation>Règle exposition, hautes lumières et ombres d’après la photo.</translation>
    </message>
    <message>
        <source>More on the look</source>
        <translation>Plus sur le développement</translation>
    </message>
    <message>
        <source>Copies, pastes, saves or resets the look.</source>
        <translation>Copie, colle, enregistre ou réinitialise le développement.</translation>
    </message>
    <message>
        <source>Copy look</source>
        <translation>Copier le développement</translation>
    </message>
    <message>
        <source>Ctrl+Alt+C</source>
        <translation>Ctrl+Alt+C</translation>
    </message>
    <message>
        <source>Paste look</source>
        <translation>Coller le développement</translation>
    </message>
    <message>
        <source>Ctrl+Alt+V</source>
        <translation>Ctrl+Alt+V</translation>
    </message>
    <message>
        <source>Apply look to all photos</source>
        <translation>Appliquer le développement à toutes les photos</translation>
    </message>
    <message>
        <source>Save as preset…</source>
        <translation>Enregistrer comme préréglage…</translation>
    </message>
    <message>
        <source>Reset look</source>
        <translation>Réinitialiser le développement</translation>
    </message>
    <message>
        <source>This file was white-balanced when it was developed. Changes here come on top.</source>
        <translation>La balance des blancs de ce fichier a été faite à son développement. Les changements d’ici s’y ajoutent.</translation>
    </message>
    <message>
        <source>No correction data for this lens.</source>
        <translation>Pas de données de correction pour cet objectif.</translation>
    </message>
    <message>
        <source>No lens data</source>
        <translation>Pas de données d’objectif</translation>
    </message>
    <message>
        <source>Lens data: %1</source>
        <translation>Données d’objectif : %1</translation>
    </message>
</context>
<context>
    <name>irenic::Manual</name>
    <message>
        <source>Manual</source>
        <translation>Manuel</translation>
    </message>
    <message>
        <source>Search the manual</source>
        <translation>Chercher dans le manuel</translation>
    </message>
    <message>
        <source>Pages of the manual</source>
        <translation>Pages du manuel</translation>
    </message>
    <message>
        <source>Page of the manual</source>
        <translation>Page du manuel</translation>
    </message>
</context>
<context>
    <name>irenic::Overview</name>
    <message>
        <source>Overview</source>
        <translation>Vue d’ensemble</translation>
    </message>
    <message>
        <source>The whole photo and its probes. Drag a probe to move it, drag its edges to resize it, double-click to add one. Delete removes the one that you clicked last.</source>
        <translation>Toute la photo et ses points de contrôle. Glissez un point pour le déplacer, ses bords pour le redimensionner, double clic pour en ajouter un. Suppr retire le dernier cliqué.</translation>
    </message>
    <message>
        <source>No photo</source>
        <translation>Aucune photo</translation>
    </message>
</context>
<context>
    <name>irenic::Panels</name>
    <message>
        <source>Drag to move this panel to another side. Right-click to hide it.</source>
        <translation>Glissez pour mettre ce panneau d’un autre côté. Clic droit pour le masquer.</translation>
    </message>
    <message>
        <source>Hide panel</source>
        <translation>Masquer le panneau</translation>
    </message>
</context>
<context>
    <name>irenic::PhotoList</name>
    <message>
        <source>Photos</source>
        <translation>Photos</translation>
    </message>
    <message>
        <source>Open photos. Shift and Ctrl select several, to paste settings or export. Delete closes the selected ones.</source>
        <translation>Photos ouvertes. Maj et Ctrl en sélectionnent plusieurs, pour coller des réglages ou exporter. Suppr ferme celles qui sont sélectionnées.</translation>
    </message>
    <message>
        <source>%1: no photos in this folder.</source>
        <translation>%1 : aucune photo dans ce dossier.</translation>
    </message>
    <message>
        <source>Exported: %1</source>
        <translation>Exportée : %1</translation>
    </message>
    <message>
        <source>Missing: %1</source>
        <translation>Absente : %1</translation>
    </message>
    <message>
        <source>%1, %2</source>
        <translation>%1, %2</translation>
    </message>
    <message>
        <source>Reading %1…</source>
        <translation>Lecture de %1…</translation>
    </message>
    <message>
        <source>Measuring noise: %1 of %2</source>
        <translation>Mesure du bruit : %1 sur %2</translation>
    </message>
</context>
<context>
    <name>irenic::PhotoRow</name>
    <message>
        <source>Cannot open</source>
        <translation>Impossible à ouvrir</translation>
    </message>
    <message>
        <source>Exported, %1 missing</source>
        <translation>Exportée, %1 absents</translation>
    </message>
    <message>
        <source>Exported</source>
        <translation>Exportée</translation>
    </message>
    <message>
        <source>Edited</source>
        <translation>Modifiée</translation>
    </message>
    <message>
        <source>Noise %1</source>
        <translation>Bruit %1</translation>
    </message>
</context>
<context>
    <name>irenic::PhotosSheet</name>
    <message>
        <source>Sheet over photos</source>
        <translation>Planche de plusieurs photos</translation>
    </message>
    <message>
        <source>Sheet</source>
        <translation>Planche</translation>
    </message>
    <message>
        <source>Goes back to the sheet of the photo shown. (Esc)</source>
        <translation>Revient à la planche de la photo affichée. (Échap)</translation>
    </message>
    <message>
        <source>Gives all selected photos these takes, and the choice among them. One step to undo.</source>
        <translation>Donne à toutes les photos sélectionnées ces variantes, et le choix parmi elles. Une seule étape à annuler.</translation>
    </message>
    <message>
        <source>Select at least two photos in the list first.</source>
        <translation>Sélectionnez d’abord au moins deux photos dans la liste.</translation>
    </message>
    <message>
        <source>Looking for the photos that differ most…</source>
        <translation>Recherche des photos les plus différentes…</translation>
    </message>
    <message>
        <source>Original</source>
        <translation>Original</translation>
    </message>
    <message>
        <source>Shows this photo in the sheet.</source>
        <translation>Montre cette photo dans la planche.</translation>
    </message>
    <message>
        <source>Opening…</source>
        <translation>Ouverture…</translation>
    </message>
    <message>
        <source>%1
ISO %2</source>
        <translation>%1
ISO %2</translation>
    </message>
    <message>
        <source>%1 of %2 photos: those that differ most. Page Down: next probe.</source>
        <translation>%1 photos sur %2 : les plus différentes. Page suiv. : point de contrôle suivant.</translation>
    </message>
    <message>
        <source>%1 photos. Page Down: next probe.</source>
        <translation>%1 photos. Page suiv. : point de contrôle suivant.</translation>
    </message>
    <message>
        <source>Photos are chosen by ISO, brightness and texture. 1.00× is as much noise as was measured in each.</source>
        <translation>Les photos sont choisies par ISO, luminosité et texture. 1,00× est autant de bruit que mesuré dans chacune.</translation>
    </message>
    <message>
        <source>Use these takes for all %1</source>
        <translation>Utiliser ces variantes pour les %1</translation>
    </message>
</context>
<context>
    <name>irenic::PicturePane</name>
    <message>
        <source>Making the pictures…</source>
        <translation>Les images se font…</translation>
    </message>
</context>
<context>
    <name>irenic::PresetMenu</name>
    <message>
        <source>Pr&amp;esets</source>
        <translation>Pr&amp;éréglages</translation>
    </message>
    <message>
        <source>None yet. Save one from the menu of a take or of the look.</source>
        <translation>Encore aucun. Enregistrez-en un depuis le menu d’une variante ou du développement.</translation>
    </message>
    <message>
        <source>&amp;Import…</source>
        <translation>&amp;Importer…</translation>
    </message>
    <message>
        <source>Import presets</source>
        <translation>Importer des préréglages</translation>
    </message>
    <message>
        <source>Presets and sidecars (*.json)</source>
        <translation>Préréglages et fichiers annexes (*.json)</translation>
    </message>
    <message>
        <source>E&amp;xport</source>
        <translation>E&amp;xporter</translation>
    </message>
    <message>
        <source>&amp;Remove</source>
        <translation>&amp;Retirer</translation>
    </message>
    <message>
        <source>Export preset</source>
        <translation>Exporter le préréglage</translation>
    </message>
    <message>
        <source>Presets (*.json)</source>
        <translation>Préréglages (*.json)</translation>
    </message>
    <message>
        <source>Preset %1 was moved to the trash.</source>
        <translation>Le préréglage %1 a été mis à la corbeille.</translation>
    </message>
    <message>
        <source>Preset %1 could not be moved to the trash.</source>
        <translation>Le préréglage %1 n’a pas pu être mis à la corbeille.</translation>
    </message>
    <message>
        <source>Save as preset</source>
        <translation>Enregistrer comme préréglage</translation>
    </message>
    <message>
        <source>Name of the preset:</source>
        <translation>Nom du préréglage :</translation>
    </message>
    <message>
        <source>A preset named %1 exists. Replace it?</source>
        <translation>Un préréglage nommé %1 existe. Le remplacer ?</translation>
    </message>
    <message>
        <source>Preset %1 was saved.</source>
        <translation>Le préréglage %1 a été enregistré.</translation>
    </message>
    <message>
        <source>Look</source>
        <translation>Développement</translation>
    </message>
    <message>
        <source>Preset %1 was exported to %2.</source>
        <translation>Le préréglage %1 a été exporté vers %2.</translation>
    </message>
    <message>
        <source>%1: %2</source>
        <translation>%1 : %2</translation>
    </message>
</context>
<context>
    <name>irenic::QueueModel</name>
    <message>
        <source>State</source>
        <translation>État</translation>
    </message>
    <message>
        <source>Photo</source>
        <translation>Photo</translation>
    </message>
    <message>
        <source>File</source>
        <translation>Fichier</translation>
    </message>
    <message>
        <source>Check</source>
        <translation>Contrôler</translation>
    </message>
    <message>
        <source>Details</source>
        <translation>Précisions</translation>
    </message>
    <message>
        <source>Waiting</source>
        <translation>En attente</translation>
    </message>
    <message>
        <source>Exporting</source>
        <translation>En cours</translation>
    </message>
    <message>
        <source>Done</source>
        <translation>Fait</translation>
    </message>
    <message>
        <source>Failed</source>
        <translation>Échec</translation>
    </message>
    <message>
        <source>Cancelled</source>
        <translation>Annulé</translation>
    </message>
    <message>
        <source>as %1</source>
        <translation>en %1</translation>
    </message>
    <message>
        <source>%1 (missing)</source>
        <translation>%1 (absent)</translation>
    </message>
    <message>
        <source>Good</source>
        <translation>Bon</translation>
    </message>
    <message>
        <source>Look</source>
        <translation>Développement</translation>
    </message>
    <message>
        <source>Bad</source>
        <translation>Mauvais</translation>
    </message>
    <message>
        <source>%1 %</source>
        <translation>%1 %</translation>
    </message>
    <message>
        <source>%1, second try</source>
        <translation>%1, second essai</translation>
    </message>
    <message>
        <source>%1 s</source>
        <translation>%1 s</translation>
    </message>
    <message>
        <source>Will retry: %1</source>
        <translation>Nouvel essai à venir : %1</translation>
    </message>
</context>
<context>
    <name>irenic::QueueView</name>
    <message>
        <source>Export queue</source>
        <translation>File d’export</translation>
    </message>
    <message>
        <source>The damaged queue was renamed to %1. A new one has started.</source>
        <translation>La file endommagée a été renommée en %1. Une nouvelle a commencé.</translation>
    </message>
    <message>
        <source>The queue is empty. Add to queue puts the files above here.</source>
        <translation>La file est vide. « Ajouter à la file » met ici les fichiers d’en haut.</translation>
    </message>
    <message>
        <source>Set damaged queue aside</source>
        <translation>Mettre de côté la file endommagée</translation>
    </message>
    <message>
        <source>Renames the damaged queue file and starts a new queue.</source>
        <translation>Renomme le fichier endommagé et commence une nouvelle file.</translation>
    </message>
    <message>
        <source>Pause</source>
        <translation>Pause</translation>
    </message>
    <message>
        <source>Finishes current files, starts no more.</source>
        <translation>Finit les fichiers en cours, n’en commence plus.</translation>
    </message>
    <message>
        <source>Clear finished</source>
        <translation>Retirer les finis</translation>
    </message>
    <message>
        <source>Removes finished and cancelled exports from the list. Files stay.</source>
        <translation>Retire de la liste les exports finis et annulés. Les fichiers restent.</translation>
    </message>
    <message>
        <source>Worst first</source>
        <translation>Les pires d’abord</translation>
    </message>
    <message>
        <source>Lists what checking found worst on top, instead of the order of export.</source>
        <translation>Montre en haut ce que le contrôle a trouvé de pire, au lieu de l’ordre d’export.</translation>
    </message>
    <message>
        <source>More</source>
        <translation>Plus</translation>
    </message>
    <message>
        <source>Retries or cancels exports.</source>
        <translation>Réessaie ou annule des exports.</translation>
    </message>
    <message>
        <source>Retry failed</source>
        <translation>Réessayer les échecs</translation>
    </message>
    <message>
        <source>Puts everything that failed back in the queue.</source>
        <translation>Remet dans la file tout ce qui a échoué.</translation>
    </message>
    <message>
        <source>Cancel all</source>
        <translation>Tout annuler</translation>
    </message>
    <message>
        <source>Cancels everything that is waiting or exporting.</source>
        <translation>Annule tout ce qui attend ou s’exporte.</translation>
    </message>
    <message>
        <source>Show photo</source>
        <translation>Montrer la photo</translation>
    </message>
    <message>
        <source>Opens the original in this window.</source>
        <translation>Ouvre l’original dans cette fenêtre.</translation>
    </message>
    <message>
        <source>Open file</source>
        <translation>Ouvrir le fichier</translation>
    </message>
    <message>
        <source>Opens the selected file with its default program.</source>
        <translation>Ouvre le fichier sélectionné avec son programme habituel.</translation>
    </message>
    <message>
        <source>Show in folder</source>
        <translation>Montrer dans le dossier</translation>
    </message>
    <message>
        <source>Opens the folder of the selected file in the file manager.</source>
        <translation>Ouvre le dossier du fichier sélectionné dans le gestionnaire de fichiers.</translation>
    </message>
    <message>
        <source>Run a command…</source>
        <translation>Exécuter une commande…</translation>
    </message>
    <message>
        <source>Runs a command on the selected file. {file} stands for its path; without it, the path comes last.</source>
        <translation>Exécute une commande sur le fichier sélectionné. {file} est son chemin ; sans lui, le chemin vient en dernier.</translation>
    </message>
    <message>
        <source>Move up</source>
        <translation>Monter</translation>
    </message>
    <message>
        <source>Exports the selected file one place earlier.</source>
        <translation>Exporte le fichier sélectionné une place plus tôt.</translation>
    </message>
    <message>
        <source>Move down</source>
        <translation>Descendre</translation>
    </message>
    <message>
        <source>Exports the selected file one place later.</source>
        <translation>Exporte le fichier sélectionné une place plus tard.</translation>
    </message>
    <message>
        <source>Cancel</source>
        <translation>Annuler</translation>
    </message>
    <message>
        <source>Cancels the selected file.</source>
        <translation>Annule le fichier sélectionné.</translation>
    </message>
    <message>
        <source>Run a command</source>
        <translation>Exécuter une commande</translation>
    </message>
    <message>
        <source>Command to run on the file:</source>
        <translation>Commande pour le fichier :</translation>
    </message>
    <message>
        <source>Cannot export: irenic-cli not found. Install it next to irenic.</source>
        <translation>Export impossible : irenic-cli introuvable. Installez-le à côté d’irenic.</translation>
    </message>
    <message>
        <source>%1 waiting</source>
        <translation>%1 en attente</translation>
    </message>
    <message>
        <source>%1 exporting</source>
        <translation>%1 en cours</translation>
    </message>
    <message>
        <source>%1 done</source>
        <translation>%1 faits</translation>
    </message>
    <message>
        <source>%1 failed</source>
        <translation>%1 échoués</translation>
    </message>
    <message>
        <source>Resume</source>
        <translation>Reprendre</translation>
    </message>
    <message>
        <source>Exports left from last time: %1. Resume?</source>
        <translation>Exports de la dernière fois : %1. Reprendre ?</translation>
    </message>
    <message>
        <source>Paused, %1 waiting</source>
        <translation>En pause, %1 en attente</translation>
    </message>
    <message>
        <source>Exports are running</source>
        <translation>Des exports sont en cours</translation>
    </message>
    <message>
        <source>Irenic</source>
        <translation>Irenic</translation>
    </message>
    <message>
        <source>Files exported: %1, failed: %2</source>
        <translation>Fichiers exportés : %1, échoués : %2</translation>
    </message>
    <message>
        <source>Files exported: %1</source>
        <translation>Fichiers exportés : %1</translation>
    </message>
</context>
<context>
    <name>irenic::RecentPhotos</name>
    <message>
        <source>Recent photos</source>
        <translation>Photos récentes</translation>
    </message>
</context>
<context>
    <name>irenic::RecommendButton</name>
    <message>
        <source>quicker</source>
        <translation>plus rapide</translation>
    </message>
    <message>
        <source>with grain</source>
        <translation>avec grain</translation>
    </message>
    <message>
        <source>sharpened</source>
        <translation>accentuée</translation>
    </message>
    <message>
        <source>Adds the quickest take that is nearly as good on this photo.</source>
        <translation>Ajoute la variante la plus rapide qui soit presque aussi bonne sur cette photo.</translation>
    </message>
    <message>
        <source>Adds a take that keeps some of the photo&apos;s own grain.</source>
        <translation>Ajoute une variante qui garde un peu du grain propre de la photo.</translation>
    </message>
    <message>
        <source>Adds the recommended take, sharpened as much as this photo&apos;s sharpest edges are blurred.</source>
        <translation>Ajoute la variante recommandée, accentuée autant que les bords les plus nets de cette photo sont flous.</translation>
    </message>
    <message>
        <source>Quicker: %1, error %2 %, %3 times as quick</source>
        <translation>Plus rapide : %1, erreur %2 %, %3 fois plus rapide</translation>
    </message>
    <message>
        <source>With grain: %1, error %2 %</source>
        <translation>Avec grain : %1, erreur %2 %</translation>
    </message>
    <message>
        <source>Sharpened: %1, for edges blurred by %2 px</source>
        <translation>Accentuée : %1, pour des bords flous de %2 px</translation>
    </message>
    <message>
        <source>Adds the take with the least estimated error. (Ctrl+R)</source>
        <translation>Ajoute la variante à l’erreur estimée la plus faible. (Ctrl+R)</translation>
    </message>
    <message>
        <source>Ctrl+R</source>
        <translation>Ctrl+R</translation>
    </message>
    <message>
        <source>Stop measuring (%1 %)</source>
        <translation>Arrêter la mesure (%1 %)</translation>
    </message>
    <message>
        <source>Recommend</source>
        <translation>Recommander</translation>
    </message>
    <message>
        <source>After your taste: %1 with %2 % grain (from %3 blind trials)</source>
        <translation>À votre goût : %1 avec %2 % de grain (d’après %3 tests à l’aveugle)</translation>
    </message>
    <message>
        <source>Adds the recommended take with as much grain as you preferred in blind trials.</source>
        <translation>Ajoute la variante recommandée avec autant de grain que vous en préfériez dans les tests à l’aveugle.</translation>
    </message>
    <message>
        <source>after your taste</source>
        <translation>à votre goût</translation>
    </message>
    <message>
        <source>Forget my taste</source>
        <translation>Oublier mon goût</translation>
    </message>
    <message>
        <source>Take %1 is the recommendation for this photo.</source>
        <translation>La variante %1 est celle recommandée pour cette photo.</translation>
    </message>
    <message>
        <source>At %1 px this photo needs no cleaning</source>
        <translation>À %1 px, cette photo n’a pas besoin de nettoyage</translation>
    </message>
    <message>
        <source>At the size that you export, nobody can tell the original from the recommended take.</source>
        <translation>À la taille exportée, personne ne distingue l’original de la variante recommandée.</translation>
    </message>
    <message>
        <source>At %1 px: %2 looks the same, %3 times as quick</source>
        <translation>À %1 px : %2 donne la même image, %3 fois plus vite</translation>
    </message>
    <message>
        <source>Adds the quickest take that nobody can tell from the recommended one at the size that you export.</source>
        <translation>Ajoute la variante la plus rapide que personne ne distingue de la variante recommandée à la taille exportée.</translation>
    </message>
    <message>
        <source>for the size</source>
        <translation>pour la taille</translation>
    </message>
</context>
<context>
    <name>irenic::ReferenceHead</name>
    <message>
        <source>Matches brightness and white balance to this photo, so that noise and detail can be compared. The file stays as it is.</source>
        <translation>Accorde luminosité et balance des blancs à cette photo, pour que bruit et détail se comparent. Le fichier reste tel quel.</translation>
    </message>
    <message>
        <source>Reload</source>
        <translation>Recharger</translation>
    </message>
    <message>
        <source>Reads the file and aligns it again.</source>
        <translation>Lit le fichier et l’aligne de nouveau.</translation>
    </message>
    <message>
        <source>Close reference</source>
        <translation>Fermer la référence</translation>
    </message>
    <message>
        <source>Closes this reference. The file stays.</source>
        <translation>Ferme cette référence. Le fichier reste.</translation>
    </message>
    <message>
        <source>Reference %1, %2</source>
        <translation>Référence %1, %2</translation>
    </message>
    <message>
        <source>Another version of this photo, to compare with. Never exported.
%1
%2</source>
        <translation>Une autre version de cette photo, pour comparer. Jamais exportée.
%1
%2</translation>
    </message>
    <message>
        <source>Clean</source>
        <translation>Nettoyer</translation>
    </message>
    <message>
        <source>Cleans this reference like one of the takes, by its own measured noise, to compare what comes first: cleaning or developing. The file stays as it is.</source>
        <translation>Nettoie cette référence comme une des variantes, d’après son propre bruit mesuré, pour comparer ce qui vient d’abord : nettoyer ou développer. Le fichier reste tel quel.</translation>
    </message>
    <message>
        <source>Like take %1</source>
        <translation>Comme la variante %1</translation>
    </message>
    <message>
        <source>As it is</source>
        <translation>Telle quelle</translation>
    </message>
    <message>
        <source>Match</source>
        <translation>Accorder</translation>
    </message>
</context>
<context>
    <name>irenic::ReferenceShelf</name>
    <message>
        <source>Reading and aligning…</source>
        <translation>Lecture et alignement…</translation>
    </message>
    <message>
        <source>Matching colours…</source>
        <translation>Accord des couleurs…</translation>
    </message>
</context>
<context>
    <name>irenic::Report</name>
    <message>
        <source>%1 %</source>
        <translation>%1 %</translation>
    </message>
    <message>
        <source>good</source>
        <translation>bon</translation>
    </message>
    <message>
        <source>look</source>
        <translation>à voir</translation>
    </message>
    <message>
        <source>bad</source>
        <translation>mauvais</translation>
    </message>
    <message>
        <source>Blind trial</source>
        <translation>Test à l’aveugle</translation>
    </message>
    <message>
        <source>%1, from %2 answers</source>
        <translation>%1, d’après %2 réponses</translation>
    </message>
    <message>
        <source>%1. %2</source>
        <translation>%1. %2</translation>
    </message>
    <message>
        <source>, above the next: %1 % sure</source>
        <translation>, au-dessus de la suivante : sûr à %1 %</translation>
    </message>
    <message>
        <source>ISO %1</source>
        <translation>ISO %1</translation>
    </message>
    <message>
        <source>noise at mid-grey %1 % of white</source>
        <translation>bruit au gris moyen %1 % du blanc</translation>
    </message>
    <message>
        <source>%1, %2</source>
        <translation>%1, %2</translation>
    </message>
    <message>
        <source>Probe %1: %2, at 100 %</source>
        <translation>Point de contrôle %1 : %2, à 100 %</translation>
    </message>
    <message>
        <source>Original</source>
        <translation>Original</translation>
    </message>
    <message>
        <source>  (chosen for export)</source>
        <translation>  (choisie pour l’export)</translation>
    </message>
    <message>
        <source>%1 % of the noise left on an even grey</source>
        <translation>%1 % du bruit reste sur un gris uni</translation>
    </message>
</context>
<context>
    <name>irenic::RowLabel</name>
    <message>
        <source>%1
Double-click to widen, drag to reorder, right-click for more.</source>
        <translation>%1
Double clic pour élargir, glisser pour réordonner, clic droit pour plus.</translation>
    </message>
    <message>
        <source>%1   collapsed, click to show</source>
        <translation>%1   repliée, cliquer pour montrer</translation>
    </message>
    <message>
        <source>Rename probe…</source>
        <translation>Renommer le point…</translation>
    </message>
    <message>
        <source>Widen row</source>
        <translation>Élargir la rangée</translation>
    </message>
    <message>
        <source>Show row</source>
        <translation>Montrer la rangée</translation>
    </message>
    <message>
        <source>Collapse row</source>
        <translation>Replier la rangée</translation>
    </message>
    <message>
        <source>Remove probe</source>
        <translation>Retirer le point de contrôle</translation>
    </message>
</context>
<context>
    <name>irenic::Rule</name>
    <message>
        <source>Drag, type or use the arrow keys. Double-click to reset.</source>
        <translation>Glissez, tapez ou utilisez les flèches. Double clic pour réinitialiser.</translation>
    </message>
    <message>
        <source>None</source>
        <translation>Aucun</translation>
    </message>
</context>
<context>
    <name>irenic::Sheet</name>
    <message>
        <source>Shows the collapsed column %1.</source>
        <translation>Montre la colonne repliée %1.</translation>
    </message>
    <message>
        <source>Name of the take</source>
        <translation>Nom de la variante</translation>
    </message>
    <message>
        <source>Name, empty for none:</source>
        <translation>Nom, vide pour aucun :</translation>
    </message>
    <message>
        <source>Name of the probe</source>
        <translation>Nom du point de contrôle</translation>
    </message>
    <message>
        <source>Name:</source>
        <translation>Nom :</translation>
    </message>
    <message>
        <source>&lt;b&gt;Original&lt;/b&gt;</source>
        <translation>&lt;b&gt;Original&lt;/b&gt;</translation>
    </message>
    <message>
        <source>&lt;b&gt;Original&lt;/b&gt;&amp;nbsp; Noise %1 to %2 %</source>
        <translation>&lt;b&gt;Original&lt;/b&gt;&amp;nbsp; Bruit %1 à %2 %</translation>
    </message>
    <message>
        <source>&lt;b&gt;Original&lt;/b&gt;&amp;nbsp; Noise %1 %</source>
        <translation>&lt;b&gt;Original&lt;/b&gt;&amp;nbsp; Bruit %1 %</translation>
    </message>
    <message>
        <source>The photo before noise reduction. Measured noise in per cent of white (green channel):</source>
        <translation>La photo avant la réduction du bruit. Bruit mesuré en pour cent du blanc (canal vert) :</translation>
    </message>
    <message>
        <source>
%1 % at black, %2 % at mid-grey.</source>
        <translation>
%1 % au noir, %2 % au gris moyen.</translation>
    </message>
    <message>
        <source>
Nothing in this photo is flat: the noise may be up to %1 % less.</source>
        <translation>
Rien dans cette photo n’est uni : le bruit peut être jusqu’à %1 % plus faible.</translation>
    </message>
    <message>
        <source>
Nothing in this photo is flat, so the figure is that of other photos of this camera (%1).</source>
        <translation>
Rien dans cette photo n’est uni, le chiffre est donc celui d’autres photos de cet appareil (%1).</translation>
    </message>
    <message>
        <source>
Nothing in this photo is flat, so the figure is the one that the file states.</source>
        <translation>
Rien dans cette photo n’est uni, le chiffre est donc celui qu’indique le fichier.</translation>
    </message>
    <message>
        <source>
The file states %1 % at black and %2 % at mid-grey.</source>
        <translation>
Le fichier indique %1 % au noir et %2 % au gris moyen.</translation>
    </message>
    <message>
        <source>
Bad pixels: %1. Banding, relative to noise at black: rows %2, columns %3. Takes repair both unless their
menu says otherwise. The original is shown as it is.</source>
        <translation>
Pixels défectueux : %1. Bandes, par rapport au bruit au noir : lignes %2, colonnes %3. Les variantes réparent les deux
sauf si leur menu dit autre chose. L’original est montré tel quel.</translation>
    </message>
    <message>
        <source>
Dead columns: %1, dead rows: %2. Takes fill them from both sides.</source>
        <translation>
Colonnes mortes : %1, lignes mortes : %2. Les variantes les remplissent des deux côtés.</translation>
    </message>
    <message>
        <source>
The camera smoothed this raw (%1 % to each neighbour). Takes undo that, remove noise, and smooth again.</source>
        <translation>
L’appareil a lissé ce raw (%1 % à chaque voisin). Les variantes l’annulent, retirent le bruit, et lissent de nouveau.</translation>
    </message>
    <message>
        <source>
The noise is uneven, and takes clean accordingly: %1 times as much at the right as at the left,
%2 times at the bottom as at the top, %3 times in the corners as in the middle.</source>
        <translation>
Le bruit est inégal, et les variantes nettoient en conséquence : %1 fois plus à droite qu’à gauche,
%2 fois en bas par rapport au haut, %3 fois dans les coins par rapport au centre.</translation>
    </message>
</context>
<context>
    <name>irenic::ShotNote</name>
    <message>
        <source>Open photos with Ctrl+O, or drop them on the window.</source>
        <translation>Ouvrez des photos avec Ctrl+O, ou déposez-les sur la fenêtre.</translation>
    </message>
    <message>
        <source>Not a raw: noise already smoothed. Use the raw if you have it.</source>
        <translation>Pas un raw : bruit déjà lissé. Prenez le raw si vous l’avez.</translation>
    </message>
    <message>
        <source>Shot %1 stops darker than the sensor could hold, and made lighter here. More light next time costs less noise than any cleaning.</source>
        <translation>Prise %1 EV plus sombre que ce que le capteur pouvait contenir, et éclaircie ici. Plus de lumière la prochaine fois coûte moins de bruit que tout nettoyage.</translation>
    </message>
    <message>
        <source>%1 × %2, %3 bit, %4</source>
        <translation>%1 × %2, %3 bits, %4</translation>
    </message>
    <message>
        <source>Dark frame: this photo shows nothing of it.</source>
        <translation>Image noire : cette photo n’en montre rien.</translation>
    </message>
    <message>
        <source>Dark frame (mean of %1): %2 % of the noise in the dark is taken off.</source>
        <translation>Image noire (moyenne de %1) : %2 % du bruit dans le noir est retiré.</translation>
    </message>
    <message>
        <source>Dark frame (mean of %1): its glow is taken off.</source>
        <translation>Image noire (moyenne de %1) : sa lueur est retirée.</translation>
    </message>
</context>
<context>
    <name>irenic::SlowWrite</name>
    <message>
        <source>%1: %2 %</source>
        <translation>%1 : %2 %</translation>
    </message>
    <message>
        <source>%1 could not be written: %2</source>
        <translation>%1 n’a pas pu être écrit : %2</translation>
    </message>
    <message>
        <source>Written: %1</source>
        <translation>Écrit : %1</translation>
    </message>
    <message>
        <source>Written: %1. %2</source>
        <translation>Écrit : %1. %2</translation>
    </message>
    <message>
        <source>%1…</source>
        <translation>%1…</translation>
    </message>
</context>
<context>
    <name>irenic::StartPage</name>
    <message>
        <source>Compare noise reduction, pixel by pixel</source>
        <translation>Comparez la réduction du bruit, pixel par pixel</translation>
    </message>
    <message>
        <source>Columns are takes: a method with its strengths. Rows are probes: places worth checking. All cells of a row show the same pixels. Column one is the original.

1.00× removes as much noise as was measured. Choose the take that you like and export it. Your originals are never changed.</source>
        <translation>Les colonnes sont des variantes : une méthode avec ses intensités. Les rangées sont des points de contrôle : des endroits à regarder. Toutes les cases d’une rangée montrent les mêmes pixels. La première colonne est l’original.

1,00× retire autant de bruit que mesuré. Choisissez la variante qui vous plaît et exportez-la. Vos originaux ne sont jamais modifiés.</translation>
    </message>
    <message>
        <source>Open photos…   Ctrl+O</source>
        <translation>Ouvrir des photos…   Ctrl+O</translation>
    </message>
    <message>
        <source>Open a folder…   Ctrl+Shift+O</source>
        <translation>Ouvrir un dossier…   Ctrl+Maj+O</translation>
    </message>
    <message>
        <source>Try the demo photos</source>
        <translation>Essayer les photos de démonstration</translation>
    </message>
    <message>
        <source>Or drop photos anywhere on this window: camera raws, DNG, TIFF, JPEG or PNG.</source>
        <translation>Ou déposez des photos n’importe où sur cette fenêtre : raws, DNG, TIFF, JPEG ou PNG.</translation>
    </message>
    <message>
        <source>Opens the demo photos.</source>
        <translation>Ouvre les photos de démonstration.</translation>
    </message>
    <message>
        <source>Recent photos</source>
        <translation>Photos récentes</translation>
    </message>
</context>
<context>
    <name>irenic::StartPicture</name>
    <message>
        <source>One place of a photo: the original and three takes of it</source>
        <translation>Un endroit d’une photo : l’original et trois variantes</translation>
    </message>
    <message>
        <source>Original, ISO 12800</source>
        <translation>Original, ISO 12800</translation>
    </message>
    <message>
        <source>A  Learned</source>
        <translation>A  Appris</translation>
    </message>
    <message>
        <source>B  BM3D</source>
        <translation>B  BM3D</translation>
    </message>
    <message>
        <source>C  Wavelet</source>
        <translation>C  Wavelet</translation>
    </message>
</context>
<context>
    <name>irenic::TakeHead</name>
    <message>
        <source>Noise reduction method of this take</source>
        <translation>Méthode de réduction du bruit de cette variante</translation>
    </message>
    <message>
        <source>More on this take</source>
        <translation>Plus sur cette variante</translation>
    </message>
    <message>
        <source>Renames, duplicates, saves or removes this take.</source>
        <translation>Renomme, duplique, enregistre ou retire cette variante.</translation>
    </message>
    <message>
        <source>Rename take…</source>
        <translation>Renommer la variante…</translation>
    </message>
    <message>
        <source>Duplicate take</source>
        <translation>Dupliquer la variante</translation>
    </message>
    <message>
        <source>Save as preset…</source>
        <translation>Enregistrer comme préréglage…</translation>
    </message>
    <message>
        <source>Set others to equal luminance noise</source>
        <translation>Mettre les autres au même bruit de luminance</translation>
    </message>
    <message>
        <source>Set others to equal colour noise</source>
        <translation>Mettre les autres au même bruit de couleur</translation>
    </message>
    <message>
        <source>Widen column</source>
        <translation>Élargir la colonne</translation>
    </message>
    <message>
        <source>Collapse column</source>
        <translation>Replier la colonne</translation>
    </message>
    <message>
        <source>Remove take</source>
        <translation>Retirer la variante</translation>
    </message>
    <message>
        <source>Estimated on this photo&apos;s probes (Stein&apos;s unbiased risk estimate), as a share of the noise. Gone once you change the settings.</source>
        <translation>Estimé aux points de contrôle de cette photo (estimateur sans biais du risque de Stein), en part du bruit. Disparaît dès que vous changez les réglages.</translation>
    </message>
    <message>
        <source>Hide strengths</source>
        <translation>Masquer les intensités</translation>
    </message>
    <message>
        <source>Show strengths, %1</source>
        <translation>Montrer les intensités, %1</translation>
    </message>
    <message>
        <source>off</source>
        <translation>aucun</translation>
    </message>
    <message>
        <source>L %1</source>
        <translation>L %1</translation>
    </message>
    <message>
        <source>C %1</source>
        <translation>C %1</translation>
    </message>
    <message>
        <source>Take %1</source>
        <translation>Variante %1</translation>
    </message>
    <message>
        <source>Recommended: error %1 % of the noise</source>
        <translation>Recommandée : erreur %1 % du bruit</translation>
    </message>
    <message>
        <source>Take %1 is chosen</source>
        <translation>La variante %1 est choisie</translation>
    </message>
    <message>
        <source>Choose take %1</source>
        <translation>Choisir la variante %1</translation>
    </message>
    <message>
        <source>This take is exported.</source>
        <translation>Cette variante est exportée.</translation>
    </message>
    <message>
        <source>Chooses this take for export.</source>
        <translation>Choisit cette variante pour l’export.</translation>
    </message>
    <message>
        <source>Strengths: luminance (L) and colour (C) noise to remove, grain (G) to keep. Click to set all strengths of this take. (F3: all takes)</source>
        <translation>Intensités : bruit de luminance (L) et de couleur (C) à retirer, grain (G) à garder. Cliquez pour régler toutes les intensités de cette variante. (F3 : toutes les variantes)</translation>
    </message>
    <message>
        <source>G %1 %</source>
        <translation>G %1 %</translation>
    </message>
</context>
<context>
    <name>irenic::TakePanel</name>
    <message>
        <source>Show removed</source>
        <translation>Montrer ce qui est retiré</translation>
    </message>
    <message>
        <source>Shows what this take removes in the middle of the view, amplified: even grain is noise, outlines are lost detail.</source>
        <translation>Montre ce que cette variante retire au milieu de la vue, amplifié : un grain uniforme est du bruit, des contours sont du détail perdu.</translation>
    </message>
</context>
<context>
    <name>irenic::TrialResult</name>
    <message>
        <source>%1 % sure</source>
        <translation>sûr à %1 %</translation>
    </message>
    <message>
        <source>clearly above the next (%1)</source>
        <translation>nettement au-dessus de la suivante (%1)</translation>
    </message>
    <message>
        <source>probably above the next (%1)</source>
        <translation>sans doute au-dessus de la suivante (%1)</translation>
    </message>
    <message>
        <source>about as good as the next (%1)</source>
        <translation>à peu près aussi bonne que la suivante (%1)</translation>
    </message>
    <message>
        <source>No picture stands out: the ones at the top look alike to you.</source>
        <translation>Aucune image ne se détache : les premières vous paraissent semblables.</translation>
    </message>
    <message>
        <source>You prefer %1.</source>
        <translation>Vous préférez %1.</translation>
    </message>
    <message>
        <source>You probably prefer %1. More answers would make it surer.</source>
        <translation>Vous préférez sans doute %1. Plus de réponses le rendraient plus sûr.</translation>
    </message>
    <message>
        <source>Save as text…</source>
        <translation>Enregistrer en texte…</translation>
    </message>
    <message>
        <source>Back to the sheet</source>
        <translation>Revenir à la planche</translation>
    </message>
    <message>
        <source>From %1 answers. Noise left is measured on an even grey with this photo&apos;s noise.</source>
        <translation>D’après %1 réponses. Le bruit restant est mesuré sur un gris uni avec le bruit de cette photo.</translation>
    </message>
    <message>
        <source>Blind trial of %1, %2</source>
        <translation>Test à l’aveugle de %1, %2</translation>
    </message>
    <message>
        <source>Choose %1 for export</source>
        <translation>Choisir %1 pour l’export</translation>
    </message>
    <message>
        <source>%1. %2</source>
        <translation>%1. %2</translation>
    </message>
    <message>
        <source>%1 % of the noise left</source>
        <translation>%1 % du bruit reste</translation>
    </message>
    <message>
        <source>Save the result</source>
        <translation>Enregistrer le résultat</translation>
    </message>
    <message>
        <source>trial.txt</source>
        <translation>test-aveugle.txt</translation>
    </message>
    <message>
        <source>Text (*.txt)</source>
        <translation>Texte (*.txt)</translation>
    </message>
    <message>
        <source>Saved: %1</source>
        <translation>Enregistré : %1</translation>
    </message>
    <message>
        <source>%1 could not be saved: %2</source>
        <translation>%1 n’a pas pu être enregistré : %2</translation>
    </message>
</context>
<context>
    <name>irenic::TrialView</name>
    <message>
        <source>First picture</source>
        <translation>Première image</translation>
    </message>
    <message>
        <source>Second picture</source>
        <translation>Seconde image</translation>
    </message>
    <message>
        <source>←  This one</source>
        <translation>←  Celle-ci</translation>
    </message>
    <message>
        <source>↓  No difference</source>
        <translation>↓  Aucune différence</translation>
    </message>
    <message>
        <source>This one  →</source>
        <translation>Celle-ci  →</translation>
    </message>
    <message>
        <source>You prefer the left picture, or the first one. (Left)</source>
        <translation>Vous préférez l’image de gauche, ou la première. (Gauche)</translation>
    </message>
    <message>
        <source>You see no difference, or like both as much. (Down)</source>
        <translation>Vous ne voyez aucune différence, ou aimez autant les deux. (Bas)</translation>
    </message>
    <message>
        <source>You prefer the right picture, or the second one. (Right)</source>
        <translation>Vous préférez l’image de droite, ou la seconde. (Droite)</translation>
    </message>
    <message>
        <source>In one place</source>
        <translation>Au même endroit</translation>
    </message>
    <message>
        <source>Shows both pictures in one place; Space changes between them. (F)</source>
        <translation>Montre les deux images au même endroit ; Espace passe de l’une à l’autre. (F)</translation>
    </message>
    <message>
        <source>Show the result</source>
        <translation>Montrer le résultat</translation>
    </message>
    <message>
        <source>Ends the trial: names come back. (Esc)</source>
        <translation>Termine le test : les noms reviennent. (Échap)</translation>
    </message>
    <message>
        <source>Open a photo first.</source>
        <translation>Ouvrez d’abord une photo.</translation>
    </message>
    <message>
        <source>A blind trial needs two takes or more.</source>
        <translation>Un test à l’aveugle demande au moins deux variantes.</translation>
    </message>
    <message>
        <source>Which do you prefer?</source>
        <translation>Laquelle préférez-vous ?</translation>
    </message>
    <message>
        <source>%1 answers, the order is %2 % sure</source>
        <translation>%1 réponses, l’ordre est sûr à %2 %</translation>
    </message>
    <message>
        <source>←  The first</source>
        <translation>←  La première</translation>
    </message>
    <message>
        <source>The second  →</source>
        <translation>La seconde  →</translation>
    </message>
</context>
<context>
    <name>irenic::ViewStrip</name>
    <message>
        <source>Others</source>
        <translation>Autres</translation>
    </message>
    <message>
        <source>Other takes that were measured for this photo: one that is quicker, one with grain.</source>
        <translation>D’autres variantes mesurées pour cette photo : une plus rapide, une avec grain.</translation>
    </message>
    <message>
        <source>Add take</source>
        <translation>Ajouter une variante</translation>
    </message>
    <message>
        <source>Adds a column with another take. (Ctrl+T)</source>
        <translation>Ajoute une colonne avec une autre variante. (Ctrl+T)</translation>
    </message>
    <message>
        <source>Ctrl+T</source>
        <translation>Ctrl+T</translation>
    </message>
    <message>
        <source>Shows all cells at %1. (%2)</source>
        <translation>Montre toutes les cases à %1. (%2)</translation>
    </message>
    <message>
        <source>Recentre on probes</source>
        <translation>Recentrer sur les points</translation>
    </message>
    <message>
        <source>Shows every row&apos;s probe again. (Home)</source>
        <translation>Montre de nouveau le point de contrôle de chaque rangée. (Début)</translation>
    </message>
    <message>
        <source>Look</source>
        <translation>Développement</translation>
    </message>
    <message>
        <source>Ctrl+L</source>
        <translation>Ctrl+L</translation>
    </message>
    <message>
        <source>Shows how the photo is developed: white balance, tone, lens, detail. The same for all takes. (Ctrl+L)</source>
        <translation>Montre comment la photo est développée : balance des blancs, tons, objectif, détail. Pareil pour toutes les variantes. (Ctrl+L)</translation>
    </message>
    <message>
        <source>View only, not exported</source>
        <translation>Affichage seul, non exporté</translation>
    </message>
    <message>
        <source>Output size</source>
        <translation>Taille de sortie</translation>
    </message>
    <message>
        <source>Shows the pixels that a print at 300 dpi or a reduced picture would have.</source>
        <translation>Montre les pixels qu’aurait un tirage à 300 ppp ou une image réduite.</translation>
    </message>
    <message>
        <source>Print, long edge %1 cm</source>
        <translation>Tirage, grand côté %1 cm</translation>
    </message>
    <message>
        <source>Long edge %1 px</source>
        <translation>Grand côté %1 px</translation>
    </message>
    <message>
        <source>Custom print size…</source>
        <translation>Autre taille de tirage…</translation>
    </message>
    <message>
        <source>Long edge in cm, at 300 dpi:</source>
        <translation>Grand côté en cm, à 300 ppp :</translation>
    </message>
    <message>
        <source>%1 %</source>
        <translation>%1 %</translation>
    </message>
    <message>
        <source>Fit</source>
        <translation>Ajuster</translation>
    </message>
</context>
<context>
    <name>irenic::Window</name>
    <message>
        <source>Irenic</source>
        <translation>Irenic</translation>
    </message>
    <message>
        <source>Some changes could not be saved: %1

Close anyway and lose them?</source>
        <translation>Certains changements n’ont pas pu être enregistrés : %1

Fermer quand même et les perdre ?</translation>
    </message>
    <message>
        <source>Photos</source>
        <translation>Photos</translation>
    </message>
    <message>
        <source>History</source>
        <translation>Historique</translation>
    </message>
    <message>
        <source>Exports</source>
        <translation>Exports</translation>
    </message>
    <message>
        <source>Overview</source>
        <translation>Vue d’ensemble</translation>
    </message>
    <message>
        <source>Histogram</source>
        <translation>Histogramme</translation>
    </message>
    <message>
        <source>Shot</source>
        <translation>Prise de vue</translation>
    </message>
    <message>
        <source>Export queue</source>
        <translation>File d’export</translation>
    </message>
    <message>
        <source>It is closed: edit here</source>
        <translation>Elle est fermée : modifier ici</translation>
    </message>
    <message>
        <source>Pixel %1, %2</source>
        <translation>Pixel %1, %2</translation>
    </message>
    <message>
        <source>The list of open photos could not be saved: %1</source>
        <translation>La liste des photos ouvertes n’a pas pu être enregistrée : %1</translation>
    </message>
    <message>
        <source>Version %1</source>
        <translation>Version %1</translation>
    </message>
    <message>
        <source>Save version</source>
        <translation>Enregistrer une version</translation>
    </message>
    <message>
        <source>Name of the version:</source>
        <translation>Nom de la version :</translation>
    </message>
    <message>
        <source>Colour profile of this monitor</source>
        <translation>Profil de couleur de cet écran</translation>
    </message>
    <message>
        <source>ICC profiles (*.icc *.icm)</source>
        <translation>Profils ICC (*.icc *.icm)</translation>
    </message>
    <message>
        <source>Monitor: %1</source>
        <translation>Écran : %1</translation>
    </message>
    <message>
        <source>Open photos</source>
        <translation>Ouvrir des photos</translation>
    </message>
    <message>
        <source>Open other versions of this photo</source>
        <translation>Ouvrir d’autres versions de cette photo</translation>
    </message>
    <message>
        <source>Open a folder of photos</source>
        <translation>Ouvrir un dossier de photos</translation>
    </message>
    <message>
        <source>Close-up — Irenic</source>
        <translation>Gros plan — Irenic</translation>
    </message>
    <message>
        <source>%1 — Irenic</source>
        <translation>%1 — Irenic</translation>
    </message>
    <message>
        <source>Exports are running. Close? The rest waits for the next start.</source>
        <translation>Des exports sont en cours. Fermer ? Le reste attend le prochain démarrage.</translation>
    </message>
    <message>
        <source>An export is running. Stop it and close?</source>
        <translation>Un export est en cours. L’arrêter et fermer ?</translation>
    </message>
    <message>
        <source>Saving your changes…</source>
        <translation>Enregistrement de vos changements…</translation>
    </message>
    <message>
        <source>The report was stopped. Nothing was written.</source>
        <translation>Le rapport a été arrêté. Rien n’a été écrit.</translation>
    </message>
    <message>
        <source>Open a photo first.</source>
        <translation>Ouvrez d’abord une photo.</translation>
    </message>
    <message>
        <source>-report</source>
        <translation>-rapport</translation>
    </message>
    <message>
        <source>Save report</source>
        <translation>Enregistrer le rapport</translation>
    </message>
    <message>
        <source>PDF, with a JSON file beside it (*.pdf)</source>
        <translation>PDF, avec un fichier JSON à côté (*.pdf)</translation>
    </message>
    <message>
        <source>Checking all takes for the report</source>
        <translation>Contrôle de toutes les variantes pour le rapport</translation>
    </message>
    <message>
        <source>The layers were stopped. Nothing was written.</source>
        <translation>Les calques ont été arrêtés. Rien n’a été écrit.</translation>
    </message>
    <message>
        <source>-takes</source>
        <translation>-variantes</translation>
    </message>
    <message>
        <source>Save takes as layers</source>
        <translation>Enregistrer les variantes en calques</translation>
    </message>
    <message>
        <source>OpenRaster (*.ora)</source>
        <translation>OpenRaster (*.ora)</translation>
    </message>
    <message>
        <source>Original</source>
        <translation>Original</translation>
    </message>
    <message>
        <source>Writing the takes as layers</source>
        <translation>Écriture des variantes en calques</translation>
    </message>
    <message>
        <source>&amp;File</source>
        <translation>&amp;Fichier</translation>
    </message>
    <message>
        <source>&amp;Edit</source>
        <translation>&amp;Édition</translation>
    </message>
    <message>
        <source>&amp;View</source>
        <translation>&amp;Affichage</translation>
    </message>
    <message>
        <source>&amp;Help</source>
        <translation>A&amp;ide</translation>
    </message>
    <message>
        <source>&amp;Keyboard and mouse</source>
        <translation>&amp;Clavier et souris</translation>
    </message>
    <message>
        <source>&amp;Report a fault…</source>
        <translation>&amp;Signaler un défaut…</translation>
    </message>
    <message>
        <source>&amp;Open…</source>
        <translation>&amp;Ouvrir…</translation>
    </message>
    <message>
        <source>Open &amp;folder…</source>
        <translation>Ouvrir un &amp;dossier…</translation>
    </message>
    <message>
        <source>Ctrl+Shift+O</source>
        <translation>Ctrl+Shift+O</translation>
    </message>
    <message>
        <source>Open re&amp;cent</source>
        <translation>Ouvrir un fichier ré&amp;cent</translation>
    </message>
    <message>
        <source>Open &amp;reference…</source>
        <translation>Ouvrir une &amp;référence…</translation>
    </message>
    <message>
        <source>Ctrl+Shift+R</source>
        <translation>Ctrl+Shift+R</translation>
    </message>
    <message>
        <source>Open an &amp;export as reference</source>
        <translation>Ouvrir un &amp;export comme référence</translation>
    </message>
    <message>
        <source>Save re&amp;port…</source>
        <translation>Enregistrer le ra&amp;pport…</translation>
    </message>
    <message>
        <source>Checks all takes over the whole photo and writes a PDF with crops, settings and findings.</source>
        <translation>Contrôle toutes les variantes sur toute la photo et écrit un PDF avec extraits, réglages et constats.</translation>
    </message>
    <message>
        <source>Save takes as &amp;layers…</source>
        <translation>Enregistrer les variantes en ca&amp;lques…</translation>
    </message>
    <message>
        <source>Writes the original and all takes as layers of one OpenRaster file, to be blended by hand elsewhere.</source>
        <translation>Écrit l’original et toutes les variantes en calques d’un fichier OpenRaster, pour les fondre à la main ailleurs.</translation>
    </message>
    <message>
        <source>Stop writing the &amp;layers</source>
        <translation>Arrêter d’écrire &amp;les calques</translation>
    </message>
    <message>
        <source>Stop the re&amp;port</source>
        <translation>Arrêter le ra&amp;pport</translation>
    </message>
    <message>
        <source>&amp;Quit</source>
        <translation>&amp;Quitter</translation>
    </message>
    <message>
        <source>&amp;Undo</source>
        <translation>&amp;Annuler</translation>
    </message>
    <message>
        <source>&amp;Redo</source>
        <translation>&amp;Rétablir</translation>
    </message>
    <message>
        <source>Ctrl+Shift+Z</source>
        <translation>Ctrl+Shift+Z</translation>
    </message>
    <message>
        <source>&amp;Undo: %1</source>
        <translation>&amp;Annuler : %1</translation>
    </message>
    <message>
        <source>&amp;Redo: %1</source>
        <translation>&amp;Rétablir : %1</translation>
    </message>
    <message>
        <source>Save &amp;version…</source>
        <translation>Enregistrer une &amp;version…</translation>
    </message>
    <message>
        <source>Ctrl+K</source>
        <translation>Ctrl+K</translation>
    </message>
    <message>
        <source>Restore &amp;kept version</source>
        <translation>Restaurer une version &amp;gardée</translation>
    </message>
    <message>
        <source>&amp;Copy photo settings</source>
        <translation>&amp;Copier les réglages de la photo</translation>
    </message>
    <message>
        <source>Ctrl+Shift+C</source>
        <translation>Ctrl+Shift+C</translation>
    </message>
    <message>
        <source>&amp;Paste to selected photos</source>
        <translation>C&amp;oller dans les photos sélectionnées</translation>
    </message>
    <message>
        <source>&amp;Everything</source>
        <translation>&amp;Tout</translation>
    </message>
    <message>
        <source>Ctrl+Shift+V</source>
        <translation>Ctrl+Shift+V</translation>
    </message>
    <message>
        <source>&amp;Takes and choice</source>
        <translation>&amp;Variantes et choix</translation>
    </message>
    <message>
        <source>&amp;Probes</source>
        <translation>&amp;Points de contrôle</translation>
    </message>
    <message>
        <source>&amp;Look</source>
        <translation>&amp;Développement</translation>
    </message>
    <message>
        <source>Use as &amp;default for new photos</source>
        <translation>Utiliser par &amp;défaut pour les nouvelles photos</translation>
    </message>
    <message>
        <source>New photos start with these takes and this look.</source>
        <translation>Les nouvelles photos commencent avec ces variantes et ce développement.</translation>
    </message>
    <message>
        <source>&amp;Panels</source>
        <translation>&amp;Panneaux</translation>
    </message>
    <message>
        <source>Show all &amp;strengths</source>
        <translation>Montrer toutes les &amp;intensités</translation>
    </message>
    <message>
        <source>&amp;Widen column</source>
        <translation>É&amp;largir la colonne</translation>
    </message>
    <message>
        <source>W</source>
        <translation>W</translation>
    </message>
    <message>
        <source>Widen &amp;row</source>
        <translation>Élargir la &amp;rangée</translation>
    </message>
    <message>
        <source>Shift+W</source>
        <translation>Shift+W</translation>
    </message>
    <message>
        <source>&amp;Collapse column</source>
        <translation>Replier la &amp;colonne</translation>
    </message>
    <message>
        <source>X</source>
        <translation>X</translation>
    </message>
    <message>
        <source>Collapse r&amp;ow</source>
        <translation>Replier la ra&amp;ngée</translation>
    </message>
    <message>
        <source>Shift+X</source>
        <translation>Shift+X</translation>
    </message>
    <message>
        <source>Sheet &amp;layout</source>
        <translation>&amp;Disposition de la planche</translation>
    </message>
    <message>
        <source>Alt+Left</source>
        <translation>Alt+Left</translation>
    </message>
    <message>
        <source>Alt+Right</source>
        <translation>Alt+Right</translation>
    </message>
    <message>
        <source>Alt+Up</source>
        <translation>Alt+Up</translation>
    </message>
    <message>
        <source>Alt+Down</source>
        <translation>Alt+Down</translation>
    </message>
    <message>
        <source>Move column &amp;left</source>
        <translation>Colonne vers la &amp;gauche</translation>
    </message>
    <message>
        <source>Move column rig&amp;ht</source>
        <translation>Colonne vers la &amp;droite</translation>
    </message>
    <message>
        <source>Move row &amp;up</source>
        <translation>Rangée vers le &amp;haut</translation>
    </message>
    <message>
        <source>Move row &amp;down</source>
        <translation>Rangée vers le &amp;bas</translation>
    </message>
    <message>
        <source>Reset la&amp;yout</source>
        <translation>Réinitialiser la disp&amp;osition</translation>
    </message>
    <message>
        <source>Shift+Home</source>
        <translation>Shift+Home</translation>
    </message>
    <message>
        <source>Recommend &amp;automatically</source>
        <translation>Re&amp;commander automatiquement</translation>
    </message>
    <message>
        <source>&amp;Keep pictures on disk</source>
        <translation>Garder les i&amp;mages sur le disque</translation>
    </message>
    <message>
        <source>Keeps pictures that took long to make, at most 1 GB, so that a photo opens again at once. Switching it off removes them.</source>
        <translation>Garde les images longues à faire, 1 Go au plus, pour qu’une photo se rouvre aussitôt. Désactiver les efface.</translation>
    </message>
    <message>
        <source>Ctrl+P</source>
        <translation>Ctrl+P</translation>
    </message>
    <message>
        <source>Shows these takes on the selected photos: a row for each of those that differ most. (Ctrl+P)</source>
        <translation>Montre ces variantes sur les photos sélectionnées : une rangée pour chacune des plus différentes. (Ctrl+P)</translation>
    </message>
    <message>
        <source>&amp;Blind trial</source>
        <translation>Test à l’a&amp;veugle</translation>
    </message>
    <message>
        <source>Ctrl+B</source>
        <translation>Ctrl+B</translation>
    </message>
    <message>
        <source>Shows takes without their names, two at a time. You say which you prefer. (Ctrl+B)</source>
        <translation>Montre des variantes sans leurs noms, deux à la fois. Vous dites laquelle vous préférez. (Ctrl+B)</translation>
    </message>
    <message>
        <source>&amp;Next photo</source>
        <translation>Photo &amp;suivante</translation>
    </message>
    <message>
        <source>Ctrl+Down</source>
        <translation>Ctrl+Down</translation>
    </message>
    <message>
        <source>Ctrl+Up</source>
        <translation>Ctrl+Up</translation>
    </message>
    <message>
        <source>S&amp;ort photos</source>
        <translation>&amp;Trier les photos</translation>
    </message>
    <message>
        <source>By &amp;name</source>
        <translation>Par &amp;nom</translation>
    </message>
    <message>
        <source>By capture &amp;time</source>
        <translation>Par &amp;heure de prise de vue</translation>
    </message>
    <message>
        <source>By &amp;ISO</source>
        <translation>Par &amp;ISO</translation>
    </message>
    <message>
        <source>&amp;Mid-grey (for judging)</source>
        <translation>Gris &amp;moyen (pour juger)</translation>
    </message>
    <message>
        <source>&amp;Dark (for a dark room)</source>
        <translation>&amp;Sombre (pour une pièce sombre)</translation>
    </message>
    <message>
        <source>&amp;Light (for a bright room)</source>
        <translation>&amp;Claire (pour une pièce claire)</translation>
    </message>
    <message>
        <source>&amp;Close-up in its own window</source>
        <translation>&amp;Gros plan dans sa propre fenêtre</translation>
    </message>
    <message>
        <source>Shows the close-up in a window of its own, for a second monitor. It follows the cell that you click. (F12)</source>
        <translation>Montre le gros plan dans une fenêtre à lui, pour un second écran. Il suit la case que vous cliquez. (F12)</translation>
    </message>
    <message>
        <source>&amp;Full screen</source>
        <translation>Pl&amp;ein écran</translation>
    </message>
    <message>
        <source>&amp;Monitor profile…</source>
        <translation>P&amp;rofil d’écran…</translation>
    </message>
    <message>
        <source>&amp;Monitor profile (now %1)…</source>
        <translation>P&amp;rofil d’écran (actuel : %1)…</translation>
    </message>
    <message>
        <source>S&amp;ystem monitor profile</source>
        <translation>Profil d’écran du s&amp;ystème</translation>
    </message>
    <message>
        <source>&amp;Photos</source>
        <translation>&amp;Photos</translation>
    </message>
    <message>
        <source>Ctrl+1</source>
        <translation>Ctrl+1</translation>
    </message>
    <message>
        <source>&amp;Overview</source>
        <translation>&amp;Vue d’ensemble</translation>
    </message>
    <message>
        <source>Ctrl+2</source>
        <translation>Ctrl+2</translation>
    </message>
    <message>
        <source>&amp;Histogram</source>
        <translation>&amp;Histogramme</translation>
    </message>
    <message>
        <source>Ctrl+3</source>
        <translation>Ctrl+3</translation>
    </message>
    <message>
        <source>&amp;Shot</source>
        <translation>Prise de v&amp;ue</translation>
    </message>
    <message>
        <source>Ctrl+4</source>
        <translation>Ctrl+4</translation>
    </message>
    <message>
        <source>H&amp;istory</source>
        <translation>H&amp;istorique</translation>
    </message>
    <message>
        <source>Ctrl+H</source>
        <translation>Ctrl+H</translation>
    </message>
    <message>
        <source>&amp;Exports</source>
        <translation>&amp;Exports</translation>
    </message>
    <message>
        <source>Ctrl+5</source>
        <translation>Ctrl+5</translation>
    </message>
    <message>
        <source>&amp;Reset panels</source>
        <translation>&amp;Réinitialiser les panneaux</translation>
    </message>
    <message>
        <source>Photo: %1, ISO %2, %3 x %4, %5, %6 bit</source>
        <translation>Photo : %1, ISO %2, %3 x %4, %5, %6 bits</translation>
    </message>
    <message>
        <source>No photos yet</source>
        <translation>Encore aucune photo</translation>
    </message>
    <message>
        <source>%1   %2   %3</source>
        <translation>%1   %2   %3</translation>
    </message>
    <message>
        <source>Missing</source>
        <translation>Absent</translation>
    </message>
    <message>
        <source>Nothing yet</source>
        <translation>Encore rien</translation>
    </message>
    <message>
        <source>%1   %2</source>
        <translation>%1   %2</translation>
    </message>
    <message>
        <source>As the desktop</source>
        <translation>Comme le bureau</translation>
    </message>
    <message>
        <source>Irenic will speak this language from its next start on.</source>
        <translation>Irenic parlera cette langue à partir de son prochain démarrage.</translation>
    </message>
    <message>
        <source>Lan&amp;guage</source>
        <translation>&amp;Langue</translation>
    </message>
    <message>
        <source>&amp;Manual</source>
        <translation>&amp;Manuel</translation>
    </message>
    <message>
        <source>Shift+F1</source>
        <translation>Shift+F1</translation>
    </message>
    <message>
        <source>Sheet o&amp;ver photos</source>
        <translation>Planche de plusieurs p&amp;hotos</translation>
    </message>
    <message>
        <source>Previo&amp;us photo</source>
        <translation>Ph&amp;oto précédente</translation>
    </message>
    <message>
        <source>Window brigh&amp;tness</source>
        <translation>L&amp;uminosité de la fenêtre</translation>
    </message>
    <message>
        <source>&amp;Monitor profile (now %1, 10 bits)…</source>
        <translation>P&amp;rofil d’écran (actuel : %1, 10 bits)…</translation>
    </message>
    <message>
        <source>By &amp;visible noise</source>
        <translation>Par bruit &amp;visible</translation>
    </message>
    <message>
        <source>Reading dark frames was stopped. Nothing has changed.</source>
        <translation>La lecture des images noires a été arrêtée. Rien n’a changé.</translation>
    </message>
    <message>
        <source>Open dark frames, taken with the lens covered</source>
        <translation>Ouvrir des images noires, prises objectif couvert</translation>
    </message>
    <message>
        <source>Dark frames are used from now on for %1</source>
        <translation>Des images noires servent désormais pour %1</translation>
    </message>
    <message>
        <source>Reading dark frames</source>
        <translation>Lecture des images noires</translation>
    </message>
    <message>
        <source>Photos of this camera and ISO are cleaned without dark frames again.</source>
        <translation>Les photos de cet appareil et de cet ISO sont de nouveau nettoyées sans images noires.</translation>
    </message>
    <message>
        <source>Forgetting dark frames</source>
        <translation>Oubli des images noires</translation>
    </message>
    <message>
        <source>&amp;Dark frames…</source>
        <translation>Images &amp;noires…</translation>
    </message>
    <message>
        <source>Averages raws that were taken with the lens covered, and takes off what photos of the same camera, ISO and exposure show of them.</source>
        <translation>Moyenne des raws pris objectif couvert, et retire ce que les photos du même appareil, du même ISO et de la même exposition en montrent.</translation>
    </message>
    <message>
        <source>Forget dark fra&amp;mes</source>
        <translation>Ou&amp;blier les images noires</translation>
    </message>
    <message>
        <source>Stop reading &amp;dark frames</source>
        <translation>Arrêter la lecture des images &amp;noires</translation>
    </message>
</context>
<context>
    <name>irenic::ZonePanel</name>
    <message>
        <source>All but: %1</source>
        <translation>Tout sauf : %1</translation>
    </message>
    <message>
        <source>Add zone</source>
        <translation>Ajouter une zone</translation>
    </message>
    <message>
        <source>A zone is a part of the photo that this take cleans more or less than the rest.</source>
        <translation>Une zone est une partie de la photo que cette variante nettoie plus ou moins que le reste.</translation>
    </message>
    <message>
        <source>Remove</source>
        <translation>Retirer</translation>
    </message>
    <message>
        <source>Removes this zone and its strokes.</source>
        <translation>Retire cette zone et ses traits.</translation>
    </message>
    <message>
        <source>Zone</source>
        <translation>Zone</translation>
    </message>
    <message>
        <source>The zone that the controls below act on.</source>
        <translation>La zone sur laquelle agissent les réglages ci-dessous.</translation>
    </message>
    <message>
        <source>Method here</source>
        <translation>Méthode ici</translation>
    </message>
    <message>
        <source>The method that cleans here, if not the take&apos;s.</source>
        <translation>La méthode qui nettoie ici, si ce n’est pas celle de la variante.</translation>
    </message>
    <message>
        <source>Method of the take</source>
        <translation>Méthode de la variante</translation>
    </message>
    <message>
        <source>Paint</source>
        <translation>Peindre</translation>
    </message>
    <message>
        <source>Adds to the zone: drag on the picture. (K)</source>
        <translation>Ajoute à la zone : glissez sur l’image. (K)</translation>
    </message>
    <message>
        <source>Erase</source>
        <translation>Effacer</translation>
    </message>
    <message>
        <source>Takes away from the zone: drag on the picture. (Shift+K)</source>
        <translation>Enlève de la zone : glissez sur l’image. (Maj+K)</translation>
    </message>
    <message>
        <source>Show</source>
        <translation>Montrer</translation>
    </message>
    <message>
        <source>Shows the zone over the picture: in colour, grey where it is not, or as an outline. (M)</source>
        <translation>Montre la zone sur l’image : en couleur, gris là où elle n’est pas, ou en contour. (M)</translation>
    </message>
    <message>
        <source>Clear strokes</source>
        <translation>Effacer les traits</translation>
    </message>
    <message>
        <source>Removes all strokes of this zone.</source>
        <translation>Retire tous les traits de cette zone.</translation>
    </message>
    <message>
        <source>Mark wanted</source>
        <translation>Marquer le voulu</translation>
    </message>
    <message>
        <source>Draw a line on what the zone is to be. The zone is then found around it.</source>
        <translation>Tracez une ligne sur ce que la zone doit être. La zone est alors trouvée autour.</translation>
    </message>
    <message>
        <source>Mark unwanted</source>
        <translation>Marquer le non voulu</translation>
    </message>
    <message>
        <source>Draw a line on what the zone is not to be. Without one, the photo&apos;s border is not.</source>
        <translation>Tracez une ligne sur ce que la zone ne doit pas être. Sans aucune, c’est le bord de la photo.</translation>
    </message>
    <message>
        <source>How the zone is shown.</source>
        <translation>Comment la zone est montrée.</translation>
    </message>
    <message>
        <source>How the zone is shown</source>
        <translation>Comment la zone est montrée</translation>
    </message>
    <message>
        <source>Keep to edges</source>
        <translation>Suivre les bords</translation>
    </message>
    <message>
        <source>The brush covers only what is like what its middle runs over.</source>
        <translation>Le pinceau ne couvre que ce qui ressemble à ce sur quoi passe son milieu.</translation>
    </message>
    <message>
        <source>In colour</source>
        <translation>En couleur</translation>
    </message>
    <message>
        <source>Grey where it is not</source>
        <translation>Gris là où elle n’est pas</translation>
    </message>
    <message>
        <source>As an outline</source>
        <translation>En contour</translation>
    </message>
    <message>
        <source>Ochre</source>
        <translation>Ocre</translation>
    </message>
    <message>
        <source>Green</source>
        <translation>Vert</translation>
    </message>
    <message>
        <source>Blue</source>
        <translation>Bleu</translation>
    </message>
    <message>
        <source>Magenta</source>
        <translation>Magenta</translation>
    </message>
    <message>
        <source>Faint</source>
        <translation>Faible</translation>
    </message>
    <message>
        <source>Medium</source>
        <translation>Moyen</translation>
    </message>
    <message>
        <source>Strong</source>
        <translation>Fort</translation>
    </message>
</context>
</TS>
