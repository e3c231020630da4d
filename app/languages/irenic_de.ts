<?xml version="1.0" encoding="utf-8"?>
<!DOCTYPE TS>
<TS version="2.1" language="de" sourcelanguage="en">
<context>
    <name>Monitor</name>
    <message>
        <source>%1: this is not the profile of a monitor. Choose another file, or cancel to use the system&apos;s.</source>
        <translation>%1: Das ist kein Profil eines Monitors. Eine andere Datei wählen oder abbrechen, um das des Systems zu verwenden.</translation>
    </message>
</context>
<context>
    <name>QObject</name>
    <message>
        <source>There is no command to run.</source>
        <translation>Es gibt keinen Befehl auszuführen.</translation>
    </message>
    <message>
        <source>%1 cannot be started. Is it installed?</source>
        <translation>%1 lässt sich nicht starten. Ist es installiert?</translation>
    </message>
    <message>
        <source>Sheet</source>
        <translation>Bogen</translation>
    </message>
    <message>
        <source>Close-up</source>
        <translation>Nahansicht</translation>
    </message>
    <message>
        <source>Blind trial</source>
        <translation>Blindvergleich</translation>
    </message>
    <message>
        <source>Sheet over photos</source>
        <translation>Bogen über mehrere Fotos</translation>
    </message>
    <message>
        <source>Mouse and sliders</source>
        <translation>Maus und Regler</translation>
    </message>
    <message>
        <source>Lists</source>
        <translation>Listen</translation>
    </message>
    <message>
        <source>Arrows</source>
        <translation>Pfeile</translation>
    </message>
    <message>
        <source>Go from cell to cell</source>
        <translation>Von Feld zu Feld gehen</translation>
    </message>
    <message>
        <source>Enter</source>
        <translation>Eingabe</translation>
    </message>
    <message>
        <source>Open the cell in the close-up</source>
        <translation>Das Feld in der Nahansicht öffnen</translation>
    </message>
    <message>
        <source>O</source>
        <translation>O</translation>
    </message>
    <message>
        <source>Show the original</source>
        <translation>Das Original zeigen</translation>
    </message>
    <message>
        <source>A to H</source>
        <translation>A bis H</translation>
    </message>
    <message>
        <source>Show that take</source>
        <translation>Diese Variante zeigen</translation>
    </message>
    <message>
        <source>R</source>
        <translation>R</translation>
    </message>
    <message>
        <source>Show the next reference</source>
        <translation>Die nächste Referenz zeigen</translation>
    </message>
    <message>
        <source>Left, Right</source>
        <translation>Links, Rechts</translation>
    </message>
    <message>
        <source>Show the previous or next take</source>
        <translation>Die vorige oder nächste Variante zeigen</translation>
    </message>
    <message>
        <source>Tab</source>
        <translation>Tab</translation>
    </message>
    <message>
        <source>Flip the last two</source>
        <translation>Zwischen den letzten beiden umschalten</translation>
    </message>
    <message>
        <source>Ctrl+Tab, Shift+Tab</source>
        <translation>Strg+Tab, Umschalt+Tab</translation>
    </message>
    <message>
        <source>Go to the next or previous control</source>
        <translation>Zum nächsten oder vorigen Bedienelement gehen</translation>
    </message>
    <message>
        <source>Space</source>
        <translation>Leertaste</translation>
    </message>
    <message>
        <source>Show the original while held</source>
        <translation>Das Original zeigen, solange gedrückt</translation>
    </message>
    <message>
        <source>Up, Down</source>
        <translation>Auf, Ab</translation>
    </message>
    <message>
        <source>Zoom in or out</source>
        <translation>Vergrößern oder verkleinern</translation>
    </message>
    <message>
        <source>Shift+Arrows</source>
        <translation>Umschalt+Pfeile</translation>
    </message>
    <message>
        <source>Pan</source>
        <translation>Verschieben</translation>
    </message>
    <message>
        <source>Page Up, Page Down</source>
        <translation>Bild auf, Bild ab</translation>
    </message>
    <message>
        <source>Go to the previous or next probe</source>
        <translation>Zur vorigen oder nächsten Prüfstelle gehen</translation>
    </message>
    <message>
        <source>K</source>
        <translation>K</translation>
    </message>
    <message>
        <source>Paint on the zone; with Shift erase; again: stop</source>
        <translation>Auf die Zone malen; mit Umschalt radieren; noch einmal: aufhören</translation>
    </message>
    <message>
        <source>M</source>
        <translation>M</translation>
    </message>
    <message>
        <source>Show the zone: in colour, grey outside, as an outline, not at all</source>
        <translation>Die Zone zeigen: in Farbe, außen grau, als Umriss, gar nicht</translation>
    </message>
    <message>
        <source>N</source>
        <translation>N</translation>
    </message>
    <message>
        <source>Go to the next place that the checks found; with Shift the one before</source>
        <translation>Zur nächsten Stelle gehen, die die Prüfungen fanden; mit Umschalt zur vorigen</translation>
    </message>
    <message>
        <source>S</source>
        <translation>S</translation>
    </message>
    <message>
        <source>Sweep over the whole photo at 100 %; with Shift one step back</source>
        <translation>Das ganze Foto bei 100 % abschreiten; mit Umschalt einen Schritt zurück</translation>
    </message>
    <message>
        <source>P</source>
        <translation>P</translation>
    </message>
    <message>
        <source>Add a probe here</source>
        <translation>Hier eine Prüfstelle setzen</translation>
    </message>
    <message>
        <source>Choose this take for export</source>
        <translation>Diese Variante für den Export wählen</translation>
    </message>
    <message>
        <source>Esc</source>
        <translation>Esc</translation>
    </message>
    <message>
        <source>Go back to the sheet</source>
        <translation>Zurück zum Bogen gehen</translation>
    </message>
    <message>
        <source>Prefer the left or right picture, or the first or second</source>
        <translation>Das linke oder rechte Bild vorziehen, oder das erste oder zweite</translation>
    </message>
    <message>
        <source>Down</source>
        <translation>Ab</translation>
    </message>
    <message>
        <source>See no difference</source>
        <translation>Keinen Unterschied sehen</translation>
    </message>
    <message>
        <source>F</source>
        <translation>F</translation>
    </message>
    <message>
        <source>Show both in one place, or beside each other</source>
        <translation>Beide an einer Stelle oder nebeneinander zeigen</translation>
    </message>
    <message>
        <source>Change between the two that are in one place</source>
        <translation>Zwischen den beiden an einer Stelle wechseln</translation>
    </message>
    <message>
        <source>Backspace</source>
        <translation>Rücktaste</translation>
    </message>
    <message>
        <source>Take the last answer back</source>
        <translation>Die letzte Antwort zurücknehmen</translation>
    </message>
    <message>
        <source>Show the result, then go back</source>
        <translation>Das Ergebnis zeigen, dann zurückgehen</translation>
    </message>
    <message>
        <source>Show the previous or next probe of each photo</source>
        <translation>Die vorige oder nächste Prüfstelle jedes Fotos zeigen</translation>
    </message>
    <message>
        <source>Drag a cell</source>
        <translation>Ein Feld ziehen</translation>
    </message>
    <message>
        <source>Pan its row; with Shift all rows</source>
        <translation>Seine Zeile verschieben; mit Umschalt alle Zeilen</translation>
    </message>
    <message>
        <source>Wheel on a cell</source>
        <translation>Mausrad auf einem Feld</translation>
    </message>
    <message>
        <source>Zoom at the pointer</source>
        <translation>Am Zeiger vergrößern</translation>
    </message>
    <message>
        <source>Double-click a cell</source>
        <translation>Doppelklick auf ein Feld</translation>
    </message>
    <message>
        <source>Open it in the close-up</source>
        <translation>In der Nahansicht öffnen</translation>
    </message>
    <message>
        <source>Alt with a brush</source>
        <translation>Alt mit einem Pinsel</translation>
    </message>
    <message>
        <source>Draw a straight line</source>
        <translation>Eine gerade Linie ziehen</translation>
    </message>
    <message>
        <source>Pen with a brush</source>
        <translation>Stift mit einem Pinsel</translation>
    </message>
    <message>
        <source>Press harder to draw a wider line</source>
        <translation>Stärker drücken für eine breitere Linie</translation>
    </message>
    <message>
        <source>Click in the close-up</source>
        <translation>Klick in der Nahansicht</translation>
    </message>
    <message>
        <source>Say which zones act there, and how strongly</source>
        <translation>Sagen, welche Zonen dort wirken und wie stark</translation>
    </message>
    <message>
        <source>Ctrl+wheel with a brush</source>
        <translation>Strg+Mausrad mit einem Pinsel</translation>
    </message>
    <message>
        <source>Set its size; with Shift its soft edge</source>
        <translation>Seine Größe einstellen; mit Umschalt seinen weichen Rand</translation>
    </message>
    <message>
        <source>Drag a slider</source>
        <translation>Einen Regler ziehen</translation>
    </message>
    <message>
        <source>Set its value; with Shift 10× finer</source>
        <translation>Seinen Wert einstellen; mit Umschalt 10× feiner</translation>
    </message>
    <message>
        <source>Arrows on a slider</source>
        <translation>Pfeile auf einem Regler</translation>
    </message>
    <message>
        <source>One step; with Shift the smallest</source>
        <translation>Ein Schritt; mit Umschalt der kleinste</translation>
    </message>
    <message>
        <source>Double-click a slider</source>
        <translation>Doppelklick auf einen Regler</translation>
    </message>
    <message>
        <source>Reset its value; so does Delete</source>
        <translation>Seinen Wert zurücksetzen; ebenso Entf</translation>
    </message>
    <message>
        <source>Drag on the overview</source>
        <translation>In der Übersicht ziehen</translation>
    </message>
    <message>
        <source>Move a probe</source>
        <translation>Eine Prüfstelle verschieben</translation>
    </message>
    <message>
        <source>Double-click the overview</source>
        <translation>Doppelklick in der Übersicht</translation>
    </message>
    <message>
        <source>Add a probe</source>
        <translation>Eine Prüfstelle hinzufügen</translation>
    </message>
    <message>
        <source>Delete</source>
        <translation>Entf</translation>
    </message>
    <message>
        <source>In the list: close the selected photos. On the overview: remove the probe</source>
        <translation>In der Liste: die ausgewählten Fotos schließen. In der Übersicht: die Prüfstelle entfernen</translation>
    </message>
</context>
<context>
    <name>WorkPart</name>
    <message>
        <source>Takes</source>
        <translation>Varianten</translation>
    </message>
    <message>
        <source>Probes</source>
        <translation>Prüfstellen</translation>
    </message>
    <message>
        <source>Look</source>
        <translation>Entwicklung</translation>
    </message>
    <message>
        <source>Settings</source>
        <translation>Einstellungen</translation>
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
        <translation>%1 und mehr</translation>
    </message>
    <message>
        <source>%1 changed</source>
        <translation>%1 geändert</translation>
    </message>
    <message>
        <source>%1 of the bright points are gone: a zone on them with luminance %2 would keep them.</source>
        <translation>%1 der hellen Punkte sind verschwunden: Eine Zone darauf mit Luminanz %2 würde sie erhalten.</translation>
    </message>
    <message>
        <source>%1 of the noise is left in even areas: luminance %2 would take more.</source>
        <translation>%1 des Rauschens bleibt in gleichmäßigen Flächen: Luminanz %2 würde mehr entfernen.</translation>
    </message>
    <message>
        <source>%1: renamed to &quot;%2&quot;</source>
        <translation>%1: umbenannt in „%2“</translation>
    </message>
    <message>
        <source>16 bit</source>
        <translation>16 Bit</translation>
    </message>
    <message>
        <source>32 bit floating point</source>
        <translation>32 Bit Gleitkomma</translation>
    </message>
    <message>
        <source>8 bit</source>
        <translation>8 Bit</translation>
    </message>
    <message>
        <source>A fine grid is left all over the picture.</source>
        <translation>Ein feines Raster ist im ganzen Bild geblieben.</translation>
    </message>
    <message>
        <source>Above 0 brightens areas darker than mid-grey by up to 1.5 stops, and the noise in them. Local contrast stays.</source>
        <translation>Über 0 hellt Bereiche, die dunkler als Mittelgrau sind, um bis zu 1,5 EV auf, und das Rauschen darin. Der lokale Kontrast bleibt.</translation>
    </message>
    <message>
        <source>Above 0 makes texture and small forms stand out from their surround, and the noise in them.</source>
        <translation>Über 0 hebt Textur und kleine Formen von ihrer Umgebung ab, und das Rauschen darin.</translation>
    </message>
    <message>
        <source>Above 0 strengthens weak colours; those that are strong already stay as they are.</source>
        <translation>Über 0 kräftigt schwache Farben; was schon kräftig ist, bleibt.</translation>
    </message>
    <message>
        <source>Added by you</source>
        <translation>Von Ihnen hinzugefügt</translation>
    </message>
    <message>
        <source>An ICC profile for RGB instead of a colour space, such as a printer&apos;s.</source>
        <translation>Ein ICC-Profil für RGB statt eines Farbraums, etwa das eines Druckers.</translation>
    </message>
    <message>
        <source>BM3D</source>
        <translation>BM3D</translation>
    </message>
    <message>
        <source>BM3D quick</source>
        <translation>BM3D schnell</translation>
    </message>
    <message>
        <source>BM3D with one kind of blocks instead of two. Faster.</source>
        <translation>BM3D mit einer Art von Blöcken statt zweien. Schneller.</translation>
    </message>
    <message>
        <source>Below 0 darkens areas brighter than mid-grey by up to 1.5 stops. Local contrast stays.</source>
        <translation>Unter 0 dunkelt Bereiche, die heller als Mittelgrau sind, um bis zu 1,5 EV ab. Der lokale Kontrast bleibt.</translation>
    </message>
    <message>
        <source>Bright areas</source>
        <translation>Helle Bereiche</translation>
    </message>
    <message>
        <source>Bright points such as stars and glints are gone or dimmed.</source>
        <translation>Helle Punkte wie Sterne und Glanzlichter sind verschwunden oder abgeschwächt.</translation>
    </message>
    <message>
        <source>Bright points such as stars and glints are kept.</source>
        <translation>Helle Punkte wie Sterne und Glanzlichter sind erhalten.</translation>
    </message>
    <message>
        <source>Bright points: must not vanish</source>
        <translation>Helle Punkte: dürfen nicht verschwinden</translation>
    </message>
    <message>
        <source>Brightens the corners to match the middle, and the noise in them.</source>
        <translation>Hellt die Ecken passend zur Mitte auf, und das Rauschen darin.</translation>
    </message>
    <message>
        <source>Brightness of the whole photo in stops. Exported, unlike the push.</source>
        <translation>Helligkeit des ganzen Fotos in Blenden. Wird exportiert, anders als der Push.</translation>
    </message>
    <message>
        <source>Clean, with straight edges. Slower.</source>
        <translation>Sauber, mit geraden Kanten. Langsamer.</translation>
    </message>
    <message>
        <source>Cleanest and sharpest: a neural network trained on other pictures.</source>
        <translation>Am saubersten und schärfsten: ein neuronales Netz, an anderen Bildern trainiert.</translation>
    </message>
    <message>
        <source>Coarse colour noise to remove here, as a factor of the take&apos;s.</source>
        <translation>Grobes Farbrauschen, das hier entfernt wird, als Faktor dessen der Variante.</translation>
    </message>
    <message>
        <source>Colour blotches</source>
        <translation>Farbflecken</translation>
    </message>
    <message>
        <source>Colour blotches are left: coarse colour %1 would take more.</source>
        <translation>Farbflecken sind geblieben: Grobe Farbe %1 würde mehr entfernen.</translation>
    </message>
    <message>
        <source>Colour blotches of 8 to 32 pixels are left.</source>
        <translation>Farbflecken von 8 bis 32 Pixeln sind geblieben.</translation>
    </message>
    <message>
        <source>Colour blotches of 8–64 px to remove. Needs Colour above 0.</source>
        <translation>Farbflecken von 8–64 px, die entfernt werden. Braucht Farbe über 0.</translation>
    </message>
    <message>
        <source>Colour noise to remove here, as a factor of the take&apos;s.</source>
        <translation>Farbrauschen, das hier entfernt wird, als Faktor dessen der Variante.</translation>
    </message>
    <message>
        <source>Colour noise to remove; 1.00× is as much as was measured.</source>
        <translation>Farbrauschen, das entfernt wird; 1,00× ist so viel, wie gemessen wurde.</translation>
    </message>
    <message>
        <source>Colour shift</source>
        <translation>Farbverschiebung</translation>
    </message>
    <message>
        <source>Colour temperature of the light; higher makes the picture warmer.</source>
        <translation>Farbtemperatur des Lichts; höher macht das Bild wärmer.</translation>
    </message>
    <message>
        <source>Colours and brightness are kept.</source>
        <translation>Farben und Helligkeit sind erhalten.</translation>
    </message>
    <message>
        <source>Colours or brightness of whole areas have changed.</source>
        <translation>Farben oder Helligkeit ganzer Flächen haben sich geändert.</translation>
    </message>
    <message>
        <source>Colours that the file can hold. sRGB suits screens; wider spaces are for further work.</source>
        <translation>Farben, die die Datei halten kann. sRGB passt zu Bildschirmen; weitere Räume sind für die Weiterarbeit.</translation>
    </message>
    <message>
        <source>Corner: least light and sharpness</source>
        <translation>Ecke: am wenigsten Licht und Schärfe</translation>
    </message>
    <message>
        <source>DNG: full colour instead of the mosaic, with sharpening and lens corrections applied. Three times as large.</source>
        <translation>DNG: volle Farbe statt des Mosaiks, mit Schärfung und Objektivkorrekturen. Dreimal so groß.</translation>
    </message>
    <message>
        <source>DNG: stores a preview with all pixels instead of 1024 across.</source>
        <translation>DNG: legt eine Vorschau mit allen Pixeln ab statt mit 1024 Pixeln Breite.</translation>
    </message>
    <message>
        <source>DNG: where the edits go that another program keeps beside the raw, in an XMP file of its name.</source>
        <translation>DNG: wohin die Bearbeitungen gehen, die ein anderes Programm in einer gleichnamigen XMP-Datei neben dem Raw hält.</translation>
    </message>
    <message>
        <source>Dark areas</source>
        <translation>Dunkle Bereiche</translation>
    </message>
    <message>
        <source>Darkest area with detail: colour noise shows here first</source>
        <translation>Dunkelster Bereich mit Details: Farbrauschen zeigt sich hier zuerst</translation>
    </message>
    <message>
        <source>Darkest area with detail; push +%1 EV to see it</source>
        <translation>Dunkelster Bereich mit Details; mit Push +%1 EV zu sehen</translation>
    </message>
    <message>
        <source>Deep red or blue: the noisiest channel, and colour fades here</source>
        <translation>Tiefes Rot oder Blau: der verrauschteste Kanal, und Farbe verblasst hier</translation>
    </message>
    <message>
        <source>Demosaic: fine</source>
        <translation>Farbinterpolation: fein</translation>
    </message>
    <message>
        <source>Demosaic: quick</source>
        <translation>Farbinterpolation: schnell</translation>
    </message>
    <message>
        <source>Detail brought back here, more or less than the take does.</source>
        <translation>Details, die hier zurückgeholt werden, mehr oder weniger als in der Variante.</translation>
    </message>
    <message>
        <source>Detail is kept.</source>
        <translation>Details sind erhalten.</translation>
    </message>
    <message>
        <source>Detail is lost at %1 of the places that have some: detail %2 would bring more back.</source>
        <translation>An %1 der Stellen mit Details gehen welche verloren: Details %2 würde mehr zurückholen.</translation>
    </message>
    <message>
        <source>Detail is lost at %1 of the places that have some: luminance %2 would keep more.</source>
        <translation>An %1 der Stellen mit Details gehen welche verloren: Luminanz %2 würde mehr erhalten.</translation>
    </message>
    <message>
        <source>Detail lost</source>
        <translation>Verlorene Details</translation>
    </message>
    <message>
        <source>Edges have halos: light and dark seams along them.</source>
        <translation>Kanten haben Halos: helle und dunkle Säume.</translation>
    </message>
    <message>
        <source>Edges have no halos.</source>
        <translation>Kanten haben keine Halos.</translation>
    </message>
    <message>
        <source>Edges: crop</source>
        <translation>Ränder: beschneiden</translation>
    </message>
    <message>
        <source>Edges: enlarge to fill</source>
        <translation>Ränder: füllend vergrößern</translation>
    </message>
    <message>
        <source>Edges: keep all, black</source>
        <translation>Ränder: alles behalten, schwarz</translation>
    </message>
    <message>
        <source>Edits: beside the DNG</source>
        <translation>Bearbeitungen: neben das DNG</translation>
    </message>
    <message>
        <source>Edits: both</source>
        <translation>Bearbeitungen: beides</translation>
    </message>
    <message>
        <source>Edits: into the DNG</source>
        <translation>Bearbeitungen: in das DNG</translation>
    </message>
    <message>
        <source>Edits: leave out</source>
        <translation>Bearbeitungen: weglassen</translation>
    </message>
    <message>
        <source>Even areas are clean.</source>
        <translation>Gleichmäßige Flächen sind sauber.</translation>
    </message>
    <message>
        <source>File format. A DNG stays a raw: the look goes into its preview and its XMP. All others are finished pictures.</source>
        <translation>Dateiformat. Ein DNG bleibt ein Raw: Die Entwicklung kommt in seine Vorschau und sein XMP. Alle anderen sind fertige Bilder.</translation>
    </message>
    <message>
        <source>File name. {stem}, {letter}, {take}, {method}, {iso}, {date}, {counter} and {version} are filled in from the photo and the take.</source>
        <translation>Dateiname. {stem}, {letter}, {take}, {method}, {iso}, {date}, {counter} und {version} werden aus Foto und Variante eingesetzt.</translation>
    </message>
    <message>
        <source>Finest texture: smears first</source>
        <translation>Feinste Textur: verschmiert zuerst</translation>
    </message>
    <message>
        <source>Grain put back here, more or less than the take does.</source>
        <translation>Korn, das hier zurückgegeben wird, mehr oder weniger als in der Variante.</translation>
    </message>
    <message>
        <source>Green–magenta balance; higher is more magenta.</source>
        <translation>Ausgleich von Grün und Magenta; höher ist mehr Magenta.</translation>
    </message>
    <message>
        <source>Halos</source>
        <translation>Halos</translation>
    </message>
    <message>
        <source>Higher keeps more faint detail, and some noise with it.</source>
        <translation>Höher erhält mehr schwache Details, und etwas Rauschen mit ihnen.</translation>
    </message>
    <message>
        <source>How full colour is made from the sensor&apos;s mosaic; fine is slower and keeps more detail.</source>
        <translation>Wie volle Farbe aus dem Mosaik des Sensors entsteht; fein ist langsamer und erhält mehr Details.</translation>
    </message>
    <message>
        <source>How wide the zone&apos;s border is, in pixels of the photo.</source>
        <translation>Wie breit der Rand der Zone ist, in Pixeln des Fotos.</translation>
    </message>
    <message>
        <source>ICC profile</source>
        <translation>ICC-Profil</translation>
    </message>
    <message>
        <source>If it exists: add a number</source>
        <translation>Gibt es sie schon: Nummer anhängen</translation>
    </message>
    <message>
        <source>If it exists: do not export</source>
        <translation>Gibt es sie schon: nicht exportieren</translation>
    </message>
    <message>
        <source>If it exists: replace</source>
        <translation>Gibt es sie schon: ersetzen</translation>
    </message>
    <message>
        <source>In focus</source>
        <translation>Im Fokus</translation>
    </message>
    <message>
        <source>Invented texture</source>
        <translation>Erfundene Textur</translation>
    </message>
    <message>
        <source>JPEG and JPEG XL: 95 looks like the original, 80 to 90 is for the web. JPEG XL at 100 is lossless.</source>
        <translation>JPEG und JPEG XL: 95 sieht aus wie das Original, 80 bis 90 ist fürs Web. JPEG XL mit 100 ist verlustfrei.</translation>
    </message>
    <message>
        <source>JPEG: half the resolution for colour makes the file smaller and fine red detail softer.</source>
        <translation>JPEG: halbe Auflösung für Farbe macht die Datei kleiner und feine rote Details weicher.</translation>
    </message>
    <message>
        <source>LZW compression</source>
        <translation>LZW-Kompression</translation>
    </message>
    <message>
        <source>Learned</source>
        <translation>Gelernt</translation>
    </message>
    <message>
        <source>Learned quick</source>
        <translation>Gelernt schnell</translation>
    </message>
    <message>
        <source>Lossless compression</source>
        <translation>Verlustfreie Kompression</translation>
    </message>
    <message>
        <source>Lossless compression: lossless JPEG in a DNG, ZIP or LZW in a TIFF.</source>
        <translation>Verlustfreie Kompression: verlustfreies JPEG im DNG, ZIP oder LZW im TIFF.</translation>
    </message>
    <message>
        <source>Luminance noise to remove here, as a factor of the take&apos;s.</source>
        <translation>Luminanzrauschen, das hier entfernt wird, als Faktor dessen der Variante.</translation>
    </message>
    <message>
        <source>Luminance noise to remove; 1.00× is as much as was measured.</source>
        <translation>Luminanzrauschen, das entfernt wird; 1,00× ist so viel, wie gemessen wurde.</translation>
    </message>
    <message>
        <source>Maps dark to bright, on display values.</source>
        <translation>Bildet Dunkel bis Hell ab, auf angezeigten Werten.</translation>
    </message>
    <message>
        <source>Marked by strokes</source>
        <translation>Mit Strichen markiert</translation>
    </message>
    <message>
        <source>Moves the zone&apos;s border outward, in pixels of the photo.</source>
        <translation>Verschiebt den Rand der Zone nach außen, in Pixeln des Fotos.</translation>
    </message>
    <message>
        <source>Much of the noise is left in even areas.</source>
        <translation>Viel vom Rauschen bleibt in gleichmäßigen Flächen.</translation>
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
        <translation>Natürlich in feiner, unregelmäßiger Textur. Langsamer.</translation>
    </message>
    <message>
        <source>Natural, keeps texture that repeats. For moderate noise.</source>
        <translation>Natürlich, erhält Textur, die sich wiederholt. Für mäßiges Rauschen.</translation>
    </message>
    <message>
        <source>No colour blotches are left.</source>
        <translation>Keine Farbflecken sind geblieben.</translation>
    </message>
    <message>
        <source>No take chosen</source>
        <translation>Keine Variante gewählt</translation>
    </message>
    <message>
        <source>Noise along edges</source>
        <translation>Rauschen an Kanten</translation>
    </message>
    <message>
        <source>Noise is left along edges that are clean farther away.</source>
        <translation>Rauschen bleibt an Kanten, die weiter weg sauber sind.</translation>
    </message>
    <message>
        <source>Noise is taken away evenly.</source>
        <translation>Rauschen wird gleichmäßig entfernt.</translation>
    </message>
    <message>
        <source>Noise is taken away up to the edges.</source>
        <translation>Rauschen wird bis an die Kanten entfernt.</translation>
    </message>
    <message>
        <source>Noise left</source>
        <translation>Restrauschen</translation>
    </message>
    <message>
        <source>Notes changed</source>
        <translation>Notizen geändert</translation>
    </message>
    <message>
        <source>Nothing in this photo is even enough to tell.</source>
        <translation>Nichts in diesem Foto ist gleichmäßig genug, um es zu sagen.</translation>
    </message>
    <message>
        <source>Nothing is added that the photo does not have.</source>
        <translation>Es wird nichts hinzugefügt, was das Foto nicht hat.</translation>
    </message>
    <message>
        <source>Nothing stands out from the noise</source>
        <translation>Nichts hebt sich vom Rauschen ab</translation>
    </message>
    <message>
        <source>Of a marked colour</source>
        <translation>Von einer markierten Farbe</translation>
    </message>
    <message>
        <source>Out of focus</source>
        <translation>Außer Fokus</translation>
    </message>
    <message>
        <source>Painted</source>
        <translation>Gemalt</translation>
    </message>
    <message>
        <source>Parts of the photo that are cleaned more or less than the rest.</source>
        <translation>Teile des Fotos, die mehr oder weniger als der Rest gesäubert werden.</translation>
    </message>
    <message>
        <source>Patterns</source>
        <translation>Muster</translation>
    </message>
    <message>
        <source>Points lost</source>
        <translation>Verlorene Punkte</translation>
    </message>
    <message>
        <source>Points of light</source>
        <translation>Lichtpunkte</translation>
    </message>
    <message>
        <source>Print resolution noted in the file. Pixels stay the same.</source>
        <translation>In der Datei vermerkte Druckauflösung. Pixel bleiben gleich.</translation>
    </message>
    <message>
        <source>Probe %1 added</source>
        <translation>Prüfstelle %1 hinzugefügt</translation>
    </message>
    <message>
        <source>Probe %1 moved</source>
        <translation>Prüfstelle %1 verschoben</translation>
    </message>
    <message>
        <source>Probe %1 removed</source>
        <translation>Prüfstelle %1 entfernt</translation>
    </message>
    <message>
        <source>Probe %1 renamed to &quot;%2&quot;</source>
        <translation>Prüfstelle %1 umbenannt in „%2“</translation>
    </message>
    <message>
        <source>Probe %1 resized</source>
        <translation>Prüfstelle %1 in der Größe geändert</translation>
    </message>
    <message>
        <source>Probes reordered</source>
        <translation>Prüfstellen umgeordnet</translation>
    </message>
    <message>
        <source>Puts some luminance noise back as grain. Colour noise stays out.</source>
        <translation>Gibt etwas Luminanzrauschen als Korn zurück. Farbrauschen bleibt weg.</translation>
    </message>
    <message>
        <source>Quick and even. For light noise, or a first look.</source>
        <translation>Schnell und gleichmäßig. Für leichtes Rauschen oder einen ersten Blick.</translation>
    </message>
    <message>
        <source>Reduces the picture to this many pixels on its long edge; 0 keeps its size. Never enlarges.</source>
        <translation>Verkleinert das Bild auf so viele Pixel an der langen Kante; 0 behält seine Größe. Vergrößert nie.</translation>
    </message>
    <message>
        <source>Reduces the picture to this share of its width and height.</source>
        <translation>Verkleinert das Bild auf diesen Anteil seiner Breite und Höhe.</translation>
    </message>
    <message>
        <source>Reference R%1 opened</source>
        <translation>Referenz R%1 geöffnet</translation>
    </message>
    <message>
        <source>Reference R%1: colour match off</source>
        <translation>Referenz R%1: Farbangleichung aus</translation>
    </message>
    <message>
        <source>Reference R%1: colour match on</source>
        <translation>Referenz R%1: Farbangleichung ein</translation>
    </message>
    <message>
        <source>Reference closed</source>
        <translation>Referenz geschlossen</translation>
    </message>
    <message>
        <source>Removes coloured edges towards the corners (lateral chromatic aberration), before demosaicing.</source>
        <translation>Entfernt farbige Kanten zu den Ecken hin (laterale chromatische Aberration), vor der Farbinterpolation.</translation>
    </message>
    <message>
        <source>Removes purple next to bright edges. Purple elsewhere stays.</source>
        <translation>Entfernt Violett neben hellen Kanten. Violett anderswo bleibt.</translation>
    </message>
    <message>
        <source>Repairs hot and dead pixels and lines of the read-out before noise reduction.</source>
        <translation>Repariert heiße und tote Pixel und Linien der Auslesung vor der Rauschminderung.</translation>
    </message>
    <message>
        <source>Separates noise from detail.</source>
        <translation>Trennt Rauschen von Details.</translation>
    </message>
    <message>
        <source>Sharpening here, as a factor of the look&apos;s.</source>
        <translation>Schärfung hier, als Faktor derer der Entwicklung.</translation>
    </message>
    <message>
        <source>Sharpening: 0.5 px</source>
        <translation>Schärfung: 0,5 px</translation>
    </message>
    <message>
        <source>Sharpening: 0.7 px</source>
        <translation>Schärfung: 0,7 px</translation>
    </message>
    <message>
        <source>Sharpening: 1.0 px</source>
        <translation>Schärfung: 1,0 px</translation>
    </message>
    <message>
        <source>Sharpening: 1.4 px</source>
        <translation>Schärfung: 1,4 px</translation>
    </message>
    <message>
        <source>Sharpening: fine 0.5 px</source>
        <translation>Schärfung: fein 0,5 px</translation>
    </message>
    <message>
        <source>Sharpening: look</source>
        <translation>Schärfung: wie Entwicklung</translation>
    </message>
    <message>
        <source>Sharpening: medium 0.7 px</source>
        <translation>Schärfung: mittel 0,7 px</translation>
    </message>
    <message>
        <source>Sharpening: off</source>
        <translation>Schärfung: aus</translation>
    </message>
    <message>
        <source>Sharpening: wide 1.0 px</source>
        <translation>Schärfung: breit 1,0 px</translation>
    </message>
    <message>
        <source>Sharpening: widest 1.4 px</source>
        <translation>Schärfung: am breitesten 1,4 px</translation>
    </message>
    <message>
        <source>Sharpest area: where the eye goes first</source>
        <translation>Schärfster Bereich: wohin das Auge zuerst geht</translation>
    </message>
    <message>
        <source>Smooth areas</source>
        <translation>Glatte Bereiche</translation>
    </message>
    <message>
        <source>Smooth mid-tone: grain and blotches show here</source>
        <translation>Glatter Mittelton: Korn und Flecken zeigen sich hier</translation>
    </message>
    <message>
        <source>Some areas are left noisier than others.</source>
        <translation>Einige Flächen bleiben verrauschter als andere.</translation>
    </message>
    <message>
        <source>Some noise is left in even areas.</source>
        <translation>Etwas Rauschen bleibt in gleichmäßigen Flächen.</translation>
    </message>
    <message>
        <source>Straightens lines that the lens has bent. Pixels are interpolated.</source>
        <translation>Richtet Linien gerade, die das Objektiv gebogen hat. Pixel werden interpoliert.</translation>
    </message>
    <message>
        <source>Strength of all colours; 100 % is as the camera saw them.</source>
        <translation>Stärke aller Farben; 100 % ist, wie die Kamera sie sah.</translation>
    </message>
    <message>
        <source>Strong edges</source>
        <translation>Starke Kanten</translation>
    </message>
    <message>
        <source>Strongest edge: halos and fringes show here</source>
        <translation>Stärkste Kante: Halos und Farbsäume zeigen sich hier</translation>
    </message>
    <message>
        <source>TIFF and PNG: bits per colour. 8 is enough to look at, 16 to work on, 32 keeps everything.</source>
        <translation>TIFF und PNG: Bits je Farbe. 8 genügt zum Ansehen, 16 zum Weiterarbeiten, 32 behält alles.</translation>
    </message>
    <message>
        <source>Take %1 added</source>
        <translation>Variante %1 hinzugefügt</translation>
    </message>
    <message>
        <source>Take %1 chosen</source>
        <translation>Variante %1 gewählt</translation>
    </message>
    <message>
        <source>Take %1 removed</source>
        <translation>Variante %1 entfernt</translation>
    </message>
    <message>
        <source>Takes reordered</source>
        <translation>Varianten umgeordnet</translation>
    </message>
    <message>
        <source>Textured areas</source>
        <translation>Strukturierte Bereiche</translation>
    </message>
    <message>
        <source>The command after it was not run: others can write where this queue is kept.</source>
        <translation>Der Befehl danach wurde nicht ausgeführt: Wo diese Warteschlange liegt, können andere schreiben.</translation>
    </message>
    <message>
        <source>The edits beside the raw are too large or damaged and were left out.</source>
        <translation>Die Bearbeitungen neben dem Raw sind zu groß oder beschädigt und wurden weggelassen.</translation>
    </message>
    <message>
        <source>The file asks for corrections that are not known here; they stay undone.</source>
        <translation>Die Datei verlangt Korrekturen, die hier nicht bekannt sind; sie unterbleiben.</translation>
    </message>
    <message>
        <source>The file does not say which lens it was taken with.</source>
        <translation>Die Datei sagt nicht, mit welchem Objektiv sie aufgenommen wurde.</translation>
    </message>
    <message>
        <source>The file is probably damaged; copy it again from the card.</source>
        <translation>Die Datei ist wahrscheinlich beschädigt; noch einmal von der Karte kopieren.</translation>
    </message>
    <message>
        <source>The learned method in one pass. Faster.</source>
        <translation>Die gelernte Methode in einem Durchgang. Schneller.</translation>
    </message>
    <message>
        <source>The original&apos;s XMP is longer than a JPEG can hold and was left out.</source>
        <translation>Das XMP des Originals ist länger, als ein JPEG halten kann, und wurde weggelassen.</translation>
    </message>
    <message>
        <source>The original&apos;s XMP is too large or damaged and was left out.</source>
        <translation>Das XMP des Originals ist zu groß oder beschädigt und wurde weggelassen.</translation>
    </message>
    <message>
        <source>The photo is small</source>
        <translation>Das Foto ist klein</translation>
    </message>
    <message>
        <source>The white balance that the camera has set.</source>
        <translation>Der Weißabgleich, den die Kamera eingestellt hat.</translation>
    </message>
    <message>
        <source>There is no grid.</source>
        <translation>Es gibt kein Raster.</translation>
    </message>
    <message>
        <source>There is not enough memory for this. Close other programs or photos and try again.</source>
        <translation>Dafür ist nicht genug Speicher da. Andere Programme oder Fotos schließen und noch einmal versuchen.</translation>
    </message>
    <message>
        <source>There is texture that the photo does not have.</source>
        <translation>Es gibt Textur, die das Foto nicht hat.</translation>
    </message>
    <message>
        <source>Thin lines before a smooth ground: the first that break</source>
        <translation>Dünne Linien vor glattem Grund: reißen zuerst</translation>
    </message>
    <message>
        <source>This photo has no bright points to judge by.</source>
        <translation>Dieses Foto hat keine hellen Punkte, nach denen man urteilen könnte.</translation>
    </message>
    <message>
        <source>Uncompressed</source>
        <translation>Unkomprimiert</translation>
    </message>
    <message>
        <source>Undoes lens blur of this radius after noise reduction. Noise is not sharpened.</source>
        <translation>Nimmt Objektivunschärfe dieses Radius nach der Rauschminderung zurück. Rauschen wird nicht geschärft.</translation>
    </message>
    <message>
        <source>Undoes lens blur of this radius in this take alone, after noise reduction; or as the look does.</source>
        <translation>Nimmt nur in dieser Variante Objektivunschärfe dieses Radius zurück, nach der Rauschminderung; oder wie die Entwicklung.</translation>
    </message>
    <message>
        <source>Unevenness</source>
        <translation>Ungleichmäßigkeit</translation>
    </message>
    <message>
        <source>Wavelet</source>
        <translation>Wavelet</translation>
    </message>
    <message>
        <source>What happens at the edges when distortion is corrected.</source>
        <translation>Was mit den Rändern geschieht, wenn die Verzeichnung korrigiert wird.</translation>
    </message>
    <message>
        <source>What happens when a file of that name exists. Originals are never replaced.</source>
        <translation>Was geschieht, wenn es eine Datei dieses Namens gibt. Originale werden nie ersetzt.</translation>
    </message>
    <message>
        <source>What was taken away has the form of the picture: detail is lost.</source>
        <translation>Was entfernt wurde, hat die Form des Bildes: Details gehen verloren.</translation>
    </message>
    <message>
        <source>Where the file goes: empty means next to the original, a name means a subfolder there, a full path means that folder.</source>
        <translation>Wohin die Datei geht: leer heißt neben das Original, ein Name heißt ein Unterordner dort, ein voller Pfad heißt dieser Ordner.</translation>
    </message>
    <message>
        <source>a developed picture cannot become a raw again. Export it as a TIFF.</source>
        <translation>Ein entwickeltes Bild kann nicht wieder ein Raw werden. Als TIFF exportieren.</translation>
    </message>
    <message>
        <source>a layer cannot be read back.</source>
        <translation>Eine Ebene lässt sich nicht zurücklesen.</translation>
    </message>
    <message>
        <source>a preset&apos;s name has no slash and does not begin with a dot.</source>
        <translation>Der Name einer Voreinstellung enthält keinen Schrägstrich und beginnt nicht mit einem Punkt.</translation>
    </message>
    <message>
        <source>as shot</source>
        <translation>wie aufgenommen</translation>
    </message>
    <message>
        <source>border</source>
        <translation>Rand</translation>
    </message>
    <message>
        <source>chromatic aberration</source>
        <translation>chromatische Aberration</translation>
    </message>
    <message>
        <source>coarse colour</source>
        <translation>grobe Farbe</translation>
    </message>
    <message>
        <source>colour</source>
        <translation>Farbe</translation>
    </message>
    <message>
        <source>colour space</source>
        <translation>Farbraum</translation>
    </message>
    <message>
        <source>compression</source>
        <translation>Kompression</translation>
    </message>
    <message>
        <source>corner</source>
        <translation>Ecke</translation>
    </message>
    <message>
        <source>darkest</source>
        <translation>dunkelste Stelle</translation>
    </message>
    <message>
        <source>deep colour</source>
        <translation>tiefe Farbe</translation>
    </message>
    <message>
        <source>demosaic</source>
        <translation>Farbinterpolation</translation>
    </message>
    <message>
        <source>demosaiced</source>
        <translation>farbinterpoliert</translation>
    </message>
    <message>
        <source>depth</source>
        <translation>Tiefe</translation>
    </message>
    <message>
        <source>detail</source>
        <translation>Details</translation>
    </message>
    <message>
        <source>distortion</source>
        <translation>Verzeichnung</translation>
    </message>
    <message>
        <source>edge</source>
        <translation>Kante</translation>
    </message>
    <message>
        <source>edges</source>
        <translation>Ränder</translation>
    </message>
    <message>
        <source>edits made elsewhere</source>
        <translation>anderswo gemachte Bearbeitungen</translation>
    </message>
    <message>
        <source>exposure</source>
        <translation>Belichtung</translation>
    </message>
    <message>
        <source>feather</source>
        <translation>weicher Rand</translation>
    </message>
    <message>
        <source>file name</source>
        <translation>Dateiname</translation>
    </message>
    <message>
        <source>folder</source>
        <translation>Ordner</translation>
    </message>
    <message>
        <source>format</source>
        <translation>Format</translation>
    </message>
    <message>
        <source>full-size preview</source>
        <translation>Vorschau in voller Größe</translation>
    </message>
    <message>
        <source>grain</source>
        <translation>Korn</translation>
    </message>
    <message>
        <source>half colour resolution</source>
        <translation>halbe Farbauflösung</translation>
    </message>
    <message>
        <source>highlights</source>
        <translation>Lichter</translation>
    </message>
    <message>
        <source>if the name is taken</source>
        <translation>wenn der Name vergeben ist</translation>
    </message>
    <message>
        <source>in focus</source>
        <translation>im Fokus</translation>
    </message>
    <message>
        <source>it claims more pixels than it can hold; the file is damaged.</source>
        <translation>Sie beansprucht mehr Pixel, als sie enthalten kann; die Datei ist beschädigt.</translation>
    </message>
    <message>
        <source>it claims more than 500 megapixels; Irenic reads photos of up to that.</source>
        <translation>Sie beansprucht mehr als 500 Megapixel; Irenic liest Fotos bis zu dieser Größe.</translation>
    </message>
    <message>
        <source>it could not be written to its end.</source>
        <translation>Sie ließ sich nicht bis zum Ende schreiben.</translation>
    </message>
    <message>
        <source>it does not say how its mosaic is laid out (CFARepeatPatternDim and CFAPattern); the file is damaged.</source>
        <translation>Sie sagt nicht, wie ihr Mosaik angeordnet ist (CFARepeatPatternDim und CFAPattern); die Datei ist beschädigt.</translation>
    </message>
    <message>
        <source>it does not say where its pixels are; the file is damaged. Copy it again from the card.</source>
        <translation>Sie sagt nicht, wo ihre Pixel sind; die Datei ist beschädigt. Noch einmal von der Karte kopieren.</translation>
    </message>
    <message>
        <source>it holds no mosaic that Irenic can clean.</source>
        <translation>Sie enthält kein Mosaik, das Irenic säubern kann.</translation>
    </message>
    <message>
        <source>it holds several raw pictures, and not the first of them can be read.</source>
        <translation>Sie enthält mehrere Raw-Bilder, und das erste davon lässt sich nicht lesen.</translation>
    </message>
    <message>
        <source>it is a link that leads to itself.</source>
        <translation>Das ist ein Verweis, der auf sich selbst führt.</translation>
    </message>
    <message>
        <source>it is larger than this disk can hold in one file. Choose another folder.</source>
        <translation>Sie ist größer, als dieser Datenträger in einer Datei halten kann. Einen anderen Ordner wählen.</translation>
    </message>
    <message>
        <source>it is too large for a JPEG. Export a TIFF.</source>
        <translation>Es ist zu groß für ein JPEG. Ein TIFF exportieren.</translation>
    </message>
    <message>
        <source>it is too large to be what it is called.</source>
        <translation>Sie ist zu groß, um das zu sein, was ihr Name sagt.</translation>
    </message>
    <message>
        <source>it would be larger than the 4 GB that a DNG can hold.</source>
        <translation>Sie wäre größer als die 4 GB, die ein DNG halten kann.</translation>
    </message>
    <message>
        <source>its black and white levels contradict each other.</source>
        <translation>Ihr Schwarz- und ihr Weißwert widersprechen einander.</translation>
    </message>
    <message>
        <source>its colour profile cannot be used.</source>
        <translation>Ihr Farbprofil lässt sich nicht verwenden.</translation>
    </message>
    <message>
        <source>its compressed pixels are damaged. Copy it again from the card.</source>
        <translation>Ihre komprimierten Pixel sind beschädigt. Noch einmal von der Karte kopieren.</translation>
    </message>
    <message>
        <source>its floating-point values are stored in a way that Irenic cannot read. Save it with 16, 24 or 32 bits, deflated or not compressed.</source>
        <translation>Ihre Gleitkommawerte sind so gespeichert, dass Irenic sie nicht lesen kann. Mit 16, 24 oder 32 Bit speichern, mit Deflate oder unkomprimiert.</translation>
    </message>
    <message>
        <source>its folder is not there. Choose another one.</source>
        <translation>Ihr Ordner ist nicht da. Einen anderen wählen.</translation>
    </message>
    <message>
        <source>its lossy JPEG has other than 8 bits, which Irenic cannot read. Save it with lossless JPEG.</source>
        <translation>Ihr verlustbehaftetes JPEG hat nicht 8 Bit, was Irenic nicht lesen kann. Mit verlustfreiem JPEG speichern.</translation>
    </message>
    <message>
        <source>its mosaic is neither a 2x2 pattern of red, green and blue nor X-Trans; Irenic cannot clean others.</source>
        <translation>Ihr Mosaik ist weder ein 2x2-Muster aus Rot, Grün und Blau noch X-Trans; andere kann Irenic nicht säubern.</translation>
    </message>
    <message>
        <source>its name is too long for this disk. Choose a shorter one.</source>
        <translation>Ihr Name ist zu lang für diesen Datenträger. Einen kürzeren wählen.</translation>
    </message>
    <message>
        <source>its name is too long.</source>
        <translation>Ihr Name ist zu lang.</translation>
    </message>
    <message>
        <source>its pixels are kept in a way that Irenic cannot read.</source>
        <translation>Ihre Pixel sind so abgelegt, dass Irenic sie nicht lesen kann.</translation>
    </message>
    <message>
        <source>its pixels are packed as JPEG XL, which Irenic cannot read in a DNG yet. Save it with lossless JPEG.</source>
        <translation>Ihre Pixel sind als JPEG XL gepackt, was Irenic in einem DNG noch nicht lesen kann. Mit verlustfreiem JPEG speichern.</translation>
    </message>
    <message>
        <source>its rows or columns are interleaved, which Irenic cannot read. Save it without.</source>
        <translation>Ihre Zeilen oder Spalten sind verschränkt, was Irenic nicht lesen kann. Ohne das speichern.</translation>
    </message>
    <message>
        <source>its sizes contradict each other; the file is damaged.</source>
        <translation>Ihre Größenangaben widersprechen einander; die Datei ist beschädigt.</translation>
    </message>
    <message>
        <source>its sizes make no sense; the file is damaged.</source>
        <translation>Ihre Größenangaben ergeben keinen Sinn; die Datei ist beschädigt.</translation>
    </message>
    <message>
        <source>its tiles are of another size than it says; the file is damaged.</source>
        <translation>Ihre Kacheln sind anders groß, als sie sagt; die Datei ist beschädigt.</translation>
    </message>
    <message>
        <source>its values are neither whole nor floating-point numbers; Irenic cannot read them.</source>
        <translation>Ihre Werte sind weder ganze noch Gleitkommazahlen; Irenic kann sie nicht lesen.</translation>
    </message>
    <message>
        <source>its values lie along a curve of its own (MapTable or MapPolynomial), which Irenic cannot follow yet. Save it with lossless JPEG.</source>
        <translation>Ihre Werte liegen auf einer eigenen Kurve (MapTable oder MapPolynomial), der Irenic noch nicht folgen kann. Mit verlustfreiem JPEG speichern.</translation>
    </message>
    <message>
        <source>lights</source>
        <translation>Lichter</translation>
    </message>
    <message>
        <source>local contrast</source>
        <translation>lokaler Kontrast</translation>
    </message>
    <message>
        <source>long edge</source>
        <translation>lange Kante</translation>
    </message>
    <message>
        <source>luminance</source>
        <translation>Luminanz</translation>
    </message>
    <message>
        <source>method</source>
        <translation>Methode</translation>
    </message>
    <message>
        <source>mid-tone</source>
        <translation>Mittelton</translation>
    </message>
    <message>
        <source>middle</source>
        <translation>Mitte</translation>
    </message>
    <message>
        <source>muted colours</source>
        <translation>gedämpfte Farben</translation>
    </message>
    <message>
        <source>nothing may be written there. Choose another folder.</source>
        <translation>Dort darf nichts geschrieben werden. Einen anderen Ordner wählen.</translation>
    </message>
    <message>
        <source>of all places</source>
        <translation>aller Stellen</translation>
    </message>
    <message>
        <source>of bright points</source>
        <translation>der hellen Punkte</translation>
    </message>
    <message>
        <source>of places with detail</source>
        <translation>der Stellen mit Details</translation>
    </message>
    <message>
        <source>of the colour noise that was there</source>
        <translation>des Farbrauschens, das da war</translation>
    </message>
    <message>
        <source>of the edge&apos;s height</source>
        <translation>der Höhe der Kante</translation>
    </message>
    <message>
        <source>of the noise that was there</source>
        <translation>des Rauschens, das da war</translation>
    </message>
    <message>
        <source>planar colour is not supported. Save it with the colours side by side.</source>
        <translation>Nach Farben getrennte Ebenen werden nicht unterstützt. Mit den Farben nebeneinander speichern.</translation>
    </message>
    <message>
        <source>purple fringes</source>
        <translation>violette Säume</translation>
    </message>
    <message>
        <source>quality</source>
        <translation>Qualität</translation>
    </message>
    <message>
        <source>repair bad pixels and banding</source>
        <translation>defekte Pixel und Streifen reparieren</translation>
    </message>
    <message>
        <source>resolution</source>
        <translation>Auflösung</translation>
    </message>
    <message>
        <source>saturation</source>
        <translation>Sättigung</translation>
    </message>
    <message>
        <source>shadows</source>
        <translation>Schatten</translation>
    </message>
    <message>
        <source>sharpening</source>
        <translation>Schärfung</translation>
    </message>
    <message>
        <source>size</source>
        <translation>Größe</translation>
    </message>
    <message>
        <source>temperature</source>
        <translation>Temperatur</translation>
    </message>
    <message>
        <source>texture</source>
        <translation>Textur</translation>
    </message>
    <message>
        <source>the decoder made no progress and was ended. The file is probably damaged; copy it again from the card.</source>
        <translation>Der Decoder kam nicht voran und wurde beendet. Die Datei ist wahrscheinlich beschädigt; noch einmal von der Karte kopieren.</translation>
    </message>
    <message>
        <source>the decoder was stopped from outside, perhaps for lack of memory. Close other programs and try again.</source>
        <translation>Der Decoder wurde von außen gestoppt, vielleicht aus Mangel an Speicher. Andere Programme schließen und noch einmal versuchen.</translation>
    </message>
    <message>
        <source>the disk is full. Make room, or choose another folder.</source>
        <translation>Der Datenträger ist voll. Platz schaffen oder einen anderen Ordner wählen.</translation>
    </message>
    <message>
        <source>the file could not be read to its end: its disk fails, or it was changed meanwhile. Copy it to another disk and try again.</source>
        <translation>Die Datei ließ sich nicht bis zum Ende lesen: Der Datenträger versagt, oder sie wurde währenddessen geändert. Auf einen anderen Datenträger kopieren und noch einmal versuchen.</translation>
    </message>
    <message>
        <source>the file ends too early or is damaged. Copy it again from the card.</source>
        <translation>Die Datei endet zu früh oder ist beschädigt. Noch einmal von der Karte kopieren.</translation>
    </message>
    <message>
        <source>the file ends too early or is damaged. Copy it again.</source>
        <translation>Die Datei endet zu früh oder ist beschädigt. Noch einmal kopieren.</translation>
    </message>
    <message>
        <source>the file ends too early or is damaged: part of the picture is missing. Copy it again.</source>
        <translation>Die Datei endet zu früh oder ist beschädigt: Ein Teil des Bildes fehlt. Noch einmal kopieren.</translation>
    </message>
    <message>
        <source>the file ends too early. Copy it again from the card.</source>
        <translation>Die Datei endet zu früh. Noch einmal von der Karte kopieren.</translation>
    </message>
    <message>
        <source>the file ends too early: some of its pixels are missing. Copy it again from the card.</source>
        <translation>Die Datei endet zu früh: Einige ihrer Pixel fehlen. Noch einmal von der Karte kopieren.</translation>
    </message>
    <message>
        <source>the file is empty. Copy it again from the card.</source>
        <translation>Die Datei ist leer. Noch einmal von der Karte kopieren.</translation>
    </message>
    <message>
        <source>the file needs a name.</source>
        <translation>Die Datei braucht einen Namen.</translation>
    </message>
    <message>
        <source>the file that is there must not be changed. Choose another name.</source>
        <translation>Die Datei, die dort ist, darf nicht geändert werden. Einen anderen Namen wählen.</translation>
    </message>
    <message>
        <source>the greens of its mosaic do not lie on a diagonal; Irenic cannot clean others.</source>
        <translation>Die Grünpixel ihres Mosaiks liegen nicht auf einer Diagonale; andere kann Irenic nicht säubern.</translation>
    </message>
    <message>
        <source>the picture is too small to be a photo.</source>
        <translation>Das Bild ist zu klein, um ein Foto zu sein.</translation>
    </message>
    <message>
        <source>the sizes of its tiles make no sense; the file is damaged.</source>
        <translation>Die Größen ihrer Kacheln ergeben keinen Sinn; die Datei ist beschädigt.</translation>
    </message>
    <message>
        <source>there is a file of this name already. Choose another name.</source>
        <translation>Es gibt schon eine Datei dieses Namens. Einen anderen Namen wählen.</translation>
    </message>
    <message>
        <source>there is a file of this name that Irenic did not make, and it is never replaced. Choose another name.</source>
        <translation>Es gibt eine Datei dieses Namens, die Irenic nicht gemacht hat; sie wird nie ersetzt. Einen anderen Namen wählen.</translation>
    </message>
    <message>
        <source>there is not enough memory for it.</source>
        <translation>Dafür ist nicht genug Speicher da.</translation>
    </message>
    <message>
        <source>there is not enough memory to make it.</source>
        <translation>Um sie zu machen, ist nicht genug Speicher da.</translation>
    </message>
    <message>
        <source>thin lines</source>
        <translation>dünne Linien</translation>
    </message>
    <message>
        <source>this DNG holds no raw picture, only previews; there is nothing that Irenic can clean.</source>
        <translation>Dieses DNG enthält kein Raw-Bild, nur Vorschauen; da ist nichts, was Irenic säubern kann.</translation>
    </message>
    <message>
        <source>this is a JPEG for printing (CMYK), which Irenic cannot read. Save it as RGB.</source>
        <translation>Das ist ein JPEG für den Druck (CMYK), das Irenic nicht lesen kann. Als RGB speichern.</translation>
    </message>
    <message>
        <source>this is a device, not a file. Choose another name.</source>
        <translation>Das ist ein Gerät, keine Datei. Einen anderen Namen wählen.</translation>
    </message>
    <message>
        <source>this is a folder, not a file.</source>
        <translation>Das ist ein Ordner, keine Datei.</translation>
    </message>
    <message>
        <source>this is a folder. Choose a file name.</source>
        <translation>Das ist ein Ordner. Einen Dateinamen wählen.</translation>
    </message>
    <message>
        <source>this is a link to another place, which is not written through. Choose another name.</source>
        <translation>Das ist ein Verweis an einen anderen Ort, durch den nicht geschrieben wird. Einen anderen Namen wählen.</translation>
    </message>
    <message>
        <source>this is a pipe or a device, not a file.</source>
        <translation>Das ist eine Pipe oder ein Gerät, keine Datei.</translation>
    </message>
    <message>
        <source>this is no file that can be read.</source>
        <translation>Das ist keine Datei, die sich lesen lässt.</translation>
    </message>
    <message>
        <source>this is not a photo that Irenic can read, or it is damaged.</source>
        <translation>Das ist kein Foto, das Irenic lesen kann, oder es ist beschädigt.</translation>
    </message>
    <message>
        <source>this is the original photo, which is never overwritten. Choose another name or folder.</source>
        <translation>Das ist das Originalfoto, das nie überschrieben wird. Einen anderen Namen oder Ordner wählen.</translation>
    </message>
    <message>
        <source>this kind of TIFF cannot be read. Save it as RGB or grey with 8, 16 or 32 bits, with the colours side by side.</source>
        <translation>Diese Art von TIFF lässt sich nicht lesen. Als RGB oder Grau mit 8, 16 oder 32 Bit speichern, mit den Farben nebeneinander.</translation>
    </message>
    <message>
        <source>tint</source>
        <translation>Farbton</translation>
    </message>
    <message>
        <source>tone curve</source>
        <translation>Gradationskurve</translation>
    </message>
    <message>
        <source>vignetting</source>
        <translation>Vignettierung</translation>
    </message>
    <message>
        <source>you have no permission to read it.</source>
        <translation>Sie dürfen sie nicht lesen.</translation>
    </message>
    <message>
        <source>your share of the disk is used up. Make room, or choose another folder.</source>
        <translation>Ihr Anteil am Datenträger ist aufgebraucht. Platz schaffen oder einen anderen Ordner wählen.</translation>
    </message>
    <message>
        <source>zones</source>
        <translation>Zonen</translation>
    </message>
    <message>
        <source>Reference R%1: as it is</source>
        <translation>Referenz R%1: wie sie ist</translation>
    </message>
    <message>
        <source>Reference R%1: cleaned</source>
        <translation>Referenz R%1: gesäubert</translation>
    </message>
    <message>
        <source>Colour has run over edges: fringes of the other side&apos;s colour.</source>
        <translation>Farbe ist über Kanten gelaufen: Säume in der Farbe der anderen Seite.</translation>
    </message>
    <message>
        <source>Colours end at their edges.</source>
        <translation>Farben enden an ihren Kanten.</translation>
    </message>
    <message>
        <source>Fringes</source>
        <translation>Farbsäume</translation>
    </message>
    <message>
        <source>This photo has too few edges of this kind to judge by.</source>
        <translation>Dieses Foto hat zu wenige Kanten dieser Art, nach denen man urteilen könnte.</translation>
    </message>
    <message>
        <source>of the way to the other side&apos;s colour</source>
        <translation>des Wegs zur Farbe der anderen Seite</translation>
    </message>
    <message>
        <source>Estimated error</source>
        <translation>Geschätzter Fehler</translation>
    </message>
    <message>
        <source>Little is won by this take: its error is nearly that of the noise.</source>
        <translation>Diese Variante gewinnt wenig: Ihr Fehler ist fast der des Rauschens.</translation>
    </message>
    <message>
        <source>The take is nearer to the picture than the noisy photo is.</source>
        <translation>Die Variante ist dem Bild näher als das verrauschte Foto.</translation>
    </message>
    <message>
        <source>Look</source>
        <translation>Entwicklung</translation>
    </message>
    <message>
        <source>Brightens the view to show the shadows. Never exported.</source>
        <translation>Hellt die Ansicht auf, um die Schatten zu zeigen. Wird nie exportiert.</translation>
    </message>
    <message>
        <source>How much what differs is amplified.</source>
        <translation>Wie sehr verstärkt wird, was sich unterscheidet.</translation>
    </message>
    <message>
        <source>brush</source>
        <translation>Pinsel</translation>
    </message>
    <message>
        <source>gain</source>
        <translation>Verstärkung</translation>
    </message>
    <message>
        <source>push</source>
        <translation>Push</translation>
    </message>
    <message>
        <source>Diameter of the brush, in pixels of the photo; a pen&apos;s pressure narrows it. (Ctrl+wheel)</source>
        <translation>Durchmesser des Pinsels, in Pixeln des Fotos; der Druck eines Stifts macht ihn schmaler. (Strg+Mausrad)</translation>
    </message>
    <message>
        <source>How much of the brush fades out. (Ctrl+Shift+wheel)</source>
        <translation>Wie viel des Pinsels ausläuft. (Strg+Umschalt+Mausrad)</translation>
    </message>
    <message>
        <source>soft edge</source>
        <translation>weicher Rand</translation>
    </message>
    <message>
        <source>Found again, as in %1</source>
        <translation>Wiedergefunden, wie in %1</translation>
    </message>
    <message>
        <source>%1 cannot be started (%2)</source>
        <translation>%1 lässt sich nicht starten (%2)</translation>
    </message>
    <message>
        <source>%1 cannot be used for output.</source>
        <translation>%1 eignet sich nicht für die Ausgabe.</translation>
    </message>
    <message>
        <source>%1 is no ICC profile of RGB colours.</source>
        <translation>%1 ist kein ICC-Profil für RGB-Farben.</translation>
    </message>
    <message>
        <source>%1 is no preset and no sidecar of Irenic</source>
        <translation>%1 ist weder eine Voreinstellung noch eine Begleitdatei von Irenic</translation>
    </message>
    <message>
        <source>%1 was not checked to the end.</source>
        <translation>%1 wurde nicht bis zum Ende geprüft.</translation>
    </message>
    <message>
        <source>%1 was not exported: the file exists. Choose another name or use --overwrite.</source>
        <translation>%1 wurde nicht exportiert: Die Datei gibt es schon. Einen anderen Namen wählen oder --overwrite verwenden.</translation>
    </message>
    <message>
        <source>%1 was not written: %2</source>
        <translation>%1 wurde nicht geschrieben: %2</translation>
    </message>
    <message>
        <source>%1. Check that it is there and may be used.</source>
        <translation>%1. Prüfen, ob es vorhanden ist und verwendet werden darf.</translation>
    </message>
    <message>
        <source>%1. It could not be renamed. Nothing is saved for this photo until you move the file.</source>
        <translation>%1. Sie ließ sich nicht umbenennen. Für dieses Foto wird nichts gesichert, bis Sie die Datei verschieben.</translation>
    </message>
    <message>
        <source>%1; the photo starts with defaults. The old file is kept as %2.</source>
        <translation>%1; das Foto beginnt mit den Vorgaben. Die alte Datei bleibt als %2 erhalten.</translation>
    </message>
    <message>
        <source>A DNG keeps what is not used here of its profile</source>
        <translation>Ein DNG behält, was hier von seinem Profil nicht verwendet wird</translation>
    </message>
    <message>
        <source>A TIFF above 4 GB holds no Exif, IPTC and XMP yet; they were left out.</source>
        <translation>Ein TIFF über 4 GB enthält noch kein Exif, IPTC und XMP; sie wurden weggelassen.</translation>
    </message>
    <message>
        <source>Another program holds it; try again.</source>
        <translation>Ein anderes Programm hält sie; noch einmal versuchen.</translation>
    </message>
    <message>
        <source>Cannot make a folder in %1 (%2). Check its free space and permissions.</source>
        <translation>In %1 lässt sich kein Ordner anlegen (%2). Freien Platz und Rechte prüfen.</translation>
    </message>
    <message>
        <source>Cannot open %1</source>
        <translation>%1 lässt sich nicht öffnen</translation>
    </message>
    <message>
        <source>Cannot write in %1 (%2). Choose another folder.</source>
        <translation>In %1 lässt sich nicht schreiben (%2). Einen anderen Ordner wählen.</translation>
    </message>
    <message>
        <source>Check its disk.</source>
        <translation>Den Datenträger prüfen.</translation>
    </message>
    <message>
        <source>Check its permissions and free space.</source>
        <translation>Rechte und freien Platz prüfen.</translation>
    </message>
    <message>
        <source>Exif&apos;s %1 is longer than this kind of file can hold and was left out.</source>
        <translation>%1 aus Exif ist länger, als diese Art Datei fassen kann, und wurde weggelassen.</translation>
    </message>
    <message>
        <source>It is damaged and has to be set aside.</source>
        <translation>Sie ist beschädigt und muss beiseitegelegt werden.</translation>
    </message>
    <message>
        <source>Make room on its disk.</source>
        <translation>Platz auf dem Datenträger schaffen.</translation>
    </message>
    <message>
        <source>Settings of %1 are damaged (%2) and could not be renamed. Nothing is saved for this photo until you move the file.</source>
        <translation>Die Einstellungen %1 sind beschädigt (%2) und ließen sich nicht umbenennen. Für dieses Foto wird nichts gesichert, bis Sie die Datei verschieben.</translation>
    </message>
    <message>
        <source>Settings of %1 are damaged (%2); the photo starts with defaults. The old file is kept as %3.</source>
        <translation>Die Einstellungen %1 sind beschädigt (%2); das Foto beginnt mit den Vorgaben. Die alte Datei bleibt als %3 erhalten.</translation>
    </message>
    <message>
        <source>The command after it: %1</source>
        <translation>Der Befehl danach: %1</translation>
    </message>
    <message>
        <source>The damaged queue %1 cannot be set aside (%2). Move it away yourself.</source>
        <translation>Die beschädigte Warteschlange %1 lässt sich nicht beiseitelegen (%2). Verschieben Sie sie selbst.</translation>
    </message>
    <message>
        <source>The edits in %1 set %2: look at that again in the cleaned DNG.</source>
        <translation>Die Bearbeitung in %1 enthält %2: Im entrauschten DNG noch einmal ansehen.</translation>
    </message>
    <message>
        <source>The export process stopped (status %1). Retry it alone.</source>
        <translation>Der Exportvorgang ist stehengeblieben (Status %1). Einzeln noch einmal versuchen.</translation>
    </message>
    <message>
        <source>The export process was stopped from outside, perhaps for lack of memory. Close other programs and retry.</source>
        <translation>Der Exportvorgang wurde von außen gestoppt, vielleicht aus Mangel an Speicher. Andere Programme schließen und noch einmal versuchen.</translation>
    </message>
    <message>
        <source>The export queue %1 was written by a newer Irenic. Use that, or move the file away.</source>
        <translation>Die Warteschlange %1 stammt von einem neueren Irenic. Dieses verwenden oder die Datei verschieben.</translation>
    </message>
    <message>
        <source>The export queue cannot be used: %1 (%2).</source>
        <translation>Die Warteschlange ist nicht benutzbar: %1 (%2).</translation>
    </message>
    <message>
        <source>The export queue cannot be used: %1 is no file. It has to be set aside.</source>
        <translation>Die Warteschlange ist nicht benutzbar: %1 ist keine Datei. Sie muss beiseitegelegt werden.</translation>
    </message>
    <message>
        <source>The file&apos;s baseline exposure of %1 EV is used.</source>
        <translation>Die Grundbelichtung der Datei von %1 EV wird verwendet.</translation>
    </message>
    <message>
        <source>The worker died (%1). The file may be damaged; try it by itself.</source>
        <translation>Der Exportvorgang ist abgestürzt (%1). Vielleicht ist die Datei beschädigt; einzeln versuchen.</translation>
    </message>
    <message>
        <source>The worker made no progress and was ended.</source>
        <translation>Der Exportvorgang kam nicht voran und wurde beendet.</translation>
    </message>
    <message>
        <source>There is no command to run.</source>
        <translation>Es ist kein Befehl angegeben.</translation>
    </message>
    <message>
        <source>This place is clipped: its colour is lost. Click something grey that is less bright.</source>
        <translation>Diese Stelle ist ausgefressen: Ihre Farbe ist verloren. Auf etwas Graues klicken, das weniger hell ist.</translation>
    </message>
    <message>
        <source>This place is too dark to tell its colour. Click something grey that is brighter.</source>
        <translation>Diese Stelle ist zu dunkel, um ihre Farbe zu bestimmen. Auf etwas Graues klicken, das heller ist.</translation>
    </message>
    <message>
        <source>&quot;%1&quot; cannot be run (%2).</source>
        <translation>„%1“ lässt sich nicht ausführen (%2).</translation>
    </message>
    <message>
        <source>&quot;%1&quot; ended with status %2.</source>
        <translation>„%1“ endete mit Status %2.</translation>
    </message>
    <message>
        <source>&quot;%1&quot; is not in the lens database.</source>
        <translation>„%1“ steht nicht in der Objektivdatenbank.</translation>
    </message>
    <message>
        <source>&quot;%1&quot; was ended by signal %2.</source>
        <translation>„%1“ wurde durch Signal %2 beendet.</translation>
    </message>
    <message>
        <source>&quot;%1&quot; was stopped.</source>
        <translation>„%1“ wurde gestoppt.</translation>
    </message>
    <message>
        <source>a %1 has 8 or 16 bits: choose 16, or a TIFF.</source>
        <translation>Ein %1 hat 8 oder 16 Bit: 16 wählen oder ein TIFF.</translation>
    </message>
    <message>
        <source>a file of this kind cannot be written. Hand over a TIFF.</source>
        <translation>Eine Datei dieser Art lässt sich nicht schreiben. Ein TIFF übergeben.</translation>
    </message>
    <message>
        <source>an entry of the queue cannot be read: %1</source>
        <translation>ein Eintrag der Warteschlange lässt sich nicht lesen: %1</translation>
    </message>
    <message>
        <source>an entry of the queue has noise that no sensor has.</source>
        <translation>Ein Eintrag der Warteschlange hat ein Rauschen, das kein Sensor hat.</translation>
    </message>
    <message>
        <source>another program</source>
        <translation>ein anderes Programm</translation>
    </message>
    <message>
        <source>changed in another window</source>
        <translation>in einem anderen Fenster geändert</translation>
    </message>
    <message>
        <source>cleaned by %1</source>
        <translation>entrauscht mit %1</translation>
    </message>
    <message>
        <source>colour tables</source>
        <translation>Farbtabellen</translation>
    </message>
    <message>
        <source>colours matched: %1 EV, off by %2 % (%3 % before)</source>
        <translation>Farben angeglichen: %1 EV, Abweichung %2 % (vorher %3 %)</translation>
    </message>
    <message>
        <source>gain table</source>
        <translation>Verstärkungstabelle</translation>
    </message>
    <message>
        <source>hue and saturation table</source>
        <translation>Tabelle für Farbton und Sättigung</translation>
    </message>
    <message>
        <source>in place</source>
        <translation>deckungsgleich</translation>
    </message>
    <message>
        <source>in the file</source>
        <translation>in der Datei</translation>
    </message>
    <message>
        <source>it cannot be read (%1).</source>
        <translation>Sie lässt sich nicht lesen (%1).</translation>
    </message>
    <message>
        <source>it cannot be written (%1).</source>
        <translation>Sie lässt sich nicht schreiben (%1).</translation>
    </message>
    <message>
        <source>it claims %1 x %2 pixels, more than it can hold; the file is damaged.</source>
        <translation>Sie gibt %1 x %2 Pixel an, mehr, als sie enthalten kann; die Datei ist beschädigt.</translation>
    </message>
    <message>
        <source>it claims %1 x %2 pixels; Irenic reads photos of up to 500 megapixels.</source>
        <translation>Sie gibt %1 x %2 Pixel an; Irenic liest Fotos bis 500 Megapixel.</translation>
    </message>
    <message>
        <source>it has %1 bits for each value; Irenic reads 8 to 32.</source>
        <translation>Sie hat %1 Bit je Wert; Irenic liest 8 bis 32.</translation>
    </message>
    <message>
        <source>it has %1 values for each pixel; Irenic cleans mosaics, grey and RGB.</source>
        <translation>Sie hat %1 Werte je Pixel; Irenic entrauscht Mosaike, Grau und RGB.</translation>
    </message>
    <message>
        <source>it is too large (%1 MB) to be what it is called.</source>
        <translation>Sie ist zu groß (%1 MB) für das, was sie heißt.</translation>
    </message>
    <message>
        <source>it shows another picture (match %1, needs %2). Choose a file made from this photo</source>
        <translation>sie zeigt ein anderes Bild (Übereinstimmung %1, nötig %2). Eine Datei wählen, die aus diesem Foto entstand</translation>
    </message>
    <message>
        <source>its folder cannot be made (%1). Choose another folder.</source>
        <translation>Ihr Ordner lässt sich nicht anlegen (%1). Einen anderen Ordner wählen.</translation>
    </message>
    <message>
        <source>its path is too long</source>
        <translation>ihr Pfad ist zu lang</translation>
    </message>
    <message>
        <source>its pixels are packed in a way (%1) that Irenic cannot read. Save it with lossless JPEG or none.</source>
        <translation>Ihre Pixel sind in einer Weise gepackt (%1), die Irenic nicht lesen kann. Mit verlustfreiem JPEG oder unkomprimiert speichern.</translation>
    </message>
    <message>
        <source>its pixels cannot be read (%1).</source>
        <translation>Ihre Pixel lassen sich nicht lesen (%1).</translation>
    </message>
    <message>
        <source>its values are predicted in a way (%1) that Irenic cannot read.</source>
        <translation>Ihre Werte sind in einer Weise vorhergesagt (%1), die Irenic nicht lesen kann.</translation>
    </message>
    <message>
        <source>look table</source>
        <translation>Entwicklungstabelle</translation>
    </message>
    <message>
        <source>not a file of Irenic&apos;s</source>
        <translation>keine Datei von Irenic</translation>
    </message>
    <message>
        <source>process %1</source>
        <translation>Prozess %1</translation>
    </message>
    <message>
        <source>process %1 on another machine</source>
        <translation>Prozess %1 auf einem anderen Rechner</translation>
    </message>
    <message>
        <source>scaled to %1 %</source>
        <translation>auf %1 % skaliert</translation>
    </message>
    <message>
        <source>shifted by %1 and %2 pixels</source>
        <translation>um %1 und %2 Pixel verschoben</translation>
    </message>
    <message>
        <source>the decoder crashed (%1).</source>
        <translation>Der Decoder ist abgestürzt (%1).</translation>
    </message>
    <message>
        <source>the decoder ended with status %1.</source>
        <translation>Der Decoder endete mit Status %1.</translation>
    </message>
    <message>
        <source>the decoder took more time than any photo takes.</source>
        <translation>Der Decoder brauchte länger, als ein Foto je braucht.</translation>
    </message>
    <message>
        <source>the decoder tried what no decoder may do, and was ended.</source>
        <translation>Der Decoder versuchte, was kein Decoder darf, und wurde beendet.</translation>
    </message>
    <message>
        <source>the edits beside the raw are damaged</source>
        <translation>die Bearbeitung neben dem Raw ist beschädigt</translation>
    </message>
    <message>
        <source>the file ends too early or is damaged: its first list of tags cannot be read. Copy it again from the card.</source>
        <translation>Die Datei endet zu früh oder ist beschädigt: Ihre erste Liste von Tags ist nicht lesbar. Noch einmal von der Karte kopieren.</translation>
    </message>
    <message>
        <source>the file ends too early or is damaged: the value of its tag %1 cannot be read. Copy it again from the card.</source>
        <translation>Die Datei endet zu früh oder ist beschädigt: Der Wert des Tags %1 ist nicht lesbar. Noch einmal von der Karte kopieren.</translation>
    </message>
    <message>
        <source>the profile %1 does not exist.</source>
        <translation>Das Profil %1 gibt es nicht.</translation>
    </message>
    <message>
        <source>the worker cannot be started (%1).</source>
        <translation>Der Exportvorgang lässt sich nicht starten (%1).</translation>
    </message>
    <message>
        <source>the written file cannot be read back (%1). Try again or choose another folder.</source>
        <translation>Die geschriebene Datei lässt sich nicht zurücklesen (%1). Noch einmal versuchen oder einen anderen Ordner wählen.</translation>
    </message>
    <message>
        <source>there is no preset &quot;%1&quot;.</source>
        <translation>Es gibt keine Voreinstellung „%1“.</translation>
    </message>
    <message>
        <source>there is no such file. Has it been moved or renamed?</source>
        <translation>Diese Datei gibt es nicht. Wurde sie verschoben oder umbenannt?</translation>
    </message>
    <message>
        <source>there is no such profile.</source>
        <translation>Dieses Profil gibt es nicht.</translation>
    </message>
    <message>
        <source>this is not a lensfun database that can be read.</source>
        <translation>Dies ist keine lesbare lensfun-Datenbank.</translation>
    </message>
    <message>
        <source>this is not a photo that Irenic can read, or it is damaged (%1).</source>
        <translation>Dies ist kein Foto, das Irenic lesen kann, oder es ist beschädigt (%1).</translation>
    </message>
    <message>
        <source>this picture cannot be read (%1).</source>
        <translation>Dieses Bild ist nicht lesbar (%1).</translation>
    </message>
    <message>
        <source>this picture cannot be read, or ends too early (%1). Copy it again.</source>
        <translation>Dieses Bild ist nicht lesbar oder endet zu früh (%1). Noch einmal kopieren.</translation>
    </message>
    <message>
        <source>turned by %1°</source>
        <translation>um %1° gedreht</translation>
    </message>
    <message>
        <source>what is asked for is too long (%1 kB) for the queue.</source>
        <translation>Der Auftrag ist zu lang (%1 kB) für die Warteschlange.</translation>
    </message>
    <message>
        <source>written by a newer Irenic. What this version does not know is kept as it is.</source>
        <translation>Von einem neueren Irenic geschrieben. Was diese Version nicht kennt, bleibt, wie es ist.</translation>
    </message>
    <message>
        <source>%1 leaves the least error (%2 of the noise).</source>
        <translation>%1 lässt den kleinsten Fehler (%2 des Rauschens).</translation>
    </message>
    <message>
        <source>%1 would leave less, but loses bright points.</source>
        <translation>%1 ließe weniger, verliert aber helle Punkte.</translation>
    </message>
    <message>
        <source>%1 would leave less, but shifts colours.</source>
        <translation>%1 ließe weniger, verschiebt aber Farben.</translation>
    </message>
    <message>
        <source>As good here as any at: %1</source>
        <translation>Hier so gut wie jedes andere bei: %1</translation>
    </message>
    <message>
        <source>Next is %1 (%2).</source>
        <translation>Danach kommt %1 (%2).</translation>
    </message>
    <message>
        <source>Nothing in this photo is flat, so its noise, and this with it, is in doubt.</source>
        <translation>Nichts in diesem Foto ist eben. Sein Rauschen ist daher unsicher, und dies ebenso.</translation>
    </message>
    <message>
        <source>Weaker here than others at: %1</source>
        <translation>Hier schwächer als andere bei: %1</translation>
    </message>
    <message>
        <source>the camera has smoothed this raw, and its noise has a form of its own. Only takes of it can be checked.</source>
        <translation>Die Kamera hat diese Raw-Datei geglättet, und ihr Rauschen hat eine eigene Form. Nur Varianten davon können geprüft werden.</translation>
    </message>
    <message>
        <source>Slow gradients are smooth.</source>
        <translation>Langsame Verläufe sind glatt.</translation>
    </message>
    <message>
        <source>Slow gradients show steps: 8 bits without dithering.</source>
        <translation>Langsame Verläufe zeigen Stufen: 8 Bit ohne Dithering.</translation>
    </message>
    <message>
        <source>Steps of tone</source>
        <translation>Tonstufen</translation>
    </message>
    <message>
        <source>There is not enough memory to pack it.</source>
        <translation>Der Speicher reicht nicht, um es zu packen.</translation>
    </message>
    <message>
        <source>This photo has no slow gradients to judge by.</source>
        <translation>Dieses Foto hat keine langsamen Verläufe, an denen es sich zeigen könnte.</translation>
    </message>
    <message>
        <source>it has seen light. Take dark frames with the lens covered, right after the photos.</source>
        <translation>Es hat Licht gesehen. Machen Sie Dunkelbilder bei abgedecktem Objektiv, gleich nach den Fotos.</translation>
    </message>
    <message>
        <source>it is no raw with a mosaic of 2 x 2 that names its camera, ISO and exposure, so it cannot be a dark frame.</source>
        <translation>Es ist kein Raw mit einem Mosaik von 2 x 2, das Kamera, ISO und Belichtung nennt, und kann daher kein Dunkelbild sein.</translation>
    </message>
    <message>
        <source>its camera, ISO, size or exposure differs from the other dark frames. Give frames that were taken alike.</source>
        <translation>Kamera, ISO, Größe oder Belichtung weicht von den anderen Dunkelbildern ab. Geben Sie solche an, die gleich aufgenommen wurden.</translation>
    </message>
    <message>
        <source>of places with slow gradients</source>
        <translation>der Stellen mit langsamen Verläufen</translation>
    </message>
    <message>
        <source>the dark frame is of another camera, ISO or size. Take dark frames with the settings of the photo.</source>
        <translation>Das Dunkelbild ist von einer anderen Kamera, ISO oder Größe. Machen Sie Dunkelbilder mit den Einstellungen des Fotos.</translation>
    </message>
    <message>
        <source>these are too many dark frames. At most 64 can be averaged.</source>
        <translation>Das sind zu viele Dunkelbilder. Höchstens 64 können gemittelt werden.</translation>
    </message>
    <message>
        <source>Checks compare files of the same size and kind: a raw with a DNG of the same mosaic, a finished picture with another finished picture.</source>
        <translation>Prüfungen vergleichen Dateien gleicher Größe und Art: mit einem Raw ein DNG mit demselben Mosaik, mit einem fertigen Bild ein anderes fertiges Bild.</translation>
    </message>
</context>
<context>
    <name>irenic::Application</name>
    <message>
        <source>Something went wrong, for an unknown reason. Your last action may not have been done.</source>
        <translation>Etwas ist aus unbekanntem Grund schiefgegangen. Ihre letzte Handlung ist vielleicht nicht ausgeführt.</translation>
    </message>
</context>
<context>
    <name>irenic::Cell</name>
    <message>
        <source>Cell of the sheet</source>
        <translation>Feld des Bogens</translation>
    </message>
    <message>
        <source>R %1  G %2  B %3</source>
        <translation>R %1  G %2  B %3</translation>
    </message>
    <message>
        <source>No photo</source>
        <translation>Kein Foto</translation>
    </message>
    <message>
        <source>Rendering failed: %1 Click to retry.</source>
        <translation>Rendern fehlgeschlagen: %1 Klicken für einen neuen Versuch.</translation>
    </message>
    <message>
        <source>Draft, final picture %1 %</source>
        <translation>Entwurf, endgültiges Bild %1 %</translation>
    </message>
    <message>
        <source>Rendering %1 %</source>
        <translation>Rendern %1 %</translation>
    </message>
    <message>
        <source>Draft, final picture follows</source>
        <translation>Entwurf, endgültiges Bild folgt</translation>
    </message>
    <message>
        <source>Waiting</source>
        <translation>Wartet</translation>
    </message>
    <message>
        <source>, %1 s left</source>
        <translation>, noch %1 s</translation>
    </message>
</context>
<context>
    <name>irenic::CheckPanel</name>
    <message>
        <source>not told</source>
        <translation>nicht feststellbar</translation>
    </message>
    <message>
        <source>good</source>
        <translation>gut</translation>
    </message>
    <message>
        <source>look</source>
        <translation>ansehen</translation>
    </message>
    <message>
        <source>bad</source>
        <translation>schlecht</translation>
    </message>
    <message>
        <source>%1: %2, %3</source>
        <translation>%1: %2, %3</translation>
    </message>
    <message>
        <source>%1 %</source>
        <translation>%1 %</translation>
    </message>
    <message>
        <source>%1
%2: %3 %4</source>
        <translation>%1
%2: %3 %4</translation>
    </message>
    <message>
        <source>Show where</source>
        <translation>Stellen zeigen</translation>
    </message>
    <message>
        <source>Marks on the overview and on the picture where the checks found something: all of them, or the one that you clicked. The brighter, the worse.</source>
        <translation>Zeichnet in Übersicht und Bild ein, wo die Prüfungen etwas fanden: alle oder die angeklickte. Je heller, desto schlimmer.</translation>
    </message>
    <message>
        <source>Stop checking (%1 %)</source>
        <translation>Prüfung stoppen (%1 %)</translation>
    </message>
    <message>
        <source>Check this take</source>
        <translation>Diese Variante prüfen</translation>
    </message>
    <message>
        <source>Add this take</source>
        <translation>Diese Variante hinzufügen</translation>
    </message>
    <message>
        <source>Adds a take with what the checks advise. This one stays as it is.</source>
        <translation>Fügt eine Variante mit dem hinzu, was die Prüfungen raten. Diese bleibt, wie sie ist.</translation>
    </message>
    <message>
        <source>The checks found nothing to look at.</source>
        <translation>Die Prüfungen fanden nichts, was man ansehen müsste.</translation>
    </message>
    <message>
        <source>%1: place %2 of %3</source>
        <translation>%1: Stelle %2 von %3</translation>
    </message>
    <message>
        <source>Measures over the whole photo what was kept, lost and added. (N steps through the places to look at)</source>
        <translation>Misst über das ganze Foto, was erhalten blieb, verloren ging und hinzukam. (N geht durch die Stellen, die man ansehen sollte)</translation>
    </message>
    <message>
        <source>Check this reference</source>
        <translation>Diese Referenz prüfen</translation>
    </message>
</context>
<context>
    <name>irenic::CloseUp</name>
    <message>
        <source>Close-up</source>
        <translation>Nahansicht</translation>
    </message>
    <message>
        <source>Sheet</source>
        <translation>Bogen</translation>
    </message>
    <message>
        <source>Goes back to the sheet. (Esc)</source>
        <translation>Geht zurück zum Bogen. (Esc)</translation>
    </message>
    <message>
        <source>Flip</source>
        <translation>Umschalten</translation>
    </message>
    <message>
        <source>Shows one take at a time, all at the same place. Letters and arrows choose, Tab flips the last two, Space shows the original while held. (F5)</source>
        <translation>Zeigt eine Variante auf einmal, alle an derselben Stelle. Buchstaben und Pfeile wählen, Tab schaltet zwischen den letzten beiden um, die Leertaste zeigt das Original, solange sie gedrückt ist. (F5)</translation>
    </message>
    <message>
        <source>Divide</source>
        <translation>Teilen</translation>
    </message>
    <message>
        <source>Shows the last two takes on either side of a line that you drag. (F6)</source>
        <translation>Zeigt die letzten zwei Varianten zu beiden Seiten einer Linie, die man zieht. (F6)</translation>
    </message>
    <message>
        <source>Side by side</source>
        <translation>Nebeneinander</translation>
    </message>
    <message>
        <source>Shows the last takes side by side, all at the same place. (F7)</source>
        <translation>Zeigt die letzten Varianten nebeneinander, alle an derselben Stelle. (F7)</translation>
    </message>
    <message>
        <source>Removed</source>
        <translation>Entfernt</translation>
    </message>
    <message>
        <source>Shows what this take removed, amplified, on grey. (F8)</source>
        <translation>Zeigt, was diese Variante entfernt hat, verstärkt, auf Grau. (F8)</translation>
    </message>
    <message>
        <source>Difference</source>
        <translation>Differenz</translation>
    </message>
    <message>
        <source>Shows the last take minus this one, amplified, on grey. (F9)</source>
        <translation>Zeigt die letzte Variante minus diese, verstärkt, auf Grau. (F9)</translation>
    </message>
    <message>
        <source>Luminance and colour</source>
        <translation>Luminanz und Farbe</translation>
    </message>
    <message>
        <source>Luminance</source>
        <translation>Luminanz</translation>
    </message>
    <message>
        <source>Colour</source>
        <translation>Farbe</translation>
    </message>
    <message>
        <source>Which part of the difference is shown</source>
        <translation>Welcher Teil der Differenz gezeigt wird</translation>
    </message>
    <message>
        <source>Vertical</source>
        <translation>Senkrecht</translation>
    </message>
    <message>
        <source>Horizontal</source>
        <translation>Waagerecht</translation>
    </message>
    <message>
        <source>Follow pointer</source>
        <translation>Zeiger folgen</translation>
    </message>
    <message>
        <source>Quarters</source>
        <translation>Viertel</translation>
    </message>
    <message>
        <source>How the view is divided</source>
        <translation>Wie die Ansicht geteilt ist</translation>
    </message>
    <message>
        <source>Divides the view by a line that you drag, by one that follows the pointer, or into quarters of up to four takes.</source>
        <translation>Teilt die Ansicht durch eine Linie, die man zieht, durch eine, die dem Zeiger folgt, oder in Viertel von bis zu vier Varianten.</translation>
    </message>
    <message>
        <source>Stacked</source>
        <translation>Übereinander</translation>
    </message>
    <message>
        <source>Stacks the pictures instead of putting them side by side.</source>
        <translation>Stapelt die Bilder, statt sie nebeneinander zu stellen.</translation>
    </message>
    <message>
        <source>advised</source>
        <translation>geraten</translation>
    </message>
    <message>
        <source>Shows the original. (O)</source>
        <translation>Zeigt das Original. (O)</translation>
    </message>
    <message>
        <source>Shows take %1. (%1)</source>
        <translation>Zeigt Variante %1. (%1)</translation>
    </message>
    <message>
        <source>Shows reference %1. (R; again for the next)</source>
        <translation>Zeigt Referenz %1. (R; noch einmal für die nächste)</translation>
    </message>
    <message>
        <source>Removed: nothing, this is the original.</source>
        <translation>Entfernt: nichts, das ist das Original.</translation>
    </message>
    <message>
        <source>Removed by %1: even grain is noise, outlines are lost detail.</source>
        <translation>Von %1 entfernt: Gleichmäßiges Korn ist Rauschen, Umrisse sind verlorene Details.</translation>
    </message>
    <message>
        <source>%1 minus %2, relative to noise: lighter than grey means %1 is lighter.</source>
        <translation>%1 minus %2, im Verhältnis zum Rauschen: heller als Grau heißt, %1 ist heller.</translation>
    </message>
    <message>
        <source>Probe %1</source>
        <translation>Prüfstelle %1</translation>
    </message>
    <message>
        <source>The sweep is over: all of the photo was seen.</source>
        <translation>Der Durchgang ist zu Ende: Das ganze Foto wurde gesehen.</translation>
    </message>
    <message>
        <source>%1 of %2</source>
        <translation>%1 von %2</translation>
    </message>
    <message>
        <source>Zone %1, %2: %3 %</source>
        <translation>Zone %1, %2: %3 %</translation>
    </message>
</context>
<context>
    <name>irenic::CurveEditor</name>
    <message>
        <source>Tone curve</source>
        <translation>Gradationskurve</translation>
    </message>
    <message>
        <source>Left is dark, up is brighter. Click to add a point, drag to move it, double-click to remove it.
Keys: Page Up and Page Down choose a point, arrows move it (Shift: finely), Insert adds one, Delete removes it, Home resets the curve.</source>
        <translation>Links ist dunkel, oben ist heller. Klicken fügt einen Punkt hinzu, ziehen verschiebt ihn, Doppelklick entfernt ihn.
Tasten: Bild auf und Bild ab wählen einen Punkt, Pfeile verschieben ihn (Umschalt: fein), Einfg fügt einen hinzu, Entf entfernt ihn, Pos1 setzt die Kurve zurück.</translation>
    </message>
    <message>
        <source>Makes the curve larger, or smaller again.</source>
        <translation>Macht die Kurve größer, oder wieder kleiner.</translation>
    </message>
    <message>
        <source>Smaller</source>
        <translation>Kleiner</translation>
    </message>
    <message>
        <source>Larger</source>
        <translation>Größer</translation>
    </message>
</context>
<context>
    <name>irenic::DeliveryForm</name>
    <message>
        <source>Full size</source>
        <translation>Volle Größe</translation>
    </message>
</context>
<context>
    <name>irenic::DifferenceView</name>
    <message>
        <source>Difference on grey</source>
        <translation>Differenz auf Grau</translation>
    </message>
    <message>
        <source>Measuring…</source>
        <translation>Messen…</translation>
    </message>
</context>
<context>
    <name>irenic::Document</name>
    <message>
        <source>Strengths stayed as they were. Recommended with this method here: luminance %1×, colour %2×, detail %3 %.</source>
        <translation>Die Stärken sind geblieben, wie sie waren. Mit dieser Methode hier empfohlen: Luminanz %1×, Farbe %2×, Details %3 %.</translation>
    </message>
    <message>
        <source>Strengths stayed as they were: with every method 1.00× is as much noise as was measured.</source>
        <translation>Die Stärken sind geblieben, wie sie waren: Bei jeder Methode ist 1,00× so viel Rauschen, wie gemessen wurde.</translation>
    </message>
    <message>
        <source>Four references are open, which is the limit. Close one first.</source>
        <translation>Vier Referenzen sind offen, mehr geht nicht. Zuerst eine schließen.</translation>
    </message>
    <message>
        <source>A sheet has twelve probes at most. Remove one first.</source>
        <translation>Ein Bogen hat höchstens zwölf Prüfstellen. Zuerst eine entfernen.</translation>
    </message>
    <message>
        <source>%1 pasted to one photo</source>
        <translation>%1 in ein Foto eingefügt</translation>
    </message>
    <message>
        <source>%1 pasted to %2 photos</source>
        <translation>%1 in %2 Fotos eingefügt</translation>
    </message>
    <message>
        <source>Recommended take</source>
        <translation>Empfohlene Variante</translation>
    </message>
    <message>
        <source>Probe %1</source>
        <translation>Prüfstelle %1</translation>
    </message>
    <message>
        <source>A is recommended. B and C are nearly as good and look least like it.</source>
        <translation>A ist die Empfehlung. B und C sind fast so gut und unterscheiden sich am meisten davon.</translation>
    </message>
</context>
<context>
    <name>irenic::Drawer</name>
    <message>
        <source>%1 GB</source>
        <translation>%1 GB</translation>
    </message>
    <message>
        <source>%1 MB</source>
        <translation>%1 MB</translation>
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
        <translation>Mehrere Fotos exportieren, und die Warteschlange</translation>
    </message>
    <message>
        <source>The last export settings cannot be used (%1). These are the defaults.</source>
        <translation>Die letzten Exporteinstellungen lassen sich nicht verwenden (%1). Das sind die üblichen.</translation>
    </message>
    <message>
        <source>Export</source>
        <translation>Exportieren</translation>
    </message>
    <message>
        <source>The chosen take</source>
        <translation>Die gewählte Variante</translation>
    </message>
    <message>
        <source>Recommended take of each photo</source>
        <translation>Für jedes Foto die empfohlene Variante</translation>
    </message>
    <message>
        <source>Which take is exported</source>
        <translation>Welche Variante exportiert wird</translation>
    </message>
    <message>
        <source>Exports the take that you chose for each photo, or the recommended one, measured when its turn comes.</source>
        <translation>Exportiert die Variante, die Sie für jedes Foto gewählt haben, oder die empfohlene, die gemessen wird, wenn das Foto an der Reihe ist.</translation>
    </message>
    <message>
        <source>of</source>
        <translation>von</translation>
    </message>
    <message>
        <source>This photo</source>
        <translation>Dieses Foto</translation>
    </message>
    <message>
        <source>Selected photos</source>
        <translation>Ausgewählte Fotos</translation>
    </message>
    <message>
        <source>Selected photos, with this photo&apos;s take and look</source>
        <translation>Ausgewählte Fotos, mit Variante und Entwicklung dieses Fotos</translation>
    </message>
    <message>
        <source>Which photos are exported</source>
        <translation>Welche Fotos exportiert werden</translation>
    </message>
    <message>
        <source>as</source>
        <translation>als</translation>
    </message>
    <message>
        <source>and</source>
        <translation>und</translation>
    </message>
    <message>
        <source>Second file of each photo</source>
        <translation>Zweite Datei von jedem Foto</translation>
    </message>
    <message>
        <source>Exports a second file of each photo by an export preset, such as a small JPEG next to a DNG.</source>
        <translation>Exportiert von jedem Foto eine zweite Datei nach einer Exportvoreinstellung, etwa ein kleines JPEG neben einem DNG.</translation>
    </message>
    <message>
        <source>File name</source>
        <translation>Dateiname</translation>
    </message>
    <message>
        <source>Next to originals</source>
        <translation>Neben die Originale</translation>
    </message>
    <message>
        <source>In a subfolder…</source>
        <translation>In einen Unterordner…</translation>
    </message>
    <message>
        <source>Subfolder</source>
        <translation>Unterordner</translation>
    </message>
    <message>
        <source>Name of the subfolder:</source>
        <translation>Name des Unterordners:</translation>
    </message>
    <message>
        <source>Choose folder…</source>
        <translation>Ordner wählen…</translation>
    </message>
    <message>
        <source>Alike</source>
        <translation>Gleich</translation>
    </message>
    <message>
        <source>Cleans photos of one camera and ISO by one noise, measured on all of them: for panoramas and focus series.</source>
        <translation>Säubert Fotos einer Kamera und ISO nach einem Rauschen, an allen gemessen: für Panoramen und Fokusreihen.</translation>
    </message>
    <message>
        <source>Check</source>
        <translation>Prüfen</translation>
    </message>
    <message>
        <source>Measures what the take did to each photo once its file is there; the queue can then list the worst first.</source>
        <translation>Misst, was die Variante mit jedem Foto gemacht hat, sobald seine Datei da ist; die Warteschlange kann dann die schlimmsten zuerst zeigen.</translation>
    </message>
    <message>
        <source>What happens with each file once it is there.</source>
        <translation>Was mit jeder Datei geschieht, sobald sie da ist.</translation>
    </message>
    <message>
        <source>Nothing</source>
        <translation>Nichts</translation>
    </message>
    <message>
        <source>Open with its program</source>
        <translation>Mit ihrem Programm öffnen</translation>
    </message>
    <message>
        <source>Run a command…</source>
        <translation>Einen Befehl ausführen…</translation>
    </message>
    <message>
        <source>Run a command</source>
        <translation>Einen Befehl ausführen</translation>
    </message>
    <message>
        <source>Command to run on each file ({file} stands for its path):</source>
        <translation>Befehl für jede Datei ({file} steht für ihren Pfad):</translation>
    </message>
    <message>
        <source>Export presets</source>
        <translation>Exportvoreinstellungen</translation>
    </message>
    <message>
        <source>These export settings cannot be used: %1</source>
        <translation>Diese Exporteinstellungen lassen sich nicht verwenden: %1</translation>
    </message>
    <message>
        <source>Add to queue</source>
        <translation>In die Warteschlange</translation>
    </message>
    <message>
        <source>Ctrl+Shift+E</source>
        <translation>Ctrl+Shift+E</translation>
    </message>
    <message>
        <source>Adds these files to the queue and starts exporting. (Ctrl+Shift+E)</source>
        <translation>Reiht diese Dateien in die Warteschlange ein und beginnt mit dem Export. (Strg+Umschalt+E)</translation>
    </message>
    <message>
        <source>Then: nothing</source>
        <translation>Dann: nichts</translation>
    </message>
    <message>
        <source>Then: open</source>
        <translation>Dann: öffnen</translation>
    </message>
    <message>
        <source>Then: %1</source>
        <translation>Dann: %1</translation>
    </message>
    <message>
        <source>Folder: %1</source>
        <translation>Ordner: %1</translation>
    </message>
    <message>
        <source>Subfolder: %1</source>
        <translation>Unterordner: %1</translation>
    </message>
    <message>
        <source>Choose a take first: click the ring at the head of its column.</source>
        <translation>Zuerst eine Variante wählen: Auf den Ring im Kopf ihrer Spalte klicken.</translation>
    </message>
    <message>
        <source>Estimating size and time…</source>
        <translation>Größe und Zeit werden geschätzt…</translation>
    </message>
    <message>
        <source>About %1, %2</source>
        <translation>Etwa %1, %2</translation>
    </message>
    <message>
        <source>About %1 and %2 for all %3</source>
        <translation>Etwa %1 und %2 für alle %3</translation>
    </message>
    <message>
        <source>No take is chosen for %1. Choose one, or export the recommended take of each photo.</source>
        <translation>Für %1 ist keine Variante gewählt. Eine wählen, oder für jedes Foto die empfohlene exportieren.</translation>
    </message>
    <message>
        <source>The noise of the photos before is still being measured.</source>
        <translation>Das Rauschen der Fotos davor wird noch gemessen.</translation>
    </message>
    <message>
        <source>Measuring the noise of %1 photos together…</source>
        <translation>Das Rauschen von %1 Fotos wird zusammen gemessen…</translation>
    </message>
    <message>
        <source>Added %1 files to the queue.</source>
        <translation>%1 Dateien in die Warteschlange eingereiht.</translation>
    </message>
    <message>
        <source>Folder for exports</source>
        <translation>Ordner für Exporte</translation>
    </message>
    <message>
        <source>Save export preset</source>
        <translation>Exportvoreinstellung sichern</translation>
    </message>
    <message>
        <source>Name of the preset:</source>
        <translation>Name der Voreinstellung:</translation>
    </message>
    <message>
        <source>Small JPEG</source>
        <translation>Kleines JPEG</translation>
    </message>
    <message>
        <source>None</source>
        <translation>Keine</translation>
    </message>
    <message>
        <source>Save export preset…</source>
        <translation>Exportvoreinstellung sichern…</translation>
    </message>
    <message>
        <source>Then: return</source>
        <translation>Dann: zurückgeben</translation>
    </message>
    <message>
        <source>Not returned: not all files were exported.</source>
        <translation>Nicht zurückgegeben: Es wurden nicht alle Dateien exportiert.</translation>
    </message>
    <message>
        <source>Return the photo and close</source>
        <translation>Foto zurückgeben und schließen</translation>
    </message>
</context>
<context>
    <name>irenic::Equalise</name>
    <message>
        <source>luminance</source>
        <translation>Luminanz</translation>
    </message>
    <message>
        <source>colour</source>
        <translation>Farbe</translation>
    </message>
    <message>
        <source>Measuring for equal %1 noise…</source>
        <translation>Messen für gleiches Rauschen: %1…</translation>
    </message>
    <message>
        <source> (as near as it comes)</source>
        <translation> (so nah, wie es geht)</translation>
    </message>
    <message>
        <source>%1 % of the noise left</source>
        <translation>%1 % des Rauschens bleibt</translation>
    </message>
    <message>
        <source>Equal %1 noise: %2.</source>
        <translation>Gleiches Rauschen, %1: %2.</translation>
    </message>
</context>
<context>
    <name>irenic::ExportBar</name>
    <message>
        <source>Export…</source>
        <translation>Exportieren…</translation>
    </message>
    <message>
        <source>Cancel</source>
        <translation>Abbrechen</translation>
    </message>
    <message>
        <source>Ctrl+E</source>
        <translation>Ctrl+E</translation>
    </message>
    <message>
        <source>Exports the chosen take to a file. The original is never touched. (Ctrl+E)</source>
        <translation>Exportiert die gewählte Variante in eine Datei. Das Original wird nie angerührt. (Strg+E)</translation>
    </message>
    <message>
        <source>Export queue</source>
        <translation>Warteschlange</translation>
    </message>
    <message>
        <source>Ctrl+D</source>
        <translation>Ctrl+D</translation>
    </message>
    <message>
        <source>Exports several photos at once, and shows the queue. (Ctrl+D)</source>
        <translation>Exportiert mehrere Fotos auf einmal und zeigt die Warteschlange. (Strg+D)</translation>
    </message>
    <message>
        <source>Export cancelled. Nothing was written.</source>
        <translation>Export abgebrochen. Nichts wurde geschrieben.</translation>
    </message>
    <message>
        <source>, about %1 s left</source>
        <translation>, noch etwa %1 s</translation>
    </message>
    <message>
        <source>Queue: %1</source>
        <translation>Warteschlange: %1</translation>
    </message>
    <message>
        <source>Return take %1</source>
        <translation>Variante %1 zurückgeben</translation>
    </message>
    <message>
        <source>Export take %1…</source>
        <translation>Variante %1 exportieren…</translation>
    </message>
    <message>
        <source>Ctrl+Return</source>
        <translation>Ctrl+Return</translation>
    </message>
    <message>
        <source>Export take</source>
        <translation>Variante exportieren</translation>
    </message>
    <message>
        <source>%1 %2</source>
        <translation>%1 %2</translation>
    </message>
    <message>
        <source>Exporting %1</source>
        <translation>%1 wird exportiert</translation>
    </message>
    <message>
        <source>Writes the chosen take to the program that handed the photo over, and closes. (Ctrl+Return)</source>
        <translation>Schreibt die gewählte Variante an das Programm zurück, das das Foto übergab, und schließt. (Strg+Eingabe)</translation>
    </message>
    <message>
        <source>Returns to the program that opened it: %1</source>
        <translation>Geht zurück an das Programm, das es öffnete: %1</translation>
    </message>
    <message>
        <source>Returning %1</source>
        <translation>%1 wird zurückgegeben</translation>
    </message>
    <message>
        <source>Exported and verified: %1</source>
        <translation>Exportiert und nachgeprüft: %1</translation>
    </message>
</context>
<context>
    <name>irenic::ExportsList</name>
    <message>
        <source>Missing</source>
        <translation>Fehlt</translation>
    </message>
    <message>
        <source>%1 MB</source>
        <translation>%1 MB</translation>
    </message>
    <message>
        <source>As set</source>
        <translation>Wie eingestellt</translation>
    </message>
    <message>
        <source>Other settings</source>
        <translation>Andere Einstellungen</translation>
    </message>
    <message>
        <source>Older method</source>
        <translation>Ältere Methode</translation>
    </message>
    <message>
        <source>Not known</source>
        <translation>Unbekannt</translation>
    </message>
    <message>
        <source>The take and the look are as they were when this was made.</source>
        <translation>Variante und Entwicklung sind, wie sie beim Export waren.</translation>
    </message>
    <message>
        <source>The take or the look has changed since, or the take is gone.</source>
        <translation>Variante oder Entwicklung wurden seitdem geändert, oder die Variante ist weg.</translation>
    </message>
    <message>
        <source>An older version of Irenic made this. Compare it as a reference, or export again.</source>
        <translation>Eine ältere Version von Irenic hat das gemacht. Als Referenz vergleichen oder neu exportieren.</translation>
    </message>
    <message>
        <source>What this was made with was not noted, or was measured as it was made.</source>
        <translation>Womit das gemacht wurde, ist nicht vermerkt, oder es wurde dabei erst gemessen.</translation>
    </message>
    <message>
        <source>Exports of this photo</source>
        <translation>Exporte dieses Fotos</translation>
    </message>
    <message>
        <source>File</source>
        <translation>Datei</translation>
    </message>
    <message>
        <source>Take</source>
        <translation>Variante</translation>
    </message>
    <message>
        <source>When</source>
        <translation>Wann</translation>
    </message>
    <message>
        <source>Size</source>
        <translation>Größe</translation>
    </message>
    <message>
        <source>Made as</source>
        <translation>Gemacht wie</translation>
    </message>
    <message>
        <source>%1 was made by an older version of this method. To see what is new, open it as a reference (View, Panels, Exports).</source>
        <translation>%1 wurde mit einer älteren Version dieser Methode gemacht. Um zu sehen, was neu ist, als Referenz öffnen (Ansicht, Bereiche, Exporte).</translation>
    </message>
    <message>
        <source>Open file</source>
        <translation>Datei öffnen</translation>
    </message>
    <message>
        <source>Show in folder</source>
        <translation>Im Ordner zeigen</translation>
    </message>
    <message>
        <source>Compare as reference</source>
        <translation>Als Referenz vergleichen</translation>
    </message>
    <message>
        <source>Rename…</source>
        <translation>Umbenennen…</translation>
    </message>
    <message>
        <source>Rename export</source>
        <translation>Export umbenennen</translation>
    </message>
    <message>
        <source>New name of the file:</source>
        <translation>Neuer Name der Datei:</translation>
    </message>
    <message>
        <source>Move to trash</source>
        <translation>In den Papierkorb</translation>
    </message>
    <message>
        <source>No mark</source>
        <translation>Keine Marke</translation>
    </message>
    <message>
        <source>Mark ●</source>
        <translation>Marke ●</translation>
    </message>
    <message>
        <source>Mark ●●</source>
        <translation>Marke ●●</translation>
    </message>
    <message>
        <source>Mark ●●●</source>
        <translation>Marke ●●●</translation>
    </message>
    <message>
        <source>The file before is still being changed.</source>
        <translation>Die Datei davor wird noch geändert.</translation>
    </message>
    <message>
        <source>A file&apos;s name cannot be empty or have a / in it.</source>
        <translation>Der Name einer Datei darf nicht leer sein und kein / enthalten.</translation>
    </message>
    <message>
        <source>%1 cannot be renamed to %2. Is there a file of that name?</source>
        <translation>%1 lässt sich nicht in %2 umbenennen. Gibt es eine Datei dieses Namens?</translation>
    </message>
    <message>
        <source>%1 was changed by another program, and stays where it is.</source>
        <translation>%1 wurde von einem anderen Programm geändert und bleibt, wo es ist.</translation>
    </message>
    <message>
        <source>%1 cannot be moved to the trash.</source>
        <translation>%1 lässt sich nicht in den Papierkorb legen.</translation>
    </message>
</context>
<context>
    <name>irenic::FaultReport</name>
    <message>
        <source>No photo is open.</source>
        <translation>Kein Foto ist offen.</translation>
    </message>
    <message>
        <source>What was said last:</source>
        <translation>Was zuletzt gemeldet wurde:</translation>
    </message>
    <message>
        <source>With the names of folders</source>
        <translation>Mit den Namen der Ordner</translation>
    </message>
    <message>
        <source>Report a fault</source>
        <translation>Einen Fehler melden</translation>
    </message>
    <message>
        <source>Nothing is sent. Read it, add what you did, then save or copy it.</source>
        <translation>Nichts wird gesendet. Lesen, ergänzen, was Sie taten, dann sichern oder kopieren.</translation>
    </message>
    <message>
        <source>Report</source>
        <translation>Bericht</translation>
    </message>
    <message>
        <source>Copy</source>
        <translation>Kopieren</translation>
    </message>
    <message>
        <source>Save…</source>
        <translation>Sichern…</translation>
    </message>
    <message>
        <source>Save the report</source>
        <translation>Bericht sichern</translation>
    </message>
    <message>
        <source>irenic-report.txt</source>
        <translation>irenic-bericht.txt</translation>
    </message>
    <message>
        <source>Text (*.txt)</source>
        <translation>Text (*.txt)</translation>
    </message>
    <message>
        <source>Saved: %1</source>
        <translation>Gesichert: %1</translation>
    </message>
    <message>
        <source>%1 could not be saved: %2</source>
        <translation>%1 ließ sich nicht sichern: %2</translation>
    </message>
</context>
<context>
    <name>irenic::HistogramView</name>
    <message>
        <source>Whole photo with its look, before noise reduction: red, green and blue. Heights are square roots.
Clipped to black: %1
Clipped to white: %2</source>
        <translation>Ganzes Foto mit seiner Entwicklung, vor der Rauschminderung: Rot, Grün und Blau. Höhen sind Quadratwurzeln.
In Schwarz abgeschnitten: %1
In Weiß abgeschnitten: %2</translation>
    </message>
    <message>
        <source>Histogram; clipped to white %1</source>
        <translation>Histogramm; in Weiß abgeschnitten %1</translation>
    </message>
</context>
<context>
    <name>irenic::HistoryList</name>
    <message>
        <source>History</source>
        <translation>Verlauf</translation>
    </message>
    <message>
        <source>All steps, the newest last. Click one to go back to it; grey steps were undone.</source>
        <translation>Alle Schritte, der neueste zuletzt. Auf einen klicken, um zu ihm zurückzugehen; graue Schritte wurden zurückgenommen.</translation>
    </message>
    <message>
        <source>Opened</source>
        <translation>Geöffnet</translation>
    </message>
    <message>
        <source>Earlier steps</source>
        <translation>Frühere Schritte</translation>
    </message>
</context>
<context>
    <name>irenic::KeptWork</name>
    <message>
        <source>%1 is open in another window (%2). Your changes are saved separately.</source>
        <translation>%1 ist in einem anderen Fenster offen (%2). Ihre Änderungen werden getrennt gesichert.</translation>
    </message>
    <message>
        <source>%1 may be open elsewhere (%2). Your changes are saved separately.</source>
        <translation>%1 ist vielleicht anderswo offen (%2). Ihre Änderungen werden getrennt gesichert.</translation>
    </message>
    <message>
        <source>%1 is free again. Your changes are saved as usual.</source>
        <translation>%1 ist wieder frei. Ihre Änderungen werden wie üblich gesichert.</translation>
    </message>
    <message>
        <source>Settings of %1 could not be saved: %2</source>
        <translation>Einstellungen von %1 ließen sich nicht sichern: %2</translation>
    </message>
    <message>
        <source>as the other window left it</source>
        <translation>wie das andere Fenster es hinterließ</translation>
    </message>
</context>
<context>
    <name>irenic::KeyList</name>
    <message>
        <source>Irenic: keyboard and mouse</source>
        <translation>Irenic: Tastatur und Maus</translation>
    </message>
    <message>
        <source>Keyboard and mouse</source>
        <translation>Tastatur und Maus</translation>
    </message>
    <message>
        <source>Search keys</source>
        <translation>Tasten suchen</translation>
    </message>
    <message>
        <source>All keys and gestures</source>
        <translation>Alle Tasten und Gesten</translation>
    </message>
    <message>
        <source>Key</source>
        <translation>Taste</translation>
    </message>
    <message>
        <source>What it does</source>
        <translation>Was sie tut</translation>
    </message>
    <message>
        <source>Print…</source>
        <translation>Drucken…</translation>
    </message>
    <message>
        <source>Prints this list, or saves it as PDF.</source>
        <translation>Druckt diese Liste oder sichert sie als PDF.</translation>
    </message>
</context>
<context>
    <name>irenic::LookStrip</name>
    <message>
        <source>White balance</source>
        <translation>Weißabgleich</translation>
    </message>
    <message>
        <source>Tone</source>
        <translation>Ton</translation>
    </message>
    <message>
        <source>Lens</source>
        <translation>Objektiv</translation>
    </message>
    <message>
        <source>Detail</source>
        <translation>Details</translation>
    </message>
    <message>
        <source>Reset %1</source>
        <translation>%1 zurücksetzen</translation>
    </message>
    <message>
        <source>Resets this group to what the camera and the file suggest.</source>
        <translation>Setzt diese Gruppe auf das zurück, was Kamera und Datei vorschlagen.</translation>
    </message>
    <message>
        <source>Pick grey</source>
        <translation>Grau wählen</translation>
    </message>
    <message>
        <source>Ctrl+G</source>
        <translation>Ctrl+G</translation>
    </message>
    <message>
        <source>Sets the white balance from a neutral grey that you click. (Ctrl+G)</source>
        <translation>Stellt den Weißabgleich nach einem neutralen Grau ein, auf das Sie klicken. (Strg+G)</translation>
    </message>
    <message>
        <source>Tone curve</source>
        <translation>Gradationskurve</translation>
    </message>
    <message>
        <source>Opens the tone curve. The sheet follows every change.</source>
        <translation>Öffnet die Gradationskurve. Der Bogen folgt jeder Änderung.</translation>
    </message>
    <message>
        <source>Auto tone</source>
        <translation>Automatischer Ton</translation>
    </message>
    <message>
        <source>Sets exposure, highlights and shadows from the photo.</source>
        <translation>Stellt Belichtung, Lichter und Schatten nach dem Foto ein.</translation>
    </message>
    <message>
        <source>More on the look</source>
        <translation>Mehr zur Entwicklung</translation>
    </message>
    <message>
        <source>Copies, pastes, saves or resets the look.</source>
        <translation>Kopiert die Entwicklung, fügt sie ein, sichert sie oder setzt sie zurück.</translation>
    </message>
    <message>
        <source>Copy look</source>
        <translation>Entwicklung kopieren</translation>
    </message>
    <message>
        <source>Ctrl+Alt+C</source>
        <translation>Ctrl+Alt+C</translation>
    </message>
    <message>
        <source>Paste look</source>
        <translation>Entwicklung einfügen</translation>
    </message>
    <message>
        <source>Ctrl+Alt+V</source>
        <translation>Ctrl+Alt+V</translation>
    </message>
    <message>
        <source>Apply look to all photos</source>
        <translation>Entwicklung auf alle Fotos anwenden</translation>
    </message>
    <message>
        <source>Save as preset…</source>
        <translation>Als Voreinstellung sichern…</translation>
    </message>
    <message>
        <source>Reset look</source>
        <translation>Entwicklung zurücksetzen</translation>
    </message>
    <message>
        <source>This file was white-balanced when it was developed. Changes here come on top.</source>
        <translation>Der Weißabgleich dieser Datei wurde beim Entwickeln gemacht. Änderungen hier kommen hinzu.</translation>
    </message>
    <message>
        <source>No correction data for this lens.</source>
        <translation>Keine Korrekturdaten für dieses Objektiv.</translation>
    </message>
    <message>
        <source>No lens data</source>
        <translation>Keine Objektivdaten</translation>
    </message>
    <message>
        <source>Lens data: %1</source>
        <translation>Objektivdaten: %1</translation>
    </message>
</context>
<context>
    <name>irenic::Manual</name>
    <message>
        <source>Manual</source>
        <translation>Handbuch</translation>
    </message>
    <message>
        <source>Search the manual</source>
        <translation>Handbuch durchsuchen</translation>
    </message>
    <message>
        <source>Pages of the manual</source>
        <translation>Seiten des Handbuchs</translation>
    </message>
    <message>
        <source>Page of the manual</source>
        <translation>Seite des Handbuchs</translation>
    </message>
</context>
<context>
    <name>irenic::Overview</name>
    <message>
        <source>Overview</source>
        <translation>Übersicht</translation>
    </message>
    <message>
        <source>The whole photo and its probes. Drag a probe to move it, drag its edges to resize it, double-click to add one. Delete removes the one that you clicked last.</source>
        <translation>Das ganze Foto und seine Prüfstellen. Eine Prüfstelle ziehen, um sie zu verschieben, an ihren Kanten ziehen, um ihre Größe zu ändern, Doppelklick, um eine hinzuzufügen. Entf entfernt die zuletzt angeklickte.</translation>
    </message>
    <message>
        <source>No photo</source>
        <translation>Kein Foto</translation>
    </message>
</context>
<context>
    <name>irenic::Panels</name>
    <message>
        <source>Drag to move this panel to another side. Right-click to hide it.</source>
        <translation>Ziehen, um diesen Bereich auf eine andere Seite zu legen. Rechtsklick, um ihn auszublenden.</translation>
    </message>
    <message>
        <source>Hide panel</source>
        <translation>Bereich ausblenden</translation>
    </message>
</context>
<context>
    <name>irenic::PhotoList</name>
    <message>
        <source>Photos</source>
        <translation>Fotos</translation>
    </message>
    <message>
        <source>Open photos. Shift and Ctrl select several, to paste settings or export. Delete closes the selected ones.</source>
        <translation>Offene Fotos. Umschalt und Strg wählen mehrere aus, um Einstellungen einzufügen oder zu exportieren. Entf schließt die ausgewählten.</translation>
    </message>
    <message>
        <source>%1: no photos in this folder.</source>
        <translation>%1: keine Fotos in diesem Ordner.</translation>
    </message>
    <message>
        <source>Exported: %1</source>
        <translation>Exportiert: %1</translation>
    </message>
    <message>
        <source>Missing: %1</source>
        <translation>Fehlt: %1</translation>
    </message>
    <message>
        <source>%1, %2</source>
        <translation>%1, %2</translation>
    </message>
    <message>
        <source>Reading %1…</source>
        <translation>%1 wird gelesen…</translation>
    </message>
    <message>
        <source>Measuring noise: %1 of %2</source>
        <translation>Rauschen wird gemessen: %1 von %2</translation>
    </message>
</context>
<context>
    <name>irenic::PhotoRow</name>
    <message>
        <source>Cannot open</source>
        <translation>Lässt sich nicht öffnen</translation>
    </message>
    <message>
        <source>Exported, %1 missing</source>
        <translation>Exportiert, %1 fehlen</translation>
    </message>
    <message>
        <source>Exported</source>
        <translation>Exportiert</translation>
    </message>
    <message>
        <source>Edited</source>
        <translation>Bearbeitet</translation>
    </message>
    <message>
        <source>Noise %1</source>
        <translation>Rauschen %1</translation>
    </message>
</context>
<context>
    <name>irenic::PhotosSheet</name>
    <message>
        <source>Sheet over photos</source>
        <translation>Bogen über mehrere Fotos</translation>
    </message>
    <message>
        <source>Sheet</source>
        <translation>Bogen</translation>
    </message>
    <message>
        <source>Goes back to the sheet of the photo shown. (Esc)</source>
        <translation>Geht zurück zum Bogen des gezeigten Fotos. (Esc)</translation>
    </message>
    <message>
        <source>Gives all selected photos these takes, and the choice among them. One step to undo.</source>
        <translation>Gibt allen ausgewählten Fotos diese Varianten und die Wahl unter ihnen. Ein Schritt, der sich zurücknehmen lässt.</translation>
    </message>
    <message>
        <source>Select at least two photos in the list first.</source>
        <translation>Zuerst mindestens zwei Fotos in der Liste auswählen.</translation>
    </message>
    <message>
        <source>Looking for the photos that differ most…</source>
        <translation>Die Fotos, die sich am meisten unterscheiden, werden gesucht…</translation>
    </message>
    <message>
        <source>Original</source>
        <translation>Original</translation>
    </message>
    <message>
        <source>Shows this photo in the sheet.</source>
        <translation>Zeigt dieses Foto im Bogen.</translation>
    </message>
    <message>
        <source>Opening…</source>
        <translation>Wird geöffnet…</translation>
    </message>
    <message>
        <source>%1
ISO %2</source>
        <translation>%1
ISO %2</translation>
    </message>
    <message>
        <source>%1 of %2 photos: those that differ most. Page Down: next probe.</source>
        <translation>%1 von %2 Fotos: die sich am meisten unterscheiden. Bild ab: nächste Prüfstelle.</translation>
    </message>
    <message>
        <source>%1 photos. Page Down: next probe.</source>
        <translation>%1 Fotos. Bild ab: nächste Prüfstelle.</translation>
    </message>
    <message>
        <source>Photos are chosen by ISO, brightness and texture. 1.00× is as much noise as was measured in each.</source>
        <translation>Fotos werden nach ISO, Helligkeit und Textur gewählt. 1,00× ist so viel Rauschen, wie in jedem gemessen wurde.</translation>
    </message>
    <message>
        <source>Use these takes for all %1</source>
        <translation>Diese Varianten für alle %1</translation>
    </message>
</context>
<context>
    <name>irenic::PicturePane</name>
    <message>
        <source>Making the pictures…</source>
        <translation>Die Bilder werden gemacht…</translation>
    </message>
</context>
<context>
    <name>irenic::PresetMenu</name>
    <message>
        <source>Pr&amp;esets</source>
        <translation>V&amp;oreinstellungen</translation>
    </message>
    <message>
        <source>None yet. Save one from the menu of a take or of the look.</source>
        <translation>Noch keine. Eine aus dem Menü einer Variante oder der Entwicklung sichern.</translation>
    </message>
    <message>
        <source>&amp;Import…</source>
        <translation>&amp;Importieren…</translation>
    </message>
    <message>
        <source>Import presets</source>
        <translation>Voreinstellungen importieren</translation>
    </message>
    <message>
        <source>Presets and sidecars (*.json)</source>
        <translation>Voreinstellungen und Begleitdateien (*.json)</translation>
    </message>
    <message>
        <source>E&amp;xport</source>
        <translation>E&amp;xportieren</translation>
    </message>
    <message>
        <source>&amp;Remove</source>
        <translation>&amp;Entfernen</translation>
    </message>
    <message>
        <source>Export preset</source>
        <translation>Voreinstellung exportieren</translation>
    </message>
    <message>
        <source>Presets (*.json)</source>
        <translation>Voreinstellungen (*.json)</translation>
    </message>
    <message>
        <source>Preset %1 was moved to the trash.</source>
        <translation>Voreinstellung %1 wurde in den Papierkorb gelegt.</translation>
    </message>
    <message>
        <source>Preset %1 could not be moved to the trash.</source>
        <translation>Voreinstellung %1 ließ sich nicht in den Papierkorb legen.</translation>
    </message>
    <message>
        <source>Save as preset</source>
        <translation>Als Voreinstellung sichern</translation>
    </message>
    <message>
        <source>Name of the preset:</source>
        <translation>Name der Voreinstellung:</translation>
    </message>
    <message>
        <source>A preset named %1 exists. Replace it?</source>
        <translation>Es gibt eine Voreinstellung namens %1. Ersetzen?</translation>
    </message>
    <message>
        <source>Preset %1 was saved.</source>
        <translation>Voreinstellung %1 wurde gesichert.</translation>
    </message>
    <message>
        <source>Look</source>
        <translation>Entwicklung</translation>
    </message>
    <message>
        <source>Preset %1 was exported to %2.</source>
        <translation>Voreinstellung %1 wurde nach %2 exportiert.</translation>
    </message>
    <message>
        <source>%1: %2</source>
        <translation>%1: %2</translation>
    </message>
</context>
<context>
    <name>irenic::QueueModel</name>
    <message>
        <source>State</source>
        <translation>Zustand</translation>
    </message>
    <message>
        <source>Photo</source>
        <translation>Foto</translation>
    </message>
    <message>
        <source>File</source>
        <translation>Datei</translation>
    </message>
    <message>
        <source>Check</source>
        <translation>Prüfen</translation>
    </message>
    <message>
        <source>Details</source>
        <translation>Einzelheiten</translation>
    </message>
    <message>
        <source>Waiting</source>
        <translation>Wartet</translation>
    </message>
    <message>
        <source>Exporting</source>
        <translation>Läuft</translation>
    </message>
    <message>
        <source>Done</source>
        <translation>Fertig</translation>
    </message>
    <message>
        <source>Failed</source>
        <translation>Fehlgeschlagen</translation>
    </message>
    <message>
        <source>Cancelled</source>
        <translation>Abgebrochen</translation>
    </message>
    <message>
        <source>as %1</source>
        <translation>als %1</translation>
    </message>
    <message>
        <source>%1 (missing)</source>
        <translation>%1 (fehlt)</translation>
    </message>
    <message>
        <source>Good</source>
        <translation>Gut</translation>
    </message>
    <message>
        <source>Look</source>
        <translation>Entwicklung</translation>
    </message>
    <message>
        <source>Bad</source>
        <translation>Schlecht</translation>
    </message>
    <message>
        <source>%1 %</source>
        <translation>%1 %</translation>
    </message>
    <message>
        <source>%1, second try</source>
        <translation>%1, zweiter Versuch</translation>
    </message>
    <message>
        <source>%1 s</source>
        <translation>%1 s</translation>
    </message>
    <message>
        <source>Will retry: %1</source>
        <translation>Neuer Versuch folgt: %1</translation>
    </message>
</context>
<context>
    <name>irenic::QueueView</name>
    <message>
        <source>Export queue</source>
        <translation>Warteschlange</translation>
    </message>
    <message>
        <source>The damaged queue was renamed to %1. A new one has started.</source>
        <translation>Die beschädigte Warteschlange wurde in %1 umbenannt. Eine neue wurde begonnen.</translation>
    </message>
    <message>
        <source>The queue is empty. Add to queue puts the files above here.</source>
        <translation>Die Warteschlange ist leer. „In die Warteschlange“ legt die Dateien oben hierher.</translation>
    </message>
    <message>
        <source>Set damaged queue aside</source>
        <translation>Beschädigte Warteschlange beiseitelegen</translation>
    </message>
    <message>
        <source>Renames the damaged queue file and starts a new queue.</source>
        <translation>Benennt die beschädigte Datei um und beginnt eine neue Warteschlange.</translation>
    </message>
    <message>
        <source>Pause</source>
        <translation>Anhalten</translation>
    </message>
    <message>
        <source>Finishes current files, starts no more.</source>
        <translation>Beendet die laufenden Dateien, beginnt keine mehr.</translation>
    </message>
    <message>
        <source>Clear finished</source>
        <translation>Fertige entfernen</translation>
    </message>
    <message>
        <source>Removes finished and cancelled exports from the list. Files stay.</source>
        <translation>Entfernt fertige und abgebrochene Exporte aus der Liste. Dateien bleiben.</translation>
    </message>
    <message>
        <source>Worst first</source>
        <translation>Schlimmste zuerst</translation>
    </message>
    <message>
        <source>Lists what checking found worst on top, instead of the order of export.</source>
        <translation>Zeigt oben, was die Prüfung am schlimmsten fand, statt der Reihenfolge des Exports.</translation>
    </message>
    <message>
        <source>More</source>
        <translation>Mehr</translation>
    </message>
    <message>
        <source>Retries or cancels exports.</source>
        <translation>Wiederholt Exporte oder bricht sie ab.</translation>
    </message>
    <message>
        <source>Retry failed</source>
        <translation>Fehlgeschlagene wiederholen</translation>
    </message>
    <message>
        <source>Puts everything that failed back in the queue.</source>
        <translation>Reiht alles Fehlgeschlagene wieder ein.</translation>
    </message>
    <message>
        <source>Cancel all</source>
        <translation>Alle abbrechen</translation>
    </message>
    <message>
        <source>Cancels everything that is waiting or exporting.</source>
        <translation>Bricht alles ab, was wartet oder exportiert wird.</translation>
    </message>
    <message>
        <source>Show photo</source>
        <translation>Foto zeigen</translation>
    </message>
    <message>
        <source>Opens the original in this window.</source>
        <translation>Öffnet das Original in diesem Fenster.</translation>
    </message>
    <message>
        <source>Open file</source>
        <translation>Datei öffnen</translation>
    </message>
    <message>
        <source>Opens the selected file with its default program.</source>
        <translation>Öffnet die ausgewählte Datei mit ihrem üblichen Programm.</translation>
    </message>
    <message>
        <source>Show in folder</source>
        <translation>Im Ordner zeigen</translation>
    </message>
    <message>
        <source>Opens the folder of the selected file in the file manager.</source>
        <translation>Öffnet den Ordner der ausgewählten Datei in der Dateiverwaltung.</translation>
    </message>
    <message>
        <source>Run a command…</source>
        <translation>Einen Befehl ausführen…</translation>
    </message>
    <message>
        <source>Runs a command on the selected file. {file} stands for its path; without it, the path comes last.</source>
        <translation>Führt einen Befehl auf der ausgewählten Datei aus. {file} steht für ihren Pfad; ohne es kommt der Pfad zuletzt.</translation>
    </message>
    <message>
        <source>Move up</source>
        <translation>Nach oben</translation>
    </message>
    <message>
        <source>Exports the selected file one place earlier.</source>
        <translation>Exportiert die ausgewählte Datei einen Platz früher.</translation>
    </message>
    <message>
        <source>Move down</source>
        <translation>Nach unten</translation>
    </message>
    <message>
        <source>Exports the selected file one place later.</source>
        <translation>Exportiert die ausgewählte Datei einen Platz später.</translation>
    </message>
    <message>
        <source>Cancel</source>
        <translation>Abbrechen</translation>
    </message>
    <message>
        <source>Cancels the selected file.</source>
        <translation>Bricht die ausgewählte Datei ab.</translation>
    </message>
    <message>
        <source>Run a command</source>
        <translation>Einen Befehl ausführen</translation>
    </message>
    <message>
        <source>Command to run on the file:</source>
        <translation>Befehl für die Datei:</translation>
    </message>
    <message>
        <source>Cannot export: irenic-cli not found. Install it next to irenic.</source>
        <translation>Export nicht möglich: irenic-cli nicht gefunden. Es gehört neben irenic.</translation>
    </message>
    <message>
        <source>%1 waiting</source>
        <translation>%1 warten</translation>
    </message>
    <message>
        <source>%1 exporting</source>
        <translation>%1 laufen</translation>
    </message>
    <message>
        <source>%1 done</source>
        <translation>%1 fertig</translation>
    </message>
    <message>
        <source>%1 failed</source>
        <translation>%1 fehlgeschlagen</translation>
    </message>
    <message>
        <source>Resume</source>
        <translation>Fortsetzen</translation>
    </message>
    <message>
        <source>Exports left from last time: %1. Resume?</source>
        <translation>Exporte vom letzten Mal: %1. Fortsetzen?</translation>
    </message>
    <message>
        <source>Paused, %1 waiting</source>
        <translation>Angehalten, %1 warten</translation>
    </message>
    <message>
        <source>Exports are running</source>
        <translation>Exporte laufen</translation>
    </message>
    <message>
        <source>Irenic</source>
        <translation>Irenic</translation>
    </message>
    <message>
        <source>Files exported: %1, failed: %2</source>
        <translation>Exportierte Dateien: %1, fehlgeschlagen: %2</translation>
    </message>
    <message>
        <source>Files exported: %1</source>
        <translation>Exportierte Dateien: %1</translation>
    </message>
</context>
<context>
    <name>irenic::RecentPhotos</name>
    <message>
        <source>Recent photos</source>
        <translation>Letzte Fotos</translation>
    </message>
</context>
<context>
    <name>irenic::RecommendButton</name>
    <message>
        <source>quicker</source>
        <translation>schneller</translation>
    </message>
    <message>
        <source>with grain</source>
        <translation>mit Korn</translation>
    </message>
    <message>
        <source>sharpened</source>
        <translation>geschärft</translation>
    </message>
    <message>
        <source>Adds the quickest take that is nearly as good on this photo.</source>
        <translation>Fügt die schnellste Variante hinzu, die auf diesem Foto fast so gut ist.</translation>
    </message>
    <message>
        <source>Adds a take that keeps some of the photo&apos;s own grain.</source>
        <translation>Fügt eine Variante hinzu, die etwas vom eigenen Korn des Fotos behält.</translation>
    </message>
    <message>
        <source>Adds the recommended take, sharpened as much as this photo&apos;s sharpest edges are blurred.</source>
        <translation>Fügt die empfohlene Variante hinzu, so weit geschärft, wie die schärfsten Kanten dieses Fotos unscharf sind.</translation>
    </message>
    <message>
        <source>Quicker: %1, error %2 %, %3 times as quick</source>
        <translation>Schneller: %1, Fehler %2 %, %3-mal so schnell</translation>
    </message>
    <message>
        <source>With grain: %1, error %2 %</source>
        <translation>Mit Korn: %1, Fehler %2 %</translation>
    </message>
    <message>
        <source>Sharpened: %1, for edges blurred by %2 px</source>
        <translation>Geschärft: %1, für um %2 px unscharfe Kanten</translation>
    </message>
    <message>
        <source>Adds the take with the least estimated error. (Ctrl+R)</source>
        <translation>Fügt die Variante mit dem kleinsten geschätzten Fehler hinzu. (Strg+R)</translation>
    </message>
    <message>
        <source>Ctrl+R</source>
        <translation>Ctrl+R</translation>
    </message>
    <message>
        <source>Stop measuring (%1 %)</source>
        <translation>Messung stoppen (%1 %)</translation>
    </message>
    <message>
        <source>Recommend</source>
        <translation>Empfehlen</translation>
    </message>
    <message>
        <source>After your taste: %1 with %2 % grain (from %3 blind trials)</source>
        <translation>Nach Ihrem Geschmack: %1 mit %2 % Korn (aus %3 Blindvergleichen)</translation>
    </message>
    <message>
        <source>Adds the recommended take with as much grain as you preferred in blind trials.</source>
        <translation>Fügt die empfohlene Variante mit so viel Korn hinzu, wie Sie in Blindvergleichen vorzogen.</translation>
    </message>
    <message>
        <source>after your taste</source>
        <translation>nach Ihrem Geschmack</translation>
    </message>
    <message>
        <source>Forget my taste</source>
        <translation>Meinen Geschmack vergessen</translation>
    </message>
    <message>
        <source>Take %1 is the recommendation for this photo.</source>
        <translation>Variante %1 ist die Empfehlung für dieses Foto.</translation>
    </message>
    <message>
        <source>At %1 px this photo needs no cleaning</source>
        <translation>Bei %1 px braucht dieses Foto keine Entrauschung</translation>
    </message>
    <message>
        <source>At the size that you export, nobody can tell the original from the recommended take.</source>
        <translation>In der Exportgröße ist das Original nicht von der empfohlenen Variante zu unterscheiden.</translation>
    </message>
    <message>
        <source>At %1 px: %2 looks the same, %3 times as quick</source>
        <translation>Bei %1 px: %2 sieht gleich aus, %3-mal so schnell</translation>
    </message>
    <message>
        <source>Adds the quickest take that nobody can tell from the recommended one at the size that you export.</source>
        <translation>Fügt die schnellste Variante hinzu, die in der Exportgröße nicht von der empfohlenen zu unterscheiden ist.</translation>
    </message>
    <message>
        <source>for the size</source>
        <translation>für die Größe</translation>
    </message>
</context>
<context>
    <name>irenic::ReferenceHead</name>
    <message>
        <source>Matches brightness and white balance to this photo, so that noise and detail can be compared. The file stays as it is.</source>
        <translation>Gleicht Helligkeit und Weißabgleich an dieses Foto an, damit sich Rauschen und Details vergleichen lassen. Die Datei bleibt, wie sie ist.</translation>
    </message>
    <message>
        <source>Reload</source>
        <translation>Neu laden</translation>
    </message>
    <message>
        <source>Reads the file and aligns it again.</source>
        <translation>Liest die Datei und richtet sie neu aus.</translation>
    </message>
    <message>
        <source>Close reference</source>
        <translation>Referenz schließen</translation>
    </message>
    <message>
        <source>Closes this reference. The file stays.</source>
        <translation>Schließt diese Referenz. Die Datei bleibt.</translation>
    </message>
    <message>
        <source>Reference %1, %2</source>
        <translation>Referenz %1, %2</translation>
    </message>
    <message>
        <source>Another version of this photo, to compare with. Never exported.
%1
%2</source>
        <translation>Eine andere Fassung dieses Fotos zum Vergleichen. Wird nie exportiert.
%1
%2</translation>
    </message>
    <message>
        <source>Clean</source>
        <translation>Säubern</translation>
    </message>
    <message>
        <source>Cleans this reference like one of the takes, by its own measured noise, to compare what comes first: cleaning or developing. The file stays as it is.</source>
        <translation>Säubert diese Referenz wie eine der Varianten, nach ihrem eigenen gemessenen Rauschen, um zu vergleichen, was zuerst kommt: säubern oder entwickeln. Die Datei bleibt, wie sie ist.</translation>
    </message>
    <message>
        <source>Like take %1</source>
        <translation>Wie Variante %1</translation>
    </message>
    <message>
        <source>As it is</source>
        <translation>Wie sie ist</translation>
    </message>
    <message>
        <source>Match</source>
        <translation>Angleichen</translation>
    </message>
</context>
<context>
    <name>irenic::ReferenceShelf</name>
    <message>
        <source>Reading and aligning…</source>
        <translation>Lesen und Ausrichten…</translation>
    </message>
    <message>
        <source>Matching colours…</source>
        <translation>Farben werden angeglichen…</translation>
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
        <translation>gut</translation>
    </message>
    <message>
        <source>look</source>
        <translation>ansehen</translation>
    </message>
    <message>
        <source>bad</source>
        <translation>schlecht</translation>
    </message>
    <message>
        <source>Blind trial</source>
        <translation>Blindvergleich</translation>
    </message>
    <message>
        <source>%1, from %2 answers</source>
        <translation>%1, aus %2 Antworten</translation>
    </message>
    <message>
        <source>%1. %2</source>
        <translation>%1. %2</translation>
    </message>
    <message>
        <source>, above the next: %1 % sure</source>
        <translation>, über dem nächsten: zu %1 % sicher</translation>
    </message>
    <message>
        <source>ISO %1</source>
        <translation>ISO %1</translation>
    </message>
    <message>
        <source>noise at mid-grey %1 % of white</source>
        <translation>Rauschen bei Mittelgrau %1 % von Weiß</translation>
    </message>
    <message>
        <source>%1, %2</source>
        <translation>%1, %2</translation>
    </message>
    <message>
        <source>Probe %1: %2, at 100 %</source>
        <translation>Prüfstelle %1: %2, bei 100 %</translation>
    </message>
    <message>
        <source>Original</source>
        <translation>Original</translation>
    </message>
    <message>
        <source>  (chosen for export)</source>
        <translation>  (für den Export gewählt)</translation>
    </message>
    <message>
        <source>%1 % of the noise left on an even grey</source>
        <translation>%1 % des Rauschens bleibt auf gleichmäßigem Grau</translation>
    </message>
</context>
<context>
    <name>irenic::RowLabel</name>
    <message>
        <source>%1
Double-click to widen, drag to reorder, right-click for more.</source>
        <translation>%1
Doppelklick verbreitert, Ziehen ordnet um, Rechtsklick zeigt mehr.</translation>
    </message>
    <message>
        <source>%1   collapsed, click to show</source>
        <translation>%1   eingeklappt, klicken zum Zeigen</translation>
    </message>
    <message>
        <source>Rename probe…</source>
        <translation>Prüfstelle umbenennen…</translation>
    </message>
    <message>
        <source>Widen row</source>
        <translation>Zeile verbreitern</translation>
    </message>
    <message>
        <source>Show row</source>
        <translation>Zeile zeigen</translation>
    </message>
    <message>
        <source>Collapse row</source>
        <translation>Zeile einklappen</translation>
    </message>
    <message>
        <source>Remove probe</source>
        <translation>Prüfstelle entfernen</translation>
    </message>
</context>
<context>
    <name>irenic::Rule</name>
    <message>
        <source>Drag, type or use the arrow keys. Double-click to reset.</source>
        <translation>Ziehen, tippen oder die Pfeiltasten verwenden. Doppelklick setzt zurück.</translation>
    </message>
    <message>
        <source>None</source>
        <translation>Keine</translation>
    </message>
</context>
<context>
    <name>irenic::Sheet</name>
    <message>
        <source>Shows the collapsed column %1.</source>
        <translation>Zeigt die eingeklappte Spalte %1.</translation>
    </message>
    <message>
        <source>Name of the take</source>
        <translation>Name der Variante</translation>
    </message>
    <message>
        <source>Name, empty for none:</source>
        <translation>Name, leer für keinen:</translation>
    </message>
    <message>
        <source>Name of the probe</source>
        <translation>Name der Prüfstelle</translation>
    </message>
    <message>
        <source>Name:</source>
        <translation>Name:</translation>
    </message>
    <message>
        <source>&lt;b&gt;Original&lt;/b&gt;</source>
        <translation>&lt;b&gt;Original&lt;/b&gt;</translation>
    </message>
    <message>
        <source>&lt;b&gt;Original&lt;/b&gt;&amp;nbsp; Noise %1 to %2 %</source>
        <translation>&lt;b&gt;Original&lt;/b&gt;&amp;nbsp; Rauschen %1 bis %2 %</translation>
    </message>
    <message>
        <source>&lt;b&gt;Original&lt;/b&gt;&amp;nbsp; Noise %1 %</source>
        <translation>&lt;b&gt;Original&lt;/b&gt;&amp;nbsp; Rauschen %1 %</translation>
    </message>
    <message>
        <source>The photo before noise reduction. Measured noise in per cent of white (green channel):</source>
        <translation>Das Foto vor der Rauschminderung. Gemessenes Rauschen in Prozent von Weiß (grüner Kanal):</translation>
    </message>
    <message>
        <source>
%1 % at black, %2 % at mid-grey.</source>
        <translation>
%1 % bei Schwarz, %2 % bei Mittelgrau.</translation>
    </message>
    <message>
        <source>
Nothing in this photo is flat: the noise may be up to %1 % less.</source>
        <translation>
Nichts in diesem Foto ist eben: Das Rauschen kann um bis zu %1 % geringer sein.</translation>
    </message>
    <message>
        <source>
Nothing in this photo is flat, so the figure is that of other photos of this camera (%1).</source>
        <translation>
Nichts in diesem Foto ist eben, darum stammt die Zahl von anderen Fotos dieser Kamera (%1).</translation>
    </message>
    <message>
        <source>
Nothing in this photo is flat, so the figure is the one that the file states.</source>
        <translation>
Nichts in diesem Foto ist eben, darum ist es die Zahl, die die Datei angibt.</translation>
    </message>
    <message>
        <source>
The file states %1 % at black and %2 % at mid-grey.</source>
        <translation>
Die Datei gibt %1 % bei Schwarz und %2 % bei Mittelgrau an.</translation>
    </message>
    <message>
        <source>
Bad pixels: %1. Banding, relative to noise at black: rows %2, columns %3. Takes repair both unless their
menu says otherwise. The original is shown as it is.</source>
        <translation>
Defekte Pixel: %1. Streifen, im Verhältnis zum Rauschen bei Schwarz: Zeilen %2, Spalten %3. Varianten reparieren
beides, wenn ihr Menü nichts anderes sagt. Das Original wird gezeigt, wie es ist.</translation>
    </message>
    <message>
        <source>
Dead columns: %1, dead rows: %2. Takes fill them from both sides.</source>
        <translation>
Tote Spalten: %1, tote Zeilen: %2. Varianten füllen sie von beiden Seiten.</translation>
    </message>
    <message>
        <source>
The camera smoothed this raw (%1 % to each neighbour). Takes undo that, remove noise, and smooth again.</source>
        <translation>
Die Kamera hat dieses Raw geglättet (%1 % an jeden Nachbarn). Varianten nehmen das zurück, entfernen Rauschen und glätten wieder.</translation>
    </message>
    <message>
        <source>
The noise is uneven, and takes clean accordingly: %1 times as much at the right as at the left,
%2 times at the bottom as at the top, %3 times in the corners as in the middle.</source>
        <translation>
Das Rauschen ist ungleichmäßig, und Varianten säubern entsprechend: rechts das %1-Fache von links,
unten das %2-Fache von oben, in den Ecken das %3-Fache der Mitte.</translation>
    </message>
</context>
<context>
    <name>irenic::ShotNote</name>
    <message>
        <source>Open photos with Ctrl+O, or drop them on the window.</source>
        <translation>Fotos mit Strg+O öffnen oder auf dem Fenster ablegen.</translation>
    </message>
    <message>
        <source>Not a raw: noise already smoothed. Use the raw if you have it.</source>
        <translation>Kein Raw: Rauschen schon geglättet. Das Raw nehmen, wenn Sie es haben.</translation>
    </message>
    <message>
        <source>Shot %1 stops darker than the sensor could hold, and made lighter here. More light next time costs less noise than any cleaning.</source>
        <translation>%1 Blenden dunkler aufgenommen, als der Sensor fassen konnte, und hier aufgehellt. Mehr Licht beim nächsten Mal kostet weniger Rauschen als jede Säuberung.</translation>
    </message>
    <message>
        <source>%1 × %2, %3 bit, %4</source>
        <translation>%1 × %2, %3 Bit, %4</translation>
    </message>
    <message>
        <source>Dark frame: this photo shows nothing of it.</source>
        <translation>Dunkelbild: In diesem Foto ist nichts davon zu sehen.</translation>
    </message>
    <message>
        <source>Dark frame (mean of %1): %2 % of the noise in the dark is taken off.</source>
        <translation>Dunkelbild (Mittel aus %1): %2 % des Rauschens im Dunkeln sind abgezogen.</translation>
    </message>
    <message>
        <source>Dark frame (mean of %1): its glow is taken off.</source>
        <translation>Dunkelbild (Mittel aus %1): Sein Glimmen ist abgezogen.</translation>
    </message>
</context>
<context>
    <name>irenic::SlowWrite</name>
    <message>
        <source>%1: %2 %</source>
        <translation>%1: %2 %</translation>
    </message>
    <message>
        <source>%1 could not be written: %2</source>
        <translation>%1 ließ sich nicht schreiben: %2</translation>
    </message>
    <message>
        <source>Written: %1</source>
        <translation>Geschrieben: %1</translation>
    </message>
    <message>
        <source>Written: %1. %2</source>
        <translation>Geschrieben: %1. %2</translation>
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
        <translation>Rauschminderung vergleichen, Pixel für Pixel</translation>
    </message>
    <message>
        <source>Columns are takes: a method with its strengths. Rows are probes: places worth checking. All cells of a row show the same pixels. Column one is the original.

1.00× removes as much noise as was measured. Choose the take that you like and export it. Your originals are never changed.</source>
        <translation>Spalten sind Varianten: eine Methode mit ihren Stärken. Zeilen sind Prüfstellen: Stellen, die man ansehen sollte. Alle Felder einer Zeile zeigen dieselben Pixel. Spalte eins ist das Original.

1,00× entfernt so viel Rauschen, wie gemessen wurde. Wählen Sie die Variante, die Ihnen gefällt, und exportieren Sie sie. Ihre Originale werden nie geändert.</translation>
    </message>
    <message>
        <source>Open photos…   Ctrl+O</source>
        <translation>Fotos öffnen…   Strg+O</translation>
    </message>
    <message>
        <source>Open a folder…   Ctrl+Shift+O</source>
        <translation>Einen Ordner öffnen…   Strg+Umschalt+O</translation>
    </message>
    <message>
        <source>Try the demo photos</source>
        <translation>Die Demofotos ausprobieren</translation>
    </message>
    <message>
        <source>Or drop photos anywhere on this window: camera raws, DNG, TIFF, JPEG or PNG.</source>
        <translation>Oder Fotos irgendwo auf diesem Fenster ablegen: Raws, DNG, TIFF, JPEG oder PNG.</translation>
    </message>
    <message>
        <source>Opens the demo photos.</source>
        <translation>Öffnet die Demofotos.</translation>
    </message>
    <message>
        <source>Recent photos</source>
        <translation>Letzte Fotos</translation>
    </message>
</context>
<context>
    <name>irenic::StartPicture</name>
    <message>
        <source>One place of a photo: the original and three takes of it</source>
        <translation>Eine Stelle eines Fotos: das Original und drei Varianten davon</translation>
    </message>
    <message>
        <source>Original, ISO 12800</source>
        <translation>Original, ISO 12800</translation>
    </message>
    <message>
        <source>A  Learned</source>
        <translation>A  Gelernt</translation>
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
        <translation>Methode der Rauschminderung dieser Variante</translation>
    </message>
    <message>
        <source>More on this take</source>
        <translation>Mehr zu dieser Variante</translation>
    </message>
    <message>
        <source>Renames, duplicates, saves or removes this take.</source>
        <translation>Benennt diese Variante um, verdoppelt, sichert oder entfernt sie.</translation>
    </message>
    <message>
        <source>Rename take…</source>
        <translation>Variante umbenennen…</translation>
    </message>
    <message>
        <source>Duplicate take</source>
        <translation>Variante verdoppeln</translation>
    </message>
    <message>
        <source>Save as preset…</source>
        <translation>Als Voreinstellung sichern…</translation>
    </message>
    <message>
        <source>Set others to equal luminance noise</source>
        <translation>Andere auf gleiches Luminanzrauschen setzen</translation>
    </message>
    <message>
        <source>Set others to equal colour noise</source>
        <translation>Andere auf gleiches Farbrauschen setzen</translation>
    </message>
    <message>
        <source>Widen column</source>
        <translation>Spalte verbreitern</translation>
    </message>
    <message>
        <source>Collapse column</source>
        <translation>Spalte einklappen</translation>
    </message>
    <message>
        <source>Remove take</source>
        <translation>Variante entfernen</translation>
    </message>
    <message>
        <source>Estimated on this photo&apos;s probes (Stein&apos;s unbiased risk estimate), as a share of the noise. Gone once you change the settings.</source>
        <translation>An den Prüfstellen dieses Fotos geschätzt (Steins erwartungstreue Risikoschätzung), als Anteil des Rauschens. Verschwindet, wenn Sie die Einstellungen ändern.</translation>
    </message>
    <message>
        <source>Hide strengths</source>
        <translation>Stärken ausblenden</translation>
    </message>
    <message>
        <source>Show strengths, %1</source>
        <translation>Stärken zeigen, %1</translation>
    </message>
    <message>
        <source>off</source>
        <translation>aus</translation>
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
        <translation>Empfohlen: Fehler %1 % des Rauschens</translation>
    </message>
    <message>
        <source>Take %1 is chosen</source>
        <translation>Variante %1 ist gewählt</translation>
    </message>
    <message>
        <source>Choose take %1</source>
        <translation>Variante %1 wählen</translation>
    </message>
    <message>
        <source>This take is exported.</source>
        <translation>Diese Variante wird exportiert.</translation>
    </message>
    <message>
        <source>Chooses this take for export.</source>
        <translation>Wählt diese Variante für den Export.</translation>
    </message>
    <message>
        <source>Strengths: luminance (L) and colour (C) noise to remove, grain (G) to keep. Click to set all strengths of this take. (F3: all takes)</source>
        <translation>Stärken: Luminanz- (L) und Farbrauschen (C), das entfernt wird, und Korn (G), das bleibt. Klicken, um alle Stärken dieser Variante einzustellen. (F3: alle Varianten)</translation>
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
        <translation>Entferntes zeigen</translation>
    </message>
    <message>
        <source>Shows what this take removes in the middle of the view, amplified: even grain is noise, outlines are lost detail.</source>
        <translation>Zeigt, was diese Variante in der Mitte der Ansicht entfernt, verstärkt: Gleichmäßiges Korn ist Rauschen, Umrisse sind verlorene Details.</translation>
    </message>
</context>
<context>
    <name>irenic::TrialResult</name>
    <message>
        <source>%1 % sure</source>
        <translation>zu %1 % sicher</translation>
    </message>
    <message>
        <source>clearly above the next (%1)</source>
        <translation>klar über dem nächsten (%1)</translation>
    </message>
    <message>
        <source>probably above the next (%1)</source>
        <translation>wohl über dem nächsten (%1)</translation>
    </message>
    <message>
        <source>about as good as the next (%1)</source>
        <translation>etwa so gut wie das nächste (%1)</translation>
    </message>
    <message>
        <source>No picture stands out: the ones at the top look alike to you.</source>
        <translation>Kein Bild ragt heraus: Die obersten sehen für Sie gleich aus.</translation>
    </message>
    <message>
        <source>You prefer %1.</source>
        <translation>Sie ziehen %1 vor.</translation>
    </message>
    <message>
        <source>You probably prefer %1. More answers would make it surer.</source>
        <translation>Sie ziehen wohl %1 vor. Mehr Antworten würden es sicherer machen.</translation>
    </message>
    <message>
        <source>Save as text…</source>
        <translation>Als Text sichern…</translation>
    </message>
    <message>
        <source>Back to the sheet</source>
        <translation>Zurück zum Bogen</translation>
    </message>
    <message>
        <source>From %1 answers. Noise left is measured on an even grey with this photo&apos;s noise.</source>
        <translation>Aus %1 Antworten. Das Restrauschen wird auf gleichmäßigem Grau mit dem Rauschen dieses Fotos gemessen.</translation>
    </message>
    <message>
        <source>Blind trial of %1, %2</source>
        <translation>Blindvergleich von %1, %2</translation>
    </message>
    <message>
        <source>Choose %1 for export</source>
        <translation>%1 für den Export wählen</translation>
    </message>
    <message>
        <source>%1. %2</source>
        <translation>%1. %2</translation>
    </message>
    <message>
        <source>%1 % of the noise left</source>
        <translation>%1 % des Rauschens bleibt</translation>
    </message>
    <message>
        <source>Save the result</source>
        <translation>Ergebnis sichern</translation>
    </message>
    <message>
        <source>trial.txt</source>
        <translation>blindvergleich.txt</translation>
    </message>
    <message>
        <source>Text (*.txt)</source>
        <translation>Text (*.txt)</translation>
    </message>
    <message>
        <source>Saved: %1</source>
        <translation>Gesichert: %1</translation>
    </message>
    <message>
        <source>%1 could not be saved: %2</source>
        <translation>%1 ließ sich nicht sichern: %2</translation>
    </message>
</context>
<context>
    <name>irenic::TrialView</name>
    <message>
        <source>First picture</source>
        <translation>Erstes Bild</translation>
    </message>
    <message>
        <source>Second picture</source>
        <translation>Zweites Bild</translation>
    </message>
    <message>
        <source>←  This one</source>
        <translation>←  Dieses</translation>
    </message>
    <message>
        <source>↓  No difference</source>
        <translation>↓  Kein Unterschied</translation>
    </message>
    <message>
        <source>This one  →</source>
        <translation>Dieses  →</translation>
    </message>
    <message>
        <source>You prefer the left picture, or the first one. (Left)</source>
        <translation>Sie ziehen das linke Bild vor, oder das erste. (Links)</translation>
    </message>
    <message>
        <source>You see no difference, or like both as much. (Down)</source>
        <translation>Sie sehen keinen Unterschied oder mögen beide gleich. (Ab)</translation>
    </message>
    <message>
        <source>You prefer the right picture, or the second one. (Right)</source>
        <translation>Sie ziehen das rechte Bild vor, oder das zweite. (Rechts)</translation>
    </message>
    <message>
        <source>In one place</source>
        <translation>An einer Stelle</translation>
    </message>
    <message>
        <source>Shows both pictures in one place; Space changes between them. (F)</source>
        <translation>Zeigt beide Bilder an einer Stelle; die Leertaste wechselt zwischen ihnen. (F)</translation>
    </message>
    <message>
        <source>Show the result</source>
        <translation>Das Ergebnis zeigen</translation>
    </message>
    <message>
        <source>Ends the trial: names come back. (Esc)</source>
        <translation>Beendet den Vergleich: Die Namen kommen zurück. (Esc)</translation>
    </message>
    <message>
        <source>Open a photo first.</source>
        <translation>Zuerst ein Foto öffnen.</translation>
    </message>
    <message>
        <source>A blind trial needs two takes or more.</source>
        <translation>Ein Blindvergleich braucht mindestens zwei Varianten.</translation>
    </message>
    <message>
        <source>Which do you prefer?</source>
        <translation>Welches ziehen Sie vor?</translation>
    </message>
    <message>
        <source>%1 answers, the order is %2 % sure</source>
        <translation>%1 Antworten, die Reihenfolge ist zu %2 % sicher</translation>
    </message>
    <message>
        <source>←  The first</source>
        <translation>←  Das erste</translation>
    </message>
    <message>
        <source>The second  →</source>
        <translation>Das zweite  →</translation>
    </message>
</context>
<context>
    <name>irenic::ViewStrip</name>
    <message>
        <source>Others</source>
        <translation>Weitere</translation>
    </message>
    <message>
        <source>Other takes that were measured for this photo: one that is quicker, one with grain.</source>
        <translation>Weitere Varianten, die für dieses Foto gemessen wurden: eine schnellere, eine mit Korn.</translation>
    </message>
    <message>
        <source>Add take</source>
        <translation>Variante hinzufügen</translation>
    </message>
    <message>
        <source>Adds a column with another take. (Ctrl+T)</source>
        <translation>Fügt eine Spalte mit einer weiteren Variante hinzu. (Strg+T)</translation>
    </message>
    <message>
        <source>Ctrl+T</source>
        <translation>Ctrl+T</translation>
    </message>
    <message>
        <source>Shows all cells at %1. (%2)</source>
        <translation>Zeigt alle Felder bei %1. (%2)</translation>
    </message>
    <message>
        <source>Recentre on probes</source>
        <translation>Auf Prüfstellen zentrieren</translation>
    </message>
    <message>
        <source>Shows every row&apos;s probe again. (Home)</source>
        <translation>Zeigt wieder die Prüfstelle jeder Zeile. (Pos1)</translation>
    </message>
    <message>
        <source>Look</source>
        <translation>Entwicklung</translation>
    </message>
    <message>
        <source>Ctrl+L</source>
        <translation>Ctrl+L</translation>
    </message>
    <message>
        <source>Shows how the photo is developed: white balance, tone, lens, detail. The same for all takes. (Ctrl+L)</source>
        <translation>Zeigt, wie das Foto entwickelt wird: Weißabgleich, Ton, Objektiv, Details. Für alle Varianten gleich. (Strg+L)</translation>
    </message>
    <message>
        <source>View only, not exported</source>
        <translation>Nur Ansicht, wird nicht exportiert</translation>
    </message>
    <message>
        <source>Output size</source>
        <translation>Ausgabegröße</translation>
    </message>
    <message>
        <source>Shows the pixels that a print at 300 dpi or a reduced picture would have.</source>
        <translation>Zeigt die Pixel, die ein Druck mit 300 dpi oder ein verkleinertes Bild hätte.</translation>
    </message>
    <message>
        <source>Print, long edge %1 cm</source>
        <translation>Druck, lange Kante %1 cm</translation>
    </message>
    <message>
        <source>Long edge %1 px</source>
        <translation>Lange Kante %1 px</translation>
    </message>
    <message>
        <source>Custom print size…</source>
        <translation>Andere Druckgröße…</translation>
    </message>
    <message>
        <source>Long edge in cm, at 300 dpi:</source>
        <translation>Lange Kante in cm, bei 300 dpi:</translation>
    </message>
    <message>
        <source>%1 %</source>
        <translation>%1 %</translation>
    </message>
    <message>
        <source>Fit</source>
        <translation>Einpassen</translation>
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
        <translation>Einige Änderungen ließen sich nicht sichern: %1

Trotzdem schließen und sie verlieren?</translation>
    </message>
    <message>
        <source>Photos</source>
        <translation>Fotos</translation>
    </message>
    <message>
        <source>History</source>
        <translation>Verlauf</translation>
    </message>
    <message>
        <source>Exports</source>
        <translation>Exporte</translation>
    </message>
    <message>
        <source>Overview</source>
        <translation>Übersicht</translation>
    </message>
    <message>
        <source>Histogram</source>
        <translation>Histogramm</translation>
    </message>
    <message>
        <source>Shot</source>
        <translation>Aufnahme</translation>
    </message>
    <message>
        <source>Export queue</source>
        <translation>Warteschlange</translation>
    </message>
    <message>
        <source>It is closed: edit here</source>
        <translation>Sie ist geschlossen: hier bearbeiten</translation>
    </message>
    <message>
        <source>Pixel %1, %2</source>
        <translation>Pixel %1, %2</translation>
    </message>
    <message>
        <source>The list of open photos could not be saved: %1</source>
        <translation>Die Liste offener Fotos ließ sich nicht sichern: %1</translation>
    </message>
    <message>
        <source>Version %1</source>
        <translation>Stand %1</translation>
    </message>
    <message>
        <source>Save version</source>
        <translation>Stand sichern</translation>
    </message>
    <message>
        <source>Name of the version:</source>
        <translation>Name des Stands:</translation>
    </message>
    <message>
        <source>Colour profile of this monitor</source>
        <translation>Farbprofil dieses Monitors</translation>
    </message>
    <message>
        <source>ICC profiles (*.icc *.icm)</source>
        <translation>ICC-Profile (*.icc *.icm)</translation>
    </message>
    <message>
        <source>Monitor: %1</source>
        <translation>Monitor: %1</translation>
    </message>
    <message>
        <source>Open photos</source>
        <translation>Fotos öffnen</translation>
    </message>
    <message>
        <source>Open other versions of this photo</source>
        <translation>Andere Fassungen dieses Fotos öffnen</translation>
    </message>
    <message>
        <source>Open a folder of photos</source>
        <translation>Einen Ordner mit Fotos öffnen</translation>
    </message>
    <message>
        <source>Close-up — Irenic</source>
        <translation>Nahansicht — Irenic</translation>
    </message>
    <message>
        <source>%1 — Irenic</source>
        <translation>%1 — Irenic</translation>
    </message>
    <message>
        <source>Exports are running. Close? The rest waits for the next start.</source>
        <translation>Exporte laufen. Schließen? Der Rest wartet auf den nächsten Start.</translation>
    </message>
    <message>
        <source>An export is running. Stop it and close?</source>
        <translation>Ein Export läuft. Stoppen und schließen?</translation>
    </message>
    <message>
        <source>Saving your changes…</source>
        <translation>Ihre Änderungen werden gesichert…</translation>
    </message>
    <message>
        <source>The report was stopped. Nothing was written.</source>
        <translation>Der Bericht wurde gestoppt. Nichts wurde geschrieben.</translation>
    </message>
    <message>
        <source>Open a photo first.</source>
        <translation>Zuerst ein Foto öffnen.</translation>
    </message>
    <message>
        <source>-report</source>
        <translation>-bericht</translation>
    </message>
    <message>
        <source>Save report</source>
        <translation>Bericht sichern</translation>
    </message>
    <message>
        <source>PDF, with a JSON file beside it (*.pdf)</source>
        <translation>PDF, mit einer JSON-Datei daneben (*.pdf)</translation>
    </message>
    <message>
        <source>Checking all takes for the report</source>
        <translation>Alle Varianten werden für den Bericht geprüft</translation>
    </message>
    <message>
        <source>The layers were stopped. Nothing was written.</source>
        <translation>Die Ebenen wurden gestoppt. Nichts wurde geschrieben.</translation>
    </message>
    <message>
        <source>-takes</source>
        <translation>-varianten</translation>
    </message>
    <message>
        <source>Save takes as layers</source>
        <translation>Varianten als Ebenen sichern</translation>
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
        <translation>Die Varianten werden als Ebenen geschrieben</translation>
    </message>
    <message>
        <source>&amp;File</source>
        <translation>&amp;Datei</translation>
    </message>
    <message>
        <source>&amp;Edit</source>
        <translation>&amp;Bearbeiten</translation>
    </message>
    <message>
        <source>&amp;View</source>
        <translation>&amp;Ansicht</translation>
    </message>
    <message>
        <source>&amp;Help</source>
        <translation>&amp;Hilfe</translation>
    </message>
    <message>
        <source>&amp;Keyboard and mouse</source>
        <translation>&amp;Tastatur und Maus</translation>
    </message>
    <message>
        <source>&amp;Report a fault…</source>
        <translation>Einen &amp;Fehler melden…</translation>
    </message>
    <message>
        <source>&amp;Open…</source>
        <translation>&amp;Öffnen…</translation>
    </message>
    <message>
        <source>Open &amp;folder…</source>
        <translation>&amp;Ordner öffnen…</translation>
    </message>
    <message>
        <source>Ctrl+Shift+O</source>
        <translation>Ctrl+Shift+O</translation>
    </message>
    <message>
        <source>Open re&amp;cent</source>
        <translation>Z&amp;uletzt geöffnet</translation>
    </message>
    <message>
        <source>Open &amp;reference…</source>
        <translation>&amp;Referenz öffnen…</translation>
    </message>
    <message>
        <source>Ctrl+Shift+R</source>
        <translation>Ctrl+Shift+R</translation>
    </message>
    <message>
        <source>Open an &amp;export as reference</source>
        <translation>Einen &amp;Export als Referenz öffnen</translation>
    </message>
    <message>
        <source>Save re&amp;port…</source>
        <translation>Bericht &amp;sichern…</translation>
    </message>
    <message>
        <source>Checks all takes over the whole photo and writes a PDF with crops, settings and findings.</source>
        <translation>Prüft alle Varianten über das ganze Foto und schreibt ein PDF mit Ausschnitten, Einstellungen und Befunden.</translation>
    </message>
    <message>
        <source>Save takes as &amp;layers…</source>
        <translation>Var&amp;ianten als Ebenen sichern…</translation>
    </message>
    <message>
        <source>Writes the original and all takes as layers of one OpenRaster file, to be blended by hand elsewhere.</source>
        <translation>Schreibt das Original und alle Varianten als Ebenen einer OpenRaster-Datei, um sie anderswo von Hand zu mischen.</translation>
    </message>
    <message>
        <source>Stop writing the &amp;layers</source>
        <translation>Ebenen n&amp;icht weiter schreiben</translation>
    </message>
    <message>
        <source>Stop the re&amp;port</source>
        <translation>Bericht &amp;stoppen</translation>
    </message>
    <message>
        <source>&amp;Quit</source>
        <translation>&amp;Beenden</translation>
    </message>
    <message>
        <source>&amp;Undo</source>
        <translation>&amp;Rückgängig</translation>
    </message>
    <message>
        <source>&amp;Redo</source>
        <translation>&amp;Wiederholen</translation>
    </message>
    <message>
        <source>Ctrl+Shift+Z</source>
        <translation>Ctrl+Shift+Z</translation>
    </message>
    <message>
        <source>&amp;Undo: %1</source>
        <translation>&amp;Rückgängig: %1</translation>
    </message>
    <message>
        <source>&amp;Redo: %1</source>
        <translation>&amp;Wiederholen: %1</translation>
    </message>
    <message>
        <source>Save &amp;version…</source>
        <translation>&amp;Stand sichern…</translation>
    </message>
    <message>
        <source>Ctrl+K</source>
        <translation>Ctrl+K</translation>
    </message>
    <message>
        <source>Restore &amp;kept version</source>
        <translation>Gesicherten Stand wieder&amp;herstellen</translation>
    </message>
    <message>
        <source>&amp;Copy photo settings</source>
        <translation>Fotoeinstellungen &amp;kopieren</translation>
    </message>
    <message>
        <source>Ctrl+Shift+C</source>
        <translation>Ctrl+Shift+C</translation>
    </message>
    <message>
        <source>&amp;Paste to selected photos</source>
        <translation>In ausgewählte Fotos &amp;einfügen</translation>
    </message>
    <message>
        <source>&amp;Everything</source>
        <translation>&amp;Alles</translation>
    </message>
    <message>
        <source>Ctrl+Shift+V</source>
        <translation>Ctrl+Shift+V</translation>
    </message>
    <message>
        <source>&amp;Takes and choice</source>
        <translation>&amp;Varianten und Wahl</translation>
    </message>
    <message>
        <source>&amp;Probes</source>
        <translation>&amp;Prüfstellen</translation>
    </message>
    <message>
        <source>&amp;Look</source>
        <translation>&amp;Entwicklung</translation>
    </message>
    <message>
        <source>Use as &amp;default for new photos</source>
        <translation>Als &amp;Vorgabe für neue Fotos verwenden</translation>
    </message>
    <message>
        <source>New photos start with these takes and this look.</source>
        <translation>Neue Fotos beginnen mit diesen Varianten und dieser Entwicklung.</translation>
    </message>
    <message>
        <source>&amp;Panels</source>
        <translation>&amp;Bereiche</translation>
    </message>
    <message>
        <source>Show all &amp;strengths</source>
        <translation>Alle &amp;Stärken zeigen</translation>
    </message>
    <message>
        <source>&amp;Widen column</source>
        <translation>Spalte &amp;verbreitern</translation>
    </message>
    <message>
        <source>W</source>
        <translation>W</translation>
    </message>
    <message>
        <source>Widen &amp;row</source>
        <translation>&amp;Zeile verbreitern</translation>
    </message>
    <message>
        <source>Shift+W</source>
        <translation>Shift+W</translation>
    </message>
    <message>
        <source>&amp;Collapse column</source>
        <translation>Spalte &amp;einklappen</translation>
    </message>
    <message>
        <source>X</source>
        <translation>X</translation>
    </message>
    <message>
        <source>Collapse r&amp;ow</source>
        <translation>Ze&amp;ile einklappen</translation>
    </message>
    <message>
        <source>Shift+X</source>
        <translation>Shift+X</translation>
    </message>
    <message>
        <source>Sheet &amp;layout</source>
        <translation>&amp;Aufbau des Bogens</translation>
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
        <translation>Spalte nach &amp;links</translation>
    </message>
    <message>
        <source>Move column rig&amp;ht</source>
        <translation>Spalte nach &amp;rechts</translation>
    </message>
    <message>
        <source>Move row &amp;up</source>
        <translation>Zeile nach &amp;oben</translation>
    </message>
    <message>
        <source>Move row &amp;down</source>
        <translation>Zeile nach &amp;unten</translation>
    </message>
    <message>
        <source>Reset la&amp;yout</source>
        <translation>Aufbau zurück&amp;setzen</translation>
    </message>
    <message>
        <source>Shift+Home</source>
        <translation>Shift+Home</translation>
    </message>
    <message>
        <source>Recommend &amp;automatically</source>
        <translation>Automatisch &amp;empfehlen</translation>
    </message>
    <message>
        <source>&amp;Keep pictures on disk</source>
        <translation>Bilder auf &amp;der Platte behalten</translation>
    </message>
    <message>
        <source>Keeps pictures that took long to make, at most 1 GB, so that a photo opens again at once. Switching it off removes them.</source>
        <translation>Behält Bilder, deren Herstellung lange dauerte, höchstens 1 GB, damit ein Foto sofort wieder offen ist. Ausschalten entfernt sie.</translation>
    </message>
    <message>
        <source>Ctrl+P</source>
        <translation>Ctrl+P</translation>
    </message>
    <message>
        <source>Shows these takes on the selected photos: a row for each of those that differ most. (Ctrl+P)</source>
        <translation>Zeigt diese Varianten auf den ausgewählten Fotos: eine Zeile für jedes derer, die sich am meisten unterscheiden. (Strg+P)</translation>
    </message>
    <message>
        <source>&amp;Blind trial</source>
        <translation>B&amp;lindvergleich</translation>
    </message>
    <message>
        <source>Ctrl+B</source>
        <translation>Ctrl+B</translation>
    </message>
    <message>
        <source>Shows takes without their names, two at a time. You say which you prefer. (Ctrl+B)</source>
        <translation>Zeigt Varianten ohne ihre Namen, je zwei auf einmal. Sie sagen, welche Sie vorziehen. (Strg+B)</translation>
    </message>
    <message>
        <source>&amp;Next photo</source>
        <translation>&amp;Nächstes Foto</translation>
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
        <translation>Fotos &amp;ordnen</translation>
    </message>
    <message>
        <source>By &amp;name</source>
        <translation>Nach &amp;Name</translation>
    </message>
    <message>
        <source>By capture &amp;time</source>
        <translation>Nach Aufnahme&amp;zeit</translation>
    </message>
    <message>
        <source>By &amp;ISO</source>
        <translation>Nach &amp;ISO</translation>
    </message>
    <message>
        <source>&amp;Mid-grey (for judging)</source>
        <translation>&amp;Mittelgrau (zum Beurteilen)</translation>
    </message>
    <message>
        <source>&amp;Dark (for a dark room)</source>
        <translation>&amp;Dunkel (für einen dunklen Raum)</translation>
    </message>
    <message>
        <source>&amp;Light (for a bright room)</source>
        <translation>&amp;Hell (für einen hellen Raum)</translation>
    </message>
    <message>
        <source>&amp;Close-up in its own window</source>
        <translation>Nahansicht &amp;in eigenem Fenster</translation>
    </message>
    <message>
        <source>Shows the close-up in a window of its own, for a second monitor. It follows the cell that you click. (F12)</source>
        <translation>Zeigt die Nahansicht in einem eigenen Fenster, für einen zweiten Monitor. Sie folgt dem Feld, auf das Sie klicken. (F12)</translation>
    </message>
    <message>
        <source>&amp;Full screen</source>
        <translation>&amp;Ganzer Bildschirm</translation>
    </message>
    <message>
        <source>&amp;Monitor profile…</source>
        <translation>&amp;Monitorprofil…</translation>
    </message>
    <message>
        <source>&amp;Monitor profile (now %1)…</source>
        <translation>&amp;Monitorprofil (jetzt %1)…</translation>
    </message>
    <message>
        <source>S&amp;ystem monitor profile</source>
        <translation>Monitorprofil des S&amp;ystems</translation>
    </message>
    <message>
        <source>&amp;Photos</source>
        <translation>&amp;Fotos</translation>
    </message>
    <message>
        <source>Ctrl+1</source>
        <translation>Ctrl+1</translation>
    </message>
    <message>
        <source>&amp;Overview</source>
        <translation>&amp;Übersicht</translation>
    </message>
    <message>
        <source>Ctrl+2</source>
        <translation>Ctrl+2</translation>
    </message>
    <message>
        <source>&amp;Histogram</source>
        <translation>&amp;Histogramm</translation>
    </message>
    <message>
        <source>Ctrl+3</source>
        <translation>Ctrl+3</translation>
    </message>
    <message>
        <source>&amp;Shot</source>
        <translation>&amp;Aufnahme</translation>
    </message>
    <message>
        <source>Ctrl+4</source>
        <translation>Ctrl+4</translation>
    </message>
    <message>
        <source>H&amp;istory</source>
        <translation>&amp;Verlauf</translation>
    </message>
    <message>
        <source>Ctrl+H</source>
        <translation>Ctrl+H</translation>
    </message>
    <message>
        <source>&amp;Exports</source>
        <translation>&amp;Exporte</translation>
    </message>
    <message>
        <source>Ctrl+5</source>
        <translation>Ctrl+5</translation>
    </message>
    <message>
        <source>&amp;Reset panels</source>
        <translation>Bereiche &amp;zurücksetzen</translation>
    </message>
    <message>
        <source>Photo: %1, ISO %2, %3 x %4, %5, %6 bit</source>
        <translation>Foto: %1, ISO %2, %3 x %4, %5, %6 Bit</translation>
    </message>
    <message>
        <source>No photos yet</source>
        <translation>Noch keine Fotos</translation>
    </message>
    <message>
        <source>%1   %2   %3</source>
        <translation>%1   %2   %3</translation>
    </message>
    <message>
        <source>Missing</source>
        <translation>Fehlt</translation>
    </message>
    <message>
        <source>Nothing yet</source>
        <translation>Noch nichts</translation>
    </message>
    <message>
        <source>%1   %2</source>
        <translation>%1   %2</translation>
    </message>
    <message>
        <source>As the desktop</source>
        <translation>Wie der Desktop</translation>
    </message>
    <message>
        <source>Irenic will speak this language from its next start on.</source>
        <translation>Irenic spricht diese Sprache ab dem nächsten Start.</translation>
    </message>
    <message>
        <source>Lan&amp;guage</source>
        <translation>S&amp;prache</translation>
    </message>
    <message>
        <source>&amp;Manual</source>
        <translation>&amp;Handbuch</translation>
    </message>
    <message>
        <source>Shift+F1</source>
        <translation>Shift+F1</translation>
    </message>
    <message>
        <source>Sheet o&amp;ver photos</source>
        <translation>Bogen über mehrere &amp;Fotos</translation>
    </message>
    <message>
        <source>Previo&amp;us photo</source>
        <translation>&amp;Voriges Foto</translation>
    </message>
    <message>
        <source>Window brigh&amp;tness</source>
        <translation>&amp;Helligkeit des Fensters</translation>
    </message>
    <message>
        <source>&amp;Monitor profile (now %1, 10 bits)…</source>
        <translation>&amp;Monitorprofil (jetzt %1, 10 Bit)…</translation>
    </message>
    <message>
        <source>By &amp;visible noise</source>
        <translation>Nach sichtbarem &amp;Rauschen</translation>
    </message>
    <message>
        <source>Reading dark frames was stopped. Nothing has changed.</source>
        <translation>Das Lesen der Dunkelbilder wurde angehalten. Es hat sich nichts geändert.</translation>
    </message>
    <message>
        <source>Open dark frames, taken with the lens covered</source>
        <translation>Dunkelbilder öffnen, bei abgedecktem Objektiv aufgenommen</translation>
    </message>
    <message>
        <source>Dark frames are used from now on for %1</source>
        <translation>Dunkelbilder werden von nun an verwendet für %1</translation>
    </message>
    <message>
        <source>Reading dark frames</source>
        <translation>Dunkelbilder werden gelesen</translation>
    </message>
    <message>
        <source>Photos of this camera and ISO are cleaned without dark frames again.</source>
        <translation>Fotos dieser Kamera und ISO werden wieder ohne Dunkelbilder entrauscht.</translation>
    </message>
    <message>
        <source>Forgetting dark frames</source>
        <translation>Dunkelbilder werden vergessen</translation>
    </message>
    <message>
        <source>&amp;Dark frames…</source>
        <translation>&amp;Dunkelbilder…</translation>
    </message>
    <message>
        <source>Averages raws that were taken with the lens covered, and takes off what photos of the same camera, ISO and exposure show of them.</source>
        <translation>Mittelt Raws, die bei abgedecktem Objektiv aufgenommen wurden, und zieht ab, was Fotos derselben Kamera, ISO und Belichtung davon zeigen.</translation>
    </message>
    <message>
        <source>Forget dark fra&amp;mes</source>
        <translation>Dunkelbilder &amp;vergessen</translation>
    </message>
    <message>
        <source>Stop reading &amp;dark frames</source>
        <translation>&amp;Dunkelbilder nicht weiter lesen</translation>
    </message>
</context>
<context>
    <name>irenic::ZonePanel</name>
    <message>
        <source>All but: %1</source>
        <translation>Alles außer: %1</translation>
    </message>
    <message>
        <source>Add zone</source>
        <translation>Zone hinzufügen</translation>
    </message>
    <message>
        <source>A zone is a part of the photo that this take cleans more or less than the rest.</source>
        <translation>Eine Zone ist ein Teil des Fotos, den diese Variante mehr oder weniger als den Rest säubert.</translation>
    </message>
    <message>
        <source>Remove</source>
        <translation>Entfernen</translation>
    </message>
    <message>
        <source>Removes this zone and its strokes.</source>
        <translation>Entfernt diese Zone und ihre Striche.</translation>
    </message>
    <message>
        <source>Zone</source>
        <translation>Zone</translation>
    </message>
    <message>
        <source>The zone that the controls below act on.</source>
        <translation>Die Zone, auf die die Bedienelemente darunter wirken.</translation>
    </message>
    <message>
        <source>Method here</source>
        <translation>Methode hier</translation>
    </message>
    <message>
        <source>The method that cleans here, if not the take&apos;s.</source>
        <translation>Die Methode, die hier säubert, wenn es nicht die der Variante ist.</translation>
    </message>
    <message>
        <source>Method of the take</source>
        <translation>Methode der Variante</translation>
    </message>
    <message>
        <source>Paint</source>
        <translation>Malen</translation>
    </message>
    <message>
        <source>Adds to the zone: drag on the picture. (K)</source>
        <translation>Nimmt zur Zone hinzu: auf dem Bild ziehen. (K)</translation>
    </message>
    <message>
        <source>Erase</source>
        <translation>Radieren</translation>
    </message>
    <message>
        <source>Takes away from the zone: drag on the picture. (Shift+K)</source>
        <translation>Nimmt von der Zone weg: auf dem Bild ziehen. (Umschalt+K)</translation>
    </message>
    <message>
        <source>Show</source>
        <translation>Zeigen</translation>
    </message>
    <message>
        <source>Shows the zone over the picture: in colour, grey where it is not, or as an outline. (M)</source>
        <translation>Zeigt die Zone über dem Bild: in Farbe, grau, wo sie nicht ist, oder als Umriss. (M)</translation>
    </message>
    <message>
        <source>Clear strokes</source>
        <translation>Striche löschen</translation>
    </message>
    <message>
        <source>Removes all strokes of this zone.</source>
        <translation>Entfernt alle Striche dieser Zone.</translation>
    </message>
    <message>
        <source>Mark wanted</source>
        <translation>Gewolltes markieren</translation>
    </message>
    <message>
        <source>Draw a line on what the zone is to be. The zone is then found around it.</source>
        <translation>Eine Linie auf das ziehen, was die Zone sein soll. Die Zone wird dann darum herum gefunden.</translation>
    </message>
    <message>
        <source>Mark unwanted</source>
        <translation>Ungewolltes markieren</translation>
    </message>
    <message>
        <source>Draw a line on what the zone is not to be. Without one, the photo&apos;s border is not.</source>
        <translation>Eine Linie auf das ziehen, was die Zone nicht sein soll. Ohne eine ist es der Rand des Fotos nicht.</translation>
    </message>
    <message>
        <source>How the zone is shown.</source>
        <translation>Wie die Zone gezeigt wird.</translation>
    </message>
    <message>
        <source>How the zone is shown</source>
        <translation>Wie die Zone gezeigt wird</translation>
    </message>
    <message>
        <source>Keep to edges</source>
        <translation>An Kanten halten</translation>
    </message>
    <message>
        <source>The brush covers only what is like what its middle runs over.</source>
        <translation>Der Pinsel deckt nur, was dem gleicht, worüber seine Mitte läuft.</translation>
    </message>
    <message>
        <source>In colour</source>
        <translation>In Farbe</translation>
    </message>
    <message>
        <source>Grey where it is not</source>
        <translation>Grau, wo sie nicht ist</translation>
    </message>
    <message>
        <source>As an outline</source>
        <translation>Als Umriss</translation>
    </message>
    <message>
        <source>Ochre</source>
        <translation>Ocker</translation>
    </message>
    <message>
        <source>Green</source>
        <translation>Grün</translation>
    </message>
    <message>
        <source>Blue</source>
        <translation>Blau</translation>
    </message>
    <message>
        <source>Magenta</source>
        <translation>Magenta</translation>
    </message>
    <message>
        <source>Faint</source>
        <translation>Schwach</translation>
    </message>
    <message>
        <source>Medium</source>
        <translation>Mittel</translation>
    </message>
    <message>
        <source>Strong</source>
        <translation>Stark</translation>
    </message>
</context>
</TS>
