<?xml version="1.0" encoding="utf-8"?>
<!DOCTYPE TS>
<TS version="2.1" language="es" sourcelanguage="en">
<context>
    <name>Monitor</name>
    <message>
        <source>%1: this is not the profile of a monitor. Choose another file, or cancel to use the system&apos;s.</source>
        <translation>%1: no es un perfil de monitor. Elija otro archivo, o cancele para usar el del sistema.</translation>
    </message>
</context>
<context>
    <name>QObject</name>
    <message>
        <source>There is no command to run.</source>
        <translation>No hay ninguna orden que ejecutar.</translation>
    </message>
    <message>
        <source>%1 cannot be started. Is it installed?</source>
        <translation>No se puede iniciar %1. ¿Está instalado?</translation>
    </message>
    <message>
        <source>Sheet</source>
        <translation>Hoja</translation>
    </message>
    <message>
        <source>Close-up</source>
        <translation>Primer plano</translation>
    </message>
    <message>
        <source>Blind trial</source>
        <translation>Prueba a ciegas</translation>
    </message>
    <message>
        <source>Sheet over photos</source>
        <translation>Hoja de varias fotos</translation>
    </message>
    <message>
        <source>Mouse and sliders</source>
        <translation>Ratón y controles</translation>
    </message>
    <message>
        <source>Lists</source>
        <translation>Listas</translation>
    </message>
    <message>
        <source>Arrows</source>
        <translation>Flechas</translation>
    </message>
    <message>
        <source>Go from cell to cell</source>
        <translation>Ir de celda en celda</translation>
    </message>
    <message>
        <source>Enter</source>
        <translation>Intro</translation>
    </message>
    <message>
        <source>Open the cell in the close-up</source>
        <translation>Abrir la celda en primer plano</translation>
    </message>
    <message>
        <source>O</source>
        <translation>O</translation>
    </message>
    <message>
        <source>Show the original</source>
        <translation>Mostrar el original</translation>
    </message>
    <message>
        <source>A to H</source>
        <translation>A a H</translation>
    </message>
    <message>
        <source>Show that take</source>
        <translation>Mostrar esa variante</translation>
    </message>
    <message>
        <source>R</source>
        <translation>R</translation>
    </message>
    <message>
        <source>Show the next reference</source>
        <translation>Mostrar la referencia siguiente</translation>
    </message>
    <message>
        <source>Left, Right</source>
        <translation>Izquierda, Derecha</translation>
    </message>
    <message>
        <source>Show the previous or next take</source>
        <translation>Mostrar la variante anterior o siguiente</translation>
    </message>
    <message>
        <source>Tab</source>
        <translation>Tab</translation>
    </message>
    <message>
        <source>Flip the last two</source>
        <translation>Alternar entre las dos últimas</translation>
    </message>
    <message>
        <source>Ctrl+Tab, Shift+Tab</source>
        <translation>Ctrl+Tab, Mayús+Tab</translation>
    </message>
    <message>
        <source>Go to the next or previous control</source>
        <translation>Ir al control siguiente o anterior</translation>
    </message>
    <message>
        <source>Space</source>
        <translation>Espacio</translation>
    </message>
    <message>
        <source>Show the original while held</source>
        <translation>Mostrar el original mientras se mantiene pulsada</translation>
    </message>
    <message>
        <source>Up, Down</source>
        <translation>Arriba, Abajo</translation>
    </message>
    <message>
        <source>Zoom in or out</source>
        <translation>Acercar o alejar</translation>
    </message>
    <message>
        <source>Shift+Arrows</source>
        <translation>Mayús+Flechas</translation>
    </message>
    <message>
        <source>Pan</source>
        <translation>Desplazar</translation>
    </message>
    <message>
        <source>Page Up, Page Down</source>
        <translation>RePág, AvPág</translation>
    </message>
    <message>
        <source>Go to the previous or next probe</source>
        <translation>Ir al punto de control anterior o siguiente</translation>
    </message>
    <message>
        <source>K</source>
        <translation>K</translation>
    </message>
    <message>
        <source>Paint on the zone; with Shift erase; again: stop</source>
        <translation>Pintar en la zona; con Mayús, borrar; otra vez: dejarlo</translation>
    </message>
    <message>
        <source>M</source>
        <translation>M</translation>
    </message>
    <message>
        <source>Show the zone: in colour, grey outside, as an outline, not at all</source>
        <translation>Mostrar la zona: en color, gris fuera, como contorno, nada</translation>
    </message>
    <message>
        <source>N</source>
        <translation>N</translation>
    </message>
    <message>
        <source>Go to the next place that the checks found; with Shift the one before</source>
        <translation>Ir al siguiente lugar que hallaron las comprobaciones; con Mayús, al anterior</translation>
    </message>
    <message>
        <source>S</source>
        <translation>S</translation>
    </message>
    <message>
        <source>Sweep over the whole photo at 100 %; with Shift one step back</source>
        <translation>Recorrer toda la foto al 100 %; con Mayús, un paso atrás</translation>
    </message>
    <message>
        <source>P</source>
        <translation>P</translation>
    </message>
    <message>
        <source>Add a probe here</source>
        <translation>Añadir aquí un punto de control</translation>
    </message>
    <message>
        <source>Choose this take for export</source>
        <translation>Elegir esta variante para exportar</translation>
    </message>
    <message>
        <source>Esc</source>
        <translation>Esc</translation>
    </message>
    <message>
        <source>Go back to the sheet</source>
        <translation>Volver a la hoja</translation>
    </message>
    <message>
        <source>Prefer the left or right picture, or the first or second</source>
        <translation>Preferir la imagen izquierda o derecha, o la primera o segunda</translation>
    </message>
    <message>
        <source>Down</source>
        <translation>Abajo</translation>
    </message>
    <message>
        <source>See no difference</source>
        <translation>No ver diferencia</translation>
    </message>
    <message>
        <source>F</source>
        <translation>F</translation>
    </message>
    <message>
        <source>Show both in one place, or beside each other</source>
        <translation>Mostrar ambas en un mismo lugar, o una junto a otra</translation>
    </message>
    <message>
        <source>Change between the two that are in one place</source>
        <translation>Cambiar entre las dos que están en un mismo lugar</translation>
    </message>
    <message>
        <source>Backspace</source>
        <translation>Retroceso</translation>
    </message>
    <message>
        <source>Take the last answer back</source>
        <translation>Retirar la última respuesta</translation>
    </message>
    <message>
        <source>Show the result, then go back</source>
        <translation>Mostrar el resultado y después volver</translation>
    </message>
    <message>
        <source>Show the previous or next probe of each photo</source>
        <translation>Mostrar el punto de control anterior o siguiente de cada foto</translation>
    </message>
    <message>
        <source>Drag a cell</source>
        <translation>Arrastrar una celda</translation>
    </message>
    <message>
        <source>Pan its row; with Shift all rows</source>
        <translation>Desplazar su fila; con Mayús, todas las filas</translation>
    </message>
    <message>
        <source>Wheel on a cell</source>
        <translation>Rueda sobre una celda</translation>
    </message>
    <message>
        <source>Zoom at the pointer</source>
        <translation>Ampliar en el puntero</translation>
    </message>
    <message>
        <source>Double-click a cell</source>
        <translation>Doble clic en una celda</translation>
    </message>
    <message>
        <source>Open it in the close-up</source>
        <translation>Abrirla en primer plano</translation>
    </message>
    <message>
        <source>Alt with a brush</source>
        <translation>Alt con un pincel</translation>
    </message>
    <message>
        <source>Draw a straight line</source>
        <translation>Trazar una línea recta</translation>
    </message>
    <message>
        <source>Pen with a brush</source>
        <translation>Lápiz con un pincel</translation>
    </message>
    <message>
        <source>Press harder to draw a wider line</source>
        <translation>Apretar más para trazar una línea más ancha</translation>
    </message>
    <message>
        <source>Click in the close-up</source>
        <translation>Clic en el primer plano</translation>
    </message>
    <message>
        <source>Say which zones act there, and how strongly</source>
        <translation>Decir qué zonas actúan ahí, y con qué fuerza</translation>
    </message>
    <message>
        <source>Ctrl+wheel with a brush</source>
        <translation>Ctrl+rueda con un pincel</translation>
    </message>
    <message>
        <source>Set its size; with Shift its soft edge</source>
        <translation>Ajustar su tamaño; con Mayús, su borde suave</translation>
    </message>
    <message>
        <source>Drag a slider</source>
        <translation>Arrastrar un control</translation>
    </message>
    <message>
        <source>Set its value; with Shift 10× finer</source>
        <translation>Ajustar su valor; con Mayús, 10× más fino</translation>
    </message>
    <message>
        <source>Arrows on a slider</source>
        <translation>Flechas en un control</translation>
    </message>
    <message>
        <source>One step; with Shift the smallest</source>
        <translation>Un paso; con Mayús, el menor</translation>
    </message>
    <message>
        <source>Double-click a slider</source>
        <translation>Doble clic en un control</translation>
    </message>
    <message>
        <source>Reset its value; so does Delete</source>
        <translation>Restablecer su valor; también Supr</translation>
    </message>
    <message>
        <source>Drag on the overview</source>
        <translation>Arrastrar en la vista general</translation>
    </message>
    <message>
        <source>Move a probe</source>
        <translation>Mover un punto de control</translation>
    </message>
    <message>
        <source>Double-click the overview</source>
        <translation>Doble clic en la vista general</translation>
    </message>
    <message>
        <source>Add a probe</source>
        <translation>Añadir un punto de control</translation>
    </message>
    <message>
        <source>Delete</source>
        <translation>Supr</translation>
    </message>
    <message>
        <source>In the list: close the selected photos. On the overview: remove the probe</source>
        <translation>En la lista: cerrar las fotos seleccionadas. En la vista general: quitar el punto de control</translation>
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
        <translation>Puntos de control</translation>
    </message>
    <message>
        <source>Look</source>
        <translation>Revelado</translation>
    </message>
    <message>
        <source>Settings</source>
        <translation>Ajustes</translation>
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
        <translation>%1 y más</translation>
    </message>
    <message>
        <source>%1 changed</source>
        <translation>%1 cambiado</translation>
    </message>
    <message>
        <source>%1 of the bright points are gone: a zone on them with luminance %2 would keep them.</source>
        <translation>%1 de los puntos brillantes han desaparecido: una zona sobre ellos con luminancia %2 los conservaría.</translation>
    </message>
    <message>
        <source>%1 of the noise is left in even areas: luminance %2 would take more.</source>
        <translation>%1 del ruido queda en las áreas uniformes: luminancia %2 quitaría más.</translation>
    </message>
    <message>
        <source>%1: renamed to &quot;%2&quot;</source>
        <translation>%1: ahora se llama «%2»</translation>
    </message>
    <message>
        <source>16 bit</source>
        <translation>16 bits</translation>
    </message>
    <message>
        <source>32 bit floating point</source>
        <translation>32 bits en coma flotante</translation>
    </message>
    <message>
        <source>8 bit</source>
        <translation>8 bits</translation>
    </message>
    <message>
        <source>A fine grid is left all over the picture.</source>
        <translation>Queda una retícula fina en toda la imagen.</translation>
    </message>
    <message>
        <source>Above 0 brightens areas darker than mid-grey by up to 1.5 stops, and the noise in them. Local contrast stays.</source>
        <translation>Por encima de 0 aclara las áreas más oscuras que el gris medio hasta 1,5 pasos, y el ruido que hay en ellas. El contraste local se mantiene.</translation>
    </message>
    <message>
        <source>Above 0 makes texture and small forms stand out from their surround, and the noise in them.</source>
        <translation>Por encima de 0 hace resaltar la textura y las formas pequeñas de su entorno, y el ruido que hay en ellas.</translation>
    </message>
    <message>
        <source>Above 0 strengthens weak colours; those that are strong already stay as they are.</source>
        <translation>Por encima de 0 refuerza los colores débiles; los que ya son fuertes quedan como están.</translation>
    </message>
    <message>
        <source>Added by you</source>
        <translation>Añadido por usted</translation>
    </message>
    <message>
        <source>An ICC profile for RGB instead of a colour space, such as a printer&apos;s.</source>
        <translation>Un perfil ICC para RGB en lugar de un espacio de color, como el de una impresora.</translation>
    </message>
    <message>
        <source>BM3D</source>
        <translation>BM3D</translation>
    </message>
    <message>
        <source>BM3D quick</source>
        <translation>BM3D rápido</translation>
    </message>
    <message>
        <source>BM3D with one kind of blocks instead of two. Faster.</source>
        <translation>BM3D con un tipo de bloques en lugar de dos. Más rápido.</translation>
    </message>
    <message>
        <source>Below 0 darkens areas brighter than mid-grey by up to 1.5 stops. Local contrast stays.</source>
        <translation>Por debajo de 0 oscurece las áreas más claras que el gris medio hasta 1,5 pasos. El contraste local se mantiene.</translation>
    </message>
    <message>
        <source>Bright areas</source>
        <translation>Áreas claras</translation>
    </message>
    <message>
        <source>Bright points such as stars and glints are gone or dimmed.</source>
        <translation>Los puntos brillantes, como estrellas y destellos, han desaparecido o se han atenuado.</translation>
    </message>
    <message>
        <source>Bright points such as stars and glints are kept.</source>
        <translation>Los puntos brillantes, como estrellas y destellos, se conservan.</translation>
    </message>
    <message>
        <source>Bright points: must not vanish</source>
        <translation>Puntos brillantes: no deben desaparecer</translation>
    </message>
    <message>
        <source>Brightens the corners to match the middle, and the noise in them.</source>
        <translation>Aclara las esquinas para igualarlas al centro, y el ruido que hay en ellas.</translation>
    </message>
    <message>
        <source>Brightness of the whole photo in stops. Exported, unlike the push.</source>
        <translation>Claridad de toda la foto en pasos. Se exporta, a diferencia del forzado.</translation>
    </message>
    <message>
        <source>Clean, with straight edges. Slower.</source>
        <translation>Limpio, con bordes rectos. Más lento.</translation>
    </message>
    <message>
        <source>Cleanest and sharpest: a neural network trained on other pictures.</source>
        <translation>El más limpio y nítido: una red neuronal entrenada con otras imágenes.</translation>
    </message>
    <message>
        <source>Coarse colour noise to remove here, as a factor of the take&apos;s.</source>
        <translation>Ruido de color grueso que se quita aquí, como factor del de la variante.</translation>
    </message>
    <message>
        <source>Colour blotches</source>
        <translation>Manchas de color</translation>
    </message>
    <message>
        <source>Colour blotches are left: coarse colour %1 would take more.</source>
        <translation>Quedan manchas de color: color grueso %1 quitaría más.</translation>
    </message>
    <message>
        <source>Colour blotches of 8 to 32 pixels are left.</source>
        <translation>Quedan manchas de color de 8 a 32 píxeles.</translation>
    </message>
    <message>
        <source>Colour blotches of 8–64 px to remove. Needs Colour above 0.</source>
        <translation>Manchas de color de 8–64 px que se quitan. Requiere Color por encima de 0.</translation>
    </message>
    <message>
        <source>Colour noise to remove here, as a factor of the take&apos;s.</source>
        <translation>Ruido de color que se quita aquí, como factor del de la variante.</translation>
    </message>
    <message>
        <source>Colour noise to remove; 1.00× is as much as was measured.</source>
        <translation>Ruido de color que se quita; 1,00× es tanto como se midió.</translation>
    </message>
    <message>
        <source>Colour shift</source>
        <translation>Desvío de color</translation>
    </message>
    <message>
        <source>Colour temperature of the light; higher makes the picture warmer.</source>
        <translation>Temperatura de color de la luz; un valor mayor da una imagen más cálida.</translation>
    </message>
    <message>
        <source>Colours and brightness are kept.</source>
        <translation>Los colores y la claridad se conservan.</translation>
    </message>
    <message>
        <source>Colours or brightness of whole areas have changed.</source>
        <translation>Han cambiado los colores o la claridad de áreas enteras.</translation>
    </message>
    <message>
        <source>Colours that the file can hold. sRGB suits screens; wider spaces are for further work.</source>
        <translation>Colores que el archivo puede contener. sRGB va bien para pantallas; los espacios más amplios son para seguir trabajando.</translation>
    </message>
    <message>
        <source>Corner: least light and sharpness</source>
        <translation>Esquina: la menor luz y nitidez</translation>
    </message>
    <message>
        <source>DNG: full colour instead of the mosaic, with sharpening and lens corrections applied. Three times as large.</source>
        <translation>DNG: color completo en lugar del mosaico, con enfoque y correcciones de objetivo. Ocupa el triple.</translation>
    </message>
    <message>
        <source>DNG: stores a preview with all pixels instead of 1024 across.</source>
        <translation>DNG: guarda una vista previa con todos los píxeles en lugar de 1024 de ancho.</translation>
    </message>
    <message>
        <source>DNG: where the edits go that another program keeps beside the raw, in an XMP file of its name.</source>
        <translation>DNG: adónde van las ediciones que otro programa guarda junto al raw, en un archivo XMP del mismo nombre.</translation>
    </message>
    <message>
        <source>Dark areas</source>
        <translation>Áreas oscuras</translation>
    </message>
    <message>
        <source>Darkest area with detail: colour noise shows here first</source>
        <translation>Área más oscura con detalle: el ruido de color se ve aquí primero</translation>
    </message>
    <message>
        <source>Darkest area with detail; push +%1 EV to see it</source>
        <translation>Área más oscura con detalle; fuerce +%1 EV para verla</translation>
    </message>
    <message>
        <source>Deep red or blue: the noisiest channel, and colour fades here</source>
        <translation>Rojo o azul intensos: el canal más ruidoso, y el color se apaga aquí</translation>
    </message>
    <message>
        <source>Demosaic: fine</source>
        <translation>Interpolación: fina</translation>
    </message>
    <message>
        <source>Demosaic: quick</source>
        <translation>Interpolación: rápida</translation>
    </message>
    <message>
        <source>Detail brought back here, more or less than the take does.</source>
        <translation>Detalle que se recupera aquí, más o menos que en la variante.</translation>
    </message>
    <message>
        <source>Detail is kept.</source>
        <translation>El detalle se conserva.</translation>
    </message>
    <message>
        <source>Detail is lost at %1 of the places that have some: detail %2 would bring more back.</source>
        <translation>Se pierde detalle en %1 de los lugares que lo tienen: detalle %2 recuperaría más.</translation>
    </message>
    <message>
        <source>Detail is lost at %1 of the places that have some: luminance %2 would keep more.</source>
        <translation>Se pierde detalle en %1 de los lugares que lo tienen: luminancia %2 conservaría más.</translation>
    </message>
    <message>
        <source>Detail lost</source>
        <translation>Detalle perdido</translation>
    </message>
    <message>
        <source>Edges have halos: light and dark seams along them.</source>
        <translation>Los bordes tienen halos: franjas claras y oscuras a su lado.</translation>
    </message>
    <message>
        <source>Edges have no halos.</source>
        <translation>Los bordes no tienen halos.</translation>
    </message>
    <message>
        <source>Edges: crop</source>
        <translation>Márgenes: recortar</translation>
    </message>
    <message>
        <source>Edges: enlarge to fill</source>
        <translation>Márgenes: ampliar hasta llenar</translation>
    </message>
    <message>
        <source>Edges: keep all, black</source>
        <translation>Márgenes: conservar todo, negro</translation>
    </message>
    <message>
        <source>Edits: beside the DNG</source>
        <translation>Ediciones: junto al DNG</translation>
    </message>
    <message>
        <source>Edits: both</source>
        <translation>Ediciones: en ambos</translation>
    </message>
    <message>
        <source>Edits: into the DNG</source>
        <translation>Ediciones: dentro del DNG</translation>
    </message>
    <message>
        <source>Edits: leave out</source>
        <translation>Ediciones: omitir</translation>
    </message>
    <message>
        <source>Even areas are clean.</source>
        <translation>Las áreas uniformes están limpias.</translation>
    </message>
    <message>
        <source>File format. A DNG stays a raw: the look goes into its preview and its XMP. All others are finished pictures.</source>
        <translation>Formato de archivo. Un DNG sigue siendo un raw: el revelado va a su vista previa y a su XMP. Todos los demás son imágenes terminadas.</translation>
    </message>
    <message>
        <source>File name. {stem}, {letter}, {take}, {method}, {iso}, {date}, {counter} and {version} are filled in from the photo and the take.</source>
        <translation>Nombre del archivo. {stem}, {letter}, {take}, {method}, {iso}, {date}, {counter} y {version} se rellenan con datos de la foto y la variante.</translation>
    </message>
    <message>
        <source>Finest texture: smears first</source>
        <translation>Textura más fina: se emborrona primero</translation>
    </message>
    <message>
        <source>Grain put back here, more or less than the take does.</source>
        <translation>Grano que se devuelve aquí, más o menos que en la variante.</translation>
    </message>
    <message>
        <source>Green–magenta balance; higher is more magenta.</source>
        <translation>Equilibrio entre verde y magenta; un valor mayor da más magenta.</translation>
    </message>
    <message>
        <source>Halos</source>
        <translation>Halos</translation>
    </message>
    <message>
        <source>Higher keeps more faint detail, and some noise with it.</source>
        <translation>Un valor mayor conserva más detalle débil, y algo de ruido con él.</translation>
    </message>
    <message>
        <source>How full colour is made from the sensor&apos;s mosaic; fine is slower and keeps more detail.</source>
        <translation>Cómo se obtiene el color completo del mosaico del sensor; fina es más lenta y conserva más detalle.</translation>
    </message>
    <message>
        <source>How wide the zone&apos;s border is, in pixels of the photo.</source>
        <translation>Anchura del borde de la zona, en píxeles de la foto.</translation>
    </message>
    <message>
        <source>ICC profile</source>
        <translation>Perfil ICC</translation>
    </message>
    <message>
        <source>If it exists: add a number</source>
        <translation>Si existe: añadir un número</translation>
    </message>
    <message>
        <source>If it exists: do not export</source>
        <translation>Si existe: no exportar</translation>
    </message>
    <message>
        <source>If it exists: replace</source>
        <translation>Si existe: sustituir</translation>
    </message>
    <message>
        <source>In focus</source>
        <translation>Enfocado</translation>
    </message>
    <message>
        <source>Invented texture</source>
        <translation>Textura inventada</translation>
    </message>
    <message>
        <source>JPEG and JPEG XL: 95 looks like the original, 80 to 90 is for the web. JPEG XL at 100 is lossless.</source>
        <translation>JPEG y JPEG XL: 95 se ve como el original, de 80 a 90 es para la web. JPEG XL a 100 es sin pérdida.</translation>
    </message>
    <message>
        <source>JPEG: half the resolution for colour makes the file smaller and fine red detail softer.</source>
        <translation>JPEG: la mitad de resolución para el color hace el archivo más pequeño y el detalle rojo fino más blando.</translation>
    </message>
    <message>
        <source>LZW compression</source>
        <translation>Compresión LZW</translation>
    </message>
    <message>
        <source>Learned</source>
        <translation>Aprendido</translation>
    </message>
    <message>
        <source>Learned quick</source>
        <translation>Aprendido rápido</translation>
    </message>
    <message>
        <source>Lossless compression</source>
        <translation>Compresión sin pérdida</translation>
    </message>
    <message>
        <source>Lossless compression: lossless JPEG in a DNG, ZIP or LZW in a TIFF.</source>
        <translation>Compresión sin pérdida: JPEG sin pérdida en un DNG, ZIP o LZW en un TIFF.</translation>
    </message>
    <message>
        <source>Luminance noise to remove here, as a factor of the take&apos;s.</source>
        <translation>Ruido de luminancia que se quita aquí, como factor del de la variante.</translation>
    </message>
    <message>
        <source>Luminance noise to remove; 1.00× is as much as was measured.</source>
        <translation>Ruido de luminancia que se quita; 1,00× es tanto como se midió.</translation>
    </message>
    <message>
        <source>Maps dark to bright, on display values.</source>
        <translation>Asigna de oscuro a claro, sobre valores de pantalla.</translation>
    </message>
    <message>
        <source>Marked by strokes</source>
        <translation>Marcado con trazos</translation>
    </message>
    <message>
        <source>Moves the zone&apos;s border outward, in pixels of the photo.</source>
        <translation>Mueve el borde de la zona hacia fuera, en píxeles de la foto.</translation>
    </message>
    <message>
        <source>Much of the noise is left in even areas.</source>
        <translation>Mucho ruido queda en las áreas uniformes.</translation>
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
        <translation>Natural en texturas finas e irregulares. Más lento.</translation>
    </message>
    <message>
        <source>Natural, keeps texture that repeats. For moderate noise.</source>
        <translation>Natural, conserva la textura que se repite. Para ruido moderado.</translation>
    </message>
    <message>
        <source>No colour blotches are left.</source>
        <translation>No quedan manchas de color.</translation>
    </message>
    <message>
        <source>No take chosen</source>
        <translation>Ninguna variante elegida</translation>
    </message>
    <message>
        <source>Noise along edges</source>
        <translation>Ruido junto a los bordes</translation>
    </message>
    <message>
        <source>Noise is left along edges that are clean farther away.</source>
        <translation>Queda ruido junto a bordes que más lejos están limpios.</translation>
    </message>
    <message>
        <source>Noise is taken away evenly.</source>
        <translation>El ruido se quita por igual.</translation>
    </message>
    <message>
        <source>Noise is taken away up to the edges.</source>
        <translation>El ruido se quita hasta los bordes.</translation>
    </message>
    <message>
        <source>Noise left</source>
        <translation>Ruido restante</translation>
    </message>
    <message>
        <source>Notes changed</source>
        <translation>Notas cambiadas</translation>
    </message>
    <message>
        <source>Nothing in this photo is even enough to tell.</source>
        <translation>Nada en esta foto es lo bastante uniforme para saberlo.</translation>
    </message>
    <message>
        <source>Nothing is added that the photo does not have.</source>
        <translation>No se añade nada que la foto no tenga.</translation>
    </message>
    <message>
        <source>Nothing stands out from the noise</source>
        <translation>Nada destaca sobre el ruido</translation>
    </message>
    <message>
        <source>Of a marked colour</source>
        <translation>De un color marcado</translation>
    </message>
    <message>
        <source>Out of focus</source>
        <translation>Desenfocado</translation>
    </message>
    <message>
        <source>Painted</source>
        <translation>Pintado</translation>
    </message>
    <message>
        <source>Parts of the photo that are cleaned more or less than the rest.</source>
        <translation>Partes de la foto que se limpian más o menos que el resto.</translation>
    </message>
    <message>
        <source>Patterns</source>
        <translation>Patrones</translation>
    </message>
    <message>
        <source>Points lost</source>
        <translation>Puntos perdidos</translation>
    </message>
    <message>
        <source>Points of light</source>
        <translation>Puntos de luz</translation>
    </message>
    <message>
        <source>Print resolution noted in the file. Pixels stay the same.</source>
        <translation>Resolución de impresión anotada en el archivo. Los píxeles no cambian.</translation>
    </message>
    <message>
        <source>Probe %1 added</source>
        <translation>Punto de control %1 añadido</translation>
    </message>
    <message>
        <source>Probe %1 moved</source>
        <translation>Punto de control %1 movido</translation>
    </message>
    <message>
        <source>Probe %1 removed</source>
        <translation>Punto de control %1 quitado</translation>
    </message>
    <message>
        <source>Probe %1 renamed to &quot;%2&quot;</source>
        <translation>El punto de control %1 ahora se llama «%2»</translation>
    </message>
    <message>
        <source>Probe %1 resized</source>
        <translation>Punto de control %1 redimensionado</translation>
    </message>
    <message>
        <source>Probes reordered</source>
        <translation>Puntos de control reordenados</translation>
    </message>
    <message>
        <source>Puts some luminance noise back as grain. Colour noise stays out.</source>
        <translation>Devuelve algo de ruido de luminancia como grano. El ruido de color queda fuera.</translation>
    </message>
    <message>
        <source>Quick and even. For light noise, or a first look.</source>
        <translation>Rápido y uniforme. Para ruido leve o un primer vistazo.</translation>
    </message>
    <message>
        <source>Reduces the picture to this many pixels on its long edge; 0 keeps its size. Never enlarges.</source>
        <translation>Reduce la imagen a estos píxeles en su lado largo; 0 mantiene su tamaño. Nunca amplía.</translation>
    </message>
    <message>
        <source>Reduces the picture to this share of its width and height.</source>
        <translation>Reduce la imagen a esta parte de su anchura y altura.</translation>
    </message>
    <message>
        <source>Reference R%1 opened</source>
        <translation>Referencia R%1 abierta</translation>
    </message>
    <message>
        <source>Reference R%1: colour match off</source>
        <translation>Referencia R%1: igualación de color desactivada</translation>
    </message>
    <message>
        <source>Reference R%1: colour match on</source>
        <translation>Referencia R%1: igualación de color activada</translation>
    </message>
    <message>
        <source>Reference closed</source>
        <translation>Referencia cerrada</translation>
    </message>
    <message>
        <source>Removes coloured edges towards the corners (lateral chromatic aberration), before demosaicing.</source>
        <translation>Quita los bordes de color hacia las esquinas (aberración cromática lateral), antes de la interpolación.</translation>
    </message>
    <message>
        <source>Removes purple next to bright edges. Purple elsewhere stays.</source>
        <translation>Quita el morado junto a bordes brillantes. El morado de otros lugares se queda.</translation>
    </message>
    <message>
        <source>Repairs hot and dead pixels and lines of the read-out before noise reduction.</source>
        <translation>Repara píxeles calientes y muertos y líneas de lectura antes de la reducción de ruido.</translation>
    </message>
    <message>
        <source>Separates noise from detail.</source>
        <translation>Separa el ruido del detalle.</translation>
    </message>
    <message>
        <source>Sharpening here, as a factor of the look&apos;s.</source>
        <translation>Enfoque aquí, como factor del del revelado.</translation>
    </message>
    <message>
        <source>Sharpening: 0.5 px</source>
        <translation>Enfoque: 0,5 px</translation>
    </message>
    <message>
        <source>Sharpening: 0.7 px</source>
        <translation>Enfoque: 0,7 px</translation>
    </message>
    <message>
        <source>Sharpening: 1.0 px</source>
        <translation>Enfoque: 1,0 px</translation>
    </message>
    <message>
        <source>Sharpening: 1.4 px</source>
        <translation>Enfoque: 1,4 px</translation>
    </message>
    <message>
        <source>Sharpening: fine 0.5 px</source>
        <translation>Enfoque: fino 0,5 px</translation>
    </message>
    <message>
        <source>Sharpening: look</source>
        <translation>Enfoque: como el revelado</translation>
    </message>
    <message>
        <source>Sharpening: medium 0.7 px</source>
        <translation>Enfoque: medio 0,7 px</translation>
    </message>
    <message>
        <source>Sharpening: off</source>
        <translation>Enfoque: no</translation>
    </message>
    <message>
        <source>Sharpening: wide 1.0 px</source>
        <translation>Enfoque: ancho 1,0 px</translation>
    </message>
    <message>
        <source>Sharpening: widest 1.4 px</source>
        <translation>Enfoque: muy ancho 1,4 px</translation>
    </message>
    <message>
        <source>Sharpest area: where the eye goes first</source>
        <translation>Área más nítida: adonde va primero la vista</translation>
    </message>
    <message>
        <source>Smooth areas</source>
        <translation>Áreas lisas</translation>
    </message>
    <message>
        <source>Smooth mid-tone: grain and blotches show here</source>
        <translation>Tono medio liso: aquí se ven el grano y las manchas</translation>
    </message>
    <message>
        <source>Some areas are left noisier than others.</source>
        <translation>Algunas áreas quedan más ruidosas que otras.</translation>
    </message>
    <message>
        <source>Some noise is left in even areas.</source>
        <translation>Algo de ruido queda en las áreas uniformes.</translation>
    </message>
    <message>
        <source>Straightens lines that the lens has bent. Pixels are interpolated.</source>
        <translation>Endereza las líneas que el objetivo ha curvado. Los píxeles se interpolan.</translation>
    </message>
    <message>
        <source>Strength of all colours; 100 % is as the camera saw them.</source>
        <translation>Fuerza de todos los colores; 100 % es como los vio la cámara.</translation>
    </message>
    <message>
        <source>Strong edges</source>
        <translation>Bordes fuertes</translation>
    </message>
    <message>
        <source>Strongest edge: halos and fringes show here</source>
        <translation>Borde más fuerte: aquí se ven halos y franjas</translation>
    </message>
    <message>
        <source>TIFF and PNG: bits per colour. 8 is enough to look at, 16 to work on, 32 keeps everything.</source>
        <translation>TIFF y PNG: bits por color. 8 bastan para mirar, 16 para trabajar, 32 lo conservan todo.</translation>
    </message>
    <message>
        <source>Take %1 added</source>
        <translation>Variante %1 añadida</translation>
    </message>
    <message>
        <source>Take %1 chosen</source>
        <translation>Variante %1 elegida</translation>
    </message>
    <message>
        <source>Take %1 removed</source>
        <translation>Variante %1 quitada</translation>
    </message>
    <message>
        <source>Takes reordered</source>
        <translation>Variantes reordenadas</translation>
    </message>
    <message>
        <source>Textured areas</source>
        <translation>Áreas con textura</translation>
    </message>
    <message>
        <source>The command after it was not run: others can write where this queue is kept.</source>
        <translation>La orden posterior no se ejecutó: otros pueden escribir donde se guarda esta cola.</translation>
    </message>
    <message>
        <source>The edits beside the raw are too large or damaged and were left out.</source>
        <translation>Las ediciones junto al raw son demasiado grandes o están dañadas y se omitieron.</translation>
    </message>
    <message>
        <source>The file asks for corrections that are not known here; they stay undone.</source>
        <translation>El archivo pide correcciones que aquí no se conocen; no se hacen.</translation>
    </message>
    <message>
        <source>The file does not say which lens it was taken with.</source>
        <translation>El archivo no dice con qué objetivo se hizo.</translation>
    </message>
    <message>
        <source>The file is probably damaged; copy it again from the card.</source>
        <translation>El archivo probablemente está dañado; cópielo otra vez de la tarjeta.</translation>
    </message>
    <message>
        <source>The learned method in one pass. Faster.</source>
        <translation>El método aprendido en una pasada. Más rápido.</translation>
    </message>
    <message>
        <source>The original&apos;s XMP is longer than a JPEG can hold and was left out.</source>
        <translation>El XMP del original es más largo de lo que cabe en un JPEG y se omitió.</translation>
    </message>
    <message>
        <source>The original&apos;s XMP is too large or damaged and was left out.</source>
        <translation>El XMP del original es demasiado grande o está dañado y se omitió.</translation>
    </message>
    <message>
        <source>The photo is small</source>
        <translation>La foto es pequeña</translation>
    </message>
    <message>
        <source>The white balance that the camera has set.</source>
        <translation>El balance de blancos que ajustó la cámara.</translation>
    </message>
    <message>
        <source>There is no grid.</source>
        <translation>No hay retícula.</translation>
    </message>
    <message>
        <source>There is not enough memory for this. Close other programs or photos and try again.</source>
        <translation>No hay memoria suficiente para esto. Cierre otros programas o fotos e inténtelo otra vez.</translation>
    </message>
    <message>
        <source>There is texture that the photo does not have.</source>
        <translation>Hay textura que la foto no tiene.</translation>
    </message>
    <message>
        <source>Thin lines before a smooth ground: the first that break</source>
        <translation>Líneas finas ante un fondo liso: las primeras que se rompen</translation>
    </message>
    <message>
        <source>This photo has no bright points to judge by.</source>
        <translation>Esta foto no tiene puntos brillantes con los que juzgar.</translation>
    </message>
    <message>
        <source>Uncompressed</source>
        <translation>Sin comprimir</translation>
    </message>
    <message>
        <source>Undoes lens blur of this radius after noise reduction. Noise is not sharpened.</source>
        <translation>Deshace el desenfoque del objetivo de este radio tras la reducción de ruido. El ruido no se enfoca.</translation>
    </message>
    <message>
        <source>Undoes lens blur of this radius in this take alone, after noise reduction; or as the look does.</source>
        <translation>Deshace el desenfoque del objetivo de este radio solo en esta variante, tras la reducción de ruido; o como el revelado.</translation>
    </message>
    <message>
        <source>Unevenness</source>
        <translation>Desigualdad</translation>
    </message>
    <message>
        <source>Wavelet</source>
        <translation>Wavelet</translation>
    </message>
    <message>
        <source>What happens at the edges when distortion is corrected.</source>
        <translation>Qué ocurre en los márgenes cuando se corrige la distorsión.</translation>
    </message>
    <message>
        <source>What happens when a file of that name exists. Originals are never replaced.</source>
        <translation>Qué ocurre cuando existe un archivo con ese nombre. Los originales nunca se sustituyen.</translation>
    </message>
    <message>
        <source>What was taken away has the form of the picture: detail is lost.</source>
        <translation>Lo que se quitó tiene la forma de la imagen: se pierde detalle.</translation>
    </message>
    <message>
        <source>Where the file goes: empty means next to the original, a name means a subfolder there, a full path means that folder.</source>
        <translation>Adónde va el archivo: vacío significa junto al original, un nombre significa una subcarpeta allí, una ruta completa significa esa carpeta.</translation>
    </message>
    <message>
        <source>a developed picture cannot become a raw again. Export it as a TIFF.</source>
        <translation>una imagen revelada no puede volver a ser un raw. Expórtela como TIFF.</translation>
    </message>
    <message>
        <source>a layer cannot be read back.</source>
        <translation>una capa no se puede volver a leer.</translation>
    </message>
    <message>
        <source>a preset&apos;s name has no slash and does not begin with a dot.</source>
        <translation>el nombre de un preajuste no lleva barra ni empieza por un punto.</translation>
    </message>
    <message>
        <source>as shot</source>
        <translation>como en la toma</translation>
    </message>
    <message>
        <source>border</source>
        <translation>borde</translation>
    </message>
    <message>
        <source>chromatic aberration</source>
        <translation>aberración cromática</translation>
    </message>
    <message>
        <source>coarse colour</source>
        <translation>color grueso</translation>
    </message>
    <message>
        <source>colour</source>
        <translation>color</translation>
    </message>
    <message>
        <source>colour space</source>
        <translation>espacio de color</translation>
    </message>
    <message>
        <source>compression</source>
        <translation>compresión</translation>
    </message>
    <message>
        <source>corner</source>
        <translation>esquina</translation>
    </message>
    <message>
        <source>darkest</source>
        <translation>lo más oscuro</translation>
    </message>
    <message>
        <source>deep colour</source>
        <translation>color intenso</translation>
    </message>
    <message>
        <source>demosaic</source>
        <translation>interpolación</translation>
    </message>
    <message>
        <source>demosaiced</source>
        <translation>interpolado</translation>
    </message>
    <message>
        <source>depth</source>
        <translation>profundidad</translation>
    </message>
    <message>
        <source>detail</source>
        <translation>detalle</translation>
    </message>
    <message>
        <source>distortion</source>
        <translation>distorsión</translation>
    </message>
    <message>
        <source>edge</source>
        <translation>borde</translation>
    </message>
    <message>
        <source>edges</source>
        <translation>márgenes</translation>
    </message>
    <message>
        <source>edits made elsewhere</source>
        <translation>ediciones hechas en otro programa</translation>
    </message>
    <message>
        <source>exposure</source>
        <translation>exposición</translation>
    </message>
    <message>
        <source>feather</source>
        <translation>borde suave</translation>
    </message>
    <message>
        <source>file name</source>
        <translation>nombre del archivo</translation>
    </message>
    <message>
        <source>folder</source>
        <translation>carpeta</translation>
    </message>
    <message>
        <source>format</source>
        <translation>formato</translation>
    </message>
    <message>
        <source>full-size preview</source>
        <translation>vista previa completa</translation>
    </message>
    <message>
        <source>grain</source>
        <translation>grano</translation>
    </message>
    <message>
        <source>half colour resolution</source>
        <translation>color a media resolución</translation>
    </message>
    <message>
        <source>highlights</source>
        <translation>luces</translation>
    </message>
    <message>
        <source>if the name is taken</source>
        <translation>si el nombre está ocupado</translation>
    </message>
    <message>
        <source>in focus</source>
        <translation>enfocado</translation>
    </message>
    <message>
        <source>it claims more pixels than it can hold; the file is damaged.</source>
        <translation>dice tener más píxeles de los que puede contener; el archivo está dañado.</translation>
    </message>
    <message>
        <source>it claims more than 500 megapixels; Irenic reads photos of up to that.</source>
        <translation>dice tener más de 500 megapíxeles; Irenic lee fotos de hasta ese tamaño.</translation>
    </message>
    <message>
        <source>it could not be written to its end.</source>
        <translation>no se pudo escribir hasta el final.</translation>
    </message>
    <message>
        <source>it does not say how its mosaic is laid out (CFARepeatPatternDim and CFAPattern); the file is damaged.</source>
        <translation>no dice cómo está dispuesto su mosaico (CFARepeatPatternDim y CFAPattern); el archivo está dañado.</translation>
    </message>
    <message>
        <source>it does not say where its pixels are; the file is damaged. Copy it again from the card.</source>
        <translation>no dice dónde están sus píxeles; el archivo está dañado. Cópielo otra vez de la tarjeta.</translation>
    </message>
    <message>
        <source>it holds no mosaic that Irenic can clean.</source>
        <translation>no contiene ningún mosaico que Irenic pueda limpiar.</translation>
    </message>
    <message>
        <source>it holds several raw pictures, and not the first of them can be read.</source>
        <translation>contiene varias imágenes raw, y la primera no se puede leer.</translation>
    </message>
    <message>
        <source>it is a link that leads to itself.</source>
        <translation>es un enlace que lleva a sí mismo.</translation>
    </message>
    <message>
        <source>it is larger than this disk can hold in one file. Choose another folder.</source>
        <translation>es más grande de lo que este disco admite en un archivo. Elija otra carpeta.</translation>
    </message>
    <message>
        <source>it is too large for a JPEG. Export a TIFF.</source>
        <translation>es demasiado grande para un JPEG. Exporte un TIFF.</translation>
    </message>
    <message>
        <source>it is too large to be what it is called.</source>
        <translation>es demasiado grande para ser lo que dice su nombre.</translation>
    </message>
    <message>
        <source>it would be larger than the 4 GB that a DNG can hold.</source>
        <translation>ocuparía más de los 4 GB que admite un DNG.</translation>
    </message>
    <message>
        <source>its black and white levels contradict each other.</source>
        <translation>sus niveles de negro y blanco se contradicen.</translation>
    </message>
    <message>
        <source>its colour profile cannot be used.</source>
        <translation>su perfil de color no se puede usar.</translation>
    </message>
    <message>
        <source>its compressed pixels are damaged. Copy it again from the card.</source>
        <translation>sus píxeles comprimidos están dañados. Cópielo otra vez de la tarjeta.</translation>
    </message>
    <message>
        <source>its floating-point values are stored in a way that Irenic cannot read. Save it with 16, 24 or 32 bits, deflated or not compressed.</source>
        <translation>sus valores en coma flotante están guardados de un modo que Irenic no puede leer. Guárdelo con 16, 24 o 32 bits, con deflate o sin comprimir.</translation>
    </message>
    <message>
        <source>its folder is not there. Choose another one.</source>
        <translation>su carpeta no está. Elija otra.</translation>
    </message>
    <message>
        <source>its lossy JPEG has other than 8 bits, which Irenic cannot read. Save it with lossless JPEG.</source>
        <translation>su JPEG con pérdida no tiene 8 bits, e Irenic no puede leerlo. Guárdelo con JPEG sin pérdida.</translation>
    </message>
    <message>
        <source>its mosaic is neither a 2x2 pattern of red, green and blue nor X-Trans; Irenic cannot clean others.</source>
        <translation>su mosaico no es ni un patrón de 2x2 de rojo, verde y azul ni X-Trans; Irenic no puede limpiar otros.</translation>
    </message>
    <message>
        <source>its name is too long for this disk. Choose a shorter one.</source>
        <translation>su nombre es demasiado largo para este disco. Elija uno más corto.</translation>
    </message>
    <message>
        <source>its name is too long.</source>
        <translation>su nombre es demasiado largo.</translation>
    </message>
    <message>
        <source>its pixels are kept in a way that Irenic cannot read.</source>
        <translation>sus píxeles están guardados de un modo que Irenic no puede leer.</translation>
    </message>
    <message>
        <source>its pixels are packed as JPEG XL, which Irenic cannot read in a DNG yet. Save it with lossless JPEG.</source>
        <translation>sus píxeles están comprimidos como JPEG XL, que Irenic aún no puede leer en un DNG. Guárdelo con JPEG sin pérdida.</translation>
    </message>
    <message>
        <source>its rows or columns are interleaved, which Irenic cannot read. Save it without.</source>
        <translation>sus filas o columnas están entrelazadas, e Irenic no puede leerlas. Guárdelo sin eso.</translation>
    </message>
    <message>
        <source>its sizes contradict each other; the file is damaged.</source>
        <translation>sus tamaños se contradicen; el archivo está dañado.</translation>
    </message>
    <message>
        <source>its sizes make no sense; the file is damaged.</source>
        <translation>sus tamaños no tienen sentido; el archivo está dañado.</translation>
    </message>
    <message>
        <source>its tiles are of another size than it says; the file is damaged.</source>
        <translation>sus teselas tienen otro tamaño del que dice; el archivo está dañado.</translation>
    </message>
    <message>
        <source>its values are neither whole nor floating-point numbers; Irenic cannot read them.</source>
        <translation>sus valores no son números enteros ni de coma flotante; Irenic no puede leerlos.</translation>
    </message>
    <message>
        <source>its values lie along a curve of its own (MapTable or MapPolynomial), which Irenic cannot follow yet. Save it with lossless JPEG.</source>
        <translation>sus valores siguen una curva propia (MapTable o MapPolynomial) que Irenic aún no puede seguir. Guárdelo con JPEG sin pérdida.</translation>
    </message>
    <message>
        <source>lights</source>
        <translation>luces</translation>
    </message>
    <message>
        <source>local contrast</source>
        <translation>contraste local</translation>
    </message>
    <message>
        <source>long edge</source>
        <translation>lado largo</translation>
    </message>
    <message>
        <source>luminance</source>
        <translation>luminancia</translation>
    </message>
    <message>
        <source>method</source>
        <translation>método</translation>
    </message>
    <message>
        <source>mid-tone</source>
        <translation>tono medio</translation>
    </message>
    <message>
        <source>middle</source>
        <translation>centro</translation>
    </message>
    <message>
        <source>muted colours</source>
        <translation>colores apagados</translation>
    </message>
    <message>
        <source>nothing may be written there. Choose another folder.</source>
        <translation>ahí no se puede escribir nada. Elija otra carpeta.</translation>
    </message>
    <message>
        <source>of all places</source>
        <translation>de todos los lugares</translation>
    </message>
    <message>
        <source>of bright points</source>
        <translation>de los puntos brillantes</translation>
    </message>
    <message>
        <source>of places with detail</source>
        <translation>de los lugares con detalle</translation>
    </message>
    <message>
        <source>of the colour noise that was there</source>
        <translation>del ruido de color que había</translation>
    </message>
    <message>
        <source>of the edge&apos;s height</source>
        <translation>de la altura del borde</translation>
    </message>
    <message>
        <source>of the noise that was there</source>
        <translation>del ruido que había</translation>
    </message>
    <message>
        <source>planar colour is not supported. Save it with the colours side by side.</source>
        <translation>no se admite el color en planos separados. Guárdelo con los colores juntos.</translation>
    </message>
    <message>
        <source>purple fringes</source>
        <translation>franjas moradas</translation>
    </message>
    <message>
        <source>quality</source>
        <translation>calidad</translation>
    </message>
    <message>
        <source>repair bad pixels and banding</source>
        <translation>reparar píxeles defectuosos y bandas</translation>
    </message>
    <message>
        <source>resolution</source>
        <translation>resolución</translation>
    </message>
    <message>
        <source>saturation</source>
        <translation>saturación</translation>
    </message>
    <message>
        <source>shadows</source>
        <translation>sombras</translation>
    </message>
    <message>
        <source>sharpening</source>
        <translation>enfoque</translation>
    </message>
    <message>
        <source>size</source>
        <translation>tamaño</translation>
    </message>
    <message>
        <source>temperature</source>
        <translation>temperatura</translation>
    </message>
    <message>
        <source>texture</source>
        <translation>textura</translation>
    </message>
    <message>
        <source>the decoder made no progress and was ended. The file is probably damaged; copy it again from the card.</source>
        <translation>el decodificador no avanzó y se terminó. El archivo probablemente está dañado; cópielo otra vez de la tarjeta.</translation>
    </message>
    <message>
        <source>the decoder was stopped from outside, perhaps for lack of memory. Close other programs and try again.</source>
        <translation>el decodificador se detuvo desde fuera, quizá por falta de memoria. Cierre otros programas e inténtelo otra vez.</translation>
    </message>
    <message>
        <source>the disk is full. Make room, or choose another folder.</source>
        <translation>el disco está lleno. Haga sitio o elija otra carpeta.</translation>
    </message>
    <message>
        <source>the file could not be read to its end: its disk fails, or it was changed meanwhile. Copy it to another disk and try again.</source>
        <translation>el archivo no se pudo leer hasta el final: su disco falla, o se cambió mientras tanto. Cópielo a otro disco e inténtelo otra vez.</translation>
    </message>
    <message>
        <source>the file ends too early or is damaged. Copy it again from the card.</source>
        <translation>el archivo termina demasiado pronto o está dañado. Cópielo otra vez de la tarjeta.</translation>
    </message>
    <message>
        <source>the file ends too early or is damaged. Copy it again.</source>
        <translation>el archivo termina demasiado pronto o está dañado. Cópielo otra vez.</translation>
    </message>
    <message>
        <source>the file ends too early or is damaged: part of the picture is missing. Copy it again.</source>
        <translation>el archivo termina demasiado pronto o está dañado: falta parte de la imagen. Cópielo otra vez.</translation>
    </message>
    <message>
        <source>the file ends too early. Copy it again from the card.</source>
        <translation>el archivo termina demasiado pronto. Cópielo otra vez de la tarjeta.</translation>
    </message>
    <message>
        <source>the file ends too early: some of its pixels are missing. Copy it again from the card.</source>
        <translation>el archivo termina demasiado pronto: faltan algunos de sus píxeles. Cópielo otra vez de la tarjeta.</translation>
    </message>
    <message>
        <source>the file is empty. Copy it again from the card.</source>
        <translation>el archivo está vacío. Cópielo otra vez de la tarjeta.</translation>
    </message>
    <message>
        <source>the file needs a name.</source>
        <translation>el archivo necesita un nombre.</translation>
    </message>
    <message>
        <source>the file that is there must not be changed. Choose another name.</source>
        <translation>el archivo que hay ahí no se debe cambiar. Elija otro nombre.</translation>
    </message>
    <message>
        <source>the greens of its mosaic do not lie on a diagonal; Irenic cannot clean others.</source>
        <translation>los verdes de su mosaico no están en diagonal; Irenic no puede limpiar otros.</translation>
    </message>
    <message>
        <source>the picture is too small to be a photo.</source>
        <translation>la imagen es demasiado pequeña para ser una foto.</translation>
    </message>
    <message>
        <source>the sizes of its tiles make no sense; the file is damaged.</source>
        <translation>los tamaños de sus teselas no tienen sentido; el archivo está dañado.</translation>
    </message>
    <message>
        <source>there is a file of this name already. Choose another name.</source>
        <translation>ya hay un archivo con ese nombre. Elija otro nombre.</translation>
    </message>
    <message>
        <source>there is a file of this name that Irenic did not make, and it is never replaced. Choose another name.</source>
        <translation>hay un archivo con ese nombre que Irenic no hizo, y nunca se sustituye. Elija otro nombre.</translation>
    </message>
    <message>
        <source>there is not enough memory for it.</source>
        <translation>no hay memoria suficiente para él.</translation>
    </message>
    <message>
        <source>there is not enough memory to make it.</source>
        <translation>no hay memoria suficiente para hacerlo.</translation>
    </message>
    <message>
        <source>thin lines</source>
        <translation>líneas finas</translation>
    </message>
    <message>
        <source>this DNG holds no raw picture, only previews; there is nothing that Irenic can clean.</source>
        <translation>este DNG no contiene una imagen raw, solo vistas previas; no hay nada que Irenic pueda limpiar.</translation>
    </message>
    <message>
        <source>this is a JPEG for printing (CMYK), which Irenic cannot read. Save it as RGB.</source>
        <translation>es un JPEG para imprenta (CMYK), que Irenic no puede leer. Guárdelo como RGB.</translation>
    </message>
    <message>
        <source>this is a device, not a file. Choose another name.</source>
        <translation>es un dispositivo, no un archivo. Elija otro nombre.</translation>
    </message>
    <message>
        <source>this is a folder, not a file.</source>
        <translation>es una carpeta, no un archivo.</translation>
    </message>
    <message>
        <source>this is a folder. Choose a file name.</source>
        <translation>es una carpeta. Elija un nombre de archivo.</translation>
    </message>
    <message>
        <source>this is a link to another place, which is not written through. Choose another name.</source>
        <translation>es un enlace a otro lugar, a través del cual no se escribe. Elija otro nombre.</translation>
    </message>
    <message>
        <source>this is a pipe or a device, not a file.</source>
        <translation>es una tubería o un dispositivo, no un archivo.</translation>
    </message>
    <message>
        <source>this is no file that can be read.</source>
        <translation>no es un archivo que se pueda leer.</translation>
    </message>
    <message>
        <source>this is not a photo that Irenic can read, or it is damaged.</source>
        <translation>no es una foto que Irenic pueda leer, o está dañada.</translation>
    </message>
    <message>
        <source>this is the original photo, which is never overwritten. Choose another name or folder.</source>
        <translation>es la foto original, que nunca se sobrescribe. Elija otro nombre o carpeta.</translation>
    </message>
    <message>
        <source>this kind of TIFF cannot be read. Save it as RGB or grey with 8, 16 or 32 bits, with the colours side by side.</source>
        <translation>este tipo de TIFF no se puede leer. Guárdelo como RGB o gris con 8, 16 o 32 bits, con los colores juntos.</translation>
    </message>
    <message>
        <source>tint</source>
        <translation>matiz</translation>
    </message>
    <message>
        <source>tone curve</source>
        <translation>curva de tonos</translation>
    </message>
    <message>
        <source>vignetting</source>
        <translation>viñeteo</translation>
    </message>
    <message>
        <source>you have no permission to read it.</source>
        <translation>no tiene permiso para leerlo.</translation>
    </message>
    <message>
        <source>your share of the disk is used up. Make room, or choose another folder.</source>
        <translation>su parte del disco está agotada. Haga sitio o elija otra carpeta.</translation>
    </message>
    <message>
        <source>zones</source>
        <translation>zonas</translation>
    </message>
    <message>
        <source>Reference R%1: as it is</source>
        <translation>Referencia R%1: como es</translation>
    </message>
    <message>
        <source>Reference R%1: cleaned</source>
        <translation>Referencia R%1: limpiada</translation>
    </message>
    <message>
        <source>Colour has run over edges: fringes of the other side&apos;s colour.</source>
        <translation>El color ha pasado los bordes: franjas del color del otro lado.</translation>
    </message>
    <message>
        <source>Colours end at their edges.</source>
        <translation>Los colores terminan en sus bordes.</translation>
    </message>
    <message>
        <source>Fringes</source>
        <translation>Franjas</translation>
    </message>
    <message>
        <source>This photo has too few edges of this kind to judge by.</source>
        <translation>Esta foto tiene muy pocos bordes de este tipo con los que juzgar.</translation>
    </message>
    <message>
        <source>of the way to the other side&apos;s colour</source>
        <translation>del camino al color del otro lado</translation>
    </message>
    <message>
        <source>Estimated error</source>
        <translation>Error estimado</translation>
    </message>
    <message>
        <source>Little is won by this take: its error is nearly that of the noise.</source>
        <translation>Esta variante gana poco: su error es casi el del ruido.</translation>
    </message>
    <message>
        <source>The take is nearer to the picture than the noisy photo is.</source>
        <translation>La variante está más cerca de la imagen que la foto con ruido.</translation>
    </message>
    <message>
        <source>Look</source>
        <translation>Revelado</translation>
    </message>
    <message>
        <source>Brightens the view to show the shadows. Never exported.</source>
        <translation>Aclara la vista para mostrar las sombras. Nunca se exporta.</translation>
    </message>
    <message>
        <source>How much what differs is amplified.</source>
        <translation>Cuánto se amplifica lo que difiere.</translation>
    </message>
    <message>
        <source>brush</source>
        <translation>pincel</translation>
    </message>
    <message>
        <source>gain</source>
        <translation>ganancia</translation>
    </message>
    <message>
        <source>push</source>
        <translation>forzado</translation>
    </message>
    <message>
        <source>Diameter of the brush, in pixels of the photo; a pen&apos;s pressure narrows it. (Ctrl+wheel)</source>
        <translation>Diámetro del pincel, en píxeles de la foto; la presión de un lápiz lo estrecha. (Ctrl+rueda)</translation>
    </message>
    <message>
        <source>How much of the brush fades out. (Ctrl+Shift+wheel)</source>
        <translation>Cuánto del pincel se desvanece. (Ctrl+Mayús+rueda)</translation>
    </message>
    <message>
        <source>soft edge</source>
        <translation>borde suave</translation>
    </message>
    <message>
        <source>Found again, as in %1</source>
        <translation>Hallado de nuevo, como en %1</translation>
    </message>
    <message>
        <source>%1 cannot be started (%2)</source>
        <translation>%1 no se puede iniciar (%2)</translation>
    </message>
    <message>
        <source>%1 cannot be used for output.</source>
        <translation>%1 no sirve para la salida.</translation>
    </message>
    <message>
        <source>%1 is no ICC profile of RGB colours.</source>
        <translation>%1 no es un perfil ICC de colores RGB.</translation>
    </message>
    <message>
        <source>%1 is no preset and no sidecar of Irenic</source>
        <translation>%1 no es un ajuste guardado ni un archivo adjunto de Irenic</translation>
    </message>
    <message>
        <source>%1 was not checked to the end.</source>
        <translation>%1 no se comprobó hasta el final.</translation>
    </message>
    <message>
        <source>%1 was not exported: the file exists. Choose another name or use --overwrite.</source>
        <translation>%1 no se exportó: el archivo ya existe. Elija otro nombre o use --overwrite.</translation>
    </message>
    <message>
        <source>%1 was not written: %2</source>
        <translation>%1 no se escribió: %2</translation>
    </message>
    <message>
        <source>%1. Check that it is there and may be used.</source>
        <translation>%1. Compruebe que existe y que se puede usar.</translation>
    </message>
    <message>
        <source>%1. It could not be renamed. Nothing is saved for this photo until you move the file.</source>
        <translation>%1. No se pudo renombrar. No se guarda nada de esta foto hasta que mueva el archivo.</translation>
    </message>
    <message>
        <source>%1; the photo starts with defaults. The old file is kept as %2.</source>
        <translation>%1; la foto empieza con los valores de fábrica. El archivo antiguo se conserva como %2.</translation>
    </message>
    <message>
        <source>A DNG keeps what is not used here of its profile</source>
        <translation>Un DNG conserva lo que aquí no se usa de su perfil</translation>
    </message>
    <message>
        <source>A TIFF above 4 GB holds no Exif, IPTC and XMP yet; they were left out.</source>
        <translation>Un TIFF de más de 4 GB aún no contiene Exif, IPTC ni XMP; se omitieron.</translation>
    </message>
    <message>
        <source>Another program holds it; try again.</source>
        <translation>Otro programa la tiene ocupada; inténtelo otra vez.</translation>
    </message>
    <message>
        <source>Cannot make a folder in %1 (%2). Check its free space and permissions.</source>
        <translation>No se puede crear una carpeta en %1 (%2). Compruebe el espacio libre y los permisos.</translation>
    </message>
    <message>
        <source>Cannot open %1</source>
        <translation>No se puede abrir %1</translation>
    </message>
    <message>
        <source>Cannot write in %1 (%2). Choose another folder.</source>
        <translation>No se puede escribir en %1 (%2). Elija otra carpeta.</translation>
    </message>
    <message>
        <source>Check its disk.</source>
        <translation>Compruebe el disco.</translation>
    </message>
    <message>
        <source>Check its permissions and free space.</source>
        <translation>Compruebe los permisos y el espacio libre.</translation>
    </message>
    <message>
        <source>Exif&apos;s %1 is longer than this kind of file can hold and was left out.</source>
        <translation>%1 de Exif es más largo de lo que cabe en este tipo de archivo y se omitió.</translation>
    </message>
    <message>
        <source>It is damaged and has to be set aside.</source>
        <translation>Está dañada y hay que apartarla.</translation>
    </message>
    <message>
        <source>Make room on its disk.</source>
        <translation>Haga sitio en el disco.</translation>
    </message>
    <message>
        <source>Settings of %1 are damaged (%2) and could not be renamed. Nothing is saved for this photo until you move the file.</source>
        <translation>Los ajustes de %1 están dañados (%2) y no se pudieron renombrar. No se guarda nada de esta foto hasta que mueva el archivo.</translation>
    </message>
    <message>
        <source>Settings of %1 are damaged (%2); the photo starts with defaults. The old file is kept as %3.</source>
        <translation>Los ajustes de %1 están dañados (%2); la foto empieza con los valores de fábrica. El archivo antiguo se conserva como %3.</translation>
    </message>
    <message>
        <source>The command after it: %1</source>
        <translation>La orden posterior: %1</translation>
    </message>
    <message>
        <source>The damaged queue %1 cannot be set aside (%2). Move it away yourself.</source>
        <translation>La cola dañada %1 no se puede apartar (%2). Muévala usted.</translation>
    </message>
    <message>
        <source>The edits in %1 set %2: look at that again in the cleaned DNG.</source>
        <translation>Los ajustes en %1 incluyen %2: revíselo en el DNG limpio.</translation>
    </message>
    <message>
        <source>The export process stopped (status %1). Retry it alone.</source>
        <translation>El proceso de exportación se detuvo (estado %1). Repítalo solo.</translation>
    </message>
    <message>
        <source>The export process was stopped from outside, perhaps for lack of memory. Close other programs and retry.</source>
        <translation>El proceso de exportación se detuvo desde fuera, quizá por falta de memoria. Cierre otros programas y repítalo.</translation>
    </message>
    <message>
        <source>The export queue %1 was written by a newer Irenic. Use that, or move the file away.</source>
        <translation>La cola de exportación %1 la escribió un Irenic más nuevo. Úselo o mueva el archivo.</translation>
    </message>
    <message>
        <source>The export queue cannot be used: %1 (%2).</source>
        <translation>La cola de exportación no se puede usar: %1 (%2).</translation>
    </message>
    <message>
        <source>The export queue cannot be used: %1 is no file. It has to be set aside.</source>
        <translation>La cola de exportación no se puede usar: %1 no es un archivo. Hay que apartarla.</translation>
    </message>
    <message>
        <source>The file&apos;s baseline exposure of %1 EV is used.</source>
        <translation>Se usa la exposición base del archivo, %1 EV.</translation>
    </message>
    <message>
        <source>The worker died (%1). The file may be damaged; try it by itself.</source>
        <translation>El proceso murió (%1). Quizá el archivo está dañado; pruébelo solo.</translation>
    </message>
    <message>
        <source>The worker made no progress and was ended.</source>
        <translation>El proceso no avanzaba y se terminó.</translation>
    </message>
    <message>
        <source>There is no command to run.</source>
        <translation>No hay ninguna orden que ejecutar.</translation>
    </message>
    <message>
        <source>This place is clipped: its colour is lost. Click something grey that is less bright.</source>
        <translation>Este lugar está quemado: su color se ha perdido. Haga clic en algo gris menos claro.</translation>
    </message>
    <message>
        <source>This place is too dark to tell its colour. Click something grey that is brighter.</source>
        <translation>Este lugar es demasiado oscuro para saber su color. Haga clic en algo gris más claro.</translation>
    </message>
    <message>
        <source>&quot;%1&quot; cannot be run (%2).</source>
        <translation>«%1» no se puede ejecutar (%2).</translation>
    </message>
    <message>
        <source>&quot;%1&quot; ended with status %2.</source>
        <translation>«%1» terminó con el estado %2.</translation>
    </message>
    <message>
        <source>&quot;%1&quot; is not in the lens database.</source>
        <translation>«%1» no está en la base de datos de objetivos.</translation>
    </message>
    <message>
        <source>&quot;%1&quot; was ended by signal %2.</source>
        <translation>«%1» terminó por la señal %2.</translation>
    </message>
    <message>
        <source>&quot;%1&quot; was stopped.</source>
        <translation>«%1» se detuvo.</translation>
    </message>
    <message>
        <source>a %1 has 8 or 16 bits: choose 16, or a TIFF.</source>
        <translation>un %1 tiene 8 o 16 bits: elija 16, o un TIFF.</translation>
    </message>
    <message>
        <source>a file of this kind cannot be written. Hand over a TIFF.</source>
        <translation>un archivo de este tipo no se puede escribir. Entregue un TIFF.</translation>
    </message>
    <message>
        <source>an entry of the queue cannot be read: %1</source>
        <translation>una entrada de la cola no se puede leer: %1</translation>
    </message>
    <message>
        <source>an entry of the queue has noise that no sensor has.</source>
        <translation>una entrada de la cola tiene un ruido que ningún sensor tiene.</translation>
    </message>
    <message>
        <source>another program</source>
        <translation>otro programa</translation>
    </message>
    <message>
        <source>changed in another window</source>
        <translation>cambiado en otra ventana</translation>
    </message>
    <message>
        <source>cleaned by %1</source>
        <translation>limpiada con %1</translation>
    </message>
    <message>
        <source>colour tables</source>
        <translation>tablas de color</translation>
    </message>
    <message>
        <source>colours matched: %1 EV, off by %2 % (%3 % before)</source>
        <translation>colores igualados: %1 EV, diferencia %2 % (antes %3 %)</translation>
    </message>
    <message>
        <source>gain table</source>
        <translation>tabla de ganancia</translation>
    </message>
    <message>
        <source>hue and saturation table</source>
        <translation>tabla de tono y saturación</translation>
    </message>
    <message>
        <source>in place</source>
        <translation>en su sitio</translation>
    </message>
    <message>
        <source>in the file</source>
        <translation>en el archivo</translation>
    </message>
    <message>
        <source>it cannot be read (%1).</source>
        <translation>no se puede leer (%1).</translation>
    </message>
    <message>
        <source>it cannot be written (%1).</source>
        <translation>no se puede escribir (%1).</translation>
    </message>
    <message>
        <source>it claims %1 x %2 pixels, more than it can hold; the file is damaged.</source>
        <translation>dice tener %1 x %2 píxeles, más de los que caben; el archivo está dañado.</translation>
    </message>
    <message>
        <source>it claims %1 x %2 pixels; Irenic reads photos of up to 500 megapixels.</source>
        <translation>dice tener %1 x %2 píxeles; Irenic lee fotos de hasta 500 megapíxeles.</translation>
    </message>
    <message>
        <source>it has %1 bits for each value; Irenic reads 8 to 32.</source>
        <translation>tiene %1 bits por valor; Irenic lee de 8 a 32.</translation>
    </message>
    <message>
        <source>it has %1 values for each pixel; Irenic cleans mosaics, grey and RGB.</source>
        <translation>tiene %1 valores por píxel; Irenic limpia mosaicos, gris y RGB.</translation>
    </message>
    <message>
        <source>it is too large (%1 MB) to be what it is called.</source>
        <translation>es demasiado grande (%1 MB) para ser lo que dice su nombre.</translation>
    </message>
    <message>
        <source>it shows another picture (match %1, needs %2). Choose a file made from this photo</source>
        <translation>muestra otra imagen (coincidencia %1, hace falta %2). Elija un archivo hecho de esta foto</translation>
    </message>
    <message>
        <source>its folder cannot be made (%1). Choose another folder.</source>
        <translation>no se puede crear su carpeta (%1). Elija otra carpeta.</translation>
    </message>
    <message>
        <source>its path is too long</source>
        <translation>su ruta es demasiado larga</translation>
    </message>
    <message>
        <source>its pixels are packed in a way (%1) that Irenic cannot read. Save it with lossless JPEG or none.</source>
        <translation>sus píxeles están comprimidos de un modo (%1) que Irenic no puede leer. Guárdelo con JPEG sin pérdida o sin compresión.</translation>
    </message>
    <message>
        <source>its pixels cannot be read (%1).</source>
        <translation>sus píxeles no se pueden leer (%1).</translation>
    </message>
    <message>
        <source>its values are predicted in a way (%1) that Irenic cannot read.</source>
        <translation>sus valores están predichos de un modo (%1) que Irenic no puede leer.</translation>
    </message>
    <message>
        <source>look table</source>
        <translation>tabla de aspecto</translation>
    </message>
    <message>
        <source>not a file of Irenic&apos;s</source>
        <translation>no es un archivo de Irenic</translation>
    </message>
    <message>
        <source>process %1</source>
        <translation>proceso %1</translation>
    </message>
    <message>
        <source>process %1 on another machine</source>
        <translation>proceso %1 en otro equipo</translation>
    </message>
    <message>
        <source>scaled to %1 %</source>
        <translation>escalada al %1 %</translation>
    </message>
    <message>
        <source>shifted by %1 and %2 pixels</source>
        <translation>desplazada %1 y %2 píxeles</translation>
    </message>
    <message>
        <source>the decoder crashed (%1).</source>
        <translation>el decodificador falló (%1).</translation>
    </message>
    <message>
        <source>the decoder ended with status %1.</source>
        <translation>el decodificador terminó con el estado %1.</translation>
    </message>
    <message>
        <source>the decoder took more time than any photo takes.</source>
        <translation>el decodificador tardó más de lo que tarda cualquier foto.</translation>
    </message>
    <message>
        <source>the decoder tried what no decoder may do, and was ended.</source>
        <translation>el decodificador intentó lo que ninguno debe hacer y se terminó.</translation>
    </message>
    <message>
        <source>the edits beside the raw are damaged</source>
        <translation>los ajustes junto al raw están dañados</translation>
    </message>
    <message>
        <source>the file ends too early or is damaged: its first list of tags cannot be read. Copy it again from the card.</source>
        <translation>el archivo termina antes de tiempo o está dañado: no se puede leer su primera lista de etiquetas. Cópielo otra vez de la tarjeta.</translation>
    </message>
    <message>
        <source>the file ends too early or is damaged: the value of its tag %1 cannot be read. Copy it again from the card.</source>
        <translation>el archivo termina antes de tiempo o está dañado: no se puede leer el valor de su etiqueta %1. Cópielo otra vez de la tarjeta.</translation>
    </message>
    <message>
        <source>the profile %1 does not exist.</source>
        <translation>el perfil %1 no existe.</translation>
    </message>
    <message>
        <source>the worker cannot be started (%1).</source>
        <translation>el proceso no se puede iniciar (%1).</translation>
    </message>
    <message>
        <source>the written file cannot be read back (%1). Try again or choose another folder.</source>
        <translation>el archivo escrito no se puede releer (%1). Inténtelo otra vez o elija otra carpeta.</translation>
    </message>
    <message>
        <source>there is no preset &quot;%1&quot;.</source>
        <translation>no hay ningún preajuste «%1».</translation>
    </message>
    <message>
        <source>there is no such file. Has it been moved or renamed?</source>
        <translation>no existe tal archivo. ¿Se movió o se renombró?</translation>
    </message>
    <message>
        <source>there is no such profile.</source>
        <translation>no existe tal perfil.</translation>
    </message>
    <message>
        <source>this is not a lensfun database that can be read.</source>
        <translation>esto no es una base de datos lensfun legible.</translation>
    </message>
    <message>
        <source>this is not a photo that Irenic can read, or it is damaged (%1).</source>
        <translation>esto no es una foto que Irenic pueda leer, o está dañada (%1).</translation>
    </message>
    <message>
        <source>this picture cannot be read (%1).</source>
        <translation>esta imagen no se puede leer (%1).</translation>
    </message>
    <message>
        <source>this picture cannot be read, or ends too early (%1). Copy it again.</source>
        <translation>esta imagen no se puede leer o termina antes de tiempo (%1). Cópiela otra vez.</translation>
    </message>
    <message>
        <source>turned by %1°</source>
        <translation>girada %1°</translation>
    </message>
    <message>
        <source>what is asked for is too long (%1 kB) for the queue.</source>
        <translation>lo pedido es demasiado largo (%1 kB) para la cola.</translation>
    </message>
    <message>
        <source>written by a newer Irenic. What this version does not know is kept as it is.</source>
        <translation>escrito por un Irenic más nuevo. Lo que esta versión no conoce se conserva tal cual.</translation>
    </message>
    <message>
        <source>%1 leaves the least error (%2 of the noise).</source>
        <translation>%1 deja el menor error (%2 del ruido).</translation>
    </message>
    <message>
        <source>%1 would leave less, but loses bright points.</source>
        <translation>%1 dejaría menos, pero pierde puntos brillantes.</translation>
    </message>
    <message>
        <source>%1 would leave less, but shifts colours.</source>
        <translation>%1 dejaría menos, pero altera los colores.</translation>
    </message>
    <message>
        <source>As good here as any at: %1</source>
        <translation>Aquí tan bueno como cualquiera en: %1</translation>
    </message>
    <message>
        <source>Next is %1 (%2).</source>
        <translation>Le sigue %1 (%2).</translation>
    </message>
    <message>
        <source>Nothing in this photo is flat, so its noise, and this with it, is in doubt.</source>
        <translation>Nada en esta foto es liso, así que su ruido, y esto también, es dudoso.</translation>
    </message>
    <message>
        <source>Weaker here than others at: %1</source>
        <translation>Aquí más débil que otros en: %1</translation>
    </message>
    <message>
        <source>the camera has smoothed this raw, and its noise has a form of its own. Only takes of it can be checked.</source>
        <translation>la cámara ha suavizado este raw y su ruido tiene una forma propia. Solo se pueden comprobar variantes suyas.</translation>
    </message>
    <message>
        <source>Slow gradients are smooth.</source>
        <translation>Los degradados lentos son suaves.</translation>
    </message>
    <message>
        <source>Slow gradients show steps: 8 bits without dithering.</source>
        <translation>Los degradados lentos muestran escalones: 8 bits sin tramado.</translation>
    </message>
    <message>
        <source>Steps of tone</source>
        <translation>Escalones de tono</translation>
    </message>
    <message>
        <source>There is not enough memory to pack it.</source>
        <translation>No hay memoria suficiente para comprimirlo.</translation>
    </message>
    <message>
        <source>This photo has no slow gradients to judge by.</source>
        <translation>Esta foto no tiene degradados lentos por los que juzgar.</translation>
    </message>
    <message>
        <source>it has seen light. Take dark frames with the lens covered, right after the photos.</source>
        <translation>ha recibido luz. Haga las tomas oscuras con el objetivo tapado, justo después de las fotos.</translation>
    </message>
    <message>
        <source>it is no raw with a mosaic of 2 x 2 that names its camera, ISO and exposure, so it cannot be a dark frame.</source>
        <translation>no es un raw con un mosaico de 2 x 2 que indique su cámara, ISO y exposición, así que no puede ser una toma oscura.</translation>
    </message>
    <message>
        <source>its camera, ISO, size or exposure differs from the other dark frames. Give frames that were taken alike.</source>
        <translation>su cámara, ISO, tamaño o exposición difiere de las demás tomas oscuras. Indique tomas hechas de la misma manera.</translation>
    </message>
    <message>
        <source>of places with slow gradients</source>
        <translation>de los lugares con degradados lentos</translation>
    </message>
    <message>
        <source>the dark frame is of another camera, ISO or size. Take dark frames with the settings of the photo.</source>
        <translation>la toma oscura es de otra cámara, ISO o tamaño. Haga tomas oscuras con los ajustes de la foto.</translation>
    </message>
    <message>
        <source>these are too many dark frames. At most 64 can be averaged.</source>
        <translation>son demasiadas tomas oscuras. Se pueden promediar 64 como máximo.</translation>
    </message>
    <message>
        <source>Checks compare files of the same size and kind: a raw with a DNG of the same mosaic, a finished picture with another finished picture.</source>
        <translation>Las comprobaciones comparan archivos del mismo tamaño y tipo: con un raw, un DNG con el mismo mosaico; con una imagen terminada, otra imagen terminada.</translation>
    </message>
</context>
<context>
    <name>irenic::Application</name>
    <message>
        <source>Something went wrong, for an unknown reason. Your last action may not have been done.</source>
        <translation>Algo salió mal por una razón desconocida. Quizá no se hizo su última acción.</translation>
    </message>
</context>
<context>
    <name>irenic::Cell</name>
    <message>
        <source>Cell of the sheet</source>
        <translation>Celda de la hoja</translation>
    </message>
    <message>
        <source>R %1  G %2  B %3</source>
        <translation>R %1  G %2  B %3</translation>
    </message>
    <message>
        <source>No photo</source>
        <translation>Ninguna foto</translation>
    </message>
    <message>
        <source>Rendering failed: %1 Click to retry.</source>
        <translation>No se pudo calcular la imagen: %1 Haga clic para reintentar.</translation>
    </message>
    <message>
        <source>Draft, final picture %1 %</source>
        <translation>Borrador, imagen final %1 %</translation>
    </message>
    <message>
        <source>Rendering %1 %</source>
        <translation>Calculando %1 %</translation>
    </message>
    <message>
        <source>Draft, final picture follows</source>
        <translation>Borrador, sigue la imagen final</translation>
    </message>
    <message>
        <source>Waiting</source>
        <translation>En espera</translation>
    </message>
    <message>
        <source>, %1 s left</source>
        <translation>, faltan %1 s</translation>
    </message>
</context>
<context>
    <name>irenic::CheckPanel</name>
    <message>
        <source>not told</source>
        <translation>no se sabe</translation>
    </message>
    <message>
        <source>good</source>
        <translation>bien</translation>
    </message>
    <message>
        <source>look</source>
        <translation>mirar</translation>
    </message>
    <message>
        <source>bad</source>
        <translation>mal</translation>
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
        <translation>Mostrar dónde</translation>
    </message>
    <message>
        <source>Marks on the overview and on the picture where the checks found something: all of them, or the one that you clicked. The brighter, the worse.</source>
        <translation>Marca en la vista general y en la imagen dónde hallaron algo las comprobaciones: todas, o la que se pulsó. Cuanto más claro, peor.</translation>
    </message>
    <message>
        <source>Stop checking (%1 %)</source>
        <translation>Detener la comprobación (%1 %)</translation>
    </message>
    <message>
        <source>Check this take</source>
        <translation>Comprobar esta variante</translation>
    </message>
    <message>
        <source>Add this take</source>
        <translation>Añadir esta variante</translation>
    </message>
    <message>
        <source>Adds a take with what the checks advise. This one stays as it is.</source>
        <translation>Añade una variante con lo que aconsejan las comprobaciones. Esta queda como está.</translation>
    </message>
    <message>
        <source>The checks found nothing to look at.</source>
        <translation>Las comprobaciones no hallaron nada que mirar.</translation>
    </message>
    <message>
        <source>%1: place %2 of %3</source>
        <translation>%1: lugar %2 de %3</translation>
    </message>
    <message>
        <source>Measures over the whole photo what was kept, lost and added. (N steps through the places to look at)</source>
        <translation>Mide en toda la foto qué se conservó, se perdió y se añadió. (N recorre los lugares que conviene mirar)</translation>
    </message>
    <message>
        <source>Check this reference</source>
        <translation>Comprobar esta referencia</translation>
    </message>
</context>
<context>
    <name>irenic::CloseUp</name>
    <message>
        <source>Close-up</source>
        <translation>Primer plano</translation>
    </message>
    <message>
        <source>Sheet</source>
        <translation>Hoja</translation>
    </message>
    <message>
        <source>Goes back to the sheet. (Esc)</source>
        <translation>Vuelve a la hoja. (Esc)</translation>
    </message>
    <message>
        <source>Flip</source>
        <translation>Alternar</translation>
    </message>
    <message>
        <source>Shows one take at a time, all at the same place. Letters and arrows choose, Tab flips the last two, Space shows the original while held. (F5)</source>
        <translation>Muestra una variante cada vez, todas en el mismo lugar. Letras y flechas eligen, Tab alterna las dos últimas, Espacio muestra el original mientras se mantiene. (F5)</translation>
    </message>
    <message>
        <source>Divide</source>
        <translation>Dividir</translation>
    </message>
    <message>
        <source>Shows the last two takes on either side of a line that you drag. (F6)</source>
        <translation>Muestra las dos últimas variantes a ambos lados de una línea que se arrastra. (F6)</translation>
    </message>
    <message>
        <source>Side by side</source>
        <translation>Lado a lado</translation>
    </message>
    <message>
        <source>Shows the last takes side by side, all at the same place. (F7)</source>
        <translation>Muestra las últimas variantes lado a lado, todas en el mismo lugar. (F7)</translation>
    </message>
    <message>
        <source>Removed</source>
        <translation>Eliminado</translation>
    </message>
    <message>
        <source>Shows what this take removed, amplified, on grey. (F8)</source>
        <translation>Muestra lo que esta variante quitó, amplificado, sobre gris. (F8)</translation>
    </message>
    <message>
        <source>Difference</source>
        <translation>Diferencia</translation>
    </message>
    <message>
        <source>Shows the last take minus this one, amplified, on grey. (F9)</source>
        <translation>Muestra la última variante menos esta, amplificada, sobre gris. (F9)</translation>
    </message>
    <message>
        <source>Luminance and colour</source>
        <translation>Luminancia y color</translation>
    </message>
    <message>
        <source>Luminance</source>
        <translation>Luminancia</translation>
    </message>
    <message>
        <source>Colour</source>
        <translation>Color</translation>
    </message>
    <message>
        <source>Which part of the difference is shown</source>
        <translation>Qué parte de la diferencia se muestra</translation>
    </message>
    <message>
        <source>Vertical</source>
        <translation>Vertical</translation>
    </message>
    <message>
        <source>Horizontal</source>
        <translation>Horizontal</translation>
    </message>
    <message>
        <source>Follow pointer</source>
        <translation>Seguir el puntero</translation>
    </message>
    <message>
        <source>Quarters</source>
        <translation>Cuartos</translation>
    </message>
    <message>
        <source>How the view is divided</source>
        <translation>Cómo se divide la vista</translation>
    </message>
    <message>
        <source>Divides the view by a line that you drag, by one that follows the pointer, or into quarters of up to four takes.</source>
        <translation>Divide la vista con una línea que se arrastra, con una que sigue el puntero, o en cuartos de hasta cuatro variantes.</translation>
    </message>
    <message>
        <source>Stacked</source>
        <translation>Apiladas</translation>
    </message>
    <message>
        <source>Stacks the pictures instead of putting them side by side.</source>
        <translation>Apila las imágenes en lugar de ponerlas lado a lado.</translation>
    </message>
    <message>
        <source>advised</source>
        <translation>aconsejada</translation>
    </message>
    <message>
        <source>Shows the original. (O)</source>
        <translation>Muestra el original. (O)</translation>
    </message>
    <message>
        <source>Shows take %1. (%1)</source>
        <translation>Muestra la variante %1. (%1)</translation>
    </message>
    <message>
        <source>Shows reference %1. (R; again for the next)</source>
        <translation>Muestra la referencia %1. (R; otra vez para la siguiente)</translation>
    </message>
    <message>
        <source>Removed: nothing, this is the original.</source>
        <translation>Eliminado: nada, este es el original.</translation>
    </message>
    <message>
        <source>Removed by %1: even grain is noise, outlines are lost detail.</source>
        <translation>Eliminado por %1: el grano uniforme es ruido, los contornos son detalle perdido.</translation>
    </message>
    <message>
        <source>%1 minus %2, relative to noise: lighter than grey means %1 is lighter.</source>
        <translation>%1 menos %2, respecto al ruido: más claro que el gris significa que %1 es más clara.</translation>
    </message>
    <message>
        <source>Probe %1</source>
        <translation>Punto de control %1</translation>
    </message>
    <message>
        <source>The sweep is over: all of the photo was seen.</source>
        <translation>El recorrido ha terminado: se vio toda la foto.</translation>
    </message>
    <message>
        <source>%1 of %2</source>
        <translation>%1 de %2</translation>
    </message>
    <message>
        <source>Zone %1, %2: %3 %</source>
        <translation>Zona %1, %2: %3 %</translation>
    </message>
</context>
<context>
    <name>irenic::CurveEditor</name>
    <message>
        <source>Tone curve</source>
        <translation>Curva de tonos</translation>
    </message>
    <message>
        <source>Left is dark, up is brighter. Click to add a point, drag to move it, double-click to remove it.
Keys: Page Up and Page Down choose a point, arrows move it (Shift: finely), Insert adds one, Delete removes it, Home resets the curve.</source>
        <translation>A la izquierda es oscuro, arriba es más claro. Clic para añadir un punto, arrastrar para moverlo, doble clic para quitarlo.
Teclas: RePág y AvPág eligen un punto, las flechas lo mueven (Mayús: fino), Insert añade uno, Supr lo quita, Inicio restablece la curva.</translation>
    </message>
    <message>
        <source>Makes the curve larger, or smaller again.</source>
        <translation>Agranda la curva, o la vuelve a reducir.</translation>
    </message>
    <message>
        <source>Smaller</source>
        <translation>Más pequeña</translation>
    </message>
    <message>
        <source>Larger</source>
        <translation>Más grande</translation>
    </message>
</context>
<context>
    <name>irenic::DeliveryForm</name>
    <message>
        <source>Full size</source>
        <translation>Tamaño completo</translation>
    </message>
</context>
<context>
    <name>irenic::DifferenceView</name>
    <message>
        <source>Difference on grey</source>
        <translation>Diferencia sobre gris</translation>
    </message>
    <message>
        <source>Measuring…</source>
        <translation>Midiendo…</translation>
    </message>
</context>
<context>
    <name>irenic::Document</name>
    <message>
        <source>Strengths stayed as they were. Recommended with this method here: luminance %1×, colour %2×, detail %3 %.</source>
        <translation>Las intensidades quedaron como estaban. Lo recomendado aquí con este método: luminancia %1×, color %2×, detalle %3 %.</translation>
    </message>
    <message>
        <source>Strengths stayed as they were: with every method 1.00× is as much noise as was measured.</source>
        <translation>Las intensidades quedaron como estaban: con cada método, 1,00× es tanto ruido como se midió.</translation>
    </message>
    <message>
        <source>Four references are open, which is the limit. Close one first.</source>
        <translation>Hay cuatro referencias abiertas, que es el límite. Cierre una antes.</translation>
    </message>
    <message>
        <source>A sheet has twelve probes at most. Remove one first.</source>
        <translation>Una hoja tiene como máximo doce puntos de control. Quite uno antes.</translation>
    </message>
    <message>
        <source>%1 pasted to one photo</source>
        <translation>%1: pegado en una foto</translation>
    </message>
    <message>
        <source>%1 pasted to %2 photos</source>
        <translation>%1: pegado en %2 fotos</translation>
    </message>
    <message>
        <source>Recommended take</source>
        <translation>Variante recomendada</translation>
    </message>
    <message>
        <source>Probe %1</source>
        <translation>Punto de control %1</translation>
    </message>
    <message>
        <source>A is recommended. B and C are nearly as good and look least like it.</source>
        <translation>A es la recomendada. B y C son casi tan buenas y son las que menos se le parecen.</translation>
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
        <translation>Exportar varias fotos, y la cola</translation>
    </message>
    <message>
        <source>The last export settings cannot be used (%1). These are the defaults.</source>
        <translation>Los últimos ajustes de exportación no se pueden usar (%1). Estos son los habituales.</translation>
    </message>
    <message>
        <source>Export</source>
        <translation>Exportar</translation>
    </message>
    <message>
        <source>The chosen take</source>
        <translation>La variante elegida</translation>
    </message>
    <message>
        <source>Recommended take of each photo</source>
        <translation>La variante recomendada de cada foto</translation>
    </message>
    <message>
        <source>Which take is exported</source>
        <translation>Qué variante se exporta</translation>
    </message>
    <message>
        <source>Exports the take that you chose for each photo, or the recommended one, measured when its turn comes.</source>
        <translation>Exporta la variante que eligió para cada foto, o la recomendada, que se mide cuando le llega el turno.</translation>
    </message>
    <message>
        <source>of</source>
        <translation>de</translation>
    </message>
    <message>
        <source>This photo</source>
        <translation>Esta foto</translation>
    </message>
    <message>
        <source>Selected photos</source>
        <translation>Fotos seleccionadas</translation>
    </message>
    <message>
        <source>Selected photos, with this photo&apos;s take and look</source>
        <translation>Fotos seleccionadas, con la variante y el revelado de esta foto</translation>
    </message>
    <message>
        <source>Which photos are exported</source>
        <translation>Qué fotos se exportan</translation>
    </message>
    <message>
        <source>as</source>
        <translation>como</translation>
    </message>
    <message>
        <source>and</source>
        <translation>y</translation>
    </message>
    <message>
        <source>Second file of each photo</source>
        <translation>Segundo archivo de cada foto</translation>
    </message>
    <message>
        <source>Exports a second file of each photo by an export preset, such as a small JPEG next to a DNG.</source>
        <translation>Exporta un segundo archivo de cada foto con un preajuste de exportación, como un JPEG pequeño junto a un DNG.</translation>
    </message>
    <message>
        <source>File name</source>
        <translation>Nombre del archivo</translation>
    </message>
    <message>
        <source>Next to originals</source>
        <translation>Junto a los originales</translation>
    </message>
    <message>
        <source>In a subfolder…</source>
        <translation>En una subcarpeta…</translation>
    </message>
    <message>
        <source>Subfolder</source>
        <translation>Subcarpeta</translation>
    </message>
    <message>
        <source>Name of the subfolder:</source>
        <translation>Nombre de la subcarpeta:</translation>
    </message>
    <message>
        <source>Choose folder…</source>
        <translation>Elegir carpeta…</translation>
    </message>
    <message>
        <source>Alike</source>
        <translation>Por igual</translation>
    </message>
    <message>
        <source>Cleans photos of one camera and ISO by one noise, measured on all of them: for panoramas and focus series.</source>
        <translation>Limpia las fotos de una cámara e ISO con un solo ruido, medido en todas: para panorámicas y series de enfoque.</translation>
    </message>
    <message>
        <source>Check</source>
        <translation>Comprobar</translation>
    </message>
    <message>
        <source>Measures what the take did to each photo once its file is there; the queue can then list the worst first.</source>
        <translation>Mide qué hizo la variante con cada foto en cuanto está su archivo; la cola puede mostrar entonces las peores primero.</translation>
    </message>
    <message>
        <source>What happens with each file once it is there.</source>
        <translation>Qué ocurre con cada archivo en cuanto está hecho.</translation>
    </message>
    <message>
        <source>Nothing</source>
        <translation>Nada</translation>
    </message>
    <message>
        <source>Open with its program</source>
        <translation>Abrir con su programa</translation>
    </message>
    <message>
        <source>Run a command…</source>
        <translation>Ejecutar una orden…</translation>
    </message>
    <message>
        <source>Run a command</source>
        <translation>Ejecutar una orden</translation>
    </message>
    <message>
        <source>Command to run on each file ({file} stands for its path):</source>
        <translation>Orden para cada archivo ({file} es su ruta):</translation>
    </message>
    <message>
        <source>Export presets</source>
        <translation>Preajustes de exportación</translation>
    </message>
    <message>
        <source>These export settings cannot be used: %1</source>
        <translation>Estos ajustes de exportación no se pueden usar: %1</translation>
    </message>
    <message>
        <source>Add to queue</source>
        <translation>Añadir a la cola</translation>
    </message>
    <message>
        <source>Ctrl+Shift+E</source>
        <translation>Ctrl+Shift+E</translation>
    </message>
    <message>
        <source>Adds these files to the queue and starts exporting. (Ctrl+Shift+E)</source>
        <translation>Añade estos archivos a la cola y empieza a exportar. (Ctrl+Mayús+E)</translation>
    </message>
    <message>
        <source>Then: nothing</source>
        <translation>Después: nada</translation>
    </message>
    <message>
        <source>Then: open</source>
        <translation>Después: abrir</translation>
    </message>
    <message>
        <source>Then: %1</source>
        <translation>Después: %1</translation>
    </message>
    <message>
        <source>Folder: %1</source>
        <translation>Carpeta: %1</translation>
    </message>
    <message>
        <source>Subfolder: %1</source>
        <translation>Subcarpeta: %1</translation>
    </message>
    <message>
        <source>Choose a take first: click the ring at the head of its column.</source>
        <translation>Elija antes una variante: haga clic en el anillo en la cabecera de su columna.</translation>
    </message>
    <message>
        <source>Estimating size and time…</source>
        <translation>Calculando tamaño y tiempo…</translation>
    </message>
    <message>
        <source>About %1, %2</source>
        <translation>Unos %1, %2</translation>
    </message>
    <message>
        <source>About %1 and %2 for all %3</source>
        <translation>Unos %1 y %2 para las %3</translation>
    </message>
    <message>
        <source>No take is chosen for %1. Choose one, or export the recommended take of each photo.</source>
        <translation>No hay variante elegida para %1. Elija una, o exporte la recomendada de cada foto.</translation>
    </message>
    <message>
        <source>The noise of the photos before is still being measured.</source>
        <translation>Todavía se mide el ruido de las fotos anteriores.</translation>
    </message>
    <message>
        <source>Measuring the noise of %1 photos together…</source>
        <translation>Midiendo juntos el ruido de %1 fotos…</translation>
    </message>
    <message>
        <source>Added %1 files to the queue.</source>
        <translation>Se añadieron %1 archivos a la cola.</translation>
    </message>
    <message>
        <source>Folder for exports</source>
        <translation>Carpeta para las exportaciones</translation>
    </message>
    <message>
        <source>Save export preset</source>
        <translation>Guardar preajuste de exportación</translation>
    </message>
    <message>
        <source>Name of the preset:</source>
        <translation>Nombre del preajuste:</translation>
    </message>
    <message>
        <source>Small JPEG</source>
        <translation>JPEG pequeño</translation>
    </message>
    <message>
        <source>None</source>
        <translation>Ninguno</translation>
    </message>
    <message>
        <source>Save export preset…</source>
        <translation>Guardar preajuste de exportación…</translation>
    </message>
    <message>
        <source>Then: return</source>
        <translation>Después: devolver</translation>
    </message>
    <message>
        <source>Not returned: not all files were exported.</source>
        <translation>No devuelta: no se exportaron todos los archivos.</translation>
    </message>
    <message>
        <source>Return the photo and close</source>
        <translation>Devolver la foto y cerrar</translation>
    </message>
</context>
<context>
    <name>irenic::Equalise</name>
    <message>
        <source>luminance</source>
        <translation>luminancia</translation>
    </message>
    <message>
        <source>colour</source>
        <translation>color</translation>
    </message>
    <message>
        <source>Measuring for equal %1 noise…</source>
        <translation>Midiendo para igualar el ruido de %1…</translation>
    </message>
    <message>
        <source> (as near as it comes)</source>
        <translation> (lo más cerca posible)</translation>
    </message>
    <message>
        <source>%1 % of the noise left</source>
        <translation>queda el %1 % del ruido</translation>
    </message>
    <message>
        <source>Equal %1 noise: %2.</source>
        <translation>Ruido de %1 igualado: %2.</translation>
    </message>
</context>
<context>
    <name>irenic::ExportBar</name>
    <message>
        <source>Export…</source>
        <translation>Exportar…</translation>
    </message>
    <message>
        <source>Cancel</source>
        <translation>Cancelar</translation>
    </message>
    <message>
        <source>Ctrl+E</source>
        <translation>Ctrl+E</translation>
    </message>
    <message>
        <source>Exports the chosen take to a file. The original is never touched. (Ctrl+E)</source>
        <translation>Exporta la variante elegida a un archivo. El original nunca se toca. (Ctrl+E)</translation>
    </message>
    <message>
        <source>Export queue</source>
        <translation>Cola de exportación</translation>
    </message>
    <message>
        <source>Ctrl+D</source>
        <translation>Ctrl+D</translation>
    </message>
    <message>
        <source>Exports several photos at once, and shows the queue. (Ctrl+D)</source>
        <translation>Exporta varias fotos a la vez y muestra la cola. (Ctrl+D)</translation>
    </message>
    <message>
        <source>Export cancelled. Nothing was written.</source>
        <translation>Exportación cancelada. No se escribió nada.</translation>
    </message>
    <message>
        <source>, about %1 s left</source>
        <translation>, faltan unos %1 s</translation>
    </message>
    <message>
        <source>Queue: %1</source>
        <translation>Cola: %1</translation>
    </message>
    <message>
        <source>Return take %1</source>
        <translation>Devolver variante %1</translation>
    </message>
    <message>
        <source>Export take %1…</source>
        <translation>Exportar variante %1…</translation>
    </message>
    <message>
        <source>Ctrl+Return</source>
        <translation>Ctrl+Return</translation>
    </message>
    <message>
        <source>Export take</source>
        <translation>Exportar variante</translation>
    </message>
    <message>
        <source>%1 %2</source>
        <translation>%1 %2</translation>
    </message>
    <message>
        <source>Exporting %1</source>
        <translation>Exportando %1</translation>
    </message>
    <message>
        <source>Writes the chosen take to the program that handed the photo over, and closes. (Ctrl+Return)</source>
        <translation>Escribe la variante elegida para el programa que entregó la foto, y cierra. (Ctrl+Intro)</translation>
    </message>
    <message>
        <source>Returns to the program that opened it: %1</source>
        <translation>Vuelve al programa que la abrió: %1</translation>
    </message>
    <message>
        <source>Returning %1</source>
        <translation>Devolviendo %1</translation>
    </message>
    <message>
        <source>Exported and verified: %1</source>
        <translation>Exportado y verificado: %1</translation>
    </message>
</context>
<context>
    <name>irenic::ExportsList</name>
    <message>
        <source>Missing</source>
        <translation>Falta</translation>
    </message>
    <message>
        <source>%1 MB</source>
        <translation>%1 MB</translation>
    </message>
    <message>
        <source>As set</source>
        <translation>Como está ajustado</translation>
    </message>
    <message>
        <source>Other settings</source>
        <translation>Otros ajustes</translation>
    </message>
    <message>
        <source>Older method</source>
        <translation>Método anterior</translation>
    </message>
    <message>
        <source>Not known</source>
        <translation>Desconocido</translation>
    </message>
    <message>
        <source>The take and the look are as they were when this was made.</source>
        <translation>La variante y el revelado son los que había cuando se hizo.</translation>
    </message>
    <message>
        <source>The take or the look has changed since, or the take is gone.</source>
        <translation>La variante o el revelado han cambiado desde entonces, o la variante ya no está.</translation>
    </message>
    <message>
        <source>An older version of Irenic made this. Compare it as a reference, or export again.</source>
        <translation>Lo hizo una versión anterior de Irenic. Compárelo como referencia, o exporte otra vez.</translation>
    </message>
    <message>
        <source>What this was made with was not noted, or was measured as it was made.</source>
        <translation>No se anotó con qué se hizo, o se midió al hacerlo.</translation>
    </message>
    <message>
        <source>Exports of this photo</source>
        <translation>Exportaciones de esta foto</translation>
    </message>
    <message>
        <source>File</source>
        <translation>Archivo</translation>
    </message>
    <message>
        <source>Take</source>
        <translation>Variante</translation>
    </message>
    <message>
        <source>When</source>
        <translation>Cuándo</translation>
    </message>
    <message>
        <source>Size</source>
        <translation>Tamaño</translation>
    </message>
    <message>
        <source>Made as</source>
        <translation>Hecho como</translation>
    </message>
    <message>
        <source>%1 was made by an older version of this method. To see what is new, open it as a reference (View, Panels, Exports).</source>
        <translation>%1 se hizo con una versión anterior de este método. Para ver qué hay de nuevo, ábralo como referencia (Ver, Paneles, Exportaciones).</translation>
    </message>
    <message>
        <source>Open file</source>
        <translation>Abrir archivo</translation>
    </message>
    <message>
        <source>Show in folder</source>
        <translation>Mostrar en la carpeta</translation>
    </message>
    <message>
        <source>Compare as reference</source>
        <translation>Comparar como referencia</translation>
    </message>
    <message>
        <source>Rename…</source>
        <translation>Cambiar nombre…</translation>
    </message>
    <message>
        <source>Rename export</source>
        <translation>Cambiar nombre de la exportación</translation>
    </message>
    <message>
        <source>New name of the file:</source>
        <translation>Nuevo nombre del archivo:</translation>
    </message>
    <message>
        <source>Move to trash</source>
        <translation>Mover a la papelera</translation>
    </message>
    <message>
        <source>No mark</source>
        <translation>Sin marca</translation>
    </message>
    <message>
        <source>Mark ●</source>
        <translation>Marca ●</translation>
    </message>
    <message>
        <source>Mark ●●</source>
        <translation>Marca ●●</translation>
    </message>
    <message>
        <source>Mark ●●●</source>
        <translation>Marca ●●●</translation>
    </message>
    <message>
        <source>The file before is still being changed.</source>
        <translation>Todavía se está cambiando el archivo anterior.</translation>
    </message>
    <message>
        <source>A file&apos;s name cannot be empty or have a / in it.</source>
        <translation>El nombre de un archivo no puede estar vacío ni llevar una /.</translation>
    </message>
    <message>
        <source>%1 cannot be renamed to %2. Is there a file of that name?</source>
        <translation>%1 no puede pasar a llamarse %2. ¿Hay un archivo con ese nombre?</translation>
    </message>
    <message>
        <source>%1 was changed by another program, and stays where it is.</source>
        <translation>Otro programa cambió %1, y se queda donde está.</translation>
    </message>
    <message>
        <source>%1 cannot be moved to the trash.</source>
        <translation>%1 no se puede mover a la papelera.</translation>
    </message>
</context>
<context>
    <name>irenic::FaultReport</name>
    <message>
        <source>No photo is open.</source>
        <translation>No hay ninguna foto abierta.</translation>
    </message>
    <message>
        <source>What was said last:</source>
        <translation>Lo último que se dijo:</translation>
    </message>
    <message>
        <source>With the names of folders</source>
        <translation>Con los nombres de las carpetas</translation>
    </message>
    <message>
        <source>Report a fault</source>
        <translation>Informar de un fallo</translation>
    </message>
    <message>
        <source>Nothing is sent. Read it, add what you did, then save or copy it.</source>
        <translation>No se envía nada. Léalo, añada lo que hizo y guárdelo o cópielo.</translation>
    </message>
    <message>
        <source>Report</source>
        <translation>Informe</translation>
    </message>
    <message>
        <source>Copy</source>
        <translation>Copiar</translation>
    </message>
    <message>
        <source>Save…</source>
        <translation>Guardar…</translation>
    </message>
    <message>
        <source>Save the report</source>
        <translation>Guardar el informe</translation>
    </message>
    <message>
        <source>irenic-report.txt</source>
        <translation>irenic-informe.txt</translation>
    </message>
    <message>
        <source>Text (*.txt)</source>
        <translation>Texto (*.txt)</translation>
    </message>
    <message>
        <source>Saved: %1</source>
        <translation>Guardado: %1</translation>
    </message>
    <message>
        <source>%1 could not be saved: %2</source>
        <translation>%1 no se pudo guardar: %2</translation>
    </message>
</context>
<context>
    <name>irenic::HistogramView</name>
    <message>
        <source>Whole photo with its look, before noise reduction: red, green and blue. Heights are square roots.
Clipped to black: %1
Clipped to white: %2</source>
        <translation>Toda la foto con su revelado, antes de la reducción de ruido: rojo, verde y azul. Las alturas son raíces cuadradas.
Cortado a negro: %1
Cortado a blanco: %2</translation>
    </message>
    <message>
        <source>Histogram; clipped to white %1</source>
        <translation>Histograma; cortado a blanco %1</translation>
    </message>
</context>
<context>
    <name>irenic::HistoryList</name>
    <message>
        <source>History</source>
        <translation>Historial</translation>
    </message>
    <message>
        <source>All steps, the newest last. Click one to go back to it; grey steps were undone.</source>
        <translation>Todos los pasos, el más reciente al final. Haga clic en uno para volver a él; los pasos grises se deshicieron.</translation>
    </message>
    <message>
        <source>Opened</source>
        <translation>Abierta</translation>
    </message>
    <message>
        <source>Earlier steps</source>
        <translation>Pasos anteriores</translation>
    </message>
</context>
<context>
    <name>irenic::KeptWork</name>
    <message>
        <source>%1 is open in another window (%2). Your changes are saved separately.</source>
        <translation>%1 está abierta en otra ventana (%2). Sus cambios se guardan por separado.</translation>
    </message>
    <message>
        <source>%1 may be open elsewhere (%2). Your changes are saved separately.</source>
        <translation>%1 puede estar abierta en otro sitio (%2). Sus cambios se guardan por separado.</translation>
    </message>
    <message>
        <source>%1 is free again. Your changes are saved as usual.</source>
        <translation>%1 vuelve a estar libre. Sus cambios se guardan como siempre.</translation>
    </message>
    <message>
        <source>Settings of %1 could not be saved: %2</source>
        <translation>No se pudieron guardar los ajustes de %1: %2</translation>
    </message>
    <message>
        <source>as the other window left it</source>
        <translation>como lo dejó la otra ventana</translation>
    </message>
</context>
<context>
    <name>irenic::KeyList</name>
    <message>
        <source>Irenic: keyboard and mouse</source>
        <translation>Irenic: teclado y ratón</translation>
    </message>
    <message>
        <source>Keyboard and mouse</source>
        <translation>Teclado y ratón</translation>
    </message>
    <message>
        <source>Search keys</source>
        <translation>Buscar teclas</translation>
    </message>
    <message>
        <source>All keys and gestures</source>
        <translation>Todas las teclas y gestos</translation>
    </message>
    <message>
        <source>Key</source>
        <translation>Tecla</translation>
    </message>
    <message>
        <source>What it does</source>
        <translation>Qué hace</translation>
    </message>
    <message>
        <source>Print…</source>
        <translation>Imprimir…</translation>
    </message>
    <message>
        <source>Prints this list, or saves it as PDF.</source>
        <translation>Imprime esta lista, o la guarda como PDF.</translation>
    </message>
</context>
<context>
    <name>irenic::LookStrip</name>
    <message>
        <source>White balance</source>
        <translation>Balance de blancos</translation>
    </message>
    <message>
        <source>Tone</source>
        <translation>Tono</translation>
    </message>
    <message>
        <source>Lens</source>
        <translation>Objetivo</translation>
    </message>
    <message>
        <source>Detail</source>
        <translation>Detalle</translation>
    </message>
    <message>
        <source>Reset %1</source>
        <translation>Restablecer %1</translation>
    </message>
    <message>
        <source>Resets this group to what the camera and the file suggest.</source>
        <translation>Devuelve este grupo a lo que sugieren la cámara y el archivo.</translation>
    </message>
    <message>
        <source>Pick grey</source>
        <translation>Elegir gris</translation>
    </message>
    <message>
        <source>Ctrl+G</source>
        <translation>Ctrl+G</translation>
    </message>
    <message>
        <source>Sets the white balance from a neutral grey that you click. (Ctrl+G)</source>
        <translation>Ajusta el balance de blancos con un gris neutro en el que haga clic. (Ctrl+G)</translation>
    </message>
    <message>
        <source>Tone curve</source>
        <translation>Curva de tonos</translation>
    </message>
    <message>
        <source>Opens the tone curve. The sheet follows every change.</source>
        <translation>Abre la curva de tonos. La hoja sigue cada cambio.</translation>
    </message>
    <message>
        <source>Auto tone</source>
        <translation>Tono automático</translation>
    </message>
    <message>
        <source>Sets exposure, highlights and shadows from the photo.</source>
        <translation>Ajusta exposición, luces y sombras según la foto.</translation>
    </message>
    <message>
        <source>More on the look</source>
        <translation>Más sobre el revelado</translation>
    </message>
    <message>
        <source>Copies, pastes, saves or resets the look.</source>
        <translation>Copia, pega, guarda o restablece el revelado.</translation>
    </message>
    <message>
        <source>Copy look</source>
        <translation>Copiar revelado</translation>
    </message>
    <message>
        <source>Ctrl+Alt+C</source>
        <translation>Ctrl+Alt+C</translation>
    </message>
    <message>
        <source>Paste look</source>
        <translation>Pegar revelado</translation>
    </message>
    <message>
        <source>Ctrl+Alt+V</source>
        <translation>Ctrl+Alt+V</translation>
    </message>
    <message>
        <source>Apply look to all photos</source>
        <translation>Aplicar el revelado a todas las fotos</translation>
    </message>
    <message>
        <source>Save as preset…</source>
        <translation>Guardar como preajuste…</translation>
    </message>
    <message>
        <source>Reset look</source>
        <translation>Restablecer revelado</translation>
    </message>
    <message>
        <source>This file was white-balanced when it was developed. Changes here come on top.</source>
        <translation>El balance de blancos de este archivo se hizo al revelarlo. Los cambios de aquí se suman.</translation>
    </message>
    <message>
        <source>No correction data for this lens.</source>
        <translation>No hay datos de corrección para este objetivo.</translation>
    </message>
    <message>
        <source>No lens data</source>
        <translation>Sin datos del objetivo</translation>
    </message>
    <message>
        <source>Lens data: %1</source>
        <translation>Datos del objetivo: %1</translation>
    </message>
</context>
<context>
    <name>irenic::Manual</name>
    <message>
        <source>Manual</source>
        <translation>Manual</translation>
    </message>
    <message>
        <source>Search the manual</source>
        <translation>Buscar en el manual</translation>
    </message>
    <message>
        <source>Pages of the manual</source>
        <translation>Páginas del manual</translation>
    </message>
    <message>
        <source>Page of the manual</source>
        <translation>Página del manual</translation>
    </message>
</context>
<context>
    <name>irenic::Overview</name>
    <message>
        <source>Overview</source>
        <translation>Vista general</translation>
    </message>
    <message>
        <source>The whole photo and its probes. Drag a probe to move it, drag its edges to resize it, double-click to add one. Delete removes the one that you clicked last.</source>
        <translation>Toda la foto y sus puntos de control. Arrastre uno para moverlo, arrastre sus bordes para cambiar su tamaño, doble clic para añadir uno. Supr quita el último en que hizo clic.</translation>
    </message>
    <message>
        <source>No photo</source>
        <translation>Ninguna foto</translation>
    </message>
</context>
<context>
    <name>irenic::Panels</name>
    <message>
        <source>Drag to move this panel to another side. Right-click to hide it.</source>
        <translation>Arrastre para mover este panel a otro lado. Clic derecho para ocultarlo.</translation>
    </message>
    <message>
        <source>Hide panel</source>
        <translation>Ocultar panel</translation>
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
        <translation>Fotos abiertas. Mayús y Ctrl seleccionan varias, para pegar ajustes o exportar. Supr cierra las seleccionadas.</translation>
    </message>
    <message>
        <source>%1: no photos in this folder.</source>
        <translation>%1: no hay fotos en esta carpeta.</translation>
    </message>
    <message>
        <source>Exported: %1</source>
        <translation>Exportada: %1</translation>
    </message>
    <message>
        <source>Missing: %1</source>
        <translation>Falta: %1</translation>
    </message>
    <message>
        <source>%1, %2</source>
        <translation>%1, %2</translation>
    </message>
    <message>
        <source>Reading %1…</source>
        <translation>Leyendo %1…</translation>
    </message>
    <message>
        <source>Measuring noise: %1 of %2</source>
        <translation>Midiendo el ruido: %1 de %2</translation>
    </message>
</context>
<context>
    <name>irenic::PhotoRow</name>
    <message>
        <source>Cannot open</source>
        <translation>No se puede abrir</translation>
    </message>
    <message>
        <source>Exported, %1 missing</source>
        <translation>Exportada, faltan %1</translation>
    </message>
    <message>
        <source>Exported</source>
        <translation>Exportada</translation>
    </message>
    <message>
        <source>Edited</source>
        <translation>Editada</translation>
    </message>
    <message>
        <source>Noise %1</source>
        <translation>Ruido %1</translation>
    </message>
</context>
<context>
    <name>irenic::PhotosSheet</name>
    <message>
        <source>Sheet over photos</source>
        <translation>Hoja de varias fotos</translation>
    </message>
    <message>
        <source>Sheet</source>
        <translation>Hoja</translation>
    </message>
    <message>
        <source>Goes back to the sheet of the photo shown. (Esc)</source>
        <translation>Vuelve a la hoja de la foto mostrada. (Esc)</translation>
    </message>
    <message>
        <source>Gives all selected photos these takes, and the choice among them. One step to undo.</source>
        <translation>Da a todas las fotos seleccionadas estas variantes, y la elección entre ellas. Un solo paso que se puede deshacer.</translation>
    </message>
    <message>
        <source>Select at least two photos in the list first.</source>
        <translation>Seleccione antes al menos dos fotos de la lista.</translation>
    </message>
    <message>
        <source>Looking for the photos that differ most…</source>
        <translation>Buscando las fotos que más se diferencian…</translation>
    </message>
    <message>
        <source>Original</source>
        <translation>Original</translation>
    </message>
    <message>
        <source>Shows this photo in the sheet.</source>
        <translation>Muestra esta foto en la hoja.</translation>
    </message>
    <message>
        <source>Opening…</source>
        <translation>Abriendo…</translation>
    </message>
    <message>
        <source>%1
ISO %2</source>
        <translation>%1
ISO %2</translation>
    </message>
    <message>
        <source>%1 of %2 photos: those that differ most. Page Down: next probe.</source>
        <translation>%1 de %2 fotos: las que más se diferencian. AvPág: siguiente punto de control.</translation>
    </message>
    <message>
        <source>%1 photos. Page Down: next probe.</source>
        <translation>%1 fotos. AvPág: siguiente punto de control.</translation>
    </message>
    <message>
        <source>Photos are chosen by ISO, brightness and texture. 1.00× is as much noise as was measured in each.</source>
        <translation>Las fotos se eligen por ISO, claridad y textura. 1,00× es tanto ruido como se midió en cada una.</translation>
    </message>
    <message>
        <source>Use these takes for all %1</source>
        <translation>Usar estas variantes en las %1</translation>
    </message>
</context>
<context>
    <name>irenic::PicturePane</name>
    <message>
        <source>Making the pictures…</source>
        <translation>Haciendo las imágenes…</translation>
    </message>
</context>
<context>
    <name>irenic::PresetMenu</name>
    <message>
        <source>Pr&amp;esets</source>
        <translation>Pr&amp;eajustes</translation>
    </message>
    <message>
        <source>None yet. Save one from the menu of a take or of the look.</source>
        <translation>Todavía ninguno. Guarde uno desde el menú de una variante o del revelado.</translation>
    </message>
    <message>
        <source>&amp;Import…</source>
        <translation>&amp;Importar…</translation>
    </message>
    <message>
        <source>Import presets</source>
        <translation>Importar preajustes</translation>
    </message>
    <message>
        <source>Presets and sidecars (*.json)</source>
        <translation>Preajustes y archivos anexos (*.json)</translation>
    </message>
    <message>
        <source>E&amp;xport</source>
        <translation>E&amp;xportar</translation>
    </message>
    <message>
        <source>&amp;Remove</source>
        <translation>&amp;Quitar</translation>
    </message>
    <message>
        <source>Export preset</source>
        <translation>Exportar preajuste</translation>
    </message>
    <message>
        <source>Presets (*.json)</source>
        <translation>Preajustes (*.json)</translation>
    </message>
    <message>
        <source>Preset %1 was moved to the trash.</source>
        <translation>El preajuste %1 se movió a la papelera.</translation>
    </message>
    <message>
        <source>Preset %1 could not be moved to the trash.</source>
        <translation>El preajuste %1 no se pudo mover a la papelera.</translation>
    </message>
    <message>
        <source>Save as preset</source>
        <translation>Guardar como preajuste</translation>
    </message>
    <message>
        <source>Name of the preset:</source>
        <translation>Nombre del preajuste:</translation>
    </message>
    <message>
        <source>A preset named %1 exists. Replace it?</source>
        <translation>Ya existe un preajuste llamado %1. ¿Sustituirlo?</translation>
    </message>
    <message>
        <source>Preset %1 was saved.</source>
        <translation>El preajuste %1 se guardó.</translation>
    </message>
    <message>
        <source>Look</source>
        <translation>Revelado</translation>
    </message>
    <message>
        <source>Preset %1 was exported to %2.</source>
        <translation>El preajuste %1 se exportó a %2.</translation>
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
        <translation>Estado</translation>
    </message>
    <message>
        <source>Photo</source>
        <translation>Foto</translation>
    </message>
    <message>
        <source>File</source>
        <translation>Archivo</translation>
    </message>
    <message>
        <source>Check</source>
        <translation>Comprobar</translation>
    </message>
    <message>
        <source>Details</source>
        <translation>Detalles</translation>
    </message>
    <message>
        <source>Waiting</source>
        <translation>En espera</translation>
    </message>
    <message>
        <source>Exporting</source>
        <translation>En curso</translation>
    </message>
    <message>
        <source>Done</source>
        <translation>Hecho</translation>
    </message>
    <message>
        <source>Failed</source>
        <translation>Falló</translation>
    </message>
    <message>
        <source>Cancelled</source>
        <translation>Cancelado</translation>
    </message>
    <message>
        <source>as %1</source>
        <translation>como %1</translation>
    </message>
    <message>
        <source>%1 (missing)</source>
        <translation>%1 (falta)</translation>
    </message>
    <message>
        <source>Good</source>
        <translation>Bien</translation>
    </message>
    <message>
        <source>Look</source>
        <translation>Revelado</translation>
    </message>
    <message>
        <source>Bad</source>
        <translation>Mal</translation>
    </message>
    <message>
        <source>%1 %</source>
        <translation>%1 %</translation>
    </message>
    <message>
        <source>%1, second try</source>
        <translation>%1, segundo intento</translation>
    </message>
    <message>
        <source>%1 s</source>
        <translation>%1 s</translation>
    </message>
    <message>
        <source>Will retry: %1</source>
        <translation>Se reintentará: %1</translation>
    </message>
</context>
<context>
    <name>irenic::QueueView</name>
    <message>
        <source>Export queue</source>
        <translation>Cola de exportación</translation>
    </message>
    <message>
        <source>The damaged queue was renamed to %1. A new one has started.</source>
        <translation>La cola dañada pasó a llamarse %1. Se empezó una nueva.</translation>
    </message>
    <message>
        <source>The queue is empty. Add to queue puts the files above here.</source>
        <translation>La cola está vacía. «Añadir a la cola» pone aquí los archivos de arriba.</translation>
    </message>
    <message>
        <source>Set damaged queue aside</source>
        <translation>Apartar la cola dañada</translation>
    </message>
    <message>
        <source>Renames the damaged queue file and starts a new queue.</source>
        <translation>Cambia el nombre del archivo dañado y empieza una cola nueva.</translation>
    </message>
    <message>
        <source>Pause</source>
        <translation>Pausa</translation>
    </message>
    <message>
        <source>Finishes current files, starts no more.</source>
        <translation>Termina los archivos en curso y no empieza más.</translation>
    </message>
    <message>
        <source>Clear finished</source>
        <translation>Quitar terminados</translation>
    </message>
    <message>
        <source>Removes finished and cancelled exports from the list. Files stay.</source>
        <translation>Quita de la lista las exportaciones terminadas y canceladas. Los archivos se quedan.</translation>
    </message>
    <message>
        <source>Worst first</source>
        <translation>Peores primero</translation>
    </message>
    <message>
        <source>Lists what checking found worst on top, instead of the order of export.</source>
        <translation>Muestra arriba lo peor que halló la comprobación, en lugar del orden de exportación.</translation>
    </message>
    <message>
        <source>More</source>
        <translation>Más</translation>
    </message>
    <message>
        <source>Retries or cancels exports.</source>
        <translation>Reintenta o cancela exportaciones.</translation>
    </message>
    <message>
        <source>Retry failed</source>
        <translation>Reintentar fallidos</translation>
    </message>
    <message>
        <source>Puts everything that failed back in the queue.</source>
        <translation>Vuelve a poner en la cola todo lo que falló.</translation>
    </message>
    <message>
        <source>Cancel all</source>
        <translation>Cancelar todo</translation>
    </message>
    <message>
        <source>Cancels everything that is waiting or exporting.</source>
        <translation>Cancela todo lo que espera o se exporta.</translation>
    </message>
    <message>
        <source>Show photo</source>
        <translation>Mostrar foto</translation>
    </message>
    <message>
        <source>Opens the original in this window.</source>
        <translation>Abre el original en esta ventana.</translation>
    </message>
    <message>
        <source>Open file</source>
        <translation>Abrir archivo</translation>
    </message>
    <message>
        <source>Opens the selected file with its default program.</source>
        <translation>Abre el archivo seleccionado con su programa habitual.</translation>
    </message>
    <message>
        <source>Show in folder</source>
        <translation>Mostrar en la carpeta</translation>
    </message>
    <message>
        <source>Opens the folder of the selected file in the file manager.</source>
        <translation>Abre la carpeta del archivo seleccionado en el gestor de archivos.</translation>
    </message>
    <message>
        <source>Run a command…</source>
        <translation>Ejecutar una orden…</translation>
    </message>
    <message>
        <source>Runs a command on the selected file. {file} stands for its path; without it, the path comes last.</source>
        <translation>Ejecuta una orden con el archivo seleccionado. {file} es su ruta; sin él, la ruta va al final.</translation>
    </message>
    <message>
        <source>Move up</source>
        <translation>Subir</translation>
    </message>
    <message>
        <source>Exports the selected file one place earlier.</source>
        <translation>Exporta el archivo seleccionado un lugar antes.</translation>
    </message>
    <message>
        <source>Move down</source>
        <translation>Bajar</translation>
    </message>
    <message>
        <source>Exports the selected file one place later.</source>
        <translation>Exporta el archivo seleccionado un lugar después.</translation>
    </message>
    <message>
        <source>Cancel</source>
        <translation>Cancelar</translation>
    </message>
    <message>
        <source>Cancels the selected file.</source>
        <translation>Cancela el archivo seleccionado.</translation>
    </message>
    <message>
        <source>Run a command</source>
        <translation>Ejecutar una orden</translation>
    </message>
    <message>
        <source>Command to run on the file:</source>
        <translation>Orden para el archivo:</translation>
    </message>
    <message>
        <source>Cannot export: irenic-cli not found. Install it next to irenic.</source>
        <translation>No se puede exportar: no se encuentra irenic-cli. Instálelo junto a irenic.</translation>
    </message>
    <message>
        <source>%1 waiting</source>
        <translation>%1 en espera</translation>
    </message>
    <message>
        <source>%1 exporting</source>
        <translation>%1 exportando</translation>
    </message>
    <message>
        <source>%1 done</source>
        <translation>%1 hechos</translation>
    </message>
    <message>
        <source>%1 failed</source>
        <translation>%1 fallidos</translation>
    </message>
    <message>
        <source>Resume</source>
        <translation>Reanudar</translation>
    </message>
    <message>
        <source>Exports left from last time: %1. Resume?</source>
        <translation>Exportaciones de la última vez: %1. ¿Reanudar?</translation>
    </message>
    <message>
        <source>Paused, %1 waiting</source>
        <translation>En pausa, %1 en espera</translation>
    </message>
    <message>
        <source>Exports are running</source>
        <translation>Hay exportaciones en curso</translation>
    </message>
    <message>
        <source>Irenic</source>
        <translation>Irenic</translation>
    </message>
    <message>
        <source>Files exported: %1, failed: %2</source>
        <translation>Archivos exportados: %1, fallidos: %2</translation>
    </message>
    <message>
        <source>Files exported: %1</source>
        <translation>Archivos exportados: %1</translation>
    </message>
</context>
<context>
    <name>irenic::RecentPhotos</name>
    <message>
        <source>Recent photos</source>
        <translation>Fotos recientes</translation>
    </message>
</context>
<context>
    <name>irenic::RecommendButton</name>
    <message>
        <source>quicker</source>
        <translation>más rápida</translation>
    </message>
    <message>
        <source>with grain</source>
        <translation>con grano</translation>
    </message>
    <message>
        <source>sharpened</source>
        <translation>enfocada</translation>
    </message>
    <message>
        <source>Adds the quickest take that is nearly as good on this photo.</source>
        <translation>Añade la variante más rápida que es casi igual de buena en esta foto.</translation>
    </message>
    <message>
        <source>Adds a take that keeps some of the photo&apos;s own grain.</source>
        <translation>Añade una variante que conserva algo del grano propio de la foto.</translation>
    </message>
    <message>
        <source>Adds the recommended take, sharpened as much as this photo&apos;s sharpest edges are blurred.</source>
        <translation>Añade la variante recomendada, enfocada tanto como están borrosos los bordes más nítidos de esta foto.</translation>
    </message>
    <message>
        <source>Quicker: %1, error %2 %, %3 times as quick</source>
        <translation>Más rápida: %1, error %2 %, %3 veces más rápida</translation>
    </message>
    <message>
        <source>With grain: %1, error %2 %</source>
        <translation>Con grano: %1, error %2 %</translation>
    </message>
    <message>
        <source>Sharpened: %1, for edges blurred by %2 px</source>
        <translation>Enfocada: %1, para bordes con %2 px de desenfoque</translation>
    </message>
    <message>
        <source>Adds the take with the least estimated error. (Ctrl+R)</source>
        <translation>Añade la variante con el menor error estimado. (Ctrl+R)</translation>
    </message>
    <message>
        <source>Ctrl+R</source>
        <translation>Ctrl+R</translation>
    </message>
    <message>
        <source>Stop measuring (%1 %)</source>
        <translation>Dejar de medir (%1 %)</translation>
    </message>
    <message>
        <source>Recommend</source>
        <translation>Recomendar</translation>
    </message>
    <message>
        <source>After your taste: %1 with %2 % grain (from %3 blind trials)</source>
        <translation>A su gusto: %1 con %2 % de grano (de %3 pruebas a ciegas)</translation>
    </message>
    <message>
        <source>Adds the recommended take with as much grain as you preferred in blind trials.</source>
        <translation>Añade la variante recomendada con tanto grano como prefirió en las pruebas a ciegas.</translation>
    </message>
    <message>
        <source>after your taste</source>
        <translation>a su gusto</translation>
    </message>
    <message>
        <source>Forget my taste</source>
        <translation>Olvidar mi gusto</translation>
    </message>
    <message>
        <source>Take %1 is the recommendation for this photo.</source>
        <translation>La variante %1 es la recomendada para esta foto.</translation>
    </message>
    <message>
        <source>At %1 px this photo needs no cleaning</source>
        <translation>A %1 px esta foto no necesita limpieza</translation>
    </message>
    <message>
        <source>At the size that you export, nobody can tell the original from the recommended take.</source>
        <translation>Al tamaño que exporta, nadie distingue el original de la variante recomendada.</translation>
    </message>
    <message>
        <source>At %1 px: %2 looks the same, %3 times as quick</source>
        <translation>A %1 px: %2 se ve igual, %3 veces más rápido</translation>
    </message>
    <message>
        <source>Adds the quickest take that nobody can tell from the recommended one at the size that you export.</source>
        <translation>Añade la variante más rápida que, al tamaño que exporta, nadie distingue de la recomendada.</translation>
    </message>
    <message>
        <source>for the size</source>
        <translation>para el tamaño</translation>
    </message>
</context>
<context>
    <name>irenic::ReferenceHead</name>
    <message>
        <source>Matches brightness and white balance to this photo, so that noise and detail can be compared. The file stays as it is.</source>
        <translation>Iguala claridad y balance de blancos con esta foto, para poder comparar ruido y detalle. El archivo queda como está.</translation>
    </message>
    <message>
        <source>Reload</source>
        <translation>Recargar</translation>
    </message>
    <message>
        <source>Reads the file and aligns it again.</source>
        <translation>Lee el archivo y lo alinea otra vez.</translation>
    </message>
    <message>
        <source>Close reference</source>
        <translation>Cerrar referencia</translation>
    </message>
    <message>
        <source>Closes this reference. The file stays.</source>
        <translation>Cierra esta referencia. El archivo se queda.</translation>
    </message>
    <message>
        <source>Reference %1, %2</source>
        <translation>Referencia %1, %2</translation>
    </message>
    <message>
        <source>Another version of this photo, to compare with. Never exported.
%1
%2</source>
        <translation>Otra versión de esta foto, para comparar. Nunca se exporta.
%1
%2</translation>
    </message>
    <message>
        <source>Clean</source>
        <translation>Limpiar</translation>
    </message>
    <message>
        <source>Cleans this reference like one of the takes, by its own measured noise, to compare what comes first: cleaning or developing. The file stays as it is.</source>
        <translation>Limpia esta referencia como una de las variantes, según su propio ruido medido, para comparar qué va primero: limpiar o revelar. El archivo queda como está.</translation>
    </message>
    <message>
        <source>Like take %1</source>
        <translation>Como la variante %1</translation>
    </message>
    <message>
        <source>As it is</source>
        <translation>Como es</translation>
    </message>
    <message>
        <source>Match</source>
        <translation>Igualar</translation>
    </message>
</context>
<context>
    <name>irenic::ReferenceShelf</name>
    <message>
        <source>Reading and aligning…</source>
        <translation>Leyendo y alineando…</translation>
    </message>
    <message>
        <source>Matching colours…</source>
        <translation>Igualando colores…</translation>
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
        <translation>bien</translation>
    </message>
    <message>
        <source>look</source>
        <translation>mirar</translation>
    </message>
    <message>
        <source>bad</source>
        <translation>mal</translation>
    </message>
    <message>
        <source>Blind trial</source>
        <translation>Prueba a ciegas</translation>
    </message>
    <message>
        <source>%1, from %2 answers</source>
        <translation>%1, de %2 respuestas</translation>
    </message>
    <message>
        <source>%1. %2</source>
        <translation>%1. %2</translation>
    </message>
    <message>
        <source>, above the next: %1 % sure</source>
        <translation>, por encima de la siguiente: %1 % de certeza</translation>
    </message>
    <message>
        <source>ISO %1</source>
        <translation>ISO %1</translation>
    </message>
    <message>
        <source>noise at mid-grey %1 % of white</source>
        <translation>ruido en gris medio %1 % del blanco</translation>
    </message>
    <message>
        <source>%1, %2</source>
        <translation>%1, %2</translation>
    </message>
    <message>
        <source>Probe %1: %2, at 100 %</source>
        <translation>Punto de control %1: %2, al 100 %</translation>
    </message>
    <message>
        <source>Original</source>
        <translation>Original</translation>
    </message>
    <message>
        <source>  (chosen for export)</source>
        <translation>  (elegida para exportar)</translation>
    </message>
    <message>
        <source>%1 % of the noise left on an even grey</source>
        <translation>queda el %1 % del ruido en un gris uniforme</translation>
    </message>
</context>
<context>
    <name>irenic::RowLabel</name>
    <message>
        <source>%1
Double-click to widen, drag to reorder, right-click for more.</source>
        <translation>%1
Doble clic para ensanchar, arrastrar para reordenar, clic derecho para más.</translation>
    </message>
    <message>
        <source>%1   collapsed, click to show</source>
        <translation>%1   plegada, clic para mostrar</translation>
    </message>
    <message>
        <source>Rename probe…</source>
        <translation>Cambiar nombre del punto…</translation>
    </message>
    <message>
        <source>Widen row</source>
        <translation>Ensanchar fila</translation>
    </message>
    <message>
        <source>Show row</source>
        <translation>Mostrar fila</translation>
    </message>
    <message>
        <source>Collapse row</source>
        <translation>Plegar fila</translation>
    </message>
    <message>
        <source>Remove probe</source>
        <translation>Quitar punto de control</translation>
    </message>
</context>
<context>
    <name>irenic::Rule</name>
    <message>
        <source>Drag, type or use the arrow keys. Double-click to reset.</source>
        <translation>Arrastre, escriba o use las flechas. Doble clic para restablecer.</translation>
    </message>
    <message>
        <source>None</source>
        <translation>Ninguno</translation>
    </message>
</context>
<context>
    <name>irenic::Sheet</name>
    <message>
        <source>Shows the collapsed column %1.</source>
        <translation>Muestra la columna plegada %1.</translation>
    </message>
    <message>
        <source>Name of the take</source>
        <translation>Nombre de la variante</translation>
    </message>
    <message>
        <source>Name, empty for none:</source>
        <translation>Nombre, vacío para ninguno:</translation>
    </message>
    <message>
        <source>Name of the probe</source>
        <translation>Nombre del punto de control</translation>
    </message>
    <message>
        <source>Name:</source>
        <translation>Nombre:</translation>
    </message>
    <message>
        <source>&lt;b&gt;Original&lt;/b&gt;</source>
        <translation>&lt;b&gt;Original&lt;/b&gt;</translation>
    </message>
    <message>
        <source>&lt;b&gt;Original&lt;/b&gt;&amp;nbsp; Noise %1 to %2 %</source>
        <translation>&lt;b&gt;Original&lt;/b&gt;&amp;nbsp; Ruido de %1 a %2 %</translation>
    </message>
    <message>
        <source>&lt;b&gt;Original&lt;/b&gt;&amp;nbsp; Noise %1 %</source>
        <translation>&lt;b&gt;Original&lt;/b&gt;&amp;nbsp; Ruido %1 %</translation>
    </message>
    <message>
        <source>The photo before noise reduction. Measured noise in per cent of white (green channel):</source>
        <translation>La foto antes de la reducción de ruido. Ruido medido en tanto por ciento del blanco (canal verde):</translation>
    </message>
    <message>
        <source>
%1 % at black, %2 % at mid-grey.</source>
        <translation>
%1 % en negro, %2 % en gris medio.</translation>
    </message>
    <message>
        <source>
Nothing in this photo is flat: the noise may be up to %1 % less.</source>
        <translation>
Nada en esta foto es liso: el ruido puede ser hasta un %1 % menor.</translation>
    </message>
    <message>
        <source>
Nothing in this photo is flat, so the figure is that of other photos of this camera (%1).</source>
        <translation>
Nada en esta foto es liso, así que la cifra es la de otras fotos de esta cámara (%1).</translation>
    </message>
    <message>
        <source>
Nothing in this photo is flat, so the figure is the one that the file states.</source>
        <translation>
Nada en esta foto es liso, así que la cifra es la que indica el archivo.</translation>
    </message>
    <message>
        <source>
The file states %1 % at black and %2 % at mid-grey.</source>
        <translation>
El archivo indica %1 % en negro y %2 % en gris medio.</translation>
    </message>
    <message>
        <source>
Bad pixels: %1. Banding, relative to noise at black: rows %2, columns %3. Takes repair both unless their
menu says otherwise. The original is shown as it is.</source>
        <translation>
Píxeles defectuosos: %1. Bandas, respecto al ruido en negro: filas %2, columnas %3. Las variantes reparan ambas cosas
salvo que su menú diga otra cosa. El original se muestra como es.</translation>
    </message>
    <message>
        <source>
Dead columns: %1, dead rows: %2. Takes fill them from both sides.</source>
        <translation>
Columnas muertas: %1, filas muertas: %2. Las variantes las rellenan desde ambos lados.</translation>
    </message>
    <message>
        <source>
The camera smoothed this raw (%1 % to each neighbour). Takes undo that, remove noise, and smooth again.</source>
        <translation>
La cámara suavizó este raw (%1 % a cada vecino). Las variantes lo deshacen, quitan el ruido y suavizan otra vez.</translation>
    </message>
    <message>
        <source>
The noise is uneven, and takes clean accordingly: %1 times as much at the right as at the left,
%2 times at the bottom as at the top, %3 times in the corners as in the middle.</source>
        <translation>
El ruido es desigual, y las variantes limpian según eso: %1 veces más a la derecha que a la izquierda,
%2 veces abajo respecto a arriba, %3 veces en las esquinas respecto al centro.</translation>
    </message>
</context>
<context>
    <name>irenic::ShotNote</name>
    <message>
        <source>Open photos with Ctrl+O, or drop them on the window.</source>
        <translation>Abra fotos con Ctrl+O, o suéltelas en la ventana.</translation>
    </message>
    <message>
        <source>Not a raw: noise already smoothed. Use the raw if you have it.</source>
        <translation>No es un raw: ruido ya suavizado. Use el raw si lo tiene.</translation>
    </message>
    <message>
        <source>Shot %1 stops darker than the sensor could hold, and made lighter here. More light next time costs less noise than any cleaning.</source>
        <translation>Tomada %1 pasos más oscura de lo que admitía el sensor, y aclarada aquí. Más luz la próxima vez cuesta menos ruido que cualquier limpieza.</translation>
    </message>
    <message>
        <source>%1 × %2, %3 bit, %4</source>
        <translation>%1 × %2, %3 bits, %4</translation>
    </message>
    <message>
        <source>Dark frame: this photo shows nothing of it.</source>
        <translation>Toma oscura: esta foto no muestra nada de ella.</translation>
    </message>
    <message>
        <source>Dark frame (mean of %1): %2 % of the noise in the dark is taken off.</source>
        <translation>Toma oscura (media de %1): se resta el %2 % del ruido en la oscuridad.</translation>
    </message>
    <message>
        <source>Dark frame (mean of %1): its glow is taken off.</source>
        <translation>Toma oscura (media de %1): se resta su resplandor.</translation>
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
        <translation>%1 no se pudo escribir: %2</translation>
    </message>
    <message>
        <source>Written: %1</source>
        <translation>Escrito: %1</translation>
    </message>
    <message>
        <source>Written: %1. %2</source>
        <translation>Escrito: %1. %2</translation>
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
        <translation>Compare la reducción de ruido, píxel a píxel</translation>
    </message>
    <message>
        <source>Columns are takes: a method with its strengths. Rows are probes: places worth checking. All cells of a row show the same pixels. Column one is the original.

1.00× removes as much noise as was measured. Choose the take that you like and export it. Your originals are never changed.</source>
        <translation>Las columnas son variantes: un método con sus intensidades. Las filas son puntos de control: lugares que vale la pena mirar. Todas las celdas de una fila muestran los mismos píxeles. La columna uno es el original.

1,00× quita tanto ruido como se midió. Elija la variante que le guste y expórtela. Sus originales nunca se cambian.</translation>
    </message>
    <message>
        <source>Open photos…   Ctrl+O</source>
        <translation>Abrir fotos…   Ctrl+O</translation>
    </message>
    <message>
        <source>Open a folder…   Ctrl+Shift+O</source>
        <translation>Abrir una carpeta…   Ctrl+Mayús+O</translation>
    </message>
    <message>
        <source>Try the demo photos</source>
        <translation>Probar las fotos de muestra</translation>
    </message>
    <message>
        <source>Or drop photos anywhere on this window: camera raws, DNG, TIFF, JPEG or PNG.</source>
        <translation>O suelte fotos en cualquier lugar de esta ventana: raws de cámara, DNG, TIFF, JPEG o PNG.</translation>
    </message>
    <message>
        <source>Opens the demo photos.</source>
        <translation>Abre las fotos de muestra.</translation>
    </message>
    <message>
        <source>Recent photos</source>
        <translation>Fotos recientes</translation>
    </message>
</context>
<context>
    <name>irenic::StartPicture</name>
    <message>
        <source>One place of a photo: the original and three takes of it</source>
        <translation>Un lugar de una foto: el original y tres variantes de él</translation>
    </message>
    <message>
        <source>Original, ISO 12800</source>
        <translation>Original, ISO 12800</translation>
    </message>
    <message>
        <source>A  Learned</source>
        <translation>A  Aprendido</translation>
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
        <translation>Método de reducción de ruido de esta variante</translation>
    </message>
    <message>
        <source>More on this take</source>
        <translation>Más sobre esta variante</translation>
    </message>
    <message>
        <source>Renames, duplicates, saves or removes this take.</source>
        <translation>Cambia el nombre de esta variante, la duplica, la guarda o la quita.</translation>
    </message>
    <message>
        <source>Rename take…</source>
        <translation>Cambiar nombre de la variante…</translation>
    </message>
    <message>
        <source>Duplicate take</source>
        <translation>Duplicar variante</translation>
    </message>
    <message>
        <source>Save as preset…</source>
        <translation>Guardar como preajuste…</translation>
    </message>
    <message>
        <source>Set others to equal luminance noise</source>
        <translation>Igualar las demás en ruido de luminancia</translation>
    </message>
    <message>
        <source>Set others to equal colour noise</source>
        <translation>Igualar las demás en ruido de color</translation>
    </message>
    <message>
        <source>Widen column</source>
        <translation>Ensanchar columna</translation>
    </message>
    <message>
        <source>Collapse column</source>
        <translation>Plegar columna</translation>
    </message>
    <message>
        <source>Remove take</source>
        <translation>Quitar variante</translation>
    </message>
    <message>
        <source>Estimated on this photo&apos;s probes (Stein&apos;s unbiased risk estimate), as a share of the noise. Gone once you change the settings.</source>
        <translation>Estimado en los puntos de control de esta foto (estimador insesgado del riesgo de Stein), como parte del ruido. Desaparece cuando cambia los ajustes.</translation>
    </message>
    <message>
        <source>Hide strengths</source>
        <translation>Ocultar intensidades</translation>
    </message>
    <message>
        <source>Show strengths, %1</source>
        <translation>Mostrar intensidades, %1</translation>
    </message>
    <message>
        <source>off</source>
        <translation>no</translation>
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
        <translation>Recomendada: error %1 % del ruido</translation>
    </message>
    <message>
        <source>Take %1 is chosen</source>
        <translation>La variante %1 está elegida</translation>
    </message>
    <message>
        <source>Choose take %1</source>
        <translation>Elegir variante %1</translation>
    </message>
    <message>
        <source>This take is exported.</source>
        <translation>Esta variante se exporta.</translation>
    </message>
    <message>
        <source>Chooses this take for export.</source>
        <translation>Elige esta variante para exportar.</translation>
    </message>
    <message>
        <source>Strengths: luminance (L) and colour (C) noise to remove, grain (G) to keep. Click to set all strengths of this take. (F3: all takes)</source>
        <translation>Intensidades: ruido de luminancia (L) y de color (C) que se quita, y grano (G) que se deja. Haga clic para ajustar todas las intensidades de esta variante. (F3: todas las variantes)</translation>
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
        <translation>Mostrar lo eliminado</translation>
    </message>
    <message>
        <source>Shows what this take removes in the middle of the view, amplified: even grain is noise, outlines are lost detail.</source>
        <translation>Muestra lo que esta variante quita en el centro de la vista, amplificado: el grano uniforme es ruido, los contornos son detalle perdido.</translation>
    </message>
</context>
<context>
    <name>irenic::TrialResult</name>
    <message>
        <source>%1 % sure</source>
        <translation>%1 % de certeza</translation>
    </message>
    <message>
        <source>clearly above the next (%1)</source>
        <translation>claramente por encima de la siguiente (%1)</translation>
    </message>
    <message>
        <source>probably above the next (%1)</source>
        <translation>probablemente por encima de la siguiente (%1)</translation>
    </message>
    <message>
        <source>about as good as the next (%1)</source>
        <translation>más o menos igual que la siguiente (%1)</translation>
    </message>
    <message>
        <source>No picture stands out: the ones at the top look alike to you.</source>
        <translation>Ninguna imagen destaca: las primeras le parecen iguales.</translation>
    </message>
    <message>
        <source>You prefer %1.</source>
        <translation>Prefiere %1.</translation>
    </message>
    <message>
        <source>You probably prefer %1. More answers would make it surer.</source>
        <translation>Probablemente prefiere %1. Más respuestas darían más certeza.</translation>
    </message>
    <message>
        <source>Save as text…</source>
        <translation>Guardar como texto…</translation>
    </message>
    <message>
        <source>Back to the sheet</source>
        <translation>Volver a la hoja</translation>
    </message>
    <message>
        <source>From %1 answers. Noise left is measured on an even grey with this photo&apos;s noise.</source>
        <translation>De %1 respuestas. El ruido restante se mide en un gris uniforme con el ruido de esta foto.</translation>
    </message>
    <message>
        <source>Blind trial of %1, %2</source>
        <translation>Prueba a ciegas de %1, %2</translation>
    </message>
    <message>
        <source>Choose %1 for export</source>
        <translation>Elegir %1 para exportar</translation>
    </message>
    <message>
        <source>%1. %2</source>
        <translation>%1. %2</translation>
    </message>
    <message>
        <source>%1 % of the noise left</source>
        <translation>queda el %1 % del ruido</translation>
    </message>
    <message>
        <source>Save the result</source>
        <translation>Guardar el resultado</translation>
    </message>
    <message>
        <source>trial.txt</source>
        <translation>prueba-a-ciegas.txt</translation>
    </message>
    <message>
        <source>Text (*.txt)</source>
        <translation>Texto (*.txt)</translation>
    </message>
    <message>
        <source>Saved: %1</source>
        <translation>Guardado: %1</translation>
    </message>
    <message>
        <source>%1 could not be saved: %2</source>
        <translation>%1 no se pudo guardar: %2</translation>
    </message>
</context>
<context>
    <name>irenic::TrialView</name>
    <message>
        <source>First picture</source>
        <translation>Primera imagen</translation>
    </message>
    <message>
        <source>Second picture</source>
        <translation>Segunda imagen</translation>
    </message>
    <message>
        <source>←  This one</source>
        <translation>←  Esta</translation>
    </message>
    <message>
        <source>↓  No difference</source>
        <translation>↓  Sin diferencia</translation>
    </message>
    <message>
        <source>This one  →</source>
        <translation>Esta  →</translation>
    </message>
    <message>
        <source>You prefer the left picture, or the first one. (Left)</source>
        <translation>Prefiere la imagen izquierda, o la primera. (Izquierda)</translation>
    </message>
    <message>
        <source>You see no difference, or like both as much. (Down)</source>
        <translation>No ve diferencia, o le gustan igual. (Abajo)</translation>
    </message>
    <message>
        <source>You prefer the right picture, or the second one. (Right)</source>
        <translation>Prefiere la imagen derecha, o la segunda. (Derecha)</translation>
    </message>
    <message>
        <source>In one place</source>
        <translation>En un mismo lugar</translation>
    </message>
    <message>
        <source>Shows both pictures in one place; Space changes between them. (F)</source>
        <translation>Muestra ambas imágenes en un mismo lugar; Espacio cambia entre ellas. (F)</translation>
    </message>
    <message>
        <source>Show the result</source>
        <translation>Mostrar el resultado</translation>
    </message>
    <message>
        <source>Ends the trial: names come back. (Esc)</source>
        <translation>Termina la prueba: vuelven los nombres. (Esc)</translation>
    </message>
    <message>
        <source>Open a photo first.</source>
        <translation>Abra antes una foto.</translation>
    </message>
    <message>
        <source>A blind trial needs two takes or more.</source>
        <translation>Una prueba a ciegas necesita dos variantes o más.</translation>
    </message>
    <message>
        <source>Which do you prefer?</source>
        <translation>¿Cuál prefiere?</translation>
    </message>
    <message>
        <source>%1 answers, the order is %2 % sure</source>
        <translation>%1 respuestas, el orden tiene un %2 % de certeza</translation>
    </message>
    <message>
        <source>←  The first</source>
        <translation>←  La primera</translation>
    </message>
    <message>
        <source>The second  →</source>
        <translation>La segunda  →</translation>
    </message>
</context>
<context>
    <name>irenic::ViewStrip</name>
    <message>
        <source>Others</source>
        <translation>Otras</translation>
    </message>
    <message>
        <source>Other takes that were measured for this photo: one that is quicker, one with grain.</source>
        <translation>Otras variantes que se midieron para esta foto: una más rápida, una con grano.</translation>
    </message>
    <message>
        <source>Add take</source>
        <translation>Añadir variante</translation>
    </message>
    <message>
        <source>Adds a column with another take. (Ctrl+T)</source>
        <translation>Añade una columna con otra variante. (Ctrl+T)</translation>
    </message>
    <message>
        <source>Ctrl+T</source>
        <translation>Ctrl+T</translation>
    </message>
    <message>
        <source>Shows all cells at %1. (%2)</source>
        <translation>Muestra todas las celdas al %1. (%2)</translation>
    </message>
    <message>
        <source>Recentre on probes</source>
        <translation>Centrar en los puntos</translation>
    </message>
    <message>
        <source>Shows every row&apos;s probe again. (Home)</source>
        <translation>Vuelve a mostrar el punto de control de cada fila. (Inicio)</translation>
    </message>
    <message>
        <source>Look</source>
        <translation>Revelado</translation>
    </message>
    <message>
        <source>Ctrl+L</source>
        <translation>Ctrl+L</translation>
    </message>
    <message>
        <source>Shows how the photo is developed: white balance, tone, lens, detail. The same for all takes. (Ctrl+L)</source>
        <translation>Muestra cómo se revela la foto: balance de blancos, tono, objetivo, detalle. Igual para todas las variantes. (Ctrl+L)</translation>
    </message>
    <message>
        <source>View only, not exported</source>
        <translation>Solo vista, no se exporta</translation>
    </message>
    <message>
        <source>Output size</source>
        <translation>Tamaño de salida</translation>
    </message>
    <message>
        <source>Shows the pixels that a print at 300 dpi or a reduced picture would have.</source>
        <translation>Muestra los píxeles que tendría una impresión a 300 ppp o una imagen reducida.</translation>
    </message>
    <message>
        <source>Print, long edge %1 cm</source>
        <translation>Impresión, lado largo %1 cm</translation>
    </message>
    <message>
        <source>Long edge %1 px</source>
        <translation>Lado largo %1 px</translation>
    </message>
    <message>
        <source>Custom print size…</source>
        <translation>Otro tamaño de impresión…</translation>
    </message>
    <message>
        <source>Long edge in cm, at 300 dpi:</source>
        <translation>Lado largo en cm, a 300 ppp:</translation>
    </message>
    <message>
        <source>%1 %</source>
        <translation>%1 %</translation>
    </message>
    <message>
        <source>Fit</source>
        <translation>Ajustar</translation>
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
        <translation>Algunos cambios no se pudieron guardar: %1

¿Cerrar de todos modos y perderlos?</translation>
    </message>
    <message>
        <source>Photos</source>
        <translation>Fotos</translation>
    </message>
    <message>
        <source>History</source>
        <translation>Historial</translation>
    </message>
    <message>
        <source>Exports</source>
        <translation>Exportaciones</translation>
    </message>
    <message>
        <source>Overview</source>
        <translation>Vista general</translation>
    </message>
    <message>
        <source>Histogram</source>
        <translation>Histograma</translation>
    </message>
    <message>
        <source>Shot</source>
        <translation>Toma</translation>
    </message>
    <message>
        <source>Export queue</source>
        <translation>Cola de exportación</translation>
    </message>
    <message>
        <source>It is closed: edit here</source>
        <translation>Está cerrada: editar aquí</translation>
    </message>
    <message>
        <source>Pixel %1, %2</source>
        <translation>Píxel %1, %2</translation>
    </message>
    <message>
        <source>The list of open photos could not be saved: %1</source>
        <translation>La lista de fotos abiertas no se pudo guardar: %1</translation>
    </message>
    <message>
        <source>Version %1</source>
        <translation>Versión %1</translation>
    </message>
    <message>
        <source>Save version</source>
        <translation>Guardar versión</translation>
    </message>
    <message>
        <source>Name of the version:</source>
        <translation>Nombre de la versión:</translation>
    </message>
    <message>
        <source>Colour profile of this monitor</source>
        <translation>Perfil de color de este monitor</translation>
    </message>
    <message>
        <source>ICC profiles (*.icc *.icm)</source>
        <translation>Perfiles ICC (*.icc *.icm)</translation>
    </message>
    <message>
        <source>Monitor: %1</source>
        <translation>Monitor: %1</translation>
    </message>
    <message>
        <source>Open photos</source>
        <translation>Abrir fotos</translation>
    </message>
    <message>
        <source>Open other versions of this photo</source>
        <translation>Abrir otras versiones de esta foto</translation>
    </message>
    <message>
        <source>Open a folder of photos</source>
        <translation>Abrir una carpeta de fotos</translation>
    </message>
    <message>
        <source>Close-up — Irenic</source>
        <translation>Primer plano — Irenic</translation>
    </message>
    <message>
        <source>%1 — Irenic</source>
        <translation>%1 — Irenic</translation>
    </message>
    <message>
        <source>Exports are running. Close? The rest waits for the next start.</source>
        <translation>Hay exportaciones en curso. ¿Cerrar? El resto espera al próximo inicio.</translation>
    </message>
    <message>
        <source>An export is running. Stop it and close?</source>
        <translation>Hay una exportación en curso. ¿Detenerla y cerrar?</translation>
    </message>
    <message>
        <source>Saving your changes…</source>
        <translation>Guardando sus cambios…</translation>
    </message>
    <message>
        <source>The report was stopped. Nothing was written.</source>
        <translation>El informe se detuvo. No se escribió nada.</translation>
    </message>
    <message>
        <source>Open a photo first.</source>
        <translation>Abra antes una foto.</translation>
    </message>
    <message>
        <source>-report</source>
        <translation>-informe</translation>
    </message>
    <message>
        <source>Save report</source>
        <translation>Guardar informe</translation>
    </message>
    <message>
        <source>PDF, with a JSON file beside it (*.pdf)</source>
        <translation>PDF, con un archivo JSON al lado (*.pdf)</translation>
    </message>
    <message>
        <source>Checking all takes for the report</source>
        <translation>Comprobando todas las variantes para el informe</translation>
    </message>
    <message>
        <source>The layers were stopped. Nothing was written.</source>
        <translation>Las capas se detuvieron. No se escribió nada.</translation>
    </message>
    <message>
        <source>-takes</source>
        <translation>-variantes</translation>
    </message>
    <message>
        <source>Save takes as layers</source>
        <translation>Guardar variantes como capas</translation>
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
        <translation>Escribiendo las variantes como capas</translation>
    </message>
    <message>
        <source>&amp;File</source>
        <translation>&amp;Archivo</translation>
    </message>
    <message>
        <source>&amp;Edit</source>
        <translation>&amp;Editar</translation>
    </message>
    <message>
        <source>&amp;View</source>
        <translation>&amp;Ver</translation>
    </message>
    <message>
        <source>&amp;Help</source>
        <translation>A&amp;yuda</translation>
    </message>
    <message>
        <source>&amp;Keyboard and mouse</source>
        <translation>&amp;Teclado y ratón</translation>
    </message>
    <message>
        <source>&amp;Report a fault…</source>
        <translation>&amp;Informar de un fallo…</translation>
    </message>
    <message>
        <source>&amp;Open…</source>
        <translation>&amp;Abrir…</translation>
    </message>
    <message>
        <source>Open &amp;folder…</source>
        <translation>Abrir &amp;carpeta…</translation>
    </message>
    <message>
        <source>Ctrl+Shift+O</source>
        <translation>Ctrl+Shift+O</translation>
    </message>
    <message>
        <source>Open re&amp;cent</source>
        <translation>A&amp;brir reciente</translation>
    </message>
    <message>
        <source>Open &amp;reference…</source>
        <translation>Abrir &amp;referencia…</translation>
    </message>
    <message>
        <source>Ctrl+Shift+R</source>
        <translation>Ctrl+Shift+R</translation>
    </message>
    <message>
        <source>Open an &amp;export as reference</source>
        <translation>Abrir una &amp;exportación como referencia</translation>
    </message>
    <message>
        <source>Save re&amp;port…</source>
        <translation>Guardar in&amp;forme…</translation>
    </message>
    <message>
        <source>Checks all takes over the whole photo and writes a PDF with crops, settings and findings.</source>
        <translation>Comprueba todas las variantes en toda la foto y escribe un PDF con recortes, ajustes y hallazgos.</translation>
    </message>
    <message>
        <source>Save takes as &amp;layers…</source>
        <translation>Guardar variantes como ca&amp;pas…</translation>
    </message>
    <message>
        <source>Writes the original and all takes as layers of one OpenRaster file, to be blended by hand elsewhere.</source>
        <translation>Escribe el original y todas las variantes como capas de un archivo OpenRaster, para mezclarlas a mano en otro programa.</translation>
    </message>
    <message>
        <source>Stop writing the &amp;layers</source>
        <translation>Dejar de escribir las ca&amp;pas</translation>
    </message>
    <message>
        <source>Stop the re&amp;port</source>
        <translation>Detener el in&amp;forme</translation>
    </message>
    <message>
        <source>&amp;Quit</source>
        <translation>&amp;Salir</translation>
    </message>
    <message>
        <source>&amp;Undo</source>
        <translation>&amp;Deshacer</translation>
    </message>
    <message>
        <source>&amp;Redo</source>
        <translation>&amp;Rehacer</translation>
    </message>
    <message>
        <source>Ctrl+Shift+Z</source>
        <translation>Ctrl+Shift+Z</translation>
    </message>
    <message>
        <source>&amp;Undo: %1</source>
        <translation>&amp;Deshacer: %1</translation>
    </message>
    <message>
        <source>&amp;Redo: %1</source>
        <translation>&amp;Rehacer: %1</translation>
    </message>
    <message>
        <source>Save &amp;version…</source>
        <translation>Guardar &amp;versión…</translation>
    </message>
    <message>
        <source>Ctrl+K</source>
        <translation>Ctrl+K</translation>
    </message>
    <message>
        <source>Restore &amp;kept version</source>
        <translation>Restaurar versión g&amp;uardada</translation>
    </message>
    <message>
        <source>&amp;Copy photo settings</source>
        <translation>&amp;Copiar ajustes de la foto</translation>
    </message>
    <message>
        <source>Ctrl+Shift+C</source>
        <translation>Ctrl+Shift+C</translation>
    </message>
    <message>
        <source>&amp;Paste to selected photos</source>
        <translation>&amp;Pegar en las fotos seleccionadas</translation>
    </message>
    <message>
        <source>&amp;Everything</source>
        <translation>&amp;Todo</translation>
    </message>
    <message>
        <source>Ctrl+Shift+V</source>
        <translation>Ctrl+Shift+V</translation>
    </message>
    <message>
        <source>&amp;Takes and choice</source>
        <translation>&amp;Variantes y elección</translation>
    </message>
    <message>
        <source>&amp;Probes</source>
        <translation>&amp;Puntos de control</translation>
    </message>
    <message>
        <source>&amp;Look</source>
        <translation>&amp;Revelado</translation>
    </message>
    <message>
        <source>Use as &amp;default for new photos</source>
        <translation>Usar como &amp;ajuste inicial de fotos nuevas</translation>
    </message>
    <message>
        <source>New photos start with these takes and this look.</source>
        <translation>Las fotos nuevas empiezan con estas variantes y este revelado.</translation>
    </message>
    <message>
        <source>&amp;Panels</source>
        <translation>&amp;Paneles</translation>
    </message>
    <message>
        <source>Show all &amp;strengths</source>
        <translation>Mostrar todas las &amp;intensidades</translation>
    </message>
    <message>
        <source>&amp;Widen column</source>
        <translation>&amp;Ensanchar columna</translation>
    </message>
    <message>
        <source>W</source>
        <translation>W</translation>
    </message>
    <message>
        <source>Widen &amp;row</source>
        <translation>Ensanchar &amp;fila</translation>
    </message>
    <message>
        <source>Shift+W</source>
        <translation>Shift+W</translation>
    </message>
    <message>
        <source>&amp;Collapse column</source>
        <translation>&amp;Plegar columna</translation>
    </message>
    <message>
        <source>X</source>
        <translation>X</translation>
    </message>
    <message>
        <source>Collapse r&amp;ow</source>
        <translation>Plegar f&amp;ila</translation>
    </message>
    <message>
        <source>Shift+X</source>
        <translation>Shift+X</translation>
    </message>
    <message>
        <source>Sheet &amp;layout</source>
        <translation>&amp;Disposición de la hoja</translation>
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
        <translation>&amp;Mover columna a la izquierda</translation>
    </message>
    <message>
        <source>Move column rig&amp;ht</source>
        <translation>Mover columna a la &amp;derecha</translation>
    </message>
    <message>
        <source>Move row &amp;up</source>
        <translation>Mover fila &amp;arriba</translation>
    </message>
    <message>
        <source>Move row &amp;down</source>
        <translation>Mover fila a&amp;bajo</translation>
    </message>
    <message>
        <source>Reset la&amp;yout</source>
        <translation>&amp;Restablecer disposición</translation>
    </message>
    <message>
        <source>Shift+Home</source>
        <translation>Shift+Home</translation>
    </message>
    <message>
        <source>Recommend &amp;automatically</source>
        <translation>&amp;Recomendar automáticamente</translation>
    </message>
    <message>
        <source>&amp;Keep pictures on disk</source>
        <translation>&amp;Conservar imágenes en disco</translation>
    </message>
    <message>
        <source>Keeps pictures that took long to make, at most 1 GB, so that a photo opens again at once. Switching it off removes them.</source>
        <translation>Conserva imágenes que costó tiempo hacer, 1 GB como máximo, para que una foto se abra de nuevo al instante. Al desactivarlo se borran.</translation>
    </message>
    <message>
        <source>Ctrl+P</source>
        <translation>Ctrl+P</translation>
    </message>
    <message>
        <source>Shows these takes on the selected photos: a row for each of those that differ most. (Ctrl+P)</source>
        <translation>Muestra estas variantes en las fotos seleccionadas: una fila por cada una de las que más se diferencian. (Ctrl+P)</translation>
    </message>
    <message>
        <source>&amp;Blind trial</source>
        <translation>Pr&amp;ueba a ciegas</translation>
    </message>
    <message>
        <source>Ctrl+B</source>
        <translation>Ctrl+B</translation>
    </message>
    <message>
        <source>Shows takes without their names, two at a time. You say which you prefer. (Ctrl+B)</source>
        <translation>Muestra variantes sin sus nombres, de dos en dos. Usted dice cuál prefiere. (Ctrl+B)</translation>
    </message>
    <message>
        <source>&amp;Next photo</source>
        <translation>Foto &amp;siguiente</translation>
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
        <translation>&amp;Ordenar fotos</translation>
    </message>
    <message>
        <source>By &amp;name</source>
        <translation>Por &amp;nombre</translation>
    </message>
    <message>
        <source>By capture &amp;time</source>
        <translation>Por &amp;hora de captura</translation>
    </message>
    <message>
        <source>By &amp;ISO</source>
        <translation>Por &amp;ISO</translation>
    </message>
    <message>
        <source>&amp;Mid-grey (for judging)</source>
        <translation>Gris &amp;medio (para juzgar)</translation>
    </message>
    <message>
        <source>&amp;Dark (for a dark room)</source>
        <translation>&amp;Oscura (para una sala oscura)</translation>
    </message>
    <message>
        <source>&amp;Light (for a bright room)</source>
        <translation>&amp;Clara (para una sala luminosa)</translation>
    </message>
    <message>
        <source>&amp;Close-up in its own window</source>
        <translation>Primer plano &amp;en su propia ventana</translation>
    </message>
    <message>
        <source>Shows the close-up in a window of its own, for a second monitor. It follows the cell that you click. (F12)</source>
        <translation>Muestra el primer plano en una ventana propia, para un segundo monitor. Sigue a la celda en la que haga clic. (F12)</translation>
    </message>
    <message>
        <source>&amp;Full screen</source>
        <translation>Pan&amp;talla completa</translation>
    </message>
    <message>
        <source>&amp;Monitor profile…</source>
        <translation>Perfil de &amp;monitor…</translation>
    </message>
    <message>
        <source>&amp;Monitor profile (now %1)…</source>
        <translation>Perfil de &amp;monitor (ahora %1)…</translation>
    </message>
    <message>
        <source>S&amp;ystem monitor profile</source>
        <translation>Perfil de mo&amp;nitor del sistema</translation>
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
        <translation>&amp;Vista general</translation>
    </message>
    <message>
        <source>Ctrl+2</source>
        <translation>Ctrl+2</translation>
    </message>
    <message>
        <source>&amp;Histogram</source>
        <translation>&amp;Histograma</translation>
    </message>
    <message>
        <source>Ctrl+3</source>
        <translation>Ctrl+3</translation>
    </message>
    <message>
        <source>&amp;Shot</source>
        <translation>&amp;Toma</translation>
    </message>
    <message>
        <source>Ctrl+4</source>
        <translation>Ctrl+4</translation>
    </message>
    <message>
        <source>H&amp;istory</source>
        <translation>H&amp;istorial</translation>
    </message>
    <message>
        <source>Ctrl+H</source>
        <translation>Ctrl+H</translation>
    </message>
    <message>
        <source>&amp;Exports</source>
        <translation>&amp;Exportaciones</translation>
    </message>
    <message>
        <source>Ctrl+5</source>
        <translation>Ctrl+5</translation>
    </message>
    <message>
        <source>&amp;Reset panels</source>
        <translation>&amp;Restablecer paneles</translation>
    </message>
    <message>
        <source>Photo: %1, ISO %2, %3 x %4, %5, %6 bit</source>
        <translation>Foto: %1, ISO %2, %3 x %4, %5, %6 bits</translation>
    </message>
    <message>
        <source>No photos yet</source>
        <translation>Todavía no hay fotos</translation>
    </message>
    <message>
        <source>%1   %2   %3</source>
        <translation>%1   %2   %3</translation>
    </message>
    <message>
        <source>Missing</source>
        <translation>Falta</translation>
    </message>
    <message>
        <source>Nothing yet</source>
        <translation>Todavía nada</translation>
    </message>
    <message>
        <source>%1   %2</source>
        <translation>%1   %2</translation>
    </message>
    <message>
        <source>As the desktop</source>
        <translation>Como el escritorio</translation>
    </message>
    <message>
        <source>Irenic will speak this language from its next start on.</source>
        <translation>Irenic hablará este idioma desde su próximo inicio.</translation>
    </message>
    <message>
        <source>Lan&amp;guage</source>
        <translation>Len&amp;guaje</translation>
    </message>
    <message>
        <source>&amp;Manual</source>
        <translation>&amp;Manual</translation>
    </message>
    <message>
        <source>Shift+F1</source>
        <translation>Shift+F1</translation>
    </message>
    <message>
        <source>Sheet o&amp;ver photos</source>
        <translation>Hoja de varias &amp;fotos</translation>
    </message>
    <message>
        <source>Previo&amp;us photo</source>
        <translation>Foto &amp;anterior</translation>
    </message>
    <message>
        <source>Window brigh&amp;tness</source>
        <translation>Claridad de &amp;la ventana</translation>
    </message>
    <message>
        <source>&amp;Monitor profile (now %1, 10 bits)…</source>
        <translation>Perfil de &amp;monitor (ahora %1, 10 bits)…</translation>
    </message>
    <message>
        <source>By &amp;visible noise</source>
        <translation>Por ruido &amp;visible</translation>
    </message>
    <message>
        <source>Reading dark frames was stopped. Nothing has changed.</source>
        <translation>Se detuvo la lectura de las tomas oscuras. No ha cambiado nada.</translation>
    </message>
    <message>
        <source>Open dark frames, taken with the lens covered</source>
        <translation>Abrir tomas oscuras, hechas con el objetivo tapado</translation>
    </message>
    <message>
        <source>Dark frames are used from now on for %1</source>
        <translation>Desde ahora se usan tomas oscuras para %1</translation>
    </message>
    <message>
        <source>Reading dark frames</source>
        <translation>Leyendo tomas oscuras</translation>
    </message>
    <message>
        <source>Photos of this camera and ISO are cleaned without dark frames again.</source>
        <translation>Las fotos de esta cámara e ISO se limpian de nuevo sin tomas oscuras.</translation>
    </message>
    <message>
        <source>Forgetting dark frames</source>
        <translation>Olvidando tomas oscuras</translation>
    </message>
    <message>
        <source>&amp;Dark frames…</source>
        <translation>&amp;Tomas oscuras…</translation>
    </message>
    <message>
        <source>Averages raws that were taken with the lens covered, and takes off what photos of the same camera, ISO and exposure show of them.</source>
        <translation>Promedia raws hechos con el objetivo tapado y resta lo que las fotos de la misma cámara, ISO y exposición muestran de ellos.</translation>
    </message>
    <message>
        <source>Forget dark fra&amp;mes</source>
        <translation>&amp;Olvidar tomas oscuras</translation>
    </message>
    <message>
        <source>Stop reading &amp;dark frames</source>
        <translation>Dejar de leer &amp;tomas oscuras</translation>
    </message>
</context>
<context>
    <name>irenic::ZonePanel</name>
    <message>
        <source>All but: %1</source>
        <translation>Todo menos: %1</translation>
    </message>
    <message>
        <source>Add zone</source>
        <translation>Añadir zona</translation>
    </message>
    <message>
        <source>A zone is a part of the photo that this take cleans more or less than the rest.</source>
        <translation>Una zona es una parte de la foto que esta variante limpia más o menos que el resto.</translation>
    </message>
    <message>
        <source>Remove</source>
        <translation>Quitar</translation>
    </message>
    <message>
        <source>Removes this zone and its strokes.</source>
        <translation>Quita esta zona y sus trazos.</translation>
    </message>
    <message>
        <source>Zone</source>
        <translation>Zona</translation>
    </message>
    <message>
        <source>The zone that the controls below act on.</source>
        <translation>La zona sobre la que actúan los controles de abajo.</translation>
    </message>
    <message>
        <source>Method here</source>
        <translation>Método aquí</translation>
    </message>
    <message>
        <source>The method that cleans here, if not the take&apos;s.</source>
        <translation>El método que limpia aquí, si no es el de la variante.</translation>
    </message>
    <message>
        <source>Method of the take</source>
        <translation>Método de la variante</translation>
    </message>
    <message>
        <source>Paint</source>
        <translation>Pintar</translation>
    </message>
    <message>
        <source>Adds to the zone: drag on the picture. (K)</source>
        <translation>Añade a la zona: arrastre sobre la imagen. (K)</translation>
    </message>
    <message>
        <source>Erase</source>
        <translation>Borrar</translation>
    </message>
    <message>
        <source>Takes away from the zone: drag on the picture. (Shift+K)</source>
        <translation>Quita de la zona: arrastre sobre la imagen. (Mayús+K)</translation>
    </message>
    <message>
        <source>Show</source>
        <translation>Mostrar</translation>
    </message>
    <message>
        <source>Shows the zone over the picture: in colour, grey where it is not, or as an outline. (M)</source>
        <translation>Muestra la zona sobre la imagen: en color, gris donde no está, o como contorno. (M)</translation>
    </message>
    <message>
        <source>Clear strokes</source>
        <translation>Borrar trazos</translation>
    </message>
    <message>
        <source>Removes all strokes of this zone.</source>
        <translation>Quita todos los trazos de esta zona.</translation>
    </message>
    <message>
        <source>Mark wanted</source>
        <translation>Marcar lo querido</translation>
    </message>
    <message>
        <source>Draw a line on what the zone is to be. The zone is then found around it.</source>
        <translation>Trace una línea sobre lo que debe ser la zona. La zona se halla entonces a su alrededor.</translation>
    </message>
    <message>
        <source>Mark unwanted</source>
        <translation>Marcar lo no querido</translation>
    </message>
    <message>
        <source>Draw a line on what the zone is not to be. Without one, the photo&apos;s border is not.</source>
        <translation>Trace una línea sobre lo que no debe ser la zona. Sin ninguna, no lo es el borde de la foto.</translation>
    </message>
    <message>
        <source>How the zone is shown.</source>
        <translation>Cómo se muestra la zona.</translation>
    </message>
    <message>
        <source>How the zone is shown</source>
        <translation>Cómo se muestra la zona</translation>
    </message>
    <message>
        <source>Keep to edges</source>
        <translation>Seguir los bordes</translation>
    </message>
    <message>
        <source>The brush covers only what is like what its middle runs over.</source>
        <translation>El pincel cubre solo lo que se parece a aquello por lo que pasa su centro.</translation>
    </message>
    <message>
        <source>In colour</source>
        <translation>En color</translation>
    </message>
    <message>
        <source>Grey where it is not</source>
        <translation>Gris donde no está</translation>
    </message>
    <message>
        <source>As an outline</source>
        <translation>Como contorno</translation>
    </message>
    <message>
        <source>Ochre</source>
        <translation>Ocre</translation>
    </message>
    <message>
        <source>Green</source>
        <translation>Verde</translation>
    </message>
    <message>
        <source>Blue</source>
        <translation>Azul</translation>
    </message>
    <message>
        <source>Magenta</source>
        <translation>Magenta</translation>
    </message>
    <message>
        <source>Faint</source>
        <translation>Débil</translation>
    </message>
    <message>
        <source>Medium</source>
        <translation>Medio</translation>
    </message>
    <message>
        <source>Strong</source>
        <translation>Fuerte</translation>
    </message>
</context>
</TS>
