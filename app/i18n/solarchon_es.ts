<?xml version="1.0" encoding="utf-8"?>
<!DOCTYPE TS>
<TS version="2.1" language="es" sourcelanguage="en">
<context>
    <name>QObject</name>
    <message>
        <source>N</source>
        <translation>N</translation>
    </message>
    <message>
        <source>NE</source>
        <translation>NE</translation>
    </message>
    <message>
        <source>E</source>
        <translation>E</translation>
    </message>
    <message>
        <source>SE</source>
        <translation>SE</translation>
    </message>
    <message>
        <source>S</source>
        <translation>S</translation>
    </message>
    <message>
        <source>SW</source>
        <translation>SO</translation>
    </message>
    <message>
        <source>W</source>
        <translation>O</translation>
    </message>
    <message>
        <source>NW</source>
        <translation>NO</translation>
    </message>
    <message>
        <source>%1 s</source>
        <translation>%1 s</translation>
    </message>
    <message>
        <source>s</source>
        <translation>s</translation>
    </message>
    <message>
        <source>%1 ms</source>
        <translation>%1 ms</translation>
    </message>
    <message>
        <source>line %1: %2</source>
        <translation>línea %1: %2</translation>
    </message>
    <message>
        <source>and %1 more</source>
        <translation>y %1 más</translation>
    </message>
    <message>
        <source>Whole disc</source>
        <translation>Disco entero</translation>
    </message>
    <message>
        <source>Largest spot</source>
        <translation>Mancha mayor</translation>
    </message>
    <message>
        <source>Sun up all day</source>
        <translation>Sol visible todo el día</translation>
    </message>
    <message>
        <source>Sun down all day</source>
        <translation>Sol oculto todo el día</translation>
    </message>
    <message>
        <source>Sun rises %1</source>
        <translation>El Sol sale %1</translation>
    </message>
    <message>
        <source>Sun highest %1</source>
        <translation>El Sol culmina %1</translation>
    </message>
    <message>
        <source>Sun sets %1</source>
        <translation>El Sol se pone %1</translation>
    </message>
    <message>
        <source>Sun down until tomorrow</source>
        <translation>Sin Sol hasta mañana</translation>
    </message>
    <message>
        <source>My site</source>
        <translation>Mi sitio</translation>
    </message>
    <message>
        <source>My light path</source>
        <translation>Mi camino óptico</translation>
    </message>
    <message>
        <source>%1, %2</source>
        <translation>%1, %2</translation>
    </message>
    <message>
        <source>Sun up %1 to %2</source>
        <translation>Sol visible de %1 a %2</translation>
    </message>
    <message>
        <source>highest %1° at %2</source>
        <translation>máximo %1° a las %2</translation>
    </message>
    <message>
        <source>clear over %1° for %2 h</source>
        <translation>libre sobre %1° durante %2 h</translation>
    </message>
    <message>
        <source>%1: %2</source>
        <translation>%1: %2</translation>
    </message>
    <message>
        <source>hatched: clear; black: runs; broken line: the mount must turn</source>
        <translation>rayado: libre; negro: series; línea cortada: la montura debe girar</translation>
    </message>
    <message>
        <source>What must start when</source>
        <translation>Qué debe empezar y cuándo</translation>
    </message>
    <message>
        <source>No run is planned for this day.</source>
        <translation>No hay ninguna serie prevista para este día.</translation>
    </message>
    <message>
        <source>%1. %2</source>
        <translation>%1. %2</translation>
    </message>
    <message>
        <source>%1 – %2</source>
        <translation>%1 – %2</translation>
    </message>
    <message>
        <source>In the way: %1</source>
        <translation>En el camino: %1</translation>
    </message>
    <message>
        <source>Order of handling</source>
        <translation>Orden de manejo</translation>
    </message>
    <message>
        <source>Times in %1. Seeing and clouds are estimates. Follow the makers&apos; instructions, local rules and eye-care advice.</source>
        <translation>Horas en %1. El seeing y las nubes son estimaciones. Siga las instrucciones de los fabricantes, las normas locales y los consejos para la vista.</translation>
    </message>
    <message>
        <source>Plan of %1</source>
        <translation>Plan del %1</translation>
    </message>
    <message>
        <source>Etalon heater</source>
        <translation>Calefactor del etalón</translation>
    </message>
    <message>
        <source>Mount</source>
        <translation>Montura</translation>
    </message>
    <message>
        <source>Camera</source>
        <translation>Cámara</translation>
    </message>
    <message>
        <source>Laptop</source>
        <translation>Portátil</translation>
    </message>
    <message>
        <source>Water</source>
        <translation>Agua</translation>
    </message>
    <message>
        <source>Grass</source>
        <translation>Hierba</translation>
    </message>
    <message>
        <source>Soil</source>
        <translation>Tierra</translation>
    </message>
    <message>
        <source>Concrete</source>
        <translation>Hormigón</translation>
    </message>
    <message>
        <source>Roof</source>
        <translation>Tejado</translation>
    </message>
    <message>
        <source>clear</source>
        <translation>despejado</translation>
    </message>
    <message>
        <source>thin cloud</source>
        <translation>nubes finas</translation>
    </message>
    <message>
        <source>broken cloud</source>
        <translation>nubes sueltas</translation>
    </message>
    <message>
        <source>overcast</source>
        <translation>cubierto</translation>
    </message>
    <message>
        <source>%1 to %2</source>
        <translation>%1 a %2</translation>
    </message>
    <message>
        <source>%1 overlaps another run, %2: one telescope cannot do both.</source>
        <translation>%1 se solapa con otra serie, %2: un telescopio no puede hacer las dos.</translation>
    </message>
    <message>
        <source>%1: the mount turns over or stops at %2, within the run.</source>
        <translation>%1: la montura gira o se para a las %2, dentro de la serie.</translation>
    </message>
    <message>
        <source>%1: from %2 the Sun is low, hidden or down.</source>
        <translation>%1: de %2 el Sol está bajo, tapado o puesto.</translation>
    </message>
    <message>
        <source>%1: from %2 the mount chases the Sun near the zenith.</source>
        <translation>%1: de %2 la montura persigue al Sol cerca del cenit.</translation>
    </message>
    <message>
        <source>%1: the forecast says overcast.</source>
        <translation>%1: el pronóstico dice cubierto.</translation>
    </message>
    <message>
        <source>%1: aligning and focusing would begin at %2, before the Sun is over your horizon at %3.</source>
        <translation>%1: alinear y enfocar empezarían a las %2, antes de que el Sol asome sobre su horizonte a las %3.</translation>
    </message>
    <message>
        <source>Start at %1</source>
        <translation>Empezar a las %1</translation>
    </message>
    <message>
        <source>End at %1</source>
        <translation>Acabar a las %1</translation>
    </message>
    <message>
        <source>Split, go on at %1</source>
        <translation>Partir y seguir a las %1</translation>
    </message>
    <message>
        <source>%1″ (%2 to %3)</source>
        <translation>%1″ (%2 a %3)</translation>
    </message>
    <message>
        <source>wind as foretold</source>
        <translation>viento según el pronóstico</translation>
    </message>
    <message>
        <source>usual wind</source>
        <translation>viento habitual</translation>
    </message>
    <message>
        <source>%1&#xa0;% from your log here, the rest a rule of thumb; %2</source>
        <translation>%1 % según su registro aquí, el resto una regla práctica; %2</translation>
    </message>
    <message>
        <source>a rule of thumb, nothing logged here at this hour; %1</source>
        <translation>una regla práctica, nada registrado aquí a esta hora; %1</translation>
    </message>
    <message>
        <source>The whole light path</source>
        <translation>Todo el camino óptico</translation>
    </message>
    <message>
        <source>With what you have. Then: %1</source>
        <translation>Con lo que tiene. Después: %1</translation>
    </message>
    <message>
        <source>From the list of generic parts. Then: %1</source>
        <translation>De la lista de piezas genéricas. Después: %1</translation>
    </message>
    <message>
        <source>Next: %1</source>
        <translation>Siguiente: %1</translation>
    </message>
    <message>
        <source>Does not fit: %1</source>
        <translation>No encaja: %1</translation>
    </message>
    <message>
        <source>None of the rules objects. That rests on:</source>
        <translation>Ninguna regla objeta. Eso se apoya en:</translation>
    </message>
    <message>
        <source>All of this rests on:</source>
        <translation>Todo esto se apoya en:</translation>
    </message>
    <message>
        <source>Put back %1</source>
        <translation>Volver a poner %1</translation>
    </message>
    <message>
        <source>Cap %1</source>
        <translation>Tapar %1</translation>
    </message>
    <message>
        <source>Tilt to %1°</source>
        <translation>Inclinar a %1°</translation>
    </message>
    <message>
        <source>Move %1 to its place</source>
        <translation>Llevar %1 a su lugar</translation>
    </message>
    <message>
        <source>Take off %1</source>
        <translation>Quitar %1</translation>
    </message>
    <message>
        <source>Use %1</source>
        <translation>Usar %1</translation>
    </message>
    <message>
        <source>Add %1</source>
        <translation>Añadir %1</translation>
    </message>
    <message>
        <source>all</source>
        <translation>todos</translation>
    </message>
    <message>
        <source>none</source>
        <translation>ninguno</translation>
    </message>
    <message>
        <source>heat</source>
        <translation>calor</translation>
    </message>
    <message>
        <source>per cm²</source>
        <translation>por cm²</translation>
    </message>
    <message>
        <source>light’s width</source>
        <translation>ancho de luz</translation>
    </message>
    <message>
        <source>Sun’s image</source>
        <translation>imagen solar</translation>
    </message>
    <message>
        <source>colours, nm</source>
        <translation>colores, nm</translation>
    </message>
    <message>
        <source>laid aside; Space puts it back</source>
        <translation>apartada; Espacio la repone</translation>
    </message>
    <message>
        <source>beside the light</source>
        <translation>al lado de la luz</translation>
    </message>
    <message>
        <source>behind the end</source>
        <translation>tras el final</translation>
    </message>
    <message>
        <source>%1 mm</source>
        <translation>%1 mm</translation>
    </message>
    <message>
        <source>up</source>
        <translation>arriba</translation>
    </message>
    <message>
        <source>right</source>
        <translation>derecha</translation>
    </message>
    <message>
        <source>down</source>
        <translation>abajo</translation>
    </message>
    <message>
        <source>left</source>
        <translation>izquierda</translation>
    </message>
    <message>
        <source>%1° from up</source>
        <translation>a %1° de arriba</translation>
    </message>
    <message>
        <source>at the end: north %1, mirrored</source>
        <translation>al final: norte %1, en espejo</translation>
    </message>
    <message>
        <source>at the end: north %1, not mirrored</source>
        <translation>al final: norte %1, sin espejo</translation>
    </message>
    <message>
        <source>Focal length</source>
        <translation>Distancia focal</translation>
    </message>
    <message>
        <source>Of the telescope with everything that lengthens or shortens it</source>
        <translation>Del telescopio con todo lo que la alarga o acorta</translation>
    </message>
    <message>
        <source>Focal ratio</source>
        <translation>Relación focal</translation>
    </message>
    <message>
        <source>f/%1</source>
        <translation>f/%1</translation>
    </message>
    <message>
        <source>Focal length over aperture: exposure goes with its square</source>
        <translation>Distancia focal entre apertura: la exposición va con su cuadrado</translation>
    </message>
    <message>
        <source>Image of the Sun</source>
        <translation>Imagen del Sol</translation>
    </message>
    <message>
        <source>About a 107th of the focal length</source>
        <translation>Cerca de 1/107 de la distancia focal</translation>
    </message>
    <message>
        <source>Finest detail of the lens</source>
        <translation>Detalle más fino de la lente</translation>
    </message>
    <message>
        <source>Diffraction cutoff: wavelength over aperture, at %1 nm</source>
        <translation>Corte de difracción: longitud de onda entre apertura, a %1 nm</translation>
    </message>
    <message>
        <source>Sampling</source>
        <translation>Muestreo</translation>
    </message>
    <message>
        <source>%1″ per pixel</source>
        <translation>%1″ por píxel</translation>
    </message>
    <message>
        <source>%1 pixels per finest detail of the lens, which is %2″ at %3 nm; two would catch all of it</source>
        <translation>%1 píxeles por el detalle más fino de la lente, que es %2″ a %3 nm; con dos se captaría entero</translation>
    </message>
    <message>
        <source>Field</source>
        <translation>Campo</translation>
    </message>
    <message>
        <source>%1′ × %2′</source>
        <translation>%1′ × %2′</translation>
    </message>
    <message>
        <source>The Sun is about 32′ wide</source>
        <translation>El Sol mide unos 32′</translation>
    </message>
    <message>
        <source>Whole Sun</source>
        <translation>Sol entero</translation>
    </message>
    <message>
        <source>fits the sensor</source>
        <translation>cabe en el sensor</translation>
    </message>
    <message>
        <source>is cut by the sensor</source>
        <translation>el sensor lo corta</translation>
    </message>
    <message>
        <source>Against the shorter side of the sensor</source>
        <translation>Frente al lado corto del sensor</translation>
    </message>
    <message>
        <source>Magnification</source>
        <translation>Aumento</translation>
    </message>
    <message>
        <source>%1×</source>
        <translation>%1×</translation>
    </message>
    <message>
        <source>Focal length over that of the eyepiece</source>
        <translation>Distancia focal entre la del ocular</translation>
    </message>
    <message>
        <source>Exit pupil</source>
        <translation>Pupila de salida</translation>
    </message>
    <message>
        <source>The secondary&apos;s shadow in it is %1 mm wide</source>
        <translation>La sombra del secundario en ella mide %1 mm</translation>
    </message>
    <message>
        <source>Width of the light that leaves the eyepiece</source>
        <translation>Ancho de la luz que sale del ocular</translation>
    </message>
    <message>
        <source>True field</source>
        <translation>Campo real</translation>
    </message>
    <message>
        <source>%1°</source>
        <translation>%1°</translation>
    </message>
    <message>
        <source>The Sun is about half a degree wide</source>
        <translation>El Sol mide alrededor de medio grado</translation>
    </message>
    <message>
        <source>In a cone of f/%1</source>
        <translation>En un cono de f/%1</translation>
    </message>
    <message>
        <source>Off band by %1 Å at the limb</source>
        <translation>Fuera de banda por %1 Å en el limbo</translation>
    </message>
    <message>
        <source>Passband</source>
        <translation>Banda pasante</translation>
    </message>
    <message>
        <source>%1 Å</source>
        <translation>%1 Å</translation>
    </message>
    <message>
        <source>Blocking filter</source>
        <translation>Filtro de bloqueo</translation>
    </message>
    <message>
        <source>%1 mm to spare</source>
        <translation>sobran %1 mm</translation>
    </message>
    <message>
        <source>%1 mm too small</source>
        <translation>faltan %1 mm</translation>
    </message>
    <message>
        <source>Clear width less the image of the Sun there</source>
        <translation>Ancho libre menos la imagen del Sol en ese punto</translation>
    </message>
    <message>
        <source>Tilt against bands</source>
        <translation>Inclinación contra bandas</translation>
    </message>
    <message>
        <source>none suits</source>
        <translation>ninguna sirve</translation>
    </message>
    <message>
        <source>%1° to %2°</source>
        <translation>%1° a %2°</translation>
    </message>
    <message>
        <source>From where the bands are too fine to see, to where the edge blurs</source>
        <translation>Desde donde las bandas son demasiado finas para verse hasta donde el borde se emborrona</translation>
    </message>
    <message>
        <source>%1 mm in, %2 mm out</source>
        <translation>%1 mm dentro, %2 mm fuera</translation>
    </message>
    <message>
        <source>%1 mm too long</source>
        <translation>sobran %1 mm</translation>
    </message>
    <message>
        <source>%1 mm too short</source>
        <translation>faltan %1 mm</translation>
    </message>
    <message>
        <source>Focus to spare</source>
        <translation>Margen de enfoque</translation>
    </message>
    <message>
        <source>Travel left to the focuser; the drawtube stands %1 mm out</source>
        <translation>Recorrido que le queda al enfocador; el tubo está %1 mm fuera</translation>
    </message>
    <message>
        <source>Light at the limb</source>
        <translation>Luz en el limbo</translation>
    </message>
    <message>
        <source>%1 %</source>
        <translation>%1 %</translation>
    </message>
    <message>
        <source>Of the middle; an opening on the way takes the rest</source>
        <translation>De la del centro; una abertura en el camino quita el resto</translation>
    </message>
    <message>
        <source>Heater</source>
        <translation>Calefactor</translation>
    </message>
    <message>
        <source>%1 of %2 W</source>
        <translation>%1 de %2 W</translation>
    </message>
    <message>
        <source>Needed, of what the supplies listed offer at its voltage</source>
        <translation>Necesarios, de lo que las fuentes dan a su voltaje</translation>
    </message>
    <message>
        <source>Frames a second</source>
        <translation>Tomas por segundo</translation>
    </message>
    <message>
        <source>%1; half the side %2</source>
        <translation>%1; medio lado %2</translation>
    </message>
    <message>
        <source>At %1 bits, as sensor and cable allow; with 8 bits %2, and %3 for a region of half the side</source>
        <translation>A %1 bits, según sensor y cable; con 8 bits %2, y %3 en una región de medio lado</translation>
    </message>
    <message>
        <source>Exposure now</source>
        <translation>Exposición ahora</translation>
    </message>
    <message>
        <source>For the middle of the disc, at the Sun&apos;s height now</source>
        <translation>Para el centro del disco, a la altura actual del Sol</translation>
    </message>
    <message>
        <source>%1  %2
%3 · seeing %4″ · %5</source>
        <translation>%1  %2
%3 · seeing %4″ · %5</translation>
    </message>
    <message numerus="yes">
        <source>%n frame(s)</source>
        <translation>
            <numerusform>%n toma</numerusform>
            <numerusform>%n tomas</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n spot(s)</source>
        <translation>
            <numerusform>%n mancha</numerusform>
            <numerusform>%n manchas</numerusform>
        </translation>
    </message>
    <message>
        <source>no limb found</source>
        <translation>no se halló el limbo</translation>
    </message>
    <message>
        <source>Light path</source>
        <translation>Camino óptico</translation>
    </message>
    <message>
        <source>Day</source>
        <translation>Día</translation>
    </message>
    <message>
        <source>Match</source>
        <translation>Encuadre</translation>
    </message>
    <message>
        <source>Capture</source>
        <translation>Captura</translation>
    </message>
    <message>
        <source>Measure</source>
        <translation>Medida</translation>
    </message>
    <message>
        <source>Log</source>
        <translation>Registro</translation>
    </message>
    <message>
        <source>%1 Å by the air at this height</source>
        <translation>%1 Å por el aire a esta altitud</translation>
    </message>
    <message>
        <source>%1 · raw colour mosaic, read as grey</source>
        <translation>%1 · mosaico de color en bruto, leído como gris</translation>
    </message>
    <message>
        <source>Plan, expose, measure and log images of the Sun.</source>
        <translation>Planear, exponer, medir y registrar imágenes del Sol.</translation>
    </message>
    <message>
        <source>folder</source>
        <translation>carpeta</translation>
    </message>
    <message>
        <source>name</source>
        <translation>nombre</translation>
    </message>
    <message>
        <source>Shows this help.</source>
        <translation>Muestra esta ayuda.</translation>
    </message>
    <message>
        <source>Shows the version.</source>
        <translation>Muestra la versión.</translation>
    </message>
    <message>
        <source>Uses the made-up demo scenario and its own data folder.</source>
        <translation>Usa el escenario inventado de muestra y su propia carpeta de datos.</translation>
    </message>
    <message>
        <source>Keeps everything in this folder.</source>
        <translation>Lo guarda todo en esta carpeta.</translation>
    </message>
    <message>
        <source>Speaks one of: %1.</source>
        <translation>Habla uno de: %1.</translation>
    </message>
    <message>
        <source>Opens one of: %1.</source>
        <translation>Abre uno de: %1.</translation>
    </message>
    <message>
        <source>Writes a picture of the window as PNG and leaves.</source>
        <translation>Escribe una imagen de la ventana en PNG y termina.</translation>
    </message>
    <message>
        <source>file</source>
        <translation>archivo</translation>
    </message>
    <message>
        <source>Writes a picture of every view in both themes and leaves.</source>
        <translation>Escribe una imagen de cada vista en los dos temas y termina.</translation>
    </message>
    <message>
        <source>Size of the window, such as %1.</source>
        <translation>Tamaño de la ventana, como %1.</translation>
    </message>
    <message>
        <source>Shows itself as one of: %1.</source>
        <translation>Se muestra como uno de: %1.</translation>
    </message>
    <message>
        <source>Sounds the alarm and leaves.</source>
        <translation>Hace sonar la alarma y termina.</translation>
    </message>
    <message>
        <source>Looks at this moment, such as %1.</source>
        <translation>Mira este momento, como %1.</translation>
    </message>
    <message>
        <source>Shows its words in this size, in per cent of the usual one.</source>
        <translation>Muestra sus palabras en este tamaño, en porcentaje del habitual.</translation>
    </message>
    <message>
        <source>90 to 200</source>
        <translation>90 a 200</translation>
    </message>
    <message>
        <source>Warm-up</source>
        <translation>Calentamiento</translation>
    </message>
    <message>
        <source>Tuning</source>
        <translation>Sintonía</translation>
    </message>
    <message>
        <source>Tube cools</source>
        <translation>Enfriando</translation>
    </message>
    <message>
        <source>tube %1 mm</source>
        <translation>tubo %1 mm</translation>
    </message>
    <message>
        <source>hole %1 mm</source>
        <translation>agujero %1 mm</translation>
    </message>
    <message>
        <source>tabs of %1 mm, folded down</source>
        <translation>pestañas de %1 mm, dobladas</translation>
    </message>
    <message>
        <source>N</source>
        <comment>north on paper</comment>
        <translation>N</translation>
    </message>
    <message>
        <source>under the bead, %1 mm high</source>
        <translation>bajo la cuenta, a %1 mm de altura</translation>
    </message>
    <message>
        <source>foot %1</source>
        <translation>pata %1</translation>
    </message>
    <message>
        <source>100 mm: measure it. If it differs, print at 100 %, not fitted.</source>
        <translation>100 mm: mídalo. Si no coincide, imprima al 100 %, sin ajustar.</translation>
    </message>
    <message>
        <source> – page %1 of row %2; glue along the dots</source>
        <translation> – página %1 de la fila %2; pegue por los puntos</translation>
    </message>
    <message>
        <source>Granulation</source>
        <translation>Granulación</translation>
    </message>
    <message>
        <source>Faculae</source>
        <translation>Fáculas</translation>
    </message>
    <message>
        <source>Prominence</source>
        <translation>Protuberancia</translation>
    </message>
    <message>
        <source>Filament</source>
        <translation>Filamento</translation>
    </message>
    <message>
        <source>Plage</source>
        <translation>Playa</translation>
    </message>
    <message>
        <source>Limb</source>
        <translation>Limbo</translation>
    </message>
    <message>
        <source>Dim: a dark cloth over the head helps.</source>
        <translation>Tenue: ayuda un paño oscuro sobre la cabeza.</translation>
    </message>
    <message>
        <source>Dazzling: more filter is needed.</source>
        <translation>Deslumbra: hace falta más filtro.</translation>
    </message>
    <message>
        <source>As bright as a day outside.</source>
        <translation>Tan brillante como un día al aire libre.</translation>
    </message>
    <message>
        <source>spots not counted</source>
        <translation>manchas sin contar</translation>
    </message>
    <message>
        <source>%1 min</source>
        <translation>%1 min</translation>
    </message>
    <message>
        <source>%1 h</source>
        <translation>%1 h</translation>
    </message>
    <message>
        <source>%1 GB</source>
        <translation>%1 GB</translation>
    </message>
    <message numerus="yes">
        <source>%n clip(s)</source>
        <translation>
            <numerusform>%n clip</numerusform>
            <numerusform>%n clips</numerusform>
        </translation>
    </message>
    <message>
        <source>clip of %1 s</source>
        <translation>clip de %1 s</translation>
    </message>
    <message numerus="yes">
        <source>%n lost</source>
        <translation>
            <numerusform>%n perdida</numerusform>
            <numerusform>%n perdidas</numerusform>
        </translation>
    </message>
    <message>
        <source>r₀ %1 cm</source>
        <translation>r₀ %1 cm</translation>
    </message>
    <message>
        <source>Reduce</source>
        <translation>Reducir</translation>
    </message>
    <message>
        <source>hydrogen alpha</source>
        <translation>hidrógeno alfa</translation>
    </message>
    <message>
        <source>calcium</source>
        <translation>calcio</translation>
    </message>
    <message>
        <source>white light</source>
        <translation>luz blanca</translation>
    </message>
    <message>
        <source>Earth</source>
        <translation>Tierra</translation>
    </message>
    <message>
        <source>false colour</source>
        <translation>color falso</translation>
    </message>
    <message>
        <source>movie of %1 s</source>
        <translation>película de %1 s</translation>
    </message>
    <message>
        <source>A light path, site, forecast, picture or clip to open.</source>
        <translation>Un camino óptico, un sitio, un pronóstico, una imagen o un clip que abrir.</translation>
    </message>
    <message>
        <source>Pictures (%1);;All files (*)</source>
        <translation>Imágenes (%1);;Todos los archivos (*)</translation>
    </message>
    <message>
        <source>Clips and pictures (%1);;All files (*)</source>
        <translation>Clips e imágenes (%1);;Todos los archivos (*)</translation>
    </message>
    <message>
        <source>Turn the mount at %1, before it begins.</source>
        <translation>Gire la montura a las %1, antes de que empiece.</translation>
    </message>
    <message>
        <source>Track through the meridian, turn at %1, when it is over.</source>
        <translation>Siga a través del meridiano; gire a las %1, cuando termine.</translation>
    </message>
    <message>
        <source>The runs leave no gap of %1 minutes for the mount to turn over.</source>
        <translation>Las tomas no dejan un hueco de %1 minutos para el giro de la montura.</translation>
    </message>
    <message>
        <source>stack</source>
        <translation>apilado</translation>
    </message>
    <message>
        <source>stack, restored</source>
        <translation>apilado, restaurado</translation>
    </message>
    <message>
        <source>mosaic</source>
        <translation>mosaico</translation>
    </message>
    <message>
        <source>finished picture</source>
        <translation>imagen acabada</translation>
    </message>
    <message>
        <source>picture</source>
        <translation>imagen</translation>
    </message>
    <message>
        <source>%1, %2 UTC</source>
        <translation>%1, %2 UTC</translation>
    </message>
    <message>
        <source>simulated</source>
        <translation>simulada</translation>
    </message>
    <message>
        <source>%1 · simulated</source>
        <translation>%1 · simulada</translation>
    </message>
    <message numerus="yes">
        <source>mosaic of %n picture(s)</source>
        <translation>
            <numerusform>mosaico de %n imagen</numerusform>
            <numerusform>mosaico de %n imágenes</numerusform>
        </translation>
    </message>
    <message>
        <source>stack of %1</source>
        <translation>apilado de %1</translation>
    </message>
    <message>
        <source>finished from %1</source>
        <translation>acabada a partir de %1</translation>
    </message>
    <message>
        <source>Sun %1°</source>
        <translation>Sol a %1°</translation>
    </message>
</context>
<context>
    <name>catalogue</name>
    <message>
        <source>Adapter 1.25 inch to 2 inch</source>
        <translation>Adaptador de 1,25&quot; a 2&quot;</translation>
    </message>
    <message>
        <source>Adapter 2 inch to 1.25 inch</source>
        <translation>Adaptador de 2&quot; a 1,25&quot;</translation>
    </message>
    <message>
        <source>Amplifier 1.5x, 1.25 inch</source>
        <translation>Amplificador 1,5x, 1,25&quot;</translation>
    </message>
    <message>
        <source>Amplifier 2x, 1.25 inch</source>
        <translation>Amplificador 2x, 1,25&quot;</translation>
    </message>
    <message>
        <source>Amplifier 3x, 1.25 inch</source>
        <translation>Amplificador 3x, 1,25&quot;</translation>
    </message>
    <message>
        <source>Aperture mask 100 mm</source>
        <translation>Máscara 100 mm</translation>
    </message>
    <message>
        <source>Aperture mask 40 mm</source>
        <translation>Máscara 40 mm</translation>
    </message>
    <message>
        <source>Aperture mask 50 mm</source>
        <translation>Máscara 50 mm</translation>
    </message>
    <message>
        <source>Aperture mask 60 mm</source>
        <translation>Máscara 60 mm</translation>
    </message>
    <message>
        <source>Aperture mask 80 mm</source>
        <translation>Máscara 80 mm</translation>
    </message>
    <message>
        <source>Battery 12 V, 60 W, 240 Wh</source>
        <translation>Batería 12 V, 60 W, 240 Wh</translation>
    </message>
    <message>
        <source>Binocular 10x50, one side</source>
        <translation>Prismático 10x50, un lado</translation>
    </message>
    <message>
        <source>Blocking filter 10 mm</source>
        <translation>Filtro de bloqueo 10 mm</translation>
    </message>
    <message>
        <source>Blocking filter 12 mm</source>
        <translation>Filtro de bloqueo 12 mm</translation>
    </message>
    <message>
        <source>Blocking filter 15 mm</source>
        <translation>Filtro de bloqueo 15 mm</translation>
    </message>
    <message>
        <source>Blocking filter 18 mm</source>
        <translation>Filtro de bloqueo 18 mm</translation>
    </message>
    <message>
        <source>Blocking filter 6 mm</source>
        <translation>Filtro de bloqueo 6 mm</translation>
    </message>
    <message>
        <source>Calcium-band filter 395 nm, 8 nm wide</source>
        <translation>Filtro de calcio 395 nm, ancho 8 nm</translation>
    </message>
    <message>
        <source>Camera lens 300 mm f/5.6</source>
        <translation>Objetivo de cámara 300 mm f/5,6</translation>
    </message>
    <message>
        <source>Camera lens 400 mm f/5.6</source>
        <translation>Objetivo de cámara 400 mm f/5,6</translation>
    </message>
    <message>
        <source>Colour camera 3 Mpx, 3.45 µm</source>
        <translation>Cámara de color 3 Mpx, 3,45 µm</translation>
    </message>
    <message>
        <source>Colour camera 6 Mpx, 2.4 µm</source>
        <translation>Cámara de color 6 Mpx, 2,4 µm</translation>
    </message>
    <message>
        <source>Compact camera in an eyepiece holder</source>
        <translation>Cámara compacta en soporte de ocular</translation>
    </message>
    <message>
        <source>Continuum filter 540 nm, 10 nm wide</source>
        <translation>Filtro de continuo 540 nm, ancho 10 nm</translation>
    </message>
    <message>
        <source>Continuum filter 540 nm, 7.5 nm wide</source>
        <translation>Filtro de continuo 540 nm, ancho 7,5 nm</translation>
    </message>
    <message>
        <source>Dedicated doublet 100 mm f/7</source>
        <translation>Doblete dedicado 100 mm f/7</translation>
    </message>
    <message>
        <source>Dedicated doublet 50 mm f/7</source>
        <translation>Doblete dedicado 50 mm f/7</translation>
    </message>
    <message>
        <source>Dedicated doublet 60 mm f/8.3</source>
        <translation>Doblete dedicado 60 mm f/8,3</translation>
    </message>
    <message>
        <source>Dedicated hydrogen-alpha telescope and mono camera</source>
        <translation>Telescopio dedicado de hidrógeno alfa y cámara mono</translation>
    </message>
    <message>
        <source>Dedicated hydrogen-alpha telescope, double stacked</source>
        <translation>Telescopio dedicado de hidrógeno alfa, doble etalón</translation>
    </message>
    <message>
        <source>Doublet 102 mm f/7</source>
        <translation>Doblete 102 mm f/7</translation>
    </message>
    <message>
        <source>Doublet 120 mm f/5</source>
        <translation>Doblete 120 mm f/5</translation>
    </message>
    <message>
        <source>Doublet 120 mm f/7.5</source>
        <translation>Doblete 120 mm f/7,5</translation>
    </message>
    <message>
        <source>Doublet 150 mm f/8</source>
        <translation>Doblete 150 mm f/8</translation>
    </message>
    <message>
        <source>Doublet 60 mm f/6</source>
        <translation>Doblete 60 mm f/6</translation>
    </message>
    <message>
        <source>Doublet 70 mm f/6</source>
        <translation>Doblete 70 mm f/6</translation>
    </message>
    <message>
        <source>Doublet 80 mm f/11</source>
        <translation>Doblete 80 mm f/11</translation>
    </message>
    <message>
        <source>Doublet 80 mm f/6</source>
        <translation>Doblete 80 mm f/6</translation>
    </message>
    <message>
        <source>Energy rejection filter 110 mm, red</source>
        <translation>Filtro de rechazo de energía 110 mm, rojo</translation>
    </message>
    <message>
        <source>Energy rejection filter 130 mm, red</source>
        <translation>Filtro de rechazo de energía 130 mm, rojo</translation>
    </message>
    <message>
        <source>Energy rejection filter 160 mm, red</source>
        <translation>Filtro de rechazo de energía 160 mm, rojo</translation>
    </message>
    <message>
        <source>Energy rejection filter 205 mm, red</source>
        <translation>Filtro de rechazo de energía 205 mm, rojo</translation>
    </message>
    <message>
        <source>Energy rejection filter 75 mm, red</source>
        <translation>Filtro de rechazo de energía 75 mm, rojo</translation>
    </message>
    <message>
        <source>Energy rejection filter 90 mm, red</source>
        <translation>Filtro de rechazo de energía 90 mm, rojo</translation>
    </message>
    <message>
        <source>Extension ring M42, 15 mm</source>
        <translation>Anillo de extensión M42, 15 mm</translation>
    </message>
    <message>
        <source>Extension tube 1.25 inch, 20 mm</source>
        <translation>Tubo de extensión 1,25&quot;, 20 mm</translation>
    </message>
    <message>
        <source>Extension tube 1.25 inch, 40 mm</source>
        <translation>Tubo de extensión 1,25&quot;, 40 mm</translation>
    </message>
    <message>
        <source>Extension tube 2 inch, 35 mm</source>
        <translation>Tubo de extensión 2&quot;, 35 mm</translation>
    </message>
    <message>
        <source>Extension tube 2 inch, 50 mm</source>
        <translation>Tubo de extensión 2&quot;, 50 mm</translation>
    </message>
    <message>
        <source>Extension tube 2 inch, 80 mm</source>
        <translation>Tubo de extensión 2&quot;, 80 mm</translation>
    </message>
    <message>
        <source>Eyepiece 12.5 mm</source>
        <translation>Ocular 12,5 mm</translation>
    </message>
    <message>
        <source>Eyepiece 20 mm</source>
        <translation>Ocular 20 mm</translation>
    </message>
    <message>
        <source>Eyepiece 25 mm</source>
        <translation>Ocular 25 mm</translation>
    </message>
    <message>
        <source>Eyepiece 32 mm</source>
        <translation>Ocular 32 mm</translation>
    </message>
    <message>
        <source>Eyepiece 8 mm</source>
        <translation>Ocular 8 mm</translation>
    </message>
    <message>
        <source>Eyepiece holder 1.25 inch on M42</source>
        <translation>Portaocular 1,25&quot; en M42</translation>
    </message>
    <message>
        <source>Film and phone</source>
        <translation>Lámina y teléfono</translation>
    </message>
    <message>
        <source>Front etalon 40 mm, 0.7 Å, tilt</source>
        <translation>Etalón frontal 40 mm, 0,7 Å, inclinación</translation>
    </message>
    <message>
        <source>Front etalon 60 mm, 0.7 Å, tilt</source>
        <translation>Etalón frontal 60 mm, 0,7 Å, inclinación</translation>
    </message>
    <message>
        <source>Front etalon 60 mm, double, 0.7 Å each</source>
        <translation>Etalón frontal 60 mm, doble, 0,7 Å cada uno</translation>
    </message>
    <message>
        <source>Front etalon 90 mm, 0.65 Å, pressure</source>
        <translation>Etalón frontal 90 mm, 0,65 Å, presión</translation>
    </message>
    <message>
        <source>Heated rear etalon 0.3 Å with 4.3x telecentric</source>
        <translation>Etalón trasero calefactado 0,3 Å con telecéntrico 4,3x</translation>
    </message>
    <message>
        <source>Heated rear etalon 0.5 Å with 4.3x telecentric</source>
        <translation>Etalón trasero calefactado 0,5 Å con telecéntrico 4,3x</translation>
    </message>
    <message>
        <source>Heated rear etalon 0.7 Å with 4.3x telecentric</source>
        <translation>Etalón trasero calefactado 0,7 Å con telecéntrico 4,3x</translation>
    </message>
    <message>
        <source>Inner etalon 21 mm, 0.7 Å, tilt</source>
        <translation>Etalón interior 21 mm, 0,7 Å, inclinación</translation>
    </message>
    <message>
        <source>Inner etalon 25 mm, 0.7 Å, pressure</source>
        <translation>Etalón interior 25 mm, 0,7 Å, presión</translation>
    </message>
    <message>
        <source>Inner etalon 42 mm, 0.65 Å, pressure</source>
        <translation>Etalón interior 42 mm, 0,65 Å, presión</translation>
    </message>
    <message>
        <source>Mains adapter 5 V, 15 W</source>
        <translation>Adaptador de red 5 V, 15 W</translation>
    </message>
    <message>
        <source>Maksutov catadioptric 102 mm f/13</source>
        <translation>Catadióptrico Maksutov 102 mm f/13</translation>
    </message>
    <message>
        <source>Maksutov catadioptric 127 mm f/12</source>
        <translation>Catadióptrico Maksutov 127 mm f/12</translation>
    </message>
    <message>
        <source>Mirror diagonal 1.25 inch</source>
        <translation>Diagonal de espejo 1,25&quot;</translation>
    </message>
    <message>
        <source>Mirror diagonal 2 inch</source>
        <translation>Diagonal de espejo 2&quot;</translation>
    </message>
    <message>
        <source>Mono camera 1.2 Mpx, 3.75 µm</source>
        <translation>Cámara mono 1,2 Mpx, 3,75 µm</translation>
    </message>
    <message>
        <source>Mono camera 2.3 Mpx, 5.86 µm</source>
        <translation>Cámara mono 2,3 Mpx, 5,86 µm</translation>
    </message>
    <message>
        <source>Mono camera 20 Mpx, 2.4 µm</source>
        <translation>Cámara mono 20 Mpx, 2,4 µm</translation>
    </message>
    <message>
        <source>Mono camera 3 Mpx, 3.45 µm</source>
        <translation>Cámara mono 3 Mpx, 3,45 µm</translation>
    </message>
    <message>
        <source>Mono camera 9 Mpx, 3.76 µm</source>
        <translation>Cámara mono 9 Mpx, 3,76 µm</translation>
    </message>
    <message>
        <source>Neutral density ND 0.6</source>
        <translation>Densidad neutra ND 0,6</translation>
    </message>
    <message>
        <source>Neutral density ND 0.9</source>
        <translation>Densidad neutra ND 0,9</translation>
    </message>
    <message>
        <source>Neutral density ND 1.8</source>
        <translation>Densidad neutra ND 1,8</translation>
    </message>
    <message>
        <source>Neutral density ND 3.0</source>
        <translation>Densidad neutra ND 3,0</translation>
    </message>
    <message>
        <source>Newtonian 130 mm f/5</source>
        <translation>Newton 130 mm f/5</translation>
    </message>
    <message>
        <source>Newtonian 200 mm f/5</source>
        <translation>Newton 200 mm f/5</translation>
    </message>
    <message>
        <source>Nosepiece 1.25 inch with C thread</source>
        <translation>Tubo 1,25&quot; con rosca C</translation>
    </message>
    <message>
        <source>Nosepiece 1.25 inch with M42 thread</source>
        <translation>Tubo 1,25&quot; con rosca M42</translation>
    </message>
    <message>
        <source>Nosepiece 2 inch with M42 thread</source>
        <translation>Tubo 2&quot; con rosca M42</translation>
    </message>
    <message>
        <source>Nosepiece 2 inch with M48 thread</source>
        <translation>Tubo 2&quot; con rosca M48</translation>
    </message>
    <message>
        <source>Off-axis mask 60 mm</source>
        <translation>Máscara fuera de eje 60 mm</translation>
    </message>
    <message>
        <source>Off-axis mask 80 mm</source>
        <translation>Máscara fuera de eje 80 mm</translation>
    </message>
    <message>
        <source>Optical finder, capped</source>
        <translation>Buscador óptico, tapado</translation>
    </message>
    <message>
        <source>Phone in an eyepiece holder</source>
        <translation>Teléfono en soporte de ocular</translation>
    </message>
    <message>
        <source>Photographic camera 24 Mpx, mirrorless</source>
        <translation>Cámara de fotos 24 Mpx, sin espejo</translation>
    </message>
    <message>
        <source>Photographic camera 24 Mpx, optical finder</source>
        <translation>Cámara de fotos 24 Mpx, visor óptico</translation>
    </message>
    <message>
        <source>Photographic film OD 3.8, 104 mm clear</source>
        <translation>Lámina fotográfica OD 3,8, 104 mm libres</translation>
    </message>
    <message>
        <source>Photographic film OD 3.8, 154 mm clear</source>
        <translation>Lámina fotográfica OD 3,8, 154 mm libres</translation>
    </message>
    <message>
        <source>Photographic film OD 3.8, 84 mm clear</source>
        <translation>Lámina fotográfica OD 3,8, 84 mm libres</translation>
    </message>
    <message>
        <source>Pinhole solar finder</source>
        <translation>Buscador solar de agujero</translation>
    </message>
    <message>
        <source>Plastic eyepiece 20 mm</source>
        <translation>Ocular de plástico 20 mm</translation>
    </message>
    <message>
        <source>Prism diagonal 1.25 inch</source>
        <translation>Diagonal de prisma 1,25&quot;</translation>
    </message>
    <message>
        <source>Projection screen at 300 mm</source>
        <translation>Pantalla de proyección a 300 mm</translation>
    </message>
    <message>
        <source>Rear etalon and mono camera</source>
        <translation>Etalón trasero y cámara mono</translation>
    </message>
    <message>
        <source>Reducer 0.5x, 1.25 inch</source>
        <translation>Reductor 0,5x, 1,25&quot;</translation>
    </message>
    <message>
        <source>Reducer 0.8x, 2 inch</source>
        <translation>Reductor 0,8x, 2&quot;</translation>
    </message>
    <message>
        <source>Refractor with rear group 100 mm f/5.3</source>
        <translation>Refractor con grupo trasero 100 mm f/5,3</translation>
    </message>
    <message>
        <source>Ring M42 to M48</source>
        <translation>Anillo M42 a M48</translation>
    </message>
    <message>
        <source>Ring M48 to M42</source>
        <translation>Anillo M48 a M42</translation>
    </message>
    <message>
        <source>Ring M54 to M48</source>
        <translation>Anillo M54 a M48</translation>
    </message>
    <message>
        <source>Schmidt catadioptric 203 mm f/10</source>
        <translation>Catadióptrico Schmidt 203 mm f/10</translation>
    </message>
    <message>
        <source>Screw-in dark glass for an eyepiece</source>
        <translation>Vidrio oscuro roscado para ocular</translation>
    </message>
    <message>
        <source>Single polariser</source>
        <translation>Polarizador simple</translation>
    </message>
    <message>
        <source>Solar film OD 5.0, 104 mm clear</source>
        <translation>Lámina solar OD 5,0, 104 mm libres</translation>
    </message>
    <message>
        <source>Solar film OD 5.0, 124 mm clear</source>
        <translation>Lámina solar OD 5,0, 124 mm libres</translation>
    </message>
    <message>
        <source>Solar film OD 5.0, 154 mm clear</source>
        <translation>Lámina solar OD 5,0, 154 mm libres</translation>
    </message>
    <message>
        <source>Solar film OD 5.0, 204 mm clear</source>
        <translation>Lámina solar OD 5,0, 204 mm libres</translation>
    </message>
    <message>
        <source>Solar film OD 5.0, 54 mm clear</source>
        <translation>Lámina solar OD 5,0, 54 mm libres</translation>
    </message>
    <message>
        <source>Solar film OD 5.0, 64 mm clear</source>
        <translation>Lámina solar OD 5,0, 64 mm libres</translation>
    </message>
    <message>
        <source>Solar film OD 5.0, 74 mm clear</source>
        <translation>Lámina solar OD 5,0, 74 mm libres</translation>
    </message>
    <message>
        <source>Solar film OD 5.0, 84 mm clear</source>
        <translation>Lámina solar OD 5,0, 84 mm libres</translation>
    </message>
    <message>
        <source>Solar film OD 5.0, 94 mm clear</source>
        <translation>Lámina solar OD 5,0, 94 mm libres</translation>
    </message>
    <message>
        <source>Solar glass OD 5.0, 104 mm clear</source>
        <translation>Vidrio solar OD 5,0, 104 mm libres</translation>
    </message>
    <message>
        <source>Solar glass OD 5.0, 84 mm clear</source>
        <translation>Vidrio solar OD 5,0, 84 mm libres</translation>
    </message>
    <message>
        <source>Solar wedge 1.25 inch, open back</source>
        <translation>Cuña solar 1,25&quot;, abierta por detrás</translation>
    </message>
    <message>
        <source>Solar wedge 1.25 inch, small</source>
        <translation>Cuña solar 1,25&quot;, pequeña</translation>
    </message>
    <message>
        <source>Solar wedge 2 inch, large</source>
        <translation>Cuña solar 2&quot;, grande</translation>
    </message>
    <message>
        <source>Telecentric amplifier 4x</source>
        <translation>Amplificador telecéntrico 4x</translation>
    </message>
    <message>
        <source>Tilt adapter M42</source>
        <translation>Inclinador M42</translation>
    </message>
    <message>
        <source>Tilting nosepiece 1.25 inch</source>
        <translation>Tubo inclinable 1,25&quot;</translation>
    </message>
    <message>
        <source>Triplet 106 mm f/6.6</source>
        <translation>Triplete 106 mm f/6,6</translation>
    </message>
    <message>
        <source>Triplet 80 mm f/7</source>
        <translation>Triplete 80 mm f/7</translation>
    </message>
    <message>
        <source>Two-lens eyepiece 20 mm, uncemented</source>
        <translation>Ocular de dos lentes 20 mm, sin cemento</translation>
    </message>
    <message>
        <source>USB port 5 V, 2.5 W</source>
        <translation>Puerto USB 5 V, 2,5 W</translation>
    </message>
    <message>
        <source>USB power bank 5 V, 12 W, 74 Wh</source>
        <translation>Batería USB 5 V, 12 W, 74 Wh</translation>
    </message>
    <message>
        <source>Ultraviolet and infrared cut 1.25 inch</source>
        <translation>Corte ultravioleta e infrarrojo 1,25&quot;</translation>
    </message>
    <message>
        <source>Ultraviolet and infrared cut 2 inch</source>
        <translation>Corte ultravioleta e infrarrojo 2&quot;</translation>
    </message>
    <message>
        <source>Wedge and colour camera</source>
        <translation>Cuña y cámara de color</translation>
    </message>
    <message>
        <source>Eyepiece holder 2 inch on M48</source>
        <translation>Portaocular de 2 pulgadas en M48</translation>
    </message>
    <message>
        <source>Eyepiece holder 2 inch on M54</source>
        <translation>Portaocular de 2 pulgadas en M54</translation>
    </message>
</context>
<context>
    <name>solarchon::app::AimPicture</name>
    <message>
        <source>The tube&apos;s shadow, and the field that it has to find</source>
        <translation>La sombra del tubo y el campo que tiene que encontrar</translation>
    </message>
    <message>
        <source>No telescope</source>
        <translation>Sin telescopio</translation>
    </message>
    <message>
        <source>%1° beside</source>
        <translation>a %1° del Sol</translation>
    </message>
    <message>
        <source>round</source>
        <translation>redonda</translation>
    </message>
    <message>
        <source>The shadow on a card square to the tube</source>
        <translation>La sombra en una cartulina perpendicular al tubo</translation>
    </message>
    <message>
        <source>%1′</source>
        <translation>%1′</translation>
    </message>
    <message>
        <source>No field: nothing looks or records</source>
        <translation>Sin campo: nada mira ni graba</translation>
    </message>
    <message>
        <source>Field %1′; the Sun&apos;s middle falls in the dashed ring</source>
        <translation>Campo %1′; el centro del Sol cae en el círculo de trazos</translation>
    </message>
    <message>
        <source>Field %1′ is smaller than the dashed ring</source>
        <translation>El campo de %1′ es menor que el círculo de trazos</translation>
    </message>
</context>
<context>
    <name>solarchon::app::Alarms</name>
    <message>
        <source>%1 begins at %2</source>
        <translation>%1 empieza a las %2</translation>
    </message>
</context>
<context>
    <name>solarchon::app::AnyInHand</name>
    <message>
        <source>Choose site</source>
        <translation>Elegir sitio</translation>
    </message>
    <message>
        <source>Rename site</source>
        <translation>Renombrar sitio</translation>
    </message>
    <message>
        <source>%1° %2, %3° %4, %5 m</source>
        <translation>%1° %2, %3° %4, %5 m</translation>
    </message>
    <message>
        <source>S</source>
        <comment>south</comment>
        <translation>S</translation>
    </message>
    <message>
        <source>N</source>
        <comment>north</comment>
        <translation>N</translation>
    </message>
    <message>
        <source>W</source>
        <comment>west</comment>
        <translation>O</translation>
    </message>
    <message>
        <source>E</source>
        <comment>east</comment>
        <translation>E</translation>
    </message>
    <message>
        <source>Choose light path</source>
        <translation>Elegir camino óptico</translation>
    </message>
    <message>
        <source>Rename light path</source>
        <translation>Renombrar el camino óptico</translation>
    </message>
    <message numerus="yes">
        <source>%n part(s)</source>
        <translation>
            <numerusform>%n pieza</numerusform>
            <numerusform>%n piezas</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>solarchon::app::AnyShelf</name>
    <message>
        <source>Keep site</source>
        <translation>Guardar el sitio</translation>
    </message>
    <message>
        <source>Remove site</source>
        <translation>Quitar el sitio</translation>
    </message>
    <message>
        <source>Copy site</source>
        <translation>Copiar el sitio</translation>
    </message>
    <message>
        <source>Rename site</source>
        <translation>Renombrar sitio</translation>
    </message>
    <message>
        <source>Keep light path</source>
        <translation>Guardar el camino óptico</translation>
    </message>
    <message>
        <source>Remove light path</source>
        <translation>Quitar el camino óptico</translation>
    </message>
    <message>
        <source>Copy light path</source>
        <translation>Copiar el camino óptico</translation>
    </message>
    <message>
        <source>Rename light path</source>
        <translation>Renombrar el camino óptico</translation>
    </message>
</context>
<context>
    <name>solarchon::app::ArrowPad</name>
    <message>
        <source>Arrows that turn the mount</source>
        <translation>Flechas que mueven la montura</translation>
    </message>
    <message>
        <source>Held they turn the mount: with the mouse, or with the arrow keys; keys 1 to 4 choose how fast</source>
        <translation>Mientras se mantienen pulsadas mueven la montura: con el ratón o con las teclas de flecha; las teclas 1 a 4 eligen la velocidad</translation>
    </message>
    <message>
        <source>Stop</source>
        <translation>Parar</translation>
    </message>
    <message>
        <source>Everything stands at once: Escape, from wherever you are in the program</source>
        <translation>Todo se detiene enseguida: Escape, desde cualquier parte del programa</translation>
    </message>
</context>
<context>
    <name>solarchon::app::CaptureView</name>
    <message>
        <source>Take a frame</source>
        <translation>Hacer una toma</translation>
    </message>
    <message>
        <source>Cancel</source>
        <translation>Cancelar</translation>
    </message>
    <message>
        <source>Exposure</source>
        <translation>Exposición</translation>
    </message>
    <message>
        <source>ms</source>
        <translation>ms</translation>
    </message>
    <message>
        <source>suggested</source>
        <translation>sugerida</translation>
    </message>
    <message>
        <source>Leave it empty to use the suggested exposure</source>
        <translation>Déjelo vacío para usar la exposición sugerida</translation>
    </message>
    <message>
        <source>Progress</source>
        <translation>Progreso</translation>
    </message>
    <message>
        <source>The Sun is down, or there is no camera</source>
        <translation>El Sol está puesto, o no hay cámara</translation>
    </message>
    <message>
        <source>%1, %2</source>
        <translation>%1, %2</translation>
    </message>
    <message>
        <source>Stopped: %1 See the light path.</source>
        <translation>Parado: %1 Vea el camino óptico.</translation>
    </message>
    <message>
        <source>Suggested now: %1 with the Sun %2° high</source>
        <translation>Sugerida ahora: %1 con el Sol a %2° de altura</translation>
    </message>
    <message>
        <source>Taken</source>
        <translation>Tomada</translation>
    </message>
    <message>
        <source>Spots found</source>
        <translation>Manchas halladas</translation>
    </message>
    <message>
        <source>Softness of the limb</source>
        <translation>Suavidad del limbo</translation>
    </message>
    <message>
        <source>%1 px</source>
        <translation>%1 px</translation>
    </message>
    <message>
        <source>Standard deviation of the edge: seeing, focus and sampling together</source>
        <translation>Desviación típica del borde: seeing, enfoque y muestreo juntos</translation>
    </message>
    <message>
        <source>Saturated</source>
        <translation>Saturada</translation>
    </message>
    <message>
        <source>yes: shorten</source>
        <translation>sí: acorte</translation>
    </message>
    <message>
        <source>no</source>
        <translation>no</translation>
    </message>
    <message>
        <source>Limb</source>
        <translation>Limbo</translation>
    </message>
    <message>
        <source>%1 (%2)</source>
        <translation>%1 (%2)</translation>
    </message>
    <message>
        <source>Hold</source>
        <translation>Retener</translation>
    </message>
    <message>
        <source>Keeps this picture; frames go on behind it</source>
        <translation>Conserva esta imagen; las demás siguen llegando detrás</translation>
    </message>
    <message>
        <source>1:1</source>
        <translation>1:1</translation>
    </message>
    <message>
        <source>Lift the faint</source>
        <translation>Lo débil</translation>
    </message>
    <message>
        <source>Draws what is faint brighter; the file stays as it is</source>
        <translation>Dibuja más claro lo débil; el archivo queda como está</translation>
    </message>
    <message>
        <source>Marks</source>
        <translation>Marcas</translation>
    </message>
    <message>
        <source>Stop looking</source>
        <translation>Dejar de mirar</translation>
    </message>
    <message>
        <source>Look live</source>
        <translation>Mirar en vivo</translation>
    </message>
    <message>
        <source>Lets the camera go (F4)</source>
        <translation>Suelta la cámara (F4)</translation>
    </message>
    <message>
        <source>About the cross, pixel by pixel</source>
        <translation>En torno a la cruz, píxel a píxel</translation>
    </message>
    <message>
        <source>2:1</source>
        <translation>2:1</translation>
    </message>
    <message>
        <source>About the cross, each pixel on two by two</source>
        <translation>En torno a la cruz, cada píxel en dos por dos</translation>
    </message>
    <message>
        <source>Ring, drift, cross, scale and what is clipped</source>
        <translation>Anillo, deriva, cruz, escala y lo saturado</translation>
    </message>
    <message>
        <source>Part of the sensor that is read</source>
        <translation>Parte del sensor que se lee</translation>
    </message>
    <message>
        <source>Half</source>
        <translation>Mitad</translation>
    </message>
    <message>
        <source>Quarter</source>
        <translation>Cuarto</translation>
    </message>
    <message>
        <source>Of each side, about the cross, which a click on the picture sets; fewer rows come oftener</source>
        <translation>De cada lado, en torno a la cruz, que se pone con un clic en la imagen; menos filas llegan más a menudo</translation>
    </message>
    <message>
        <source>Whole</source>
        <translation>Todo</translation>
    </message>
    <message>
        <source>Looks through the camera behind this light path (F4)</source>
        <translation>Mira por la cámara tras este camino óptico (F4)</translation>
    </message>
    <message>
        <source>Turn</source>
        <translation>Girar</translation>
    </message>
    <message>
        <source>How the picture is turned for the eye; the file stays as it is (F2)</source>
        <translation>Cómo se gira la imagen para el ojo; el archivo queda como está (F2)</translation>
    </message>
    <message>
        <source>As it comes</source>
        <translation>Tal como llega</translation>
    </message>
    <message>
        <source>North up, by quarter turns</source>
        <translation>Norte arriba, por cuartos de vuelta</translation>
    </message>
    <message>
        <source>Half a turn</source>
        <translation>Media vuelta</translation>
    </message>
    <message>
        <source>Mirrored</source>
        <translation>En espejo</translation>
    </message>
    <message>
        <source>Upside down</source>
        <translation>Cabeza abajo</translation>
    </message>
    <message>
        <source>Files the frame that the camera shows, measured; without a camera one is simulated (F5)</source>
        <translation>Archiva la imagen que muestra la cámara, medida; sin cámara se simula una (F5)</translation>
    </message>
</context>
<context>
    <name>solarchon::app::CareSheet</name>
    <message>
        <source>Keep in my kit</source>
        <translation>Guardar en mi equipo</translation>
    </message>
    <message>
        <source>Inspected today</source>
        <translation>Revisada hoy</translation>
    </message>
    <message>
        <source>Held against a bright lamp: no pinhole, no scratch, no loose film</source>
        <translation>Mirada contra una lámpara fuerte: sin poros, sin rayas, sin lámina suelta</translation>
    </message>
    <message>
        <source>Defect found</source>
        <translation>Defecto hallado</translation>
    </message>
    <message>
        <source>Leave empty when there is none; a part with a defect is not to be used</source>
        <translation>Déjelo vacío si no hay ninguno; una pieza con un defecto no debe usarse</translation>
    </message>
    <message>
        <source>Serial</source>
        <translation>Número</translation>
    </message>
    <message>
        <source>As engraved on the part</source>
        <translation>Como está grabado en la pieza</translation>
    </message>
    <message>
        <source>Notes</source>
        <translation>Notas</translation>
    </message>
    <message>
        <source>Anything worth knowing next time</source>
        <translation>Lo que convenga saber la próxima vez</translation>
    </message>
    <message>
        <source>Your kit is searched first when parts are chosen or suggested</source>
        <translation>Al elegir o sugerir piezas se busca primero en su equipo</translation>
    </message>
    <message>
        <source>Settings that were best</source>
        <translation>Los mejores ajustes</translation>
    </message>
    <message>
        <source>What it was best for</source>
        <translation>Para qué fue el mejor</translation>
    </message>
    <message>
        <source>what for: prominences, morning…</source>
        <translation>para qué: protuberancias, mañana…</translation>
    </message>
    <message>
        <source>Setting</source>
        <translation>Ajuste</translation>
    </message>
    <message>
        <source>From the middle of the range, red positive; Enter keeps it with the date</source>
        <translation>Desde el centro del recorrido, rojo positivo; Intro lo guarda con la fecha</translation>
    </message>
    <message>
        <source>No inspection logged</source>
        <translation>Sin revisión anotada</translation>
    </message>
    <message>
        <source>Inspected on %1</source>
        <translation>Revisada el %1</translation>
    </message>
    <message>
        <source>In your kit; update it</source>
        <translation>En su equipo; actualizarla</translation>
    </message>
</context>
<context>
    <name>solarchon::app::ClipPage</name>
    <message>
        <source>the Sun&apos;s rotation blurs it</source>
        <translation>la rotación del Sol lo emborrona</translation>
    </message>
    <message>
        <source>the target itself has changed</source>
        <translation>el objetivo mismo ha cambiado</translation>
    </message>
    <message>
        <source>the turning field blurs its corners</source>
        <translation>el giro del campo emborrona las esquinas</translation>
    </message>
    <message>
        <source>the mount has let it drift</source>
        <translation>la montura lo ha dejado derivar</translation>
    </message>
    <message>
        <source>the sensor reads no faster</source>
        <translation>el sensor no se lee más deprisa</translation>
    </message>
    <message>
        <source>the cable carries no more</source>
        <translation>el cable no lleva más</translation>
    </message>
    <message>
        <source>the exposure lasts as long</source>
        <translation>la exposición dura lo mismo</translation>
    </message>
    <message>
        <source>A clip every</source>
        <translation>Un clip cada</translation>
    </message>
    <message>
        <source>s</source>
        <translation>s</translation>
    </message>
    <message>
        <source>Clips</source>
        <translation>Clips</translation>
    </message>
    <message>
        <source>Each lasts</source>
        <translation>Cada uno dura</translation>
    </message>
    <message>
        <source>Overlap</source>
        <translation>Solape</translation>
    </message>
    <message>
        <source>Room round the disc</source>
        <translation>Espacio en torno al disco</translation>
    </message>
    <message>
        <source>One clip</source>
        <translation>Un clip</translation>
    </message>
    <message>
        <source>Time-lapse</source>
        <translation>Cámara rápida</translation>
    </message>
    <message>
        <source>The whole Sun in panels</source>
        <translation>El Sol entero por paneles</translation>
    </message>
    <message>
        <source>For prominences: 100″ are 72 000 km</source>
        <translation>Para protuberancias: 100″ son 72 000 km</translation>
    </message>
    <message>
        <source>Longer, and %1. Faster it does not go: %2.</source>
        <translation>Más larga, y %1. Más deprisa no va: %2.</translation>
    </message>
    <message>
        <source>Frames a second</source>
        <translation>Tomas por segundo</translation>
    </message>
    <message>
        <source>On the disk</source>
        <translation>En el disco duro</translation>
    </message>
    <message>
        <source>Not possible</source>
        <translation>No es posible</translation>
    </message>
    <message>
        <source>Takes</source>
        <translation>Dura</translation>
    </message>
    <message>
        <source>Shown at 25 a second</source>
        <translation>Vista a 25 por segundo</translation>
    </message>
    <message>
        <source>Power at 25 W</source>
        <translation>Energía a 25 W</translation>
    </message>
    <message>
        <source>%1 Wh</source>
        <translation>%1 Wh</translation>
    </message>
    <message>
        <source>Panels</source>
        <translation>Paneles</translation>
    </message>
    <message>
        <source>%1 (%2 × %3)</source>
        <translation>%1 (%2 × %3)</translation>
    </message>
    <message>
        <source>Moved between them</source>
        <translation>Recorrido entre ellos</translation>
    </message>
    <message>
        <source>%1′</source>
        <translation>%1′</translation>
    </message>
    <message>
        <source>Region of the sensor</source>
        <translation>Región del sensor</translation>
    </message>
    <message>
        <source>All its bits</source>
        <translation>Todos sus bits</translation>
    </message>
    <message>
        <source>Of each side; fewer rows come oftener</source>
        <translation>De cada lado; menos filas llegan más a menudo</translation>
    </message>
    <message>
        <source>Two bytes a pixel; without it 8 bits, which come through the cable faster</source>
        <translation>Dos bytes por píxel; sin esto, 8 bits, que pasan más deprisa por el cable</translation>
    </message>
    <message>
        <source>Frames kept</source>
        <translation>Tomas conservadas</translation>
    </message>
    <message>
        <source>Longest clip</source>
        <translation>Vídeo más largo</translation>
    </message>
    <message>
        <source>%1 kept: then noise, raised by sharpening, stays below a fifth of the detail&apos;s contrast</source>
        <translation>%1 conservadas: así el ruido, realzado al enfocar, queda por debajo de un quinto del contraste del detalle</translation>
    </message>
    <message>
        <source>Enough frames</source>
        <translation>Tomas que bastan</translation>
    </message>
    <message>
        <source>Frames at most</source>
        <translation>Tomas como máximo</translation>
    </message>
    <message>
        <source>They would fill %1</source>
        <translation>Ocuparían %1</translation>
    </message>
    <message>
        <source>How many of the sharpest frames you stack. With the noise of a frame and the contrast of the target it decides how many frames are enough</source>
        <translation>Cuántas de las tomas más nítidas se apilan. Junto con el ruido de una toma y el contraste del objetivo decide cuántas tomas bastan</translation>
    </message>
    <message>
        <source>%1 One clip cannot hold enough frames: keep a larger share, or stack several clips.</source>
        <translation>%1 En un solo vídeo no caben tomas suficientes: conserve una parte mayor o apile varios vídeos.</translation>
    </message>
</context>
<context>
    <name>solarchon::app::ClipRibbon</name>
    <message>
        <source>Sharpness of the clip in time</source>
        <translation>Nitidez del clip en el tiempo</translation>
    </message>
    <message>
        <source>Click a frame, or go with left and right; up and down move the level</source>
        <translation>Pulse un fotograma, o vaya con izquierda y derecha; arriba y abajo mueven el nivel</translation>
    </message>
    <message>
        <source>Sharpness, over the clip’s median</source>
        <translation>Nitidez, respecto a la mediana del clip</translation>
    </message>
    <message>
        <source>1×</source>
        <translation>1×</translation>
    </message>
    <message>
        <source>0 s</source>
        <translation>0 s</translation>
    </message>
    <message>
        <source>%1 s</source>
        <translation>%1 s</translation>
    </message>
</context>
<context>
    <name>solarchon::app::ContextStrip</name>
    <message>
        <source>Site</source>
        <translation>Sitio</translation>
    </message>
    <message>
        <source>Rig</source>
        <translation>Equipo</translation>
    </message>
    <message>
        <source>Target</source>
        <translation>Objetivo</translation>
    </message>
    <message>
        <source>Time at the site</source>
        <translation>Hora en el sitio</translation>
    </message>
    <message>
        <source>Height of the Sun</source>
        <translation>Altura del Sol</translation>
    </message>
    <message>
        <source>Choose target</source>
        <translation>Elegir objetivo</translation>
    </message>
    <message>
        <source>%1 · %2 UTC</source>
        <translation>%1 · %2 UTC</translation>
    </message>
    <message>
        <source>%1° high</source>
        <translation>%1° de altura</translation>
    </message>
    <message>
        <source>No rule objects, as far as the light path is what it says. Maker&apos;s instructions come first.</source>
        <translation>Ninguna regla objeta, mientras el camino óptico sea lo que dice ser. Las instrucciones de los fabricantes van primero.</translation>
    </message>
    <message>
        <source>White light</source>
        <translation>Luz blanca</translation>
    </message>
    <message>
        <source>Hydrogen alpha</source>
        <translation>Hidrógeno alfa</translation>
    </message>
</context>
<context>
    <name>solarchon::app::CurrentFrame</name>
    <message>
        <source>Other work is not done yet; wait for it or cancel it first.</source>
        <translation>Aún hay otro trabajo en marcha; espérelo o cancélelo antes.</translation>
    </message>
</context>
<context>
    <name>solarchon::app::DayRibbon</name>
    <message>
        <source>Day ribbon</source>
        <translation>Cinta del día</translation>
    </message>
    <message>
        <source>Drag to look at another time. Arrows move by a minute, Page keys by an hour, Ctrl with arrows by a day; Home follows the clock.</source>
        <translation>Arrastre para mirar otra hora. Las flechas mueven un minuto, Re Pág y Av Pág una hora, Ctrl con flechas un día; Inicio sigue el reloj.</translation>
    </message>
    <message>
        <source>rise %1</source>
        <translation>sale %1</translation>
    </message>
    <message>
        <source>highest %1</source>
        <translation>culmina %1</translation>
    </message>
    <message>
        <source>set %1</source>
        <translation>se pone %1</translation>
    </message>
    <message>
        <source>%1 %2 · %3°</source>
        <translation>%1 %2 · %3°</translation>
    </message>
    <message>
        <source>now</source>
        <translation>ahora</translation>
    </message>
    <message>
        <source>at</source>
        <translation>a las</translation>
    </message>
</context>
<context>
    <name>solarchon::app::DaySheet</name>
    <message>
        <source>%1 min</source>
        <translation>%1 min</translation>
    </message>
    <message>
        <source>Sheet of the day: Sun, air, clouds, steps and runs by the hour</source>
        <translation>Hoja del día: Sol, aire, nubes, pasos y series por horas</translation>
    </message>
    <message>
        <source>Nothing is chosen</source>
        <translation>Nada elegido</translation>
    </message>
    <message>
        <source>%1, %2</source>
        <translation>%1, %2</translation>
    </message>
    <message>
        <source>%1, %2
Sun %3° high, seeing about %4</source>
        <translation>%1, %2
Sol a %3° de altura, seeing cerca de %4</translation>
    </message>
    <message>
        <source>Foretold by: %1</source>
        <translation>Pronóstico de: %1</translation>
    </message>
    <message>
        <source>Expected seeing and the band that two days in three stay in. Drawn through where your log speaks, broken where it is a rule of thumb; %1</source>
        <translation>Seeing esperado y la franja en que quedan dos de cada tres días. Línea llena donde habla su registro, cortada donde es una regla práctica; %1</translation>
    </message>
    <message>
        <source>wind as foretold</source>
        <translation>viento según el pronóstico</translation>
    </message>
    <message>
        <source>usual wind</source>
        <translation>viento habitual</translation>
    </message>
    <message>
        <source>Drag a run to move it, its end to change its length</source>
        <translation>Arrastre una serie para moverla, su final para cambiar su duración</translation>
    </message>
    <message>
        <source>hour</source>
        <translation>hora</translation>
    </message>
    <message>
        <source>%1°</source>
        <translation>%1°</translation>
    </message>
    <message>
        <source>Sun, clear
over %1°</source>
        <translation>Sol libre
sobre %1°</translation>
    </message>
    <message>
        <source>%1″</source>
        <translation>%1″</translation>
    </message>
    <message>
        <source>Seeing
expected,
%1 % by log</source>
        <translation>Seeing
esperado,
%1 % registro</translation>
    </message>
    <message>
        <source>Seeing
expected,
a rule of
thumb</source>
        <translation>Seeing
esperado,
regla
práctica</translation>
    </message>
    <message>
        <source>Forecast</source>
        <translation>Pronóstico</translation>
    </message>
    <message>
        <source>no forecast for this day</source>
        <translation>sin pronóstico para este día</translation>
    </message>
    <message>
        <source>the mount must turn by %1</source>
        <translation>la montura debe girar antes de %1</translation>
    </message>
    <message>
        <source>No run on this day. Add one, and what must start when is counted back from it.</source>
        <translation>Ninguna serie este día. Añada una, y se contará hacia atrás qué debe empezar y cuándo.</translation>
    </message>
    <message>
        <source>%1, %2 min</source>
        <translation>%1, %2 min</translation>
    </message>
    <message>
        <source>Runs</source>
        <translation>Series</translation>
    </message>
    <message>
        <source>Can wait for %1.</source>
        <translation>Puede esperar %1.</translation>
    </message>
</context>
<context>
    <name>solarchon::app::DayView</name>
    <message>
        <source>Sky</source>
        <translation>Cielo</translation>
    </message>
    <message>
        <source>Plan</source>
        <translation>Plan</translation>
    </message>
    <message>
        <source>Ready</source>
        <translation>Listo</translation>
    </message>
    <message>
        <source>Year</source>
        <translation>Año</translation>
    </message>
    <message>
        <source>The Sun&apos;s path over your horizon</source>
        <translation>El camino del Sol sobre su horizonte</translation>
    </message>
    <message>
        <source>Runs, and what must start when</source>
        <translation>Las series, y qué debe empezar cuándo</translation>
    </message>
    <message>
        <source>Power, disk, and what is to be done before the day</source>
        <translation>Energía, disco, y lo que hay que hacer antes del día</translation>
    </message>
    <message>
        <source>The year at a glance, and the best windows to come</source>
        <translation>El año de un vistazo, y las mejores ventanas por venir</translation>
    </message>
    <message>
        <source>The Sun is below the horizon</source>
        <translation>El Sol está bajo el horizonte</translation>
    </message>
    <message>
        <source>Something stands in the way of the plan</source>
        <translation>Algo se interpone en el plan</translation>
    </message>
    <message>
        <source>%1, %2</source>
        <translation>%1, %2</translation>
    </message>
</context>
<context>
    <name>solarchon::app::DiscChart</name>
    <message>
        <source>Measured disc</source>
        <translation>Disco medido</translation>
    </message>
    <message>
        <source>10 Earths</source>
        <translation>10 Tierras</translation>
    </message>
    <message>
        <source>Nothing to measure yet.
Take a frame in Capture, or drop a FITS, PNG or TIFF picture here.</source>
        <translation>Nada que medir todavía.
Haga una toma en Captura, o suelte aquí una imagen FITS, PNG o TIFF.</translation>
    </message>
    <message>
        <source>%1 · false colour</source>
        <translation>%1 · falso color</translation>
    </message>
</context>
<context>
    <name>solarchon::app::DriftPage</name>
    <message>
        <source>%1″ north</source>
        <translation>%1″ norte</translation>
    </message>
    <message>
        <source>%1″ south</source>
        <translation>%1″ sur</translation>
    </message>
    <message>
        <source>%1″ west</source>
        <translation>%1″ oeste</translation>
    </message>
    <message>
        <source>%1″ east</source>
        <translation>%1″ este</translation>
    </message>
    <message>
        <source>%1, %2 min: %3</source>
        <translation>%1, %2 min: %3</translation>
    </message>
    <message>
        <source>Seen where</source>
        <translation>Visto dónde</translation>
    </message>
    <message>
        <source>In the picture</source>
        <translation>En la imagen</translation>
    </message>
    <message>
        <source>On the circles</source>
        <translation>En los círculos</translation>
    </message>
    <message>
        <source>The camera&apos;s angle and the mirrors of the light path are taken into account</source>
        <translation>Se cuentan el ángulo de la cámara y los espejos del camino óptico</translation>
    </message>
    <message>
        <source>Measured in</source>
        <translation>Medido en</translation>
    </message>
    <message>
        <source>arcseconds</source>
        <translation>segundos de arco</translation>
    </message>
    <message>
        <source>pixels</source>
        <translation>píxeles</translation>
    </message>
    <message>
        <source>Sun&apos;s diameters</source>
        <translation>diámetros del Sol</translation>
    </message>
    <message>
        <source>To the right</source>
        <translation>A la derecha</translation>
    </message>
    <message>
        <source>Negative: to the left</source>
        <translation>Negativo: a la izquierda</translation>
    </message>
    <message>
        <source>Up</source>
        <translation>Arriba</translation>
    </message>
    <message>
        <source>Negative: down</source>
        <translation>Negativo: abajo</translation>
    </message>
    <message>
        <source>West</source>
        <translation>Oeste</translation>
    </message>
    <message>
        <source>Negative: east. May be left empty</source>
        <translation>Negativo: este. Puede quedar vacío</translation>
    </message>
    <message>
        <source>North</source>
        <translation>Norte</translation>
    </message>
    <message>
        <source>Negative: south. May be left empty</source>
        <translation>Negativo: sur. Puede quedar vacío</translation>
    </message>
    <message>
        <source>In a run of</source>
        <translation>En una serie de</translation>
    </message>
    <message>
        <source>min</source>
        <translation>min</translation>
    </message>
    <message>
        <source>That ended just now; or time it with the button</source>
        <translation>Que acaba de terminar; o cronométrela con el botón</translation>
    </message>
    <message>
        <source>Begin a run</source>
        <translation>Empezar serie</translation>
    </message>
    <message>
        <source>Add the run</source>
        <translation>Añadir la serie</translation>
    </message>
    <message>
        <source>Rate of the mount</source>
        <translation>Velocidad de la montura</translation>
    </message>
    <message>
        <source>Mount at the Sun&apos;s rate</source>
        <translation>Montura a velocidad solar</translation>
    </message>
    <message>
        <source>Mount at the stars&apos; rate</source>
        <translation>Montura a velocidad sidérea</translation>
    </message>
    <message>
        <source>Change the rate</source>
        <translation>Cambiar la velocidad</translation>
    </message>
    <message>
        <source>Drift runs</source>
        <translation>Series de deriva</translation>
    </message>
    <message>
        <source>Delete takes the chosen run away</source>
        <translation>Supr quita la serie elegida</translation>
    </message>
    <message>
        <source>not known</source>
        <translation>no se sabe</translation>
    </message>
    <message>
        <source>How far one turn of the knob moves the axis; then turns are shown</source>
        <translation>Cuánto mueve el eje una vuelta del mando; entonces se muestran vueltas</translation>
    </message>
    <message>
        <source>Change a knob</source>
        <translation>Cambiar un mando</translation>
    </message>
    <message>
        <source>A turn of the altitude knob</source>
        <translation>Una vuelta del mando de altura</translation>
    </message>
    <message>
        <source>A turn of the azimuth knob</source>
        <translation>Una vuelta del mando de acimut</translation>
    </message>
    <message>
        <source>End the run</source>
        <translation>Terminar serie</translation>
    </message>
    <message>
        <source>%1 runs are enough: take old ones away first</source>
        <translation>Bastan %1 series: quite antes las viejas</translation>
    </message>
    <message>
        <source>Add a drift run</source>
        <translation>Añadir una serie de deriva</translation>
    </message>
    <message>
        <source>Take a drift run away</source>
        <translation>Quitar una serie de deriva</translation>
    </message>
    <message>
        <source>Let the Sun drift, and enter what it did.</source>
        <translation>Deje derivar el Sol y anote lo que hizo.</translation>
    </message>
    <message>
        <source>Good to %1′ in altitude and %2′ in azimuth.</source>
        <translation>Bueno a %1′ en altura y %2′ en acimut.</translation>
    </message>
    <message>
        <source>Centre the Sun, note where its edge or a spot stands, wait five minutes with the mount driven. Two runs hours apart tell both errors.</source>
        <translation>Centre el Sol, anote dónde está su borde o una mancha y espere cinco minutos con la montura en marcha. Dos series separadas horas dan ambos errores.</translation>
    </message>
    <message>
        <source>One more run near %1 would tell most.</source>
        <translation>Otra serie hacia las %1 diría lo máximo.</translation>
    </message>
    <message>
        <source>Drift as it stands</source>
        <translation>Deriva tal como está</translation>
    </message>
    <message>
        <source>Drift on a true axis</source>
        <translation>Deriva con el eje exacto</translation>
    </message>
    <message>
        <source>%1″/min</source>
        <translation>%1″/min</translation>
    </message>
    <message>
        <source>At this hour, the Sun&apos;s own way among it</source>
        <translation>A esta hora, contando el movimiento propio del Sol</translation>
    </message>
    <message>
        <source>In the field for</source>
        <translation>En el campo durante</translation>
    </message>
    <message>
        <source>%1 min</source>
        <translation>%1 min</translation>
    </message>
    <message>
        <source>Until the limb of a centred Sun leaves it</source>
        <translation>Hasta que salga el limbo de un Sol centrado</translation>
    </message>
    <message>
        <source>Longest clip</source>
        <translation>Vídeo más largo</translation>
    </message>
    <message>
        <source>%1 s</source>
        <translation>%1 s</translation>
    </message>
    <message>
        <source>Until the drift blurs half of the finest detail that can be had</source>
        <translation>Hasta que la deriva emborrone la mitad del detalle más fino posible</translation>
    </message>
    <message>
        <source>The mount follows nothing: let it follow the Sun first</source>
        <translation>La montura no sigue nada: haga primero que siga al Sol</translation>
    </message>
    <message>
        <source>Begin anew after turning the knobs</source>
        <translation>Empezar de nuevo tras girar los mandos</translation>
    </message>
    <message>
        <source>Turn the stand-in’s knobs so</source>
        <translation>Girar así los mandos de la simulada</translation>
    </message>
    <message>
        <source>The knobs are turned</source>
        <translation>Los mandos están girados</translation>
    </message>
    <message>
        <source>The runs are put away, since they tell of the axis as it was; undo brings them back</source>
        <translation>Las series se retiran, pues hablan del eje tal como estaba; deshacer las devuelve</translation>
    </message>
    <message>
        <source>From frames…</source>
        <translation>De imágenes…</translation>
    </message>
    <message>
        <source>Pictures of the drifting Sun, with their times, are measured and added as a run; they can be dropped here too. The camera must not have been turned since</source>
        <translation>Imágenes del Sol a la deriva, con sus horas, se miden y se añaden como una serie; también pueden soltarse aquí. La cámara no debe haberse girado desde entonces</translation>
    </message>
    <message>
        <source>Stop</source>
        <translation>Parar</translation>
    </message>
    <message>
        <source>Stop (%1 %)</source>
        <translation>Parar (%1 %)</translation>
    </message>
    <message>
        <source>Frames of a drifting Sun</source>
        <translation>Imágenes de un Sol a la deriva</translation>
    </message>
    <message>
        <source>Other frames are being measured; stop that first.</source>
        <translation>Ya se están midiendo otras imágenes; pare eso primero.</translation>
    </message>
</context>
<context>
    <name>solarchon::app::DuskPage</name>
    <message>
        <source>Lens at f/</source>
        <translation>Objetivo a f/</translation>
    </message>
    <message>
        <source>Lowest ISO</source>
        <translation>ISO más bajo</translation>
    </message>
    <message>
        <source>Highest ISO</source>
        <translation>ISO más alto</translation>
    </message>
    <message>
        <source>Longest shutter</source>
        <translation>Obturación más larga</translation>
    </message>
    <message>
        <source>A frame every</source>
        <translation>Una toma cada</translation>
    </message>
    <message>
        <source>Copy the list</source>
        <translation>Copiar la lista</translation>
    </message>
    <message>
        <source>A wide lens, without a filter</source>
        <translation>Un gran angular, sin filtro</translation>
    </message>
    <message>
        <source>Sunset</source>
        <translation>Puesta del Sol</translation>
    </message>
    <message>
        <source>Sunrise</source>
        <translation>Salida del Sol</translation>
    </message>
    <message>
        <source>Sunset or sunrise</source>
        <translation>Puesta o salida del Sol</translation>
    </message>
    <message>
        <source>Time, shutter and ISO, a line for each five minutes</source>
        <translation>Hora, obturación e ISO, una línea cada cinco minutos</translation>
    </message>
    <message>
        <source>Even a low Sun can hurt an eye at an optical finder and, through a long lens, the shutter: frame by the screen, cover the lens between frames while the Sun is high, and follow the maker&apos;s advice.</source>
        <translation>Incluso un Sol bajo puede dañar el ojo en un visor óptico y, con un objetivo largo, el obturador: encuadre con la pantalla, tape el objetivo entre tomas mientras el Sol esté alto y siga los consejos del fabricante.</translation>
    </message>
    <message>
        <source>Clear air, a stop under what a meter for incident light says; clouds take up to four.</source>
        <translation>Aire limpio, un paso menos de lo que dice un fotómetro de luz incidente; las nubes quitan hasta cuatro.</translation>
    </message>
    <message>
        <source>Sets at</source>
        <translation>Se pone a las</translation>
    </message>
    <message>
        <source>Rises at</source>
        <translation>Sale a las</translation>
    </message>
    <message>
        <source>Frames</source>
        <translation>Tomas</translation>
    </message>
    <message>
        <source>Shown at 25 a second</source>
        <translation>A 25 por segundo dura</translation>
    </message>
    <message>
        <source>%1 s</source>
        <translation>%1 s</translation>
    </message>
    <message>
        <source>Stops in all</source>
        <translation>Pasos en total</translation>
    </message>
    <message>
        <source>Time	Shutter	ISO</source>
        <translation>Hora	Obturación	ISO</translation>
    </message>
</context>
<context>
    <name>solarchon::app::DuskPicture</name>
    <message>
        <source>Shutter and ISO while the Sun goes through the horizon</source>
        <translation>Obturación e ISO mientras el Sol cruza el horizonte</translation>
    </message>
    <message>
        <source>%1: %2, ISO %3</source>
        <translation>%1: %2, ISO %3</translation>
    </message>
    <message>
        <source>%1, then %2</source>
        <translation>%1, luego %2</translation>
    </message>
    <message>
        <source>The Sun does not go through the horizon on this day</source>
        <translation>El Sol no cruza el horizonte este día</translation>
    </message>
    <message>
        <source>Shutter</source>
        <translation>Obturación</translation>
    </message>
    <message>
        <source>ISO</source>
        <translation>ISO</translation>
    </message>
    <message>
        <source>%1°</source>
        <translation>%1°</translation>
    </message>
    <message>
        <source>Height of the Sun</source>
        <translation>Altura del Sol</translation>
    </message>
    <message>
        <source>from here it gets darker</source>
        <translation>desde aquí se oscurece</translation>
    </message>
    <message>
        <source>here it is too bright</source>
        <translation>aquí hay demasiada luz</translation>
    </message>
</context>
<context>
    <name>solarchon::app::ErrorReporter</name>
    <message>
        <source>The work ended before it was done: %1</source>
        <translation>El trabajo acabó antes de terminar: %1</translation>
    </message>
</context>
<context>
    <name>solarchon::app::ExposurePage</name>
    <message>
        <source>Target level</source>
        <translation>Nivel deseado</translation>
    </message>
    <message>
        <source>Thin cloud</source>
        <translation>Nube fina</translation>
    </message>
    <message>
        <source>stops</source>
        <translation>pasos</translation>
    </message>
    <message>
        <source>Found right</source>
        <translation>Resultó buena</translation>
    </message>
    <message>
        <source>Keep</source>
        <translation>Guardar</translation>
    </message>
    <message>
        <source>Forget</source>
        <translation>Olvidar</translation>
    </message>
    <message>
        <source>Exposure to start with</source>
        <translation>Exposición para empezar</translation>
    </message>
    <message>
        <source>Every setting at once</source>
        <translation>Todos los ajustes a la vez</translation>
    </message>
    <message>
        <source>In stops from there</source>
        <translation>En pasos desde ahí</translation>
    </message>
    <message>
        <source>Brightest part of the frame against a full pixel</source>
        <translation>La parte más brillante de la toma frente a un píxel lleno</translation>
    </message>
    <message>
        <source>Change target level</source>
        <translation>Cambiar nivel deseado</translation>
    </message>
    <message>
        <source>What thin cloud or haze takes: each stop doubles the exposure</source>
        <translation>Lo que quitan nube fina o calima: cada paso dobla la exposición</translation>
    </message>
    <message>
        <source>What was found right</source>
        <translation>Lo que resultó bueno</translation>
    </message>
    <message>
        <source>The exposure of the disc that came out right with this light path, under a sky as entered here</source>
        <translation>La exposición del disco que salió bien con este camino óptico, bajo un cielo como el indicado aquí</translation>
    </message>
    <message>
        <source>Exposures that were found right</source>
        <translation>Exposiciones que resultaron buenas</translation>
    </message>
    <message>
        <source>Takes the chosen one out of the log</source>
        <translation>Quita del registro la elegida</translation>
    </message>
    <message>
        <source>The shutter&apos;s shortest; %1 would be right. Add density or lengthen the focus.</source>
        <translation>Lo más corto del obturador; lo justo sería %1. Añada densidad o alargue la focal.</translation>
    </message>
    <message>
        <source>The shutter&apos;s longest; %1 would be right.</source>
        <translation>Lo más largo del obturador; lo justo sería %1.</translation>
    </message>
    <message>
        <source>Estimate on the line; the true transmission of this etalon decides</source>
        <translation>Estimación en la línea; decide la transmisión real de este etalón</translation>
    </message>
    <message>
        <source>Estimate within 30 %; clear air, neutral filter</source>
        <translation>Estimación con un 30 % de error; aire limpio, filtro neutro</translation>
    </message>
    <message>
        <source>Stop</source>
        <translation>Parar</translation>
    </message>
    <message>
        <source>Spots</source>
        <translation>Manchas</translation>
    </message>
    <message>
        <source>Penumbrae as bright as the disc was to be; granules are not cut off</source>
        <translation>Penumbras tan brillantes como iba a ser el disco; los gránulos no se cortan</translation>
    </message>
    <message>
        <source>Prominences</source>
        <translation>Protuberancias</translation>
    </message>
    <message>
        <source>Six times the disc, which is then cut off</source>
        <translation>Seis veces la del disco, que entonces se corta</translation>
    </message>
    <message>
        <source>%1, %2</source>
        <translation>%1, %2</translation>
    </message>
    <message>
        <source>Choose a setting to read what comes of it</source>
        <translation>Elija un ajuste para leer qué sale de él</translation>
    </message>
    <message>
        <source>Nothing yet with this light path: keep an exposure that came out right, and the next are predicted from it.</source>
        <translation>Aún nada con este camino óptico: guarde una exposición que saliera bien, y las siguientes se predicen a partir de ella.</translation>
    </message>
    <message numerus="yes">
        <source>This light path wants %1 stops against the formulas (spread %2), from %n exposure(s).</source>
        <translation>
            <numerusform>Este camino óptico pide %1 pasos frente a las fórmulas (dispersión %2), por %n exposición.</numerusform>
            <numerusform>Este camino óptico pide %1 pasos frente a las fórmulas (dispersión %2), por %n exposiciones.</numerusform>
        </translation>
    </message>
    <message>
        <source>%1: %2, predicted %3</source>
        <translation>%1: %2, prevista %3</translation>
    </message>
</context>
<context>
    <name>solarchon::app::ExposureStrip</name>
    <message>
        <source>Exposure in stops</source>
        <translation>Exposición en pasos</translation>
    </message>
    <message>
        <source>No exposure: the Sun is down, or the light path has no camera</source>
        <translation>Sin exposición: el Sol está puesto, o el camino óptico no tiene cámara</translation>
    </message>
    <message>
        <source>0</source>
        <translation>0</translation>
    </message>
    <message>
        <source>full</source>
        <translation>lleno</translation>
    </message>
    <message>
        <source>%1%</source>
        <translation>%1%</translation>
    </message>
</context>
<context>
    <name>solarchon::app::ExposureTable</name>
    <message>
        <source>cut off: %1 stops too bright</source>
        <translation>cortada: %1 pasos de más</translation>
    </message>
    <message>
        <source>nearly full</source>
        <translation>casi llena</translation>
    </message>
    <message>
        <source>dim: %1% of full</source>
        <translation>débil: %1 % de lleno</translation>
    </message>
    <message>
        <source>good: %1% of full</source>
        <translation>buena: %1 % de lleno</translation>
    </message>
    <message>
        <source>1/%1 s</source>
        <translation>1/%1 s</translation>
    </message>
    <message>
        <source>%1 s</source>
        <translation>%1 s</translation>
    </message>
    <message>
        <source>Exposures: sensitivity against shutter</source>
        <translation>Exposiciones: sensibilidad frente a obturador</translation>
    </message>
    <message>
        <source>No exposure: the Sun is down, or the light path has no camera</source>
        <translation>Sin exposición: el Sol está puesto, o el camino óptico no tiene cámara</translation>
    </message>
    <message>
        <source>ISO %1</source>
        <translation>ISO %1</translation>
    </message>
    <message>
        <source>+%1 dB</source>
        <translation>+%1 dB</translation>
    </message>
    <message>
        <source>Framed: usable, with the per cent of full that the disc reaches. Hatched: cut off.</source>
        <translation>Enmarcado: aprovechable, con el tanto por ciento de lleno que alcanza el disco. Rayado: cortado.</translation>
    </message>
    <message>
        <source>%1, %2</source>
        <translation>%1, %2</translation>
    </message>
</context>
<context>
    <name>solarchon::app::EyepiecePicture</name>
    <message>
        <source>What stands in the field</source>
        <translation>Lo que hay en el campo</translation>
    </message>
    <message>
        <source>%1°</source>
        <translation>%1°</translation>
    </message>
    <message>
        <source>%1′</source>
        <translation>%1′</translation>
    </message>
    <message>
        <source>N</source>
        <comment>north in a picture</comment>
        <translation>N</translation>
    </message>
    <message>
        <source>W</source>
        <comment>west in a picture</comment>
        <translation>O</translation>
    </message>
    <message>
        <source>What the telescope sees, once a mount is connected</source>
        <translation>Lo que ve el telescopio, cuando haya una montura conectada</translation>
    </message>
    <message>
        <source>As it was when the mount last answered</source>
        <translation>Como estaba cuando la montura respondió por última vez</translation>
    </message>
    <message>
        <source>Seen by the simulated camera</source>
        <translation>Visto por la cámara simulada</translation>
    </message>
    <message>
        <source>Where the mount believes the Sun; look at the sensor</source>
        <translation>Donde la montura cree que está el Sol; mire el sensor</translation>
    </message>
    <message>
        <source>%1. Field %2′ by %3′</source>
        <translation>%1. Campo %2′ por %3′</translation>
    </message>
    <message>
        <source>%1. Nothing looks or records: drawn %2′ wide</source>
        <translation>%1. Nadie mira ni graba: dibujado con %2′ de ancho</translation>
    </message>
    <message>
        <source>Recorded by the simulated camera, false colour</source>
        <translation>Grabado por la cámara simulada, falso color</translation>
    </message>
</context>
<context>
    <name>solarchon::app::FieldView</name>
    <message>
        <source>Steps</source>
        <translation>Pasos</translation>
    </message>
    <message>
        <source>What to do next, in an order that cannot hurt</source>
        <translation>Qué hacer ahora, en un orden que no puede hacer daño</translation>
    </message>
    <message>
        <source>North</source>
        <translation>Norte</translation>
    </message>
    <message>
        <source>Bring the axis under the pole by day</source>
        <translation>Llevar el eje bajo el polo de día</translation>
    </message>
    <message>
        <source>Find</source>
        <translation>Buscar</translation>
    </message>
    <message>
        <source>Bring the Sun into the field without looking</source>
        <translation>Llevar el Sol al campo sin mirar</translation>
    </message>
    <message>
        <source>This light path must not be turned to the Sun</source>
        <translation>Este camino óptico no debe dirigirse al Sol</translation>
    </message>
    <message>
        <source>The Sun is below the horizon</source>
        <translation>El Sol está bajo el horizonte</translation>
    </message>
    <message>
        <source>Drift</source>
        <translation>Deriva</translation>
    </message>
    <message>
        <source>The axis by the way in which the Sun drifts</source>
        <translation>El eje por la manera en que deriva el Sol</translation>
    </message>
    <message>
        <source>Track</source>
        <translation>Seguir</translation>
    </message>
    <message>
        <source>Where the Sun will wander in the field</source>
        <translation>Por dónde vagará el Sol en el campo</translation>
    </message>
    <message>
        <source>Mount</source>
        <translation>Montura</translation>
    </message>
    <message>
        <source>Drive the mount, or rehearse with one</source>
        <translation>Mover la montura, o ensayar con una</translation>
    </message>
    <message>
        <source>Prepare</source>
        <translation>Preparar</translation>
    </message>
    <message>
        <source>At the table: templates at true scale, and dew</source>
        <translation>En la mesa: plantillas a escala real, y rocío</translation>
    </message>
</context>
<context>
    <name>solarchon::app::FileList</name>
    <message>
        <source>Take out</source>
        <translation>Sacar</translation>
    </message>
    <message>
        <source>What is marked leaves the list; the files stay (Delete)</source>
        <translation>Lo marcado sale de la lista; los archivos quedan (Supr)</translation>
    </message>
    <message>
        <source>FITS, PNG, TIFF or JPEG; you can drop them here too (F8)</source>
        <translation>FITS, PNG, TIFF o JPEG; también puede soltarlas aquí (F8)</translation>
    </message>
</context>
<context>
    <name>solarchon::app::FindPage</name>
    <message>
        <source>Moon</source>
        <translation>Luna</translation>
    </message>
    <message>
        <source>Mercury</source>
        <translation>Mercurio</translation>
    </message>
    <message>
        <source>Venus</source>
        <translation>Venus</translation>
    </message>
    <message>
        <source>Mars</source>
        <translation>Marte</translation>
    </message>
    <message>
        <source>Jupiter</source>
        <translation>Júpiter</translation>
    </message>
    <message>
        <source>Saturn</source>
        <translation>Saturno</translation>
    </message>
    <message>
        <source>%1°</source>
        <translation>%1°</translation>
    </message>
    <message>
        <source>%1 east</source>
        <translation>%1 este</translation>
    </message>
    <message>
        <source>%1 west</source>
        <translation>%1 oeste</translation>
    </message>
    <message>
        <source>%1° west</source>
        <translation>%1° al oeste</translation>
    </message>
    <message>
        <source>%1° east</source>
        <translation>%1° al este</translation>
    </message>
    <message>
        <source>%1° south</source>
        <translation>%1° al sur</translation>
    </message>
    <message>
        <source>%1° north</source>
        <translation>%1° al norte</translation>
    </message>
    <message>
        <source>%1: %2, %3</source>
        <translation>%1: %2, %3</translation>
    </message>
    <message>
        <source>Length of the tube</source>
        <translation>Longitud del tubo</translation>
    </message>
    <message>
        <source>mm</source>
        <translation>mm</translation>
    </message>
    <message>
        <source>From the front edge to where the shadow falls: the longer, the finer. Empty: the usual length of such a telescope</source>
        <translation>Del borde delantero a donde cae la sombra: cuanto más largo, más fino. Vacío: la longitud habitual de un telescopio así</translation>
    </message>
    <message>
        <source>Change the length of the tube</source>
        <translation>Cambiar la longitud del tubo</translation>
    </message>
    <message>
        <source>Circles and scales</source>
        <translation>Círculos y escalas</translation>
    </message>
    <message>
        <source>To type into a hand controller</source>
        <translation>Para teclear en un mando</translation>
    </message>
    <message>
        <source>Copy</source>
        <translation>Copiar</translation>
    </message>
    <message>
        <source>All three on the clipboard, with the time; key C</source>
        <translation>Los tres al portapapeles, con la hora; tecla C</translation>
    </message>
    <message>
        <source>Names to synchronise on</source>
        <translation>Nombres con los que sincronizar</translation>
    </message>
    <message>
        <source>For a controller that refuses the Sun: centre the Sun, and tell it that it sees this body. Never send the tube there: it stands too near the Sun.</source>
        <translation>Para un mando que rechaza el Sol: centre el Sol y dígale que ve este astro. No envíe nunca el tubo allí: está demasiado cerca del Sol.</translation>
    </message>
    <message>
        <source>Sun, %1
of date: RA %2, Dec %3
J2000: RA %4, Dec %5
Az %6, Alt %7</source>
        <translation>Sol, %1
de la fecha: AR %2, Dec %3
J2000: AR %4, Dec %5
Az %6, Alt %7</translation>
    </message>
    <message>
        <source>Nothing to begin with: fit a camera or an eyepiece.</source>
        <translation>Nada con que empezar: ponga una cámara o un ocular.</translation>
    </message>
    <message>
        <source>Make the shadow round: the Sun is then in the field.</source>
        <translation>Haga redonda la sombra: el Sol está entonces en el campo.</translation>
    </message>
    <message>
        <source>The shadow alone will not do: the field is too small.</source>
        <translation>La sombra sola no basta: el campo es demasiado pequeño.</translation>
    </message>
    <message>
        <source>Begin without %1, then put it back.</source>
        <translation>Empiece sin %1 y póngalo después.</translation>
    </message>
    <message>
        <source>Begin without %1, and sweep.</source>
        <translation>Empiece sin %1 y barra.</translation>
    </message>
    <message>
        <source>Begin with %1, centre, then change over.</source>
        <translation>Empiece con %1, centre y luego cambie.</translation>
    </message>
    <message>
        <source>Begin with %1, and sweep.</source>
        <translation>Empiece con %1 y barra.</translation>
    </message>
    <message>
        <source>Stop: this light path must not be turned to the Sun.</source>
        <translation>Alto: este camino óptico no debe dirigirse al Sol.</translation>
    </message>
    <message>
        <source>What speaks against it, and the next safe step, stand in Light path.</source>
        <translation>Lo que habla en contra, y el siguiente paso seguro, están en Camino óptico.</translation>
    </message>
    <message>
        <source>Cap the finder. Stand beside the tube, never behind it. A shadow 2 mm too long is %1′ beside the Sun with this tube.</source>
        <translation>Tape el buscador. Póngase al lado del tubo, nunca detrás. Con este tubo, una sombra 2 mm más larga está a %1′ del Sol.</translation>
    </message>
    <message>
        <source>There is no telescope in the light path.</source>
        <translation>No hay telescopio en el camino óptico.</translation>
    </message>
    <message>
        <source>Declination</source>
        <translation>Declinación</translation>
    </message>
    <message>
        <source>For the declination circle</source>
        <translation>Para el círculo de declinación</translation>
    </message>
    <message>
        <source>Hour angle</source>
        <translation>Ángulo horario</translation>
    </message>
    <message>
        <source>For the hour circle</source>
        <translation>Para el círculo horario</translation>
    </message>
    <message>
        <source>Height</source>
        <translation>Altura</translation>
    </message>
    <message>
        <source>For an inclinometer on the tube</source>
        <translation>Para un inclinómetro sobre el tubo</translation>
    </message>
    <message>
        <source>Azimuth</source>
        <translation>Acimut</translation>
    </message>
    <message>
        <source>From true north through east</source>
        <translation>Desde el norte verdadero por el este</translation>
    </message>
    <message>
        <source>Rough go-to ends within</source>
        <translation>Ir al Sol acierta en</translation>
    </message>
    <message>
        <source>Sweep the hour angle by</source>
        <translation>Barra el ángulo horario</translation>
    </message>
    <message>
        <source>Until light falls through the empty drawtube, %1 wide; then at the declinations %2</source>
        <translation>Hasta que la luz caiga por el portaocular vacío, de %1 de campo; después en las declinaciones %2</translation>
    </message>
    <message>
        <source>Right ascension and declination of date</source>
        <translation>Ascensión recta y declinación de la fecha</translation>
    </message>
    <message>
        <source>The same for J2000</source>
        <translation>Lo mismo para J2000</translation>
    </message>
    <message>
        <source>For controllers that take precession into account themselves</source>
        <translation>Para mandos que cuentan ellos mismos la precesión</translation>
    </message>
    <message>
        <source>%1; drift %2″/min</source>
        <translation>%1; deriva %2″/min</translation>
    </message>
    <message>
        <source>An equatorial mount then drifts by %1″/min.</source>
        <translation>Una montura ecuatorial deriva entonces %1″/min.</translation>
    </message>
    <message>
        <source>not known</source>
        <translation>no se sabe</translation>
    </message>
    <message>
        <source>A Sun seeker sets</source>
        <translation>Un buscador automático pone</translation>
    </message>
    <message>
        <source>%1, %2 too low</source>
        <translation>%1, %2 de menos</translation>
    </message>
    <message>
        <source>%1, %2 too high</source>
        <translation>%1, %2 de más</translation>
    </message>
    <message>
        <source>By simplified formulas: %1° of the error from the declination, %2° from the equation of time, %3° from refraction; its azimuth is off by %4°</source>
        <translation>Por fórmulas simplificadas: %1° del error por la declinación, %2° por la ecuación del tiempo, %3° por la refracción; su acimut yerra en %4°</translation>
    </message>
    <message>
        <source>Polaris</source>
        <translation>Polaris</translation>
    </message>
    <message>
        <source>Sigma Octantis</source>
        <translation>Sigma Octantis</translation>
    </message>
    <message>
        <source>%1 stands %2 from the pole, at RA %3, Dec %4 of date.</source>
        <translation>%1 está a %2 del polo, en AR %3, dec. %4 de la fecha.</translation>
    </message>
    <message>
        <source>Rough start: told it sees</source>
        <translation>Inicio: se le dice que ve</translation>
    </message>
    <message>
        <source>%1, %2 high</source>
        <translation>%1, %2 de altura</translation>
    </message>
    <message>
        <source>Level, tube to azimuth %1 at that height, and synchronise on the name. %2</source>
        <translation>Nivele, tubo al acimut %1 a esa altura, y sincronice con ese nombre. %2</translation>
    </message>
    <message>
        <source>Level, axis to true north or south at the height of the latitude, tube along the axis, and synchronise on the name. %1</source>
        <translation>Nivele, eje al norte o al sur verdadero a la altura de la latitud, tubo a lo largo del eje, y sincronice con ese nombre. %1</translation>
    </message>
    <message>
        <source>Levelled, pointed so, told that it sees that star, sent to the Sun: one standard deviation, with north by a compass. Then centre, and synchronise on the Sun</source>
        <translation>Nivelada, apuntada así, se le dice que ve esa estrella y se envía al Sol: una desviación típica, con el norte por brújula. Después centre y sincronice con el Sol</translation>
    </message>
</context>
<context>
    <name>solarchon::app::FindingsList</name>
    <message>
        <source>Findings</source>
        <translation>Objeciones</translation>
    </message>
</context>
<context>
    <name>solarchon::app::FinishPanel</name>
    <message>
        <source>Noise up to</source>
        <translation>Ruido hasta</translation>
    </message>
    <message>
        <source>σ</source>
        <translation>σ</translation>
    </message>
    <message>
        <source>Flat limb</source>
        <translation>Limbo plano</translation>
    </message>
    <message>
        <source>Takes out how the disc darkens towards its limb</source>
        <translation>Quita el oscurecimiento del disco hacia su limbo</translation>
    </message>
    <message>
        <source>North up</source>
        <translation>Norte arriba</translation>
    </message>
    <message>
        <source>Centres the disc and turns solar north up, by what the picture knows of its orientation</source>
        <translation>Centra el disco y gira el norte solar hacia arriba, según lo que la imagen sabe de su orientación</translation>
    </message>
    <message>
        <source>Caption</source>
        <translation>Leyenda</translation>
    </message>
    <message>
        <source>A strip below what is written: when, with what and in which light, a scale, the Earth, and north</source>
        <translation>Una franja bajo lo que se escribe: cuándo, con qué y en qué luz, una escala, la Tierra y el norte</translation>
    </message>
    <message>
        <source>Disc radius</source>
        <translation>Radio del disco</translation>
    </message>
    <message>
        <source>px</source>
        <translation>px</translation>
    </message>
    <message>
        <source>Open a picture…</source>
        <translation>Abrir una imagen…</translation>
    </message>
    <message>
        <source>Detail, by its size</source>
        <translation>Detalle, por su tamaño</translation>
    </message>
    <message>
        <source>Disc</source>
        <translation>Disco</translation>
    </message>
    <message>
        <source>Colour</source>
        <translation>Color</translation>
    </message>
    <message>
        <source>%1 px</source>
        <translation>%1 px</translation>
    </message>
    <message>
        <source>×</source>
        <translation>×</translation>
    </message>
    <message>
        <source>What detail of about this size is multiplied by, as far as it stands out of the noise; 1 leaves it</source>
        <translation>Por cuánto se multiplica el detalle de este tamaño, en lo que destaca del ruido; 1 lo deja</translation>
    </message>
    <message>
        <source>Detail of %1 px</source>
        <translation>Detalle de %1 px</translation>
    </message>
    <message>
        <source>Detail below so many deviations of the noise is left as it is</source>
        <translation>El detalle por debajo de tantas desviaciones del ruido se deja como está</translation>
    </message>
    <message>
        <source>as is</source>
        <translation>tal cual</translation>
    </message>
    <message>
        <source>Centres the disc and gives it this radius, so that pictures are alike</source>
        <translation>Centra el disco y le da este radio, para que las imágenes sean iguales</translation>
    </message>
    <message>
        <source>A longer exposure of the same disc: what stands out beyond its limb is laid about this one, without a seam</source>
        <translation>Una exposición más larga del mismo disco: lo que sobresale de su limbo se pone alrededor de este, sin costura</translation>
    </message>
    <message>
        <source>Grey</source>
        <translation>Gris</translation>
    </message>
    <message>
        <source>White light</source>
        <translation>Luz blanca</translation>
    </message>
    <message>
        <source>Hydrogen alpha</source>
        <translation>Hidrógeno alfa</translation>
    </message>
    <message>
        <source>Calcium</source>
        <translation>Calcio</translation>
    </message>
    <message>
        <source>As it was taken; the screen shows it tinted all the same</source>
        <translation>Como se tomó; la pantalla la muestra teñida de todos modos</translation>
    </message>
    <message>
        <source>A false colour, which the file and its caption tell</source>
        <translation>Un color falso, que el archivo y su leyenda dicen</translation>
    </message>
    <message>
        <source>Prominences: none</source>
        <translation>Protuberancias: ninguna</translation>
    </message>
    <message>
        <source>Prominences: %1</source>
        <translation>Protuberancias: %1</translation>
    </message>
    <message>
        <source>A product of this program or another: FITS, PNG, TIFF or JPEG (F8)</source>
        <translation>Un producto de este programa o de otro: FITS, PNG, TIFF o JPEG (F8)</translation>
    </message>
</context>
<context>
    <name>solarchon::app::FocusPage</name>
    <message>
        <source>In</source>
        <translation>Adentro</translation>
    </message>
    <message>
        <source>Out</source>
        <translation>Afuera</translation>
    </message>
    <message>
        <source>Drawtube</source>
        <translation>Tubo de enfoque</translation>
    </message>
    <message>
        <source>mm</source>
        <translation>mm</translation>
    </message>
    <message>
        <source>Width of the edge at each place of the focuser</source>
        <translation>Anchura del borde en cada posición del enfocador</translation>
    </message>
    <message>
        <source>By half of the depth of focus</source>
        <translation>La mitad de la profundidad de foco</translation>
    </message>
    <message>
        <source>Pass %1, place %2 of %3.</source>
        <translation>Pasada %1, posición %2 de %3.</translation>
    </message>
    <message>
        <source>Going to the best place, from inside.</source>
        <translation>Va a la mejor posición, desde dentro.</translation>
    </message>
    <message>
        <source>The focuser does not go where it is sent. Is something holding it?</source>
        <translation>El enfocador no va adonde se le manda. ¿Algo lo sujeta?</translation>
    </message>
    <message>
        <source>No place was better than its neighbours. More light, the limb in sight, or a start nearer to focus helps.</source>
        <translation>Ninguna posición fue mejor que sus vecinas. Ayudan más luz, el limbo a la vista o empezar más cerca del foco.</translation>
    </message>
    <message>
        <source>In focus at %1 mm ± %2 µm.</source>
        <translation>Enfocado en %1 mm ± %2 µm.</translation>
    </message>
    <message>
        <source>in</source>
        <translation>adentro</translation>
    </message>
    <message>
        <source>out</source>
        <translation>afuera</translation>
    </message>
    <message>
        <source>A run tries places about this one and goes to the best; it takes about a minute.</source>
        <translation>Una pasada prueba posiciones alrededor de esta y va a la mejor; dura más o menos un minuto.</translation>
    </message>
    <message>
        <source>Width of the edge</source>
        <translation>Anchura del borde</translation>
    </message>
    <message>
        <source>Lack of detail, of the least</source>
        <translation>Falta de detalle, respecto a la menor</translation>
    </message>
    <message>
        <source>No limb in sight</source>
        <translation>Sin limbo a la vista</translation>
    </message>
    <message>
        <source>Stop</source>
        <translation>Parar</translation>
    </message>
    <message>
        <source>Find the focus</source>
        <translation>Buscar el foco</translation>
    </message>
    <message>
        <source>Tries places with the motor and goes to the best (F11)</source>
        <translation>Prueba posiciones con el motor y va a la mejor (F11)</translation>
    </message>
    <message>
        <source>Tube %1.</source>
        <translation>Tubo a %1.</translation>
    </message>
    <message>
        <source>It was %1 when focus was found: look again.</source>
        <translation>Estaba a %1 cuando se halló el foco: búsquelo de nuevo.</translation>
    </message>
    <message>
        <source>Narrowest so far: %1″ at %2 mm.</source>
        <translation>Lo más estrecho hasta ahora: %1″ en %2 mm.</translation>
    </message>
    <message>
        <source>Turn back to it.</source>
        <translation>Vuelva ahí.</translation>
    </message>
    <message>
        <source>No motor</source>
        <translation>Sin motor</translation>
    </message>
    <message>
        <source>Nothing can be turned from here.</source>
        <translation>Desde aquí no se puede girar nada.</translation>
    </message>
</context>
<context>
    <name>solarchon::app::FramePage</name>
    <message>
        <source>Beside the second light path</source>
        <translation>Junto al segundo camino óptico</translation>
    </message>
    <message>
        <source>Seeing today</source>
        <translation>Seeing hoy</translation>
    </message>
    <message>
        <source>Off the line</source>
        <translation>Fuera de la línea</translation>
    </message>
    <message>
        <source>Out of focus</source>
        <translation>Fuera de foco</translation>
    </message>
    <message>
        <source>Cloud</source>
        <translation>Nube</translation>
    </message>
    <message>
        <source>stops</source>
        <translation>pasos</translation>
    </message>
    <message>
        <source>Let the air move</source>
        <translation>Que se mueva el aire</translation>
    </message>
    <message>
        <source>As set</source>
        <translation>Como está</translation>
    </message>
    <message>
        <source>Put it in</source>
        <translation>Ponerla</translation>
    </message>
    <message>
        <source>Shows the light path that lies beside the first in Light path</source>
        <translation>Muestra el camino óptico que está junto al primero en Camino óptico</translation>
    </message>
    <message>
        <source>How far the air smears a point: 1.5 is a fine morning, 4 a car park</source>
        <translation>Cuánto emborrona el aire un punto: 1,5 es una buena mañana, 4 un aparcamiento</translation>
    </message>
    <message>
        <source>Change seeing</source>
        <translation>Cambiar seeing</translation>
    </message>
    <message>
        <source>Passband of the etalon off the line, red positive: filaments fade, spots and the surface come through</source>
        <translation>Banda del etalón fuera de la línea, rojo positivo: los filamentos se apagan, asoman manchas y superficie</translation>
    </message>
    <message>
        <source>How far the sensor stands from the focus</source>
        <translation>A qué distancia del foco está el sensor</translation>
    </message>
    <message>
        <source>Light that thin cloud takes: each stop is half of it</source>
        <translation>Luz que quita la nube fina: cada paso es la mitad</translation>
    </message>
    <message>
        <source>Short exposures one after another, as they come from a camera</source>
        <translation>Exposiciones cortas una tras otra, como llegan de una cámara</translation>
    </message>
    <message>
        <source>On the line, in focus, without cloud</source>
        <translation>En la línea, enfocado, sin nube</translation>
    </message>
    <message>
        <source>What to start with; Exposure has every setting</source>
        <translation>Para empezar; Exposición tiene todos los ajustes</translation>
    </message>
    <message>
        <source>Exposure to start with</source>
        <translation>Exposición para empezar</translation>
    </message>
    <message>
        <source>What limits the detail</source>
        <translation>Qué limita el detalle</translation>
    </message>
    <message>
        <source>Try out</source>
        <translation>Pruebe</translation>
    </message>
    <message>
        <source>Ways to set up, best first</source>
        <translation>Formas de montar, la mejor primero</translation>
    </message>
    <message>
        <source>Ways to set up for this target</source>
        <translation>Formas de montar para este objetivo</translation>
    </message>
    <message>
        <source>Lens</source>
        <translation>Lente</translation>
    </message>
    <message>
        <source>″/px</source>
        <translation>″/px</translation>
    </message>
    <message>
        <source>Detail</source>
        <translation>Detalle</translation>
    </message>
    <message>
        <source>Stops</source>
        <translation>Pasos</translation>
    </message>
    <message>
        <source>Per s</source>
        <translation>Por s</translation>
    </message>
    <message>
        <source>The finest that the picture shows: lens, air and two pixels together</source>
        <translation>Lo más fino que muestra la imagen: lente, aire y dos píxeles juntos</translation>
    </message>
    <message>
        <source>Light in a pixel against the light path as it is</source>
        <translation>Luz en un píxel frente al camino óptico como está</translation>
    </message>
    <message>
        <source>Frames a second, of the part of the sensor that the target needs</source>
        <translation>Tomas por segundo, de la parte del sensor que el objetivo necesita</translation>
    </message>
    <message>
        <source>Puts the lens of the chosen line before the camera; can be undone</source>
        <translation>Pone la lente de la línea elegida ante la cámara; se puede deshacer</translation>
    </message>
    <message>
        <source>Stop</source>
        <translation>Parar</translation>
    </message>
    <message>
        <source>%1 is not seen in white light: choose a hydrogen-alpha light path</source>
        <translation>%1 no se ve en luz blanca: elija un camino óptico de hidrógeno alfa</translation>
    </message>
    <message>
        <source>%1 is not seen in hydrogen alpha: choose a white-light path</source>
        <translation>%1 no se ve en hidrógeno alfa: elija un camino óptico blanca</translation>
    </message>
    <message>
        <source>as it is</source>
        <translation>como está</translation>
    </message>
    <message>
        <source>%1, %2×%2 joined</source>
        <translation>%1, %2×%2 unidos</translation>
    </message>
    <message>
        <source>Field %1′ × %2′, %3 pixels for the finest detail</source>
        <translation>Campo %1′ × %2′, %3 píxeles para el detalle más fino</translation>
    </message>
    <message numerus="yes">
        <source>The target takes %n panel(s)</source>
        <translation>
            <numerusform>El objetivo ocupa %n panel</numerusform>
            <numerusform>El objetivo ocupa %n paneles</numerusform>
        </translation>
    </message>
    <message>
        <source>The focuser does not reach so far</source>
        <translation>El enfocador no llega tan lejos</translation>
    </message>
    <message>
        <source>The safety rules stop this</source>
        <translation>Las reglas de seguridad detienen esto</translation>
    </message>
    <message>
        <source>%1″</source>
        <translation>%1″</translation>
    </message>
    <message>
        <source>Set up for the target</source>
        <translation>Montar para el objetivo</translation>
    </message>
    <message>
        <source>The eyepiece&apos;s round edge is in the picture: a zoom of %1× loses it</source>
        <translation>El borde redondo del ocular sale en la imagen: un zoom de %1× lo quita</translation>
    </message>
    <message>
        <source>without %1</source>
        <translation>sin %1</translation>
    </message>
    <message>
        <source>%1 instead of %2</source>
        <translation>%1 en vez de %2</translation>
    </message>
</context>
<context>
    <name>solarchon::app::GroundPlan</name>
    <message>
        <source>The ground around the mount, from above</source>
        <translation>El suelo alrededor de la montura, desde arriba</translation>
    </message>
    <message>
        <source>axis</source>
        <translation>eje</translation>
    </message>
    <message>
        <source>%1 mm</source>
        <translation>%1 mm</translation>
    </message>
    <message>
        <source>needle</source>
        <translation>aguja</translation>
    </message>
    <message>
        <source>reads %1°</source>
        <translation>marca %1°</translation>
    </message>
    <message>
        <source>shadow %1°</source>
        <translation>sombra %1°</translation>
    </message>
</context>
<context>
    <name>solarchon::app::HangingDisc</name>
    <message>
        <source>The disc as it hangs in the picture</source>
        <translation>El disco como cuelga en la imagen</translation>
    </message>
    <message>
        <source>N</source>
        <translation>N</translation>
    </message>
    <message>
        <source>E</source>
        <translation>E</translation>
    </message>
    <message>
        <source>S</source>
        <translation>S</translation>
    </message>
    <message>
        <source>W</source>
        <translation>O</translation>
    </message>
</context>
<context>
    <name>solarchon::app::Kit</name>
    <message>
        <source>Keep part in kit</source>
        <translation>Guardar pieza en el equipo</translation>
    </message>
    <message>
        <source>Remove part from kit</source>
        <translation>Quitar la pieza del equipo</translation>
    </message>
    <message>
        <source>Add a file to the kit</source>
        <translation>Añadir un archivo al equipo</translation>
    </message>
</context>
<context>
    <name>solarchon::app::KitPage</name>
    <message>
        <source>Have, order or borrow</source>
        <translation>Tener, pedir o prestar</translation>
    </message>
    <message>
        <source>Mend or replace</source>
        <translation>Reparar o cambiar</translation>
    </message>
    <message>
        <source>Look over</source>
        <translation>Revisar</translation>
    </message>
    <message>
        <source>Charge</source>
        <translation>Cargar</translation>
    </message>
    <message>
        <source>Carry more power</source>
        <translation>Llevar más energía</translation>
    </message>
    <message>
        <source>Room on the disk</source>
        <translation>Sitio en el disco</translation>
    </message>
    <message>
        <source>Rehearse with</source>
        <translation>Ensayar con</translation>
    </message>
    <message>
        <source>No run is planned for this day: power and disk are counted once there is one, on the page Plan.</source>
        <translation>No hay ninguna serie prevista para este día: la energía y el disco se cuentan cuando la haya, en la página Plan.</translation>
    </message>
    <message>
        <source>Measure the disk</source>
        <translation>Medir el disco</translation>
    </message>
    <message>
        <source>What is to be done before the day</source>
        <translation>Lo que hay que hacer antes del día</translation>
    </message>
    <message>
        <source>To do</source>
        <translation>Por hacer</translation>
    </message>
    <message>
        <source>What</source>
        <translation>Qué</translation>
    </message>
    <message>
        <source>By</source>
        <translation>Para</translation>
    </message>
    <message>
        <source>Last time</source>
        <translation>Última vez</translation>
    </message>
    <message>
        <source>Writes 256 MB beside your frames, waits until they are on the disk, and removes them</source>
        <translation>Escribe 256 MB junto a sus tomas, espera a que estén en el disco y los borra</translation>
    </message>
    <message>
        <source>Stop measuring</source>
        <translation>Parar la medida</translation>
    </message>
    <message>
        <source>Who draws from which</source>
        <translation>Quién toma de cuál</translation>
    </message>
    <message>
        <source>Supply %1</source>
        <translation>Fuente %1</translation>
    </message>
    <message>
        <source>Name of supply %1</source>
        <translation>Nombre de la fuente %1</translation>
    </message>
    <message>
        <source>Battery</source>
        <translation>Batería</translation>
    </message>
    <message>
        <source>As printed on it; four fifths are counted on. 0: from the mains, or not known</source>
        <translation>Como está impreso en ella; se cuenta con cuatro quintos. 0: de la red, o no se sabe</translation>
    </message>
    <message>
        <source>Spare</source>
        <translation>Reserva</translation>
    </message>
    <message>
        <source>What stands by to replace it</source>
        <translation>Lo que hay listo para cambiarla</translation>
    </message>
    <message>
        <source>Rename supply</source>
        <translation>Renombrar fuente</translation>
    </message>
    <message>
        <source>Change battery</source>
        <translation>Cambiar batería</translation>
    </message>
    <message>
        <source>Change spare battery</source>
        <translation>Cambiar batería de reserva</translation>
    </message>
    <message>
        <source>Supply of: %1</source>
        <translation>Fuente de: %1</translation>
    </message>
    <message>
        <source>1</source>
        <translation>1</translation>
    </message>
    <message>
        <source>2</source>
        <translation>2</translation>
    </message>
    <message>
        <source>As the light path&apos;s etalon says, on the page of its part</source>
        <translation>Como dice el etalón del camino óptico, en la página de su pieza</translation>
    </message>
    <message>
        <source>Change power</source>
        <translation>Cambiar consumo</translation>
    </message>
    <message>
        <source>Change supply</source>
        <translation>Cambiar fuente</translation>
    </message>
    <message>
        <source>empty at %1</source>
        <translation>vacía a las %1</translation>
    </message>
    <message>
        <source>change to the spare at %1</source>
        <translation>cambiar a la reserva a las %1</translation>
    </message>
    <message>
        <source>%1 of %2 Wh</source>
        <translation>%1 de %2 Wh</translation>
    </message>
    <message>
        <source>%1 Wh, no battery said</source>
        <translation>%1 Wh, sin batería indicada</translation>
    </message>
    <message>
        <source>Disk</source>
        <translation>Disco</translation>
    </message>
    <message>
        <source>%1 of %2 GB free</source>
        <translation>%1 de %2 GB libres</translation>
    </message>
    <message>
        <source>Recording speed</source>
        <translation>Velocidad de grabación</translation>
    </message>
    <message>
        <source>fastest run</source>
        <translation>serie más rápida</translation>
    </message>
    <message>
        <source>the disk was not measured yet</source>
        <translation>el disco aún no se ha medido</translation>
    </message>
    <message>
        <source>the disk takes %1 MB/s: fewer frames, or a faster disk</source>
        <translation>el disco admite %1 MB/s: menos tomas, o un disco más rápido</translation>
    </message>
    <message>
        <source>the disk takes %1 MB/s</source>
        <translation>el disco admite %1 MB/s</translation>
    </message>
    <message>
        <source>done</source>
        <translation>hecho</translation>
    </message>
    <message>
        <source>not on record</source>
        <translation>no consta</translation>
    </message>
</context>
<context>
    <name>solarchon::app::Ladder</name>
    <message>
        <source>Limits of detail</source>
        <translation>Límites del detalle</translation>
    </message>
    <message>
        <source>The longest bar is the coarsest link: improving another one gains nothing</source>
        <translation>La barra más larga es el eslabón más basto: mejorar otro no da nada</translation>
    </message>
    <message>
        <source>Needs a telescope and a camera</source>
        <translation>Necesita un telescopio y una cámara</translation>
    </message>
    <message>
        <source>Lens</source>
        <translation>Lente</translation>
    </message>
    <message>
        <source>Two pixels</source>
        <translation>Dos píxeles</translation>
    </message>
    <message>
        <source>Air</source>
        <translation>Aire</translation>
    </message>
    <message>
        <source>The air rules today</source>
        <translation>Hoy manda el aire</translation>
    </message>
    <message>
        <source>The pixels rule: a longer focal length shows more</source>
        <translation>Mandan los píxeles: una focal más larga muestra más</translation>
    </message>
    <message>
        <source>The lens rules: only more aperture shows more</source>
        <translation>Manda la lente: sólo más apertura muestra más</translation>
    </message>
    <message>
        <source>Motion</source>
        <translation>Movimiento</translation>
    </message>
    <message>
        <source>none</source>
        <translation>ninguno</translation>
    </message>
    <message>
        <source>The mount&apos;s motion rules: expose for a shorter time</source>
        <translation>Manda el movimiento de la montura: exponga menos tiempo</translation>
    </message>
</context>
<context>
    <name>solarchon::app::LadderPage</name>
    <message>
        <source>This one is right</source>
        <translation>Esta es la buena</translation>
    </message>
    <message>
        <source>Exposures that were tried</source>
        <translation>Exposiciones probadas</translation>
    </message>
    <message>
        <source>Exposure %1 of %2.</source>
        <translation>Exposición %1 de %2.</translation>
    </message>
    <message>
        <source>The camera does not take the exposures that it is given.</source>
        <translation>La cámara no acepta las exposiciones que se le dan.</translation>
    </message>
    <message>
        <source>Look at each; prominences are right where they stand out and are not full.</source>
        <translation>Mire cada una; las protuberancias están bien donde destacan y no están saturadas.</translation>
    </message>
    <message>
        <source>%1 comes nearest to the level aimed at. Look at each.</source>
        <translation>%1 es la más cercana al nivel buscado. Mire cada una.</translation>
    </message>
    <message>
        <source>All are full: less light, or a shorter shutter, is needed.</source>
        <translation>Todas están saturadas: hace falta menos luz o un obturador más corto.</translation>
    </message>
    <message>
        <source>%1: %2 % of full</source>
        <translation>%1: %2 % del máximo</translation>
    </message>
    <message>
        <source>%1: %2 % of the picture is full</source>
        <translation>%1: saturado el %2 % de la imagen</translation>
    </message>
    <message>
        <source>Seven exposures about the one in force, a stop apart. Then look at them one by one, and say which is right.</source>
        <translation>Siete exposiciones en torno a la vigente, a un paso una de otra. Luego mírelas una a una y diga cuál es la buena.</translation>
    </message>
    <message>
        <source>Nothing here sets the exposure of this source.</source>
        <translation>Nada aquí ajusta la exposición de esta fuente.</translation>
    </message>
    <message>
        <source>Stop</source>
        <translation>Parar</translation>
    </message>
    <message>
        <source>Try exposures</source>
        <translation>Probar</translation>
    </message>
    <message>
        <source>Takes a frame at each exposure and goes back to this one (Shift+F5)</source>
        <translation>Hace una toma con cada exposición y vuelve a esta (Mayús+F5)</translation>
    </message>
    <message>
        <source>Not while cloud dims the Sun: it would teach a wrong exposure</source>
        <translation>No mientras la nube atenúe el Sol: enseñaría una exposición equivocada</translation>
    </message>
    <message>
        <source>Exposes so from now on; the next are predicted from it</source>
        <translation>Expone así desde ahora; las siguientes se predicen a partir de ella</translation>
    </message>
</context>
<context>
    <name>solarchon::app::LightPathView</name>
    <message>
        <source>Remove</source>
        <translation>Eliminar</translation>
    </message>
    <message>
        <source>Path</source>
        <translation>Camino</translation>
    </message>
    <message>
        <source>Start from a usual light path, and your kit&apos;s files</source>
        <translation>Partir de un camino óptico habitual, y los archivos de su equipo</translation>
    </message>
    <message>
        <source>Start from: %1</source>
        <translation>Partir de: %1</translation>
    </message>
    <message>
        <source>Start from a usual path</source>
        <translation>Partir de un camino habitual</translation>
    </message>
    <message>
        <source>Start empty</source>
        <translation>Empezar vacío</translation>
    </message>
    <message>
        <source>My light path</source>
        <translation>Mi camino óptico</translation>
    </message>
    <message>
        <source>Compare with a copy</source>
        <translation>Comparar con una copia</translation>
    </message>
    <message>
        <source>Open beside…</source>
        <translation>Abrir al lado…</translation>
    </message>
    <message>
        <source>Add a file to my kit…</source>
        <translation>Añadir un archivo a mi equipo…</translation>
    </message>
    <message>
        <source>Save my kit as…</source>
        <translation>Guardar mi equipo como…</translation>
    </message>
    <message>
        <source>Name of the light path</source>
        <translation>Nombre del camino óptico</translation>
    </message>
    <message>
        <source>What you call this light path</source>
        <translation>Cómo llama usted a este camino óptico</translation>
    </message>
    <message>
        <source>Add part</source>
        <translation>Añadir</translation>
    </message>
    <message>
        <source>From your kit and the list of generic parts (Ctrl+E)</source>
        <translation>De su equipo y de la lista de piezas genéricas (Ctrl+E)</translation>
    </message>
    <message>
        <source>Lays the part aside without forgetting it, or fits it again (Space)</source>
        <translation>Aparta la pieza sin olvidarla, o la vuelve a poner (Espacio)</translation>
    </message>
    <message>
        <source>Removes the part from this light path (Delete)</source>
        <translation>Elimina la pieza de este camino óptico (Supr)</translation>
    </message>
    <message>
        <source>←</source>
        <translation>←</translation>
    </message>
    <message>
        <source>→</source>
        <translation>→</translation>
    </message>
    <message>
        <source>Move towards the Sun</source>
        <translation>Mover hacia el Sol</translation>
    </message>
    <message>
        <source>Move towards the end</source>
        <translation>Mover hacia el final</translation>
    </message>
    <message>
        <source>Moves the part one place towards the Sun (Ctrl+Left)</source>
        <translation>Mueve la pieza un lugar hacia el Sol (Ctrl+Izquierda)</translation>
    </message>
    <message>
        <source>Moves the part one place towards the end (Ctrl+Right)</source>
        <translation>Mueve la pieza un lugar hacia el final (Ctrl+Derecha)</translation>
    </message>
    <message>
        <source>Swap</source>
        <translation>Cambiar</translation>
    </message>
    <message>
        <source>Takes the lower path into hand; the upper one is laid beneath</source>
        <translation>Toma en mano el camino de abajo; el de arriba pasa debajo</translation>
    </message>
    <message>
        <source>Close</source>
        <translation>Cerrar</translation>
    </message>
    <message>
        <source>Puts the lower path away</source>
        <translation>Aparta el camino de abajo</translation>
    </message>
    <message>
        <source>The chosen part</source>
        <translation>La pieza elegida</translation>
    </message>
    <message>
        <source>Take off</source>
        <translation>Quitar</translation>
    </message>
    <message>
        <source>Put back</source>
        <translation>Reponer</translation>
    </message>
    <message>
        <source>Compared with: %1 (%2)</source>
        <translation>Comparado con: %1 (%2)</translation>
    </message>
    <message>
        <source>Difference</source>
        <translation>Diferencia</translation>
    </message>
    <message>
        <source>none in any figure</source>
        <translation>ninguna en ninguna cifra</translation>
    </message>
    <message>
        <source>Rename light path</source>
        <translation>Renombrar camino óptico</translation>
    </message>
    <message>
        <source>Put part back</source>
        <translation>Reponer pieza</translation>
    </message>
    <message>
        <source>Take part off</source>
        <translation>Quitar pieza</translation>
    </message>
    <message>
        <source>Remove part</source>
        <translation>Eliminar pieza</translation>
    </message>
    <message>
        <source>Move part</source>
        <translation>Mover pieza</translation>
    </message>
    <message>
        <source>Stop comparing</source>
        <translation>Dejar de comparar</translation>
    </message>
    <message>
        <source>Compare</source>
        <translation>Comparar</translation>
    </message>
    <message>
        <source>Swap light paths</source>
        <translation>Cambiar caminos ópticos</translation>
    </message>
    <message>
        <source>Open a light path beside this one</source>
        <translation>Abrir un camino óptico junto a éste</translation>
    </message>
    <message>
        <source>Light paths (*.json)</source>
        <translation>Caminos ópticos (*.json)</translation>
    </message>
    <message>
        <source>Open beside</source>
        <translation>Abrir al lado</translation>
    </message>
    <message>
        <source>Add a file to my kit</source>
        <translation>Añadir un archivo a mi equipo</translation>
    </message>
    <message>
        <source>Parts (*.json)</source>
        <translation>Piezas (*.json)</translation>
    </message>
    <message>
        <source>Save my kit</source>
        <translation>Guardar mi equipo</translation>
    </message>
    <message>
        <source>Open light path</source>
        <translation>Abrir camino óptico</translation>
    </message>
</context>
<context>
    <name>solarchon::app::LiveCamera</name>
    <message>
        <source>found by a run</source>
        <translation>hallado por una pasada</translation>
    </message>
    <message>
        <source>Note the tuning that was found</source>
        <translation>Anotar la sintonía hallada</translation>
    </message>
    <message>
        <source>found by a run, etalon at %1</source>
        <translation>hallado por una pasada, etalón a %1</translation>
    </message>
    <message>
        <source>%1, its heater %2 times quicker</source>
        <translation>%1, con el calefactor %2 veces más rápido</translation>
    </message>
</context>
<context>
    <name>solarchon::app::LivePanel</name>
    <message>
        <source>The clip has come to its end.</source>
        <translation>El vídeo ha llegado a su fin.</translation>
    </message>
    <message>
        <source>The picture is on its way.</source>
        <translation>La imagen está en camino.</translation>
    </message>
    <message>
        <source>A clip.</source>
        <translation>Un vídeo.</translation>
    </message>
    <message>
        <source>What limits it cannot be told without the light path that it was taken with.</source>
        <translation>Qué lo limita no puede decirse sin el camino óptico con que se tomó.</translation>
    </message>
    <message>
        <source>Meters</source>
        <translation>Medidores</translation>
    </message>
    <message>
        <source>What the picture has been like</source>
        <translation>Cómo ha sido la imagen</translation>
    </message>
    <message>
        <source>Focus</source>
        <translation>Foco</translation>
    </message>
    <message>
        <source>Where the edge is drawn narrowest</source>
        <translation>Dónde el borde sale más estrecho</translation>
    </message>
    <message>
        <source>Tuning</source>
        <translation>Sintonía</translation>
    </message>
    <message>
        <source>Where the line is</source>
        <translation>Dónde está la línea</translation>
    </message>
    <message>
        <source>Let the motor find the best place: Focus, or F11.</source>
        <translation>Deje que el motor busque la mejor posición: Foco, o F11.</translation>
    </message>
    <message>
        <source>Let the tuner find the line: Tuning, or F12.</source>
        <translation>Deje que el sintonizador busque la línea: Sintonía, o F12.</translation>
    </message>
    <message>
        <source>The etalon is not on band yet.</source>
        <translation>El etalón aún no está en banda.</translation>
    </message>
    <message>
        <source>It stands still in %1.</source>
        <translation>Se estabiliza en %1.</translation>
    </message>
    <message>
        <source>Wait until it stands still.</source>
        <translation>Espere hasta que se estabilice.</translation>
    </message>
    <message>
        <source>Series</source>
        <translation>Series</translation>
    </message>
    <message>
        <source>Clips that go by themselves</source>
        <translation>Clips que se graban solos</translation>
    </message>
    <message>
        <source>Ladder</source>
        <translation>Escala</translation>
    </message>
    <message>
        <source>Exposures, one after another</source>
        <translation>Exposiciones, una tras otra</translation>
    </message>
    <message>
        <source>The camera rides on the stand-in mount, which does not look at the Sun: see Field.</source>
        <translation>La cámara va sobre la montura simulada, que no mira al Sol: véase Campo.</translation>
    </message>
</context>
<context>
    <name>solarchon::app::LivePlate</name>
    <message>
        <source>The live picture</source>
        <translation>La imagen en vivo</translation>
    </message>
    <message>
        <source>The picture is on its way.</source>
        <translation>La imagen está en camino.</translation>
    </message>
    <message>
        <source>Nothing is looked at.</source>
        <translation>No se mira nada.</translation>
    </message>
    <message>
        <source>simulated camera: %1</source>
        <translation>cámara simulada: %1</translation>
    </message>
    <message>
        <source>held</source>
        <translation>retenida</translation>
    </message>
    <message>
        <source>exposed for prominences</source>
        <translation>expuesta para protuberancias</translation>
    </message>
    <message>
        <source>%1 frames a second</source>
        <translation>%1 imágenes por segundo</translation>
    </message>
    <message>
        <source>false colour</source>
        <translation>color falso</translation>
    </message>
    <message>
        <source>%1″ a minute</source>
        <translation>%1″ por minuto</translation>
    </message>
    <message numerus="yes">
        <source>%n Earth(s)</source>
        <translation>
            <numerusform>%n Tierra</numerusform>
            <numerusform>%n Tierras</numerusform>
        </translation>
    </message>
    <message>
        <source>Click, or use the arrow keys, to set the cross; Delete takes it away</source>
        <translation>Haga clic o use las flechas para poner la cruz; Supr la quita</translation>
    </message>
    <message>
        <source>half of the light</source>
        <translation>la mitad de la luz</translation>
    </message>
    <message>
        <source>dust</source>
        <translation>polvo</translation>
    </message>
    <message>
        <source>exposed %1</source>
        <translation>expuesta %1</translation>
    </message>
    <message>
        <source>sky N</source>
        <translation>N celeste</translation>
    </message>
</context>
<context>
    <name>solarchon::app::Log</name>
    <message numerus="yes">
        <source>%n entries of the log are damaged and left out. The first: %1</source>
        <translation>
            <numerusform>%n entrada del registro está dañada y se omite. La primera: %1</numerusform>
            <numerusform>%n entradas del registro están dañadas y se omiten. La primera: %1</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>solarchon::app::LogView</name>
    <message>
        <source>Sessions</source>
        <translation>Sesiones</translation>
    </message>
    <message>
        <source>Open in Measure</source>
        <translation>Abrir en Medida</translation>
    </message>
    <message>
        <source>Notes</source>
        <translation>Notas</translation>
    </message>
    <message>
        <source>Notes: what worked, what failed, what to try next</source>
        <translation>Notas: qué funcionó, qué falló, qué probar después</translation>
    </message>
    <message>
        <source>The log could not be opened. It was left as it is.</source>
        <translation>No se pudo abrir el registro. Se dejó como está.</translation>
    </message>
    <message>
        <source>%1, %2</source>
        <translation>%1, %2</translation>
    </message>
    <message>
        <source>Light path</source>
        <translation>Camino óptico</translation>
    </message>
    <message>
        <source>Target</source>
        <translation>Objetivo</translation>
    </message>
    <message>
        <source>Seeing</source>
        <translation>Seeing</translation>
    </message>
    <message>
        <source>Use its site and light path again</source>
        <translation>Volver a usar su sitio y su camino óptico</translation>
    </message>
    <message>
        <source>Puts both back as they were that day, in the place of those in use; undo brings these back</source>
        <translation>Pone ambos como estaban ese día, en lugar de los que están en uso; deshacer recupera estos</translation>
    </message>
    <message>
        <source>Use a session’s site and light path</source>
        <translation>Usar el sitio y el camino óptico de una sesión</translation>
    </message>
    <message>
        <source>Steps at the telescope</source>
        <translation>Pasos junto al telescopio</translation>
    </message>
    <message>
        <source>Time</source>
        <translation>Hora</translation>
    </message>
    <message>
        <source>%1 Before its turn.</source>
        <translation>%1 Antes de tiempo.</translation>
    </message>
    <message>
        <source>Frames and clips of the session</source>
        <translation>Tomas y clips de la sesión</translation>
    </message>
    <message>
        <source>The log is empty.
Every frame and clip that you take in Capture is filed here, with its site, light path and measurements.</source>
        <translation>El registro está vacío.
Cada toma y cada clip que haga en Captura se archiva aquí, con su sitio, camino óptico y medidas.</translation>
    </message>
    <message>
        <source>Play in Capture</source>
        <translation>Reproducir en Captura</translation>
    </message>
    <message>
        <source>Made of:</source>
        <translation>Hecho de:</translation>
    </message>
    <message numerus="yes">
        <source>and %n more</source>
        <translation>
            <numerusform>y %n más</numerusform>
            <numerusform>y %n más</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>solarchon::app::MatchView</name>
    <message>
        <source>Needs a telescope and a camera behind it</source>
        <translation>Necesita un telescopio y una cámara detrás</translation>
    </message>
    <message>
        <source>The whole disc does not fit the sensor</source>
        <translation>El disco entero no cabe en el sensor</translation>
    </message>
    <message>
        <source>Frame</source>
        <translation>Encuadre</translation>
    </message>
    <message>
        <source>The Sun on the sensor, and what limits its detail</source>
        <translation>El Sol en el sensor, y qué limita su detalle</translation>
    </message>
    <message>
        <source>Exposure</source>
        <translation>Exposición</translation>
    </message>
    <message>
        <source>How long to expose, and every setting at once</source>
        <translation>Cuánto exponer, y todos los ajustes a la vez</translation>
    </message>
    <message>
        <source>Clip</source>
        <translation>Clip</translation>
    </message>
    <message>
        <source>How long a clip may last, time-lapse, and panels</source>
        <translation>Cuánto puede durar un clip, cámara rápida y paneles</translation>
    </message>
    <message>
        <source>%1, %2</source>
        <translation>%1, %2</translation>
    </message>
    <message>
        <source>Ways</source>
        <translation>Maneras</translation>
    </message>
    <message>
        <source>What each usual light path shows of the target</source>
        <translation>Lo que muestra del objetivo cada camino óptico habitual</translation>
    </message>
    <message>
        <source>Dusk</source>
        <translation>Ocaso</translation>
    </message>
    <message>
        <source>Sunrise and sunset with a wide lens</source>
        <translation>Salida y puesta del Sol con gran angular</translation>
    </message>
    <message>
        <source>Sunset and sunrise with a wide lens</source>
        <translation>Puesta y salida del Sol con gran angular</translation>
    </message>
</context>
<context>
    <name>solarchon::app::MeasureView</name>
    <message>
        <source>Export…</source>
        <translation>Exportar…</translation>
    </message>
    <message>
        <source>Copy table</source>
        <translation>Copiar tabla</translation>
    </message>
    <message>
        <source>Spots</source>
        <translation>Manchas</translation>
    </message>
    <message>
        <source>Open a picture…</source>
        <translation>Abrir una imagen…</translation>
    </message>
    <message>
        <source>Spots as CSV, everything as JSON, the picture as PNG or TIFF</source>
        <translation>Las manchas como CSV, todo como JSON, la imagen como PNG o TIFF</translation>
    </message>
    <message>
        <source>No frame is open.</source>
        <translation>No hay ninguna toma abierta.</translation>
    </message>
    <message>
        <source>No spots were found.</source>
        <translation>No se hallaron manchas.</translation>
    </message>
    <message>
        <source>Positions on the Sun need the time and the way the picture hangs; this file does not say.</source>
        <translation>Las posiciones en el Sol necesitan la hora y cómo cuelga la imagen; este archivo no lo dice.</translation>
    </message>
    <message>
        <source>Centre</source>
        <translation>Centro</translation>
    </message>
    <message>
        <source>%1, %2 px</source>
        <translation>%1, %2 px</translation>
    </message>
    <message>
        <source>Radius</source>
        <translation>Radio</translation>
    </message>
    <message>
        <source>%1 px</source>
        <translation>%1 px</translation>
    </message>
    <message>
        <source>Plate scale</source>
        <translation>Escala de placa</translation>
    </message>
    <message>
        <source>%1″ per pixel</source>
        <translation>%1″ por píxel</translation>
    </message>
    <message>
        <source>From the measured radius and the Sun&apos;s known angle at that time</source>
        <translation>Del radio medido y el ángulo conocido del Sol a esa hora</translation>
    </message>
    <message>
        <source>Limb seen</source>
        <translation>Limbo visto</translation>
    </message>
    <message>
        <source>%1 %</source>
        <translation>%1 %</translation>
    </message>
    <message>
        <source>The disc is saturated: its edge is not to be trusted</source>
        <translation>El disco está saturado: no hay que fiarse de su borde</translation>
    </message>
    <message>
        <source>Share of the limb that lies in the picture</source>
        <translation>Parte del limbo que cae en la imagen</translation>
    </message>
    <message>
        <source>Scatter</source>
        <translation>Dispersión</translation>
    </message>
    <message>
        <source>Of single edge points about the circle</source>
        <translation>De los puntos del borde en torno al círculo</translation>
    </message>
    <message>
        <source>Open a picture</source>
        <translation>Abrir una imagen</translation>
    </message>
    <message>
        <source>Export</source>
        <translation>Exportar</translation>
    </message>
    <message>
        <source>Spots (*.csv);;Measurement (*.json);;Picture (*.png *.tiff)</source>
        <translation>Manchas (*.csv);;Medida (*.json);;Imagen (*.png *.tiff)</translation>
    </message>
    <message>
        <source>Spots are not looked for in hydrogen alpha: what is dark there is gas.</source>
        <translation>En hidrógeno alfa no se buscan manchas: lo oscuro allí es gas.</translation>
    </message>
    <message>
        <source>The disc&apos;s measured size gives the telescope&apos;s true focal length; makers round it, and telescopes that focus with their mirror change it</source>
        <translation>El tamaño medido del disco da la focal verdadera del telescopio; los fabricantes la redondean y los que enfocan con el espejo la cambian</translation>
    </message>
    <message>
        <source>Focal length from the disc</source>
        <translation>Focal según el disco</translation>
    </message>
    <message>
        <source>Set the telescope to %1 mm, as this disc says, not %2 mm</source>
        <translation>Poner el telescopio a %1 mm, como dice este disco, no a %2 mm</translation>
    </message>
    <message>
        <source>FITS, PNG, TIFF or JPEG; you can drop one here too</source>
        <translation>FITS, PNG, TIFF o JPEG; también puede soltar una aquí</translation>
    </message>
    <message>
        <source>Moon</source>
        <translation>Luna</translation>
    </message>
    <message>
        <source>%1 of the diameter, %2 % of the area</source>
        <translation>%1 del diámetro, %2 % del área</translation>
    </message>
    <message>
        <source>How much of the Sun the Moon covers in this picture</source>
        <translation>Qué parte del Sol cubre la Luna en esta imagen</translation>
    </message>
</context>
<context>
    <name>solarchon::app::MeterStrips</name>
    <message>
        <source>Meters over the last two minutes</source>
        <translation>Medidores de los últimos dos minutos</translation>
    </message>
    <message>
        <source>Sharpness</source>
        <translation>Nitidez</translation>
    </message>
    <message>
        <source>Air</source>
        <translation>Aire</translation>
    </message>
    <message>
        <source>not seen yet</source>
        <translation>aún sin ver</translation>
    </message>
    <message>
        <source>Light</source>
        <translation>Luz</translation>
    </message>
    <message>
        <source>%1 % of the best</source>
        <translation>%1 % de la mejor</translation>
    </message>
    <message>
        <source>r₀ %1 cm</source>
        <translation>r₀ %1 cm</translation>
    </message>
    <message>
        <source>%1 stops of cloud</source>
        <translation>%1 pasos de nubes</translation>
    </message>
    <message>
        <source>%1 % of full</source>
        <translation>%1 % del máximo</translation>
    </message>
    <message>
        <source>no cloud seen</source>
        <translation>sin nubes a la vista</translation>
    </message>
    <message>
        <source>Edge</source>
        <translation>Borde</translation>
    </message>
    <message>
        <source>no limb in sight</source>
        <translation>sin limbo a la vista</translation>
    </message>
    <message>
        <source>%1″, best %2″</source>
        <translation>%1″, mejor %2″</translation>
    </message>
    <message>
        <source>Sharpness of each moment against the best of the last two minutes; how narrow the limb is drawn, for the focus; the aperture that the air lets through (Fried&apos;s parameter); light against the level aimed at, and against the clear sky</source>
        <translation>Nitidez de cada momento frente a la mejor de los dos últimos minutos; lo estrecho que se dibuja el limbo, para el foco; la abertura que deja pasar el aire (parámetro de Fried); la luz frente al nivel buscado y frente al cielo despejado</translation>
    </message>
    <message>
        <source>%1 stops over</source>
        <translation>%1 pasos por encima</translation>
    </message>
    <message>
        <source>%1 stops under</source>
        <translation>%1 pasos por debajo</translation>
    </message>
    <message>
        <source>as aimed at</source>
        <translation>como se buscaba</translation>
    </message>
</context>
<context>
    <name>solarchon::app::Mount</name>
    <message>
        <source>The stand-in did not start: %1</source>
        <translation>La montura simulada no arrancó: %1</translation>
    </message>
    <message>
        <source>It will not go there: that is beyond its limits.</source>
        <translation>No va hasta ahí: está fuera de sus límites.</translation>
    </message>
    <message>
        <source>It is held. Stop it, then take it back.</source>
        <translation>Está retenida. Deténgala y llévela de vuelta.</translation>
    </message>
    <message>
        <source>It is parked. Take it out of the park first.</source>
        <translation>Está aparcada. Sáquela primero del aparcamiento.</translation>
    </message>
    <message>
        <source>It cannot go to places by itself. Use the arrows.</source>
        <translation>No puede ir sola a un lugar. Use las flechas.</translation>
    </message>
    <message>
        <source>It has no cell that would find the Sun.</source>
        <translation>No tiene célula que encuentre el Sol.</translation>
    </message>
    <message>
        <source>It has no knobs under its axis.</source>
        <translation>No tiene mandos bajo su eje.</translation>
    </message>
    <message>
        <source>The mount refuses: %1</source>
        <translation>La montura se niega: %1</translation>
    </message>
    <message>
        <source>Mount</source>
        <translation>Montura</translation>
    </message>
    <message>
        <source>This light path must not meet the Sun. Cover the front and say so here; until then nothing turns.</source>
        <translation>Este camino de la luz no debe encontrarse con el Sol. Tape el frente y dígalo aquí; hasta entonces nada se mueve.</translation>
    </message>
    <message>
        <source>It is on its way. Stop it first.</source>
        <translation>Está en camino. Párela antes.</translation>
    </message>
</context>
<context>
    <name>solarchon::app::MountPage</name>
    <message>
        <source>Your mount</source>
        <translation>Su montura</translation>
    </message>
    <message>
        <source>A bridge speaks to it and listens on this computer. How to write one stands in the guide to devices; an example ships.</source>
        <translation>Un puente habla con ella y escucha en este ordenador. Cómo se escribe está en la guía de dispositivos; se incluye un ejemplo.</translation>
    </message>
    <message>
        <source>Connect</source>
        <translation>Conectar</translation>
    </message>
    <message>
        <source>To what listens in this user&apos;s folder for devices</source>
        <translation>Con lo que escucha en la carpeta de dispositivos de este usuario</translation>
    </message>
    <message>
        <source>A rehearsal</source>
        <translation>Un ensayo</translation>
    </message>
    <message>
        <source>A mount that is played: its axis stands beside the pole, its gears have play, and a simulated camera sees the Sun.</source>
        <translation>Una montura simulada: su eje está junto al polo, sus engranajes tienen juego y una cámara simulada ve el Sol.</translation>
    </message>
    <message>
        <source>Mount to be played</source>
        <translation>Montura que se simula</translation>
    </message>
    <message>
        <source>Equatorial, goes to places</source>
        <translation>Ecuatorial, va sola a un lugar</translation>
    </message>
    <message>
        <source>Alt-azimuth, goes to places</source>
        <translation>Altacimutal, va sola a un lugar</translation>
    </message>
    <message>
        <source>Tracker with one driven axis</source>
        <translation>Seguidor con un eje motorizado</translation>
    </message>
    <message>
        <source>Sun seeker with its cell</source>
        <translation>Buscador del Sol con su célula</translation>
    </message>
    <message>
        <source>Rehearse</source>
        <translation>Ensayar</translation>
    </message>
    <message>
        <source>Starts it as a process of its own, at your site</source>
        <translation>La arranca como proceso propio, en su lugar</translation>
    </message>
    <message>
        <source>The front is covered</source>
        <translation>El frente está tapado</translation>
    </message>
    <message>
        <source>Nothing gets in: a cap, or the filter&apos;s own lid. Forgotten as soon as a step opens the telescope</source>
        <translation>No entra nada: una tapa, o la del propio filtro. Se olvida en cuanto un paso abre el telescopio</translation>
    </message>
    <message>
        <source>Arrows at %1</source>
        <translation>Flechas a %1</translation>
    </message>
    <message>
        <source>%1; key %2 on the arrows</source>
        <translation>%1; tecla %2 en las flechas</translation>
    </message>
    <message>
        <source>7.5″/s</source>
        <translation>7,5″/s</translation>
    </message>
    <message>
        <source>To centre at high power</source>
        <translation>Para centrar con mucho aumento</translation>
    </message>
    <message>
        <source>2′/s</source>
        <translation>2′/s</translation>
    </message>
    <message>
        <source>To centre</source>
        <translation>Para centrar</translation>
    </message>
    <message>
        <source>0.5°/s</source>
        <translation>0,5°/s</translation>
    </message>
    <message>
        <source>To look for it</source>
        <translation>Para buscarlo</translation>
    </message>
    <message>
        <source>3°/s</source>
        <translation>3°/s</translation>
    </message>
    <message>
        <source>Across the sky</source>
        <translation>De un lado a otro del cielo</translation>
    </message>
    <message>
        <source>Go to the Sun</source>
        <translation>Ir al Sol</translation>
    </message>
    <message>
        <source>It looks at the Sun</source>
        <translation>Está mirando al Sol</translation>
    </message>
    <message>
        <source>Centre the Sun on the sensor, then tell the mount so: it synchronises</source>
        <translation>Centre el Sol en el sensor y dígaselo a la montura: se sincroniza</translation>
    </message>
    <message>
        <source>Leave it</source>
        <translation>Dejarla</translation>
    </message>
    <message>
        <source>The program lets go of the mount; a rehearsal ends</source>
        <translation>El programa suelta la montura; un ensayo termina</translation>
    </message>
    <message>
        <source>Still</source>
        <translation>Quieta</translation>
    </message>
    <message>
        <source>The mount follows nothing</source>
        <translation>La montura no sigue nada</translation>
    </message>
    <message>
        <source>Stars</source>
        <translation>Estrellas</translation>
    </message>
    <message>
        <source>The mount follows the stars</source>
        <translation>La montura sigue las estrellas</translation>
    </message>
    <message>
        <source>Sun</source>
        <translation>Sol</translation>
    </message>
    <message>
        <source>The mount follows the Sun</source>
        <translation>La montura sigue al Sol</translation>
    </message>
    <message>
        <source>%1°</source>
        <translation>%1°</translation>
    </message>
    <message>
        <source>%1′</source>
        <translation>%1′</translation>
    </message>
    <message>
        <source>The Sun stands %1 from the middle of the field.</source>
        <translation>El Sol está a %1 del centro del campo.</translation>
    </message>
    <message>
        <source>It believes the Sun %1 from the middle; only the sensor tells.</source>
        <translation>Cree que el Sol está a %1 del centro; solo el sensor lo dice.</translation>
    </message>
    <message>
        <source>No mount is connected.</source>
        <translation>No hay ninguna montura conectada.</translation>
    </message>
    <message>
        <source>The mount does not answer.</source>
        <translation>La montura no responde.</translation>
    </message>
    <message>
        <source>Looking for a mount.</source>
        <translation>Buscando una montura.</translation>
    </message>
    <message>
        <source>It goes. Escape stops it.</source>
        <translation>Va en camino. Escape la detiene.</translation>
    </message>
    <message>
        <source>It moves as long as an arrow is held.</source>
        <translation>Se mueve mientras se mantenga una flecha.</translation>
    </message>
    <message>
        <source>It is parked.</source>
        <translation>Está aparcada.</translation>
    </message>
    <message>
        <source>It is held: at a limit, or by a cable. Look, then stop it and take it back.</source>
        <translation>Está retenida: en un límite o por un cable. Mire, deténgala y llévela de vuelta.</translation>
    </message>
    <message>
        <source>It follows the Sun.</source>
        <translation>Sigue al Sol.</translation>
    </message>
    <message>
        <source>It follows the stars: the Sun drifts slowly.</source>
        <translation>Sigue las estrellas: el Sol deriva despacio.</translation>
    </message>
    <message>
        <source>It stands still: the Sun runs through the field.</source>
        <translation>Está quieta: el Sol cruza el campo.</translation>
    </message>
    <message>
        <source>Connect one, or rehearse with one that is played.</source>
        <translation>Conecte una, o ensaye con una simulada.</translation>
    </message>
    <message>
        <source>It is tried again and again; all you entered is kept.</source>
        <translation>Se intenta una y otra vez; todo lo que introdujo se conserva.</translation>
    </message>
    <message>
        <source>If it moves, stop it at the mount itself.</source>
        <translation>Si se mueve, deténgala en la propia montura.</translation>
    </message>
    <message>
        <source>Its clock is %1 s %2: set it, or it goes %3° beside the Sun.</source>
        <translation>Su reloj va %1 s %2: ajústelo, o irá %3° al lado del Sol.</translation>
    </message>
    <message>
        <source>fast</source>
        <translation>adelantado</translation>
    </message>
    <message>
        <source>slow</source>
        <translation>atrasado</translation>
    </message>
    <message>
        <source>Its account does not fit: its place is set wrong, or it lies by %1°. Believe only the sensor.</source>
        <translation>Lo que dice no cuadra: su lugar está mal puesto, o se equivoca en %1°. Crea solo al sensor.</translation>
    </message>
    <message>
        <source>The mount does not answer</source>
        <translation>La montura no responde</translation>
    </message>
    <message>
        <source>Higher</source>
        <translation>Más alto</translation>
    </message>
    <message>
        <source>Lower</source>
        <translation>Más bajo</translation>
    </message>
    <message>
        <source>Left</source>
        <translation>Izquierda</translation>
    </message>
    <message>
        <source>Right</source>
        <translation>Derecha</translation>
    </message>
    <message>
        <source>South</source>
        <translation>Sur</translation>
    </message>
    <message>
        <source>North</source>
        <translation>Norte</translation>
    </message>
    <message>
        <source>West</source>
        <translation>Oeste</translation>
    </message>
    <message>
        <source>East</source>
        <translation>Este</translation>
    </message>
    <message>
        <source>Let it find the Sun</source>
        <translation>Que encuentre el Sol</translation>
    </message>
    <message>
        <source>This mount goes nowhere by itself: use the arrows</source>
        <translation>Esta montura no va sola a ningún lugar: use las flechas</translation>
    </message>
    <message>
        <source>It sets the height by the clock, pans and looks with its cell</source>
        <translation>Pone la altura según el reloj, gira y mira con su célula</translation>
    </message>
    <message>
        <source>To where the Sun stands now, of date. Stand aside</source>
        <translation>A donde está el Sol ahora, de la fecha. Apártese</translation>
    </message>
    <message>
        <source>Take out of the park</source>
        <translation>Desaparcar</translation>
    </message>
    <message>
        <source>Park</source>
        <translation>Aparcar</translation>
    </message>
    <message>
        <source>It takes commands again</source>
        <translation>Vuelve a aceptar órdenes</translation>
    </message>
    <message>
        <source>It takes no other command then</source>
        <translation>Entonces no acepta otra orden</translation>
    </message>
    <message>
        <source>Azimuth, it says</source>
        <translation>Acimut, según ella</translation>
    </message>
    <message>
        <source>Altitude, it says</source>
        <translation>Altura, según ella</translation>
    </message>
    <message>
        <source>Right ascension</source>
        <translation>Ascensión recta</translation>
    </message>
    <message>
        <source>Of date</source>
        <translation>De la fecha</translation>
    </message>
    <message>
        <source>Declination</source>
        <translation>Declinación</translation>
    </message>
</context>
<context>
    <name>solarchon::app::MovesPicture</name>
    <message>
        <source>How the exposure moves with focal ratio, filter, Sun height and cloud</source>
        <translation>Cómo cambia la exposición con la relación focal, el filtro, la altura del Sol y las nubes</translation>
    </message>
    <message>
        <source>Focal ratio</source>
        <translation>Relación focal</translation>
    </message>
    <message>
        <source>f/%1</source>
        <translation>f/%1</translation>
    </message>
    <message>
        <source>Filter</source>
        <translation>Filtro</translation>
    </message>
    <message>
        <source>OD %1</source>
        <translation>OD %1</translation>
    </message>
    <message>
        <source>Sun height</source>
        <translation>Altura solar</translation>
    </message>
    <message>
        <source>%1°</source>
        <translation>%1°</translation>
    </message>
    <message>
        <source>Cloud</source>
        <translation>Nubes</translation>
    </message>
    <message>
        <source>none</source>
        <translation>ninguna</translation>
    </message>
    <message>
        <source>now</source>
        <translation>ahora</translation>
    </message>
    <message>
        <source>stops</source>
        <translation>pasos</translation>
    </message>
    <message>
        <source>under OD 5.0 for cameras only</source>
        <translation>bajo OD 5,0 solo para cámaras</translation>
    </message>
</context>
<context>
    <name>solarchon::app::Movie</name>
    <message>
        <source>Pictures of the movie</source>
        <translation>Imágenes de la película</translation>
    </message>
    <message>
        <source>How the movie is made</source>
        <translation>Cómo se hace la película</translation>
    </message>
    <message>
        <source>Date in the pictures</source>
        <translation>Fecha en las imágenes</translation>
    </message>
</context>
<context>
    <name>solarchon::app::MoviePanel</name>
    <message>
        <source>Pictures of the movie</source>
        <translation>Imágenes de la película</translation>
    </message>
    <message>
        <source>Add pictures…</source>
        <translation>Añadir imágenes…</translation>
    </message>
    <message>
        <source>Take the kept pictures</source>
        <translation>Tomar las imágenes guardadas</translation>
    </message>
    <message>
        <source>North up</source>
        <translation>Norte arriba</translation>
    </message>
    <message>
        <source>Each disc is turned with solar north up, by its own orientation: days of other camera angles do not jump</source>
        <translation>Cada disco se gira con el norte solar arriba, por su propia orientación: días con otro ángulo de cámara no saltan</translation>
    </message>
    <message>
        <source>Still surface</source>
        <translation>Sin rotación</translation>
    </message>
    <message>
        <source>Takes the rotation out, each latitude by its own rate: what changes is left</source>
        <translation>Quita la rotación, cada latitud con su ritmo: queda lo que cambia</translation>
    </message>
    <message>
        <source>Even light</source>
        <translation>Luz igual</translation>
    </message>
    <message>
        <source>The disc is equally bright in all pictures</source>
        <translation>El disco brilla igual en todas las imágenes</translation>
    </message>
    <message>
        <source>And back</source>
        <translation>Ida y vuelta</translation>
    </message>
    <message>
        <source>Forward, and back again</source>
        <translation>Hacia delante y de vuelta</translation>
    </message>
    <message>
        <source>Date</source>
        <translation>Fecha</translation>
    </message>
    <message>
        <source>Date and time in each picture</source>
        <translation>Fecha y hora en cada imagen</translation>
    </message>
    <message>
        <source>Colour</source>
        <translation>Color</translation>
    </message>
    <message>
        <source>A false colour: red-orange where the pictures say hydrogen alpha, else yellow-orange</source>
        <translation>Un color falso: rojo anaranjado donde las imágenes dicen hidrógeno alfa, si no amarillo anaranjado</translation>
    </message>
    <message>
        <source>Pictures in between</source>
        <translation>Imágenes intermedias</translation>
    </message>
    <message>
        <source>Pictures a second</source>
        <translation>Imágenes por segundo</translation>
    </message>
    <message>
        <source>All pictures that are kept below the data folder</source>
        <translation>Todas las imágenes guardadas bajo la carpeta de datos</translation>
    </message>
    <message>
        <source>By its limb: centred and equally large in all</source>
        <translation>Por su limbo: centrado e igual de grande en todas</translation>
    </message>
    <message>
        <source>Detail</source>
        <translation>Detalle</translation>
    </message>
    <message>
        <source>By what the pictures show: a prominence, a spot</source>
        <translation>Por lo que muestran las imágenes: una protuberancia, una mancha</translation>
    </message>
    <message>
        <source>Nothing</source>
        <translation>Nada</translation>
    </message>
    <message>
        <source>As they were taken</source>
        <translation>Como se tomaron</translation>
    </message>
    <message>
        <source>Pictures worked out between every two: the surface goes on with its rotation</source>
        <translation>Imágenes calculadas entre cada dos: la superficie sigue con su rotación</translation>
    </message>
    <message>
        <source>How fast it plays</source>
        <translation>A qué ritmo se ve</translation>
    </message>
    <message>
        <source>Progress</source>
        <translation>Progreso</translation>
    </message>
    <message>
        <source>Written: %1</source>
        <translation>Escrito: %1</translation>
    </message>
    <message>
        <source>Every picture is looked at.</source>
        <translation>Se mira cada imagen.</translation>
    </message>
    <message numerus="yes">
        <source>%n picture(s)</source>
        <translation>
            <numerusform>%n imagen</numerusform>
            <numerusform>%n imágenes</numerusform>
        </translation>
    </message>
    <message>
        <source>%1 s</source>
        <translation>%1 s</translation>
    </message>
    <message numerus="yes">
        <source>%n left out</source>
        <translation>
            <numerusform>%n fuera</numerusform>
            <numerusform>%n fuera</numerusform>
        </translation>
    </message>
    <message>
        <source>Stop</source>
        <translation>Alto</translation>
    </message>
    <message>
        <source>Write the movie…</source>
        <translation>Escribir la película…</translation>
    </message>
    <message>
        <source>Nothing is written (F9)</source>
        <translation>No se escribe nada (F9)</translation>
    </message>
    <message>
        <source>.mkv without loss, .mp4 for all players (F9)</source>
        <translation>.mkv sin pérdida, .mp4 para todos los reproductores (F9)</translation>
    </message>
    <message>
        <source>What stands still from picture to picture</source>
        <translation>Lo que queda fijo de imagen a imagen</translation>
    </message>
    <message>
        <source>The disc</source>
        <translation>El disco</translation>
    </message>
</context>
<context>
    <name>solarchon::app::MoviePicture</name>
    <message>
        <source>The movie</source>
        <translation>La película</translation>
    </message>
    <message>
        <source>Space or a click plays and stops; the arrow keys go by one picture</source>
        <translation>La barra espaciadora o un clic la ponen en marcha y la paran; las flechas van de imagen en imagen</translation>
    </message>
</context>
<context>
    <name>solarchon::app::NeedBars</name>
    <message>
        <source>What is needed against what there is</source>
        <translation>Lo que hace falta frente a lo que hay</translation>
    </message>
    <message>
        <source>%1: %2</source>
        <translation>%1: %2</translation>
    </message>
    <message>
        <source>%1 %2 %3</source>
        <translation>%1 %2 %3</translation>
    </message>
</context>
<context>
    <name>solarchon::app::NorthPage</name>
    <message>
        <source>Marks on the ground</source>
        <translation>Marcas en el suelo</translation>
    </message>
    <message>
        <source>Compass</source>
        <translation>Brújula</translation>
    </message>
    <message>
        <source>Plumb line&apos;s shadow</source>
        <translation>Sombra de la plomada</translation>
    </message>
    <message>
        <source>Sun in the meridian</source>
        <translation>Sol en el meridiano</translation>
    </message>
    <message>
        <source>the model of the field covers 2025 to 2029</source>
        <translation>el modelo del campo cubre de 2025 a 2029</translation>
    </message>
    <message>
        <source>the Sun is not seen in the meridian on this day</source>
        <translation>ese día no se ve el Sol en el meridiano</translation>
    </message>
    <message>
        <source>the Sun stands lower than %1°</source>
        <translation>el Sol está por debajo de %1°</translation>
    </message>
    <message>
        <source>Ways, and how near the pole they come</source>
        <translation>Maneras, y cuánto se acercan al polo</translation>
    </message>
    <message>
        <source>Ways to find north</source>
        <translation>Maneras de encontrar el norte</translation>
    </message>
    <message>
        <source>Bead above the ground</source>
        <translation>Cuenta sobre el suelo</translation>
    </message>
    <message>
        <source>mm</source>
        <translation>mm</translation>
    </message>
    <message>
        <source>A knot or bead on the line: its shadow has a length that can be checked</source>
        <translation>Un nudo o una cuenta en el hilo: su sombra tiene una longitud que puede comprobarse</translation>
    </message>
    <message>
        <source>Feet apart</source>
        <translation>Distancia entre pies</translation>
    </message>
    <message>
        <source>The wider they stand, the less a foot beside its mark turns the mount</source>
        <translation>Cuanto más separados, menos gira la montura un pie fuera de su marca</translation>
    </message>
    <message>
        <source>Change the bead&apos;s height</source>
        <translation>Cambiar la altura de la cuenta</translation>
    </message>
    <message>
        <source>Change the distance of the feet</source>
        <translation>Cambiar la distancia de los pies</translation>
    </message>
    <message>
        <source>Which way</source>
        <translation>Hacia dónde</translation>
    </message>
    <message>
        <source>Put the feet back on their marks, and level.</source>
        <translation>Ponga los pies en sus marcas y nivele.</translation>
    </message>
    <message>
        <source>Turn the mount until a compass along its axis reads %1°.</source>
        <translation>Gire la montura hasta que una brújula a lo largo del eje marque %1°.</translation>
    </message>
    <message>
        <source>No reading: the field is not known for this date.</source>
        <translation>Sin lectura: no se conoce el campo en esa fecha.</translation>
    </message>
    <message>
        <source>No shadow now: the Sun stands too low.</source>
        <translation>Ahora no hay sombra: el Sol está demasiado bajo.</translation>
    </message>
    <message>
        <source>At %1 the shadow lies at %2°. The axis belongs %3° to its left.</source>
        <translation>A las %1 la sombra cae a %2°. El eje va %3° a su izquierda.</translation>
    </message>
    <message>
        <source>At %1 the shadow lies at %2°. The axis belongs %3° to its right.</source>
        <translation>A las %1 la sombra cae a %2°. El eje va %3° a su derecha.</translation>
    </message>
    <message>
        <source>The Sun is not seen in the meridian on this day.</source>
        <translation>Ese día no se ve el Sol en el meridiano.</translation>
    </message>
    <message>
        <source>At %1 the shadow lies along the axis.</source>
        <translation>A las %1 la sombra cae a lo largo del eje.</translation>
    </message>
    <message>
        <source>At %1 the shadow lies along the axis, backwards.</source>
        <translation>A las %1 la sombra cae a lo largo del eje, hacia atrás.</translation>
    </message>
    <message>
        <source>Marks of an alignment by night. A foot %1 mm beside its mark turns the mount by %2°; do not bump the tripod afterwards.</source>
        <translation>Marcas de una puesta en estación de noche. Un pie a %1 mm de su marca gira la montura %2°; no golpee después el trípode.</translation>
    </message>
    <message>
        <source>True north, corrected by the World Magnetic Model 2025 (good to 2029). Keep away from steel, counterweights, loudspeakers and magnets of phone cases; hold a phone flat and wave a figure of eight first.</source>
        <translation>Norte verdadero, corregido con el World Magnetic Model 2025 (vale hasta 2029). Lejos de acero, contrapesos, altavoces e imanes de fundas de móvil; sostenga el móvil plano y dibuje antes un ocho.</translation>
    </message>
    <message>
        <source>All of the line&apos;s shadow lies in that direction, on sloping ground too. It turns by %1° a minute: draw it at the full minute.</source>
        <translation>Toda la sombra del hilo cae en esa dirección, también en suelo inclinado. Gira %1° por minuto: trácela en el minuto exacto.</translation>
    </message>
    <message>
        <source>By the clock, not by the shortest shadow, which hardly changes for minutes. It turns by %1° a minute then.</source>
        <translation>Por el reloj, no por la sombra más corta, que apenas cambia en minutos. Entonces gira %1° por minuto.</translation>
    </message>
    <message>
        <source>One standard deviation; %1° in azimuth</source>
        <translation>Una desviación típica; %1° en acimut</translation>
    </message>
    <message>
        <source>Axis, on an inclinometer</source>
        <translation>Eje, en un inclinómetro</translation>
    </message>
    <message>
        <source>%1°</source>
        <translation>%1°</translation>
    </message>
    <message>
        <source>Its raised end stands as high as the latitude</source>
        <translation>Su extremo alto está a la altura de la latitud</translation>
    </message>
    <message>
        <source>Axis points to</source>
        <translation>El eje apunta al</translation>
    </message>
    <message>
        <source>true north</source>
        <translation>norte verdadero</translation>
    </message>
    <message>
        <source>true south</source>
        <translation>sur verdadero</translation>
    </message>
    <message>
        <source>South of the equator the southern end of the axis is the raised one</source>
        <translation>Al sur del ecuador, el extremo alto del eje es el del sur</translation>
    </message>
    <message>
        <source>Bead&apos;s shadow</source>
        <translation>Sombra de la cuenta</translation>
    </message>
    <message>
        <source>%1 mm</source>
        <translation>%1 mm</translation>
    </message>
    <message>
        <source>none</source>
        <translation>ninguna</translation>
    </message>
    <message>
        <source>From the point under the bead, on level ground</source>
        <translation>Desde el punto bajo la cuenta, en suelo llano</translation>
    </message>
    <message>
        <source>Declination of the needle</source>
        <translation>Declinación de la aguja</translation>
    </message>
    <message>
        <source>not known</source>
        <translation>no se sabe</translation>
    </message>
    <message>
        <source>East positive; World Magnetic Model 2025</source>
        <translation>Este positivo; World Magnetic Model 2025</translation>
    </message>
    <message>
        <source>%1: %2</source>
        <translation>%1: %2</translation>
    </message>
    <message>
        <source>within %1°</source>
        <translation>a menos de %1°</translation>
    </message>
</context>
<context>
    <name>solarchon::app::Notice</name>
    <message>
        <source>Notice</source>
        <translation>Aviso</translation>
    </message>
    <message>
        <source>Dismiss</source>
        <translation>Cerrar aviso</translation>
    </message>
</context>
<context>
    <name>solarchon::app::NumberField</name>
    <message>
        <source>%1 in %2</source>
        <translation>%1 en %2</translation>
    </message>
    <message>
        <source>needs a whole number</source>
        <translation>necesita un número entero</translation>
    </message>
    <message>
        <source>needs a number</source>
        <translation>necesita un número</translation>
    </message>
</context>
<context>
    <name>solarchon::app::OrderStrip</name>
    <message>
        <source>The steps in their order</source>
        <translation>Los pasos en su orden</translation>
    </message>
    <message>
        <source>%1 of %2 steps are done</source>
        <translation>%1 de %2 pasos hechos</translation>
    </message>
    <message>
        <source>about %1 min by hand</source>
        <translation>unos %1 min de trabajo</translation>
    </message>
    <message>
        <source>here the Sun comes in</source>
        <translation>aquí entra el Sol</translation>
    </message>
</context>
<context>
    <name>solarchon::app::OutPanel</name>
    <message>
        <source>Keep in the log</source>
        <translation>Guardar en el registro</translation>
    </message>
    <message>
        <source>Export…</source>
        <translation>Exportar…</translation>
    </message>
    <message>
        <source>Progress</source>
        <translation>Progreso</translation>
    </message>
    <message>
        <source>Writes the picture with its recipe below the data folder, and files it (F10)</source>
        <translation>Escribe la imagen con su receta en la carpeta de datos, y la archiva (F10)</translation>
    </message>
    <message>
        <source>FITS with all digits, PNG or TIFF; the recipe goes with it (Shift+F10)</source>
        <translation>FITS con todas las cifras, PNG o TIFF; la receta va con ella (Mayús+F10)</translation>
    </message>
    <message>
        <source>Spots have rims, %1 % too bright: sharpen less.</source>
        <translation>Las manchas tienen bordes, un %1 % demasiado brillantes: realce menos.</translation>
    </message>
    <message>
        <source>Finished: the finest noise is %1 times what it was.</source>
        <translation>Acabada: el ruido más fino es %1 veces el que era.</translation>
    </message>
    <message>
        <source>The limb has a rim, %1 % too bright: more air undoes less.</source>
        <translation>El limbo tiene una orla, un %1 % demasiado brillante: más aire deshace menos.</translation>
    </message>
    <message>
        <source>Spots have rims, %1 % too bright: more air undoes less.</source>
        <translation>Las manchas tienen bordes, un %1 % demasiado brillantes: más aire deshace menos.</translation>
    </message>
    <message>
        <source>Detail is back up to %1 % of what the aperture resolves; noise is %2 % of the light now.</source>
        <translation>Hay detalle hasta el %1 % de lo que resuelve la abertura; el ruido es ahora el %2 % de la luz.</translation>
    </message>
    <message numerus="yes">
        <source>%n seam(s), which meet within %1 px; light differs by %2 % at most.</source>
        <translation>
            <numerusform>%n costura, que casa con %1 px; la luz difiere en un %2 % como mucho.</numerusform>
            <numerusform>%n costuras, que casan con %1 px; la luz difiere en un %2 % como mucho.</numerusform>
        </translation>
    </message>
    <message>
        <source>Detail moved by %1 px over the frame; %2 % of all values were strays.</source>
        <translation>El detalle se movió %1 px en el fotograma; el %2 % de los valores eran intrusos.</translation>
    </message>
    <message numerus="yes">
        <source>%n picture(s) of that day kept.</source>
        <translation>
            <numerusform>%n imagen de ese día guardada.</numerusform>
            <numerusform>%n imágenes de ese día guardadas.</numerusform>
        </translation>
    </message>
    <message>
        <source>Without a picture: %1</source>
        <translation>Sin imagen: %1</translation>
    </message>
    <message>
        <source>The recipe was changed: make the picture again.</source>
        <translation>La receta ha cambiado: haga la imagen de nuevo.</translation>
    </message>
    <message>
        <source>Written: %1</source>
        <translation>Escrito: %1</translation>
    </message>
    <message>
        <source>Stop</source>
        <translation>Alto</translation>
    </message>
    <message>
        <source>Join the panels</source>
        <translation>Unir los paneles</translation>
    </message>
    <message>
        <source>Make the picture</source>
        <translation>Hacer la imagen</translation>
    </message>
    <message>
        <source>Nothing is written (F9)</source>
        <translation>No se escribe nada (F9)</translation>
    </message>
    <message>
        <source>By the recipe; what has not changed is not done again (F9)</source>
        <translation>Según la receta; lo que no ha cambiado no se repite (F9)</translation>
    </message>
    <message>
        <source>Red pixels only.</source>
        <translation>Solo píxeles rojos.</translation>
    </message>
    <message>
        <source>The colours were up to %1 px apart and have been realigned.</source>
        <translation>Los colores estaban separados hasta %1 px y se han realineado.</translation>
    </message>
</context>
<context>
    <name>solarchon::app::PanelsPanel</name>
    <message>
        <source>Panels of the mosaic</source>
        <translation>Paneles del mosaico</translation>
    </message>
    <message>
        <source>Add panels…</source>
        <translation>Añadir paneles…</translation>
    </message>
    <message>
        <source>Pictures that overlap by a tenth or more. They may lie anywhere and be turned a little: where each belongs is found by what they show.</source>
        <translation>Imágenes que se solapan en una décima parte o más. Pueden estar donde sea y algo giradas: el lugar de cada una se encuentra por lo que muestran.</translation>
    </message>
</context>
<context>
    <name>solarchon::app::PaperPicture</name>
    <message>
        <source>What is printed</source>
        <translation>Lo que se imprime</translation>
    </message>
</context>
<context>
    <name>solarchon::app::PartChooser</name>
    <message>
        <source>Add a part</source>
        <translation>Añadir una pieza</translation>
    </message>
    <message>
        <source>Done</source>
        <translation>Hecho</translation>
    </message>
    <message>
        <source>Back to the findings (Escape)</source>
        <translation>Volver a las objeciones (Escape)</translation>
    </message>
    <message>
        <source>Search the parts</source>
        <translation>Buscar en las piezas</translation>
    </message>
    <message>
        <source>Type to narrow: wedge, 80 mm, ND…</source>
        <translation>Escriba para acotar: cuña, 80 mm, ND…</translation>
    </message>
    <message>
        <source>Parts</source>
        <translation>Piezas</translation>
    </message>
    <message>
        <source>Enter or a double click puts the part in its usual place; drag it into the drawing for another. Delete takes a part out of your kit</source>
        <translation>Intro o doble clic pone la pieza en su lugar habitual; arrástrela al dibujo para otro. Supr saca una pieza de su equipo</translation>
    </message>
    <message>
        <source>Put into the light path</source>
        <translation>Poner en el camino óptico</translation>
    </message>
    <message>
        <source>Your kit</source>
        <translation>Su equipo</translation>
    </message>
    <message>
        <source>Generic parts</source>
        <translation>Piezas genéricas</translation>
    </message>
</context>
<context>
    <name>solarchon::app::PartSheet</name>
    <message>
        <source>Change: %1</source>
        <translation>Cambiar: %1</translation>
    </message>
    <message>
        <source>What it offers to its neighbour: a barrel, a holder or a thread</source>
        <translation>Lo que ofrece a su vecina: un tubo, un alojamiento o una rosca</translation>
    </message>
    <message>
        <source>Change connection</source>
        <translation>Cambiar conexión</translation>
    </message>
    <message>
        <source>Name of the part</source>
        <translation>Nombre de la pieza</translation>
    </message>
    <message>
        <source>What you call this part</source>
        <translation>Cómo llama usted a esta pieza</translation>
    </message>
    <message>
        <source>Rename part</source>
        <translation>Renombrar pieza</translation>
    </message>
    <message>
        <source>Change record of part</source>
        <translation>Cambiar ficha de la pieza</translation>
    </message>
    <message>
        <source>Log inspection</source>
        <translation>Anotar revisión</translation>
    </message>
    <message>
        <source>Keep part in kit</source>
        <translation>Guardar pieza en el equipo</translation>
    </message>
    <message>
        <source>Towards the Sun</source>
        <translation>Hacia el Sol</translation>
    </message>
    <message>
        <source>Towards the end</source>
        <translation>Hacia el final</translation>
    </message>
</context>
<context>
    <name>solarchon::app::PathSheet</name>
    <message>
        <source>Light paths</source>
        <translation>Caminos ópticos</translation>
    </message>
</context>
<context>
    <name>solarchon::app::PlanPage</name>
    <message>
        <source>Add run</source>
        <translation>Añadir serie</translation>
    </message>
    <message>
        <source>Half an hour where the air of the day promises most; move it from there</source>
        <translation>Media hora donde el aire del día promete más; muévala desde ahí</translation>
    </message>
    <message>
        <source>Alarms</source>
        <translation>Alarmas</translation>
    </message>
    <message>
        <source>A notification and a sound when each step of today begins and five minutes before each run, whatever you look at</source>
        <translation>Un aviso y un sonido cuando empieza cada paso de hoy y cinco minutos antes de cada serie, mire lo que mire</translation>
    </message>
    <message>
        <source>%1: warmed ground stirs the air; roofs and concrete most, water least</source>
        <translation>%1: el suelo caliente agita el aire; tejados y hormigón los que más, el agua la que menos</translation>
    </message>
    <message>
        <source>Change the ground</source>
        <translation>Cambiar el suelo</translation>
    </message>
    <message>
        <source>Bring in</source>
        <translation>Traer</translation>
    </message>
    <message>
        <source>A forecast by the hour (CSV or JSON), or the events of a calendar</source>
        <translation>Un pronóstico por horas (CSV o JSON), o los eventos de un calendario</translation>
    </message>
    <message>
        <source>Forecast…</source>
        <translation>Pronóstico…</translation>
    </message>
    <message>
        <source>Open a forecast</source>
        <translation>Abrir un pronóstico</translation>
    </message>
    <message>
        <source>Forecasts (*.csv *.json *.txt);;All files (*)</source>
        <translation>Pronósticos (*.csv *.json *.txt);;Todos los archivos (*)</translation>
    </message>
    <message>
        <source>Forecast of the stand-in service</source>
        <translation>Pronóstico del servicio de prueba</translation>
    </message>
    <message>
        <source>Ask for a forecast</source>
        <translation>Pedir un pronóstico</translation>
    </message>
    <message>
        <source>Events of a calendar…</source>
        <translation>Eventos de un calendario…</translation>
    </message>
    <message>
        <source>Open a calendar</source>
        <translation>Abrir un calendario</translation>
    </message>
    <message>
        <source>Calendars (*.ics);;All files (*)</source>
        <translation>Calendarios (*.ics);;Todos los archivos (*)</translation>
    </message>
    <message>
        <source>Forget the forecast</source>
        <translation>Olvidar el pronóstico</translation>
    </message>
    <message>
        <source>Take along</source>
        <translation>Llevar</translation>
    </message>
    <message>
        <source>The plan as a page, a calendar with alarms, a table or JSON</source>
        <translation>El plan como página, calendario con alarmas, tabla o JSON</translation>
    </message>
    <message>
        <source>Page as PDF…</source>
        <translation>Página en PDF…</translation>
    </message>
    <message>
        <source>Pages (*.pdf)</source>
        <translation>Páginas (*.pdf)</translation>
    </message>
    <message>
        <source>Print…</source>
        <translation>Imprimir…</translation>
    </message>
    <message>
        <source>Calendar…</source>
        <translation>Calendario…</translation>
    </message>
    <message>
        <source>Calendars (*.ics)</source>
        <translation>Calendarios (*.ics)</translation>
    </message>
    <message>
        <source>Table…</source>
        <translation>Tabla…</translation>
    </message>
    <message>
        <source>Tables (*.csv)</source>
        <translation>Tablas (*.csv)</translation>
    </message>
    <message>
        <source>JSON…</source>
        <translation>JSON…</translation>
    </message>
    <message>
        <source>Plans (*.json)</source>
        <translation>Planes (*.json)</translation>
    </message>
    <message>
        <source>Forecast as table…</source>
        <translation>Pronóstico como tabla…</translation>
    </message>
    <message>
        <source>Save the forecast</source>
        <translation>Guardar el pronóstico</translation>
    </message>
    <message>
        <source>Choose a run or a step on the sheet to see and change its figures.</source>
        <translation>Elija una serie o un paso en la hoja para ver y cambiar sus cifras.</translation>
    </message>
    <message>
        <source>Ground under the telescope</source>
        <translation>Suelo bajo el telescopio</translation>
    </message>
    <message>
        <source>Ground before the telescope</source>
        <translation>Suelo delante del telescopio</translation>
    </message>
    <message>
        <source>Ground that warms the air</source>
        <translation>Suelo que calienta el aire</translation>
    </message>
    <message>
        <source>Under the telescope</source>
        <translation>Bajo el telescopio</translation>
    </message>
    <message>
        <source>Before it</source>
        <translation>Delante</translation>
    </message>
    <message>
        <source>A plan holds 500 runs at most; remove old ones first</source>
        <translation>Un plan admite 500 series como mucho; elimine antes las viejas</translation>
    </message>
    <message>
        <source>Run %1</source>
        <translation>Serie %1</translation>
    </message>
    <message>
        <source>Change run %1</source>
        <translation>Cambiar serie %1</translation>
    </message>
    <message>
        <source>Remove run</source>
        <translation>Eliminar serie</translation>
    </message>
    <message>
        <source>Open forecast</source>
        <translation>Abrir pronóstico</translation>
    </message>
    <message>
        <source>The forecast was read but for %1</source>
        <translation>El pronóstico se leyó salvo %1</translation>
    </message>
    <message>
        <source>Bring in events</source>
        <translation>Traer eventos</translation>
    </message>
    <message>
        <source>The calendar was read but for %1</source>
        <translation>El calendario se leyó salvo %1</translation>
    </message>
    <message>
        <source>Save the plan</source>
        <translation>Guardar el plan</translation>
    </message>
    <message>
        <source>First frame at %1.</source>
        <translation>Primera toma a las %1.</translation>
    </message>
    <message>
        <source>To record at %1, “%2” begins at %3; %4 leaves a margin.</source>
        <translation>Para grabar a las %1, «%2» empieza a las %3; las %4 dejan un margen.</translation>
    </message>
    <message>
        <source>Nothing planned for this day</source>
        <translation>Nada previsto para este día</translation>
    </message>
    <message>
        <source>Nothing stands in the way</source>
        <translation>Nada se interpone</translation>
    </message>
    <message>
        <source>In the way: %1</source>
        <translation>En el camino: %1</translation>
    </message>
    <message>
        <source>Resolve</source>
        <translation>Resolver</translation>
    </message>
    <message>
        <source>Forget the forecast (%1)</source>
        <translation>Olvidar el pronóstico (%1)</translation>
    </message>
    <message>
        <source>Learn from rehearsals too</source>
        <translation>Aprender también de los ensayos</translation>
    </message>
    <message>
        <source>Learn from rehearsals</source>
        <translation>Aprender de los ensayos</translation>
    </message>
</context>
<context>
    <name>solarchon::app::Plate</name>
    <message>
        <source>The frame in hand</source>
        <translation>La toma en mano</translation>
    </message>
    <message>
        <source>No frame yet</source>
        <translation>Sin toma todavía</translation>
    </message>
    <message>
        <source>No frame yet.
Take one with the button, or with F5.</source>
        <translation>Sin toma todavía.
Haga una con el botón, o con F5.</translation>
    </message>
    <message>
        <source>%1 · false colour · ring: position angle from solar north</source>
        <translation>%1 · falso color · anillo: ángulo de posición desde el norte solar</translation>
    </message>
    <message>
        <source>%1 · simulated</source>
        <translation>%1 · simulada</translation>
    </message>
</context>
<context>
    <name>solarchon::app::PolePicture</name>
    <message>
        <source>%1′</source>
        <translation>%1′</translation>
    </message>
    <message>
        <source>%1°</source>
        <translation>%1°</translation>
    </message>
    <message>
        <source>The axis against the pole</source>
        <translation>El eje frente al polo</translation>
    </message>
    <message>
        <source>pole</source>
        <translation>polo</translation>
    </message>
    <message>
        <source>up</source>
        <translation>arriba</translation>
    </message>
    <message>
        <source>%1 = %2 turns</source>
        <translation>%1 = %2 vueltas</translation>
    </message>
    <message>
        <source>%1′ west</source>
        <translation>%1′ al oeste</translation>
    </message>
    <message>
        <source>%1′ east</source>
        <translation>%1′ al este</translation>
    </message>
    <message>
        <source>%1′ down</source>
        <translation>%1′ abajo</translation>
    </message>
    <message>
        <source>%1′ up</source>
        <translation>%1′ arriba</translation>
    </message>
    <message>
        <source>axis</source>
        <translation>eje</translation>
    </message>
</context>
<context>
    <name>solarchon::app::PreparePage</name>
    <message>
        <source>Change a size</source>
        <translation>Cambiar una medida</translation>
    </message>
    <message>
        <source>To be made of card</source>
        <translation>Para hacer de cartulina</translation>
    </message>
    <message>
        <source>Cell of a front film</source>
        <translation>Montura de lámina frontal</translation>
    </message>
    <message>
        <source>Aperture mask</source>
        <translation>Máscara de apertura</translation>
    </message>
    <message>
        <source>Off-axis mask</source>
        <translation>Máscara descentrada</translation>
    </message>
    <message>
        <source>Shadow card of the day</source>
        <translation>Tarjeta de sombras del día</translation>
    </message>
    <message>
        <source>Marks for the feet</source>
        <translation>Marcas para las patas</translation>
    </message>
    <message>
        <source>Tube, outside</source>
        <translation>Tubo, por fuera</translation>
    </message>
    <message>
        <source>mm</source>
        <translation>mm</translation>
    </message>
    <message>
        <source>Its diameter at the front, measured with calipers or a strip of paper round it</source>
        <translation>Su diámetro en la boca, medido con calibre o con una tira de papel alrededor</translation>
    </message>
    <message>
        <source>Film, clear width</source>
        <translation>Lámina, paso libre</translation>
    </message>
    <message>
        <source>What light passes; empty: the whole aperture</source>
        <translation>Por donde pasa la luz; vacío: toda la apertura</translation>
    </message>
    <message>
        <source>Hole of the mask</source>
        <translation>Agujero de la máscara</translation>
    </message>
    <message>
        <source>The aperture that is left; empty: half of it</source>
        <translation>La apertura que queda; vacío: la mitad</translation>
    </message>
    <message>
        <source>Save as PDF…</source>
        <translation>Guardar como PDF…</translation>
    </message>
    <message>
        <source>Print…</source>
        <translation>Imprimir…</translation>
    </message>
    <message>
        <source>Will the glass fog?</source>
        <translation>¿Se empañará el cristal?</translation>
    </message>
    <message>
        <source>Telescope comes from</source>
        <translation>El telescopio viene de</translation>
    </message>
    <message>
        <source>The temperature of the room or car where it was kept</source>
        <translation>La temperatura del cuarto o coche donde estuvo guardado</translation>
    </message>
    <message>
        <source>not known</source>
        <translation>no se sabe</translation>
    </message>
    <message>
        <source>Humidity outside</source>
        <translation>Humedad exterior</translation>
    </message>
    <message>
        <source>Relative, at the site; empty: the forecast&apos;s</source>
        <translation>Relativa, en el sitio; vacío: la del pronóstico</translation>
    </message>
    <message>
        <source>Change: %1</source>
        <translation>Cambiar: %1</translation>
    </message>
    <message>
        <source>%1, %2</source>
        <translation>%1, %2</translation>
    </message>
    <message>
        <source>Cut two. The film lies flat and loose between them, its edge glued all round. Hold it against a lamp before each use: no pinhole, no crease. Tape it to the tube.</source>
        <translation>Corte dos. La lámina queda plana y suelta entre ellas, con el borde pegado todo alrededor. Mírela al trasluz de una lámpara antes de cada uso: ni un agujero, ni un pliegue. Fíjela al tubo con cinta.</translation>
    </message>
    <message>
        <source>It goes in front of the filter or over the bare front, never in place of a filter. Tape it to the tube.</source>
        <translation>Va delante del filtro o sobre la boca libre, nunca en lugar de un filtro. Fíjela al tubo con cinta.</translation>
    </message>
    <message>
        <source>The hole stands beside the secondary mirror and its vanes; put film in it as in a cell. Tape it to the tube.</source>
        <translation>El agujero queda al lado del espejo secundario y sus brazos; ponga en él lámina como en una montura. Fíjela al tubo con cinta.</translation>
    </message>
    <message>
        <source>Lay it level, the point under the bead. At a time that is printed turn it until the shadow&apos;s end lies on its mark: N points to true north. Times in %1.</source>
        <translation>Póngala nivelada, con el punto bajo la cuenta. A una hora impresa gírela hasta que el final de la sombra caiga en su marca: N señala el norte verdadero. Horas de %1.</translation>
    </message>
    <message>
        <source>Align once with care, then lay a mark under each foot, N to true north, and fasten it. The next time the feet go back on them.</source>
        <translation>Alinee una vez con cuidado, ponga una marca bajo cada pata, N al norte verdadero, y fíjela. La próxima vez las patas vuelven a ellas.</translation>
    </message>
    <message>
        <source>Dew point</source>
        <translation>Punto de rocío</translation>
    </message>
    <message>
        <source>It wants the humidity</source>
        <translation>Hace falta la humedad</translation>
    </message>
    <message>
        <source>Front glass</source>
        <translation>Cristal frontal</translation>
    </message>
    <message>
        <source>stays clear</source>
        <translation>sigue limpio</translation>
    </message>
    <message>
        <source>fogs, clear after %1 min</source>
        <translation>se empaña, limpio tras %1 min</translation>
    </message>
    <message>
        <source>stays fogged</source>
        <translation>sigue empañado</translation>
    </message>
    <message>
        <source>It is warmer than the dew point</source>
        <translation>Está más caliente que el punto de rocío</translation>
    </message>
    <message>
        <source>The hole does not fit: card is left round it, and beside a secondary.</source>
        <translation>El agujero no cabe: a su alrededor queda cartulina, y también junto a un secundario.</translation>
    </message>
    <message>
        <source>The Sun stands too low for it all day.</source>
        <translation>El Sol está demasiado bajo todo el día.</translation>
    </message>
    <message>
        <source>There is no telescope in the light path.</source>
        <translation>No hay telescopio en el camino de la luz.</translation>
    </message>
    <message>
        <source>On %1 pages, glued together. </source>
        <translation>En %1 páginas, pegadas. </translation>
    </message>
    <message>
        <source>Save as PDF</source>
        <translation>Guardar como PDF</translation>
    </message>
    <message>
        <source>PDF (*.pdf)</source>
        <translation>PDF (*.pdf)</translation>
    </message>
    <message>
        <source>With air of %1</source>
        <translation>Con aire a %1</translation>
    </message>
    <message>
        <source>Leave it covered and let it settle, or warm it gently; never wipe it. A guess from the aperture</source>
        <translation>Déjelo tapado hasta que se asiente, o caliéntelo con suavidad; no lo limpie nunca. Una estimación por la apertura</translation>
    </message>
</context>
<context>
    <name>solarchon::app::Rail</name>
    <message>
        <source>Look and language</source>
        <translation>Aspecto e idioma</translation>
    </message>
    <message>
        <source>Timers</source>
        <translation>Temporizadores</translation>
    </message>
</context>
<context>
    <name>solarchon::app::RecipePanel</name>
    <message>
        <source>Share kept</source>
        <translation>Se conserva</translation>
    </message>
    <message>
        <source>%</source>
        <translation>%</translation>
    </message>
    <message>
        <source>Sharper than</source>
        <translation>Más nítido que</translation>
    </message>
    <message>
        <source>Follow detail</source>
        <translation>Seguir detalle</translation>
    </message>
    <message>
        <source>Leave out strays</source>
        <translation>Sin intrusos</translation>
    </message>
    <message>
        <source>Finer grid</source>
        <translation>Malla fina</translation>
    </message>
    <message>
        <source>1  Grade</source>
        <translation>1  Valorar</translation>
    </message>
    <message>
        <source>2  Keep</source>
        <translation>2  Conservar</translation>
    </message>
    <message>
        <source>3  Stack</source>
        <translation>3  Apilar</translation>
    </message>
    <message>
        <source>Best share</source>
        <translation>Los mejores</translation>
    </message>
    <message>
        <source>The sharpest frames, wherever they lie: where the air changes from frame to frame</source>
        <translation>Los fotogramas más nítidos, estén donde estén: cuando el aire cambia de un fotograma a otro</translation>
    </message>
    <message>
        <source>Above a level</source>
        <translation>Sobre un nivel</translation>
    </message>
    <message>
        <source>All that are sharper than the line in the ribbon</source>
        <translation>Todos los más nítidos que la línea de la cinta</translation>
    </message>
    <message>
        <source>Calm stretches</source>
        <translation>Tramos de calma</translation>
    </message>
    <message>
        <source>Most of what was recorded while the air was calm: where it is good or bad for seconds and minutes, and noise is to be beaten</source>
        <translation>La mayor parte de lo grabado con el aire en calma: cuando es bueno o malo durante segundos y minutos, y hay que vencer al ruido</translation>
    </message>
    <message>
        <source>All</source>
        <translation>Todos</translation>
    </message>
    <message>
        <source>Every frame that shows the same: least noise</source>
        <translation>Cada fotograma que muestra lo mismo: el menor ruido</translation>
    </message>
    <message>
        <source>Lays frames on one another by their detail all over the picture: the air bends each another way</source>
        <translation>Superpone los fotogramas por su detalle en toda la imagen: el aire deforma cada uno de otro modo</translation>
    </message>
    <message>
        <source>What is in one frame alone does not count: birds, aircraft, noise</source>
        <translation>Lo que está en un solo fotograma no cuenta: aves, aviones, ruido</translation>
    </message>
    <message>
        <source>Two pixels along one of the camera’s: where pixels are coarser than the detail</source>
        <translation>Dos píxeles por cada uno de la cámara: cuando los píxeles son más gruesos que el detalle</translation>
    </message>
    <message>
        <source>A clip or picture with the cap on, at the same exposure</source>
        <translation>Un clip o imagen con la tapa puesta, con la misma exposición</translation>
    </message>
    <message>
        <source>How sharp each frame is, whatever light, noise and drift do.</source>
        <translation>La nitidez de cada fotograma, hagan lo que hagan luz, ruido y deriva.</translation>
    </message>
    <message>
        <source>Every frame is looked at.</source>
        <translation>Se mira cada fotograma.</translation>
    </message>
    <message numerus="yes">
        <source>%n frame(s)</source>
        <translation>
            <numerusform>%n fotograma</numerusform>
            <numerusform>%n fotogramas</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n show(s) something else</source>
        <translation>
            <numerusform>%n muestra otra cosa</numerusform>
            <numerusform>%n muestran otra cosa</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n damaged</source>
        <translation>
            <numerusform>%n dañado</numerusform>
            <numerusform>%n dañados</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n cut off</source>
        <translation>
            <numerusform>%n cortado</numerusform>
            <numerusform>%n cortados</numerusform>
        </translation>
    </message>
    <message>
        <source>No frame is kept.</source>
        <translation>No se conserva ningún fotograma.</translation>
    </message>
    <message>
        <source>%1 of %2 frames: their detail is %3 times that of all; noise %4 % of the light, %5 % in one.</source>
        <translation>%1 de %2 fotogramas: su detalle es %3 veces el de todos; ruido %4 % de la luz, %5 % en uno.</translation>
    </message>
    <message>
        <source>Proposed: %1 %</source>
        <translation>Propuesto: %1 %</translation>
    </message>
    <message>
        <source>Proposed</source>
        <translation>Propuesto</translation>
    </message>
    <message>
        <source>The air was even: most frames are as good as the best</source>
        <translation>El aire era uniforme: casi todos los fotogramas son tan buenos como los mejores</translation>
    </message>
    <message>
        <source>Fewer would gain too little detail for the noise that is left, more would lose detail</source>
        <translation>Menos ganarían poco detalle para el ruido que queda, más perderían detalle</translation>
    </message>
    <message>
        <source>Dark: none</source>
        <translation>Oscuro: ninguno</translation>
    </message>
    <message>
        <source>Dark: %1</source>
        <translation>Oscuro: %1</translation>
    </message>
    <message>
        <source>Flat: none</source>
        <translation>Plano: ninguno</translation>
    </message>
    <message>
        <source>Flat: %1</source>
        <translation>Plano: %1</translation>
    </message>
    <message>
        <source>×</source>
        <translation>×</translation>
    </message>
    <message>
        <source>Times the clip’s median; the line in the ribbon moves it too</source>
        <translation>Veces la mediana del clip; la línea de la cinta también lo mueve</translation>
    </message>
    <message>
        <source>Air</source>
        <translation>Aire</translation>
    </message>
    <message>
        <source>cm</source>
        <translation>cm</translation>
    </message>
    <message>
        <source>4  Restore</source>
        <translation>4  Restaurar</translation>
    </message>
    <message>
        <source>Undoes what aperture and air have softened, as far as detail stands out of noise</source>
        <translation>Deshace lo que abertura y aire han suavizado, mientras el detalle sobresalga del ruido</translation>
    </message>
    <message>
        <source>The light path has no telescope and camera: its blur is not known</source>
        <translation>El camino óptico no tiene telescopio y cámara: no se conoce su borrosidad</translation>
    </message>
    <message>
        <source>limb</source>
        <translation>limbo</translation>
    </message>
    <message>
        <source>Fried’s parameter of the kept frames, at 500 nm: as wide as air that blurs nothing; left out, as the limb tells it. Too small, and edges get bright rims</source>
        <translation>Parámetro de Fried de los fotogramas conservados, a 500 nm: el ancho de aire que no emborrona; si falta, el que diga el limbo. Demasiado pequeño, los bordes se orlan de luz</translation>
    </message>
    <message>
        <source>Its disc is %1 times what the light path draws: was it taken with another?</source>
        <translation>Su disco es %1 veces el que dibuja el camino óptico: ¿se tomó con otro?</translation>
    </message>
    <message>
        <source>A clip or picture of something evenly lit: the Sun out of focus, with the filter on and tracing paper in front of it. Or a clip in which the disc is moved about over the sensor</source>
        <translation>Un clip o imagen de algo iluminado por igual: el Sol desenfocado, con el filtro puesto y papel vegetal delante. O un clip en el que el disco se mueve por el sensor</translation>
    </message>
    <message>
        <source>Undoes the blur of aperture and air, as far as detail stands out of the noise</source>
        <translation>Deshace el desenfoque de la abertura y del aire, hasta donde el detalle sobresale del ruido</translation>
    </message>
    <message>
        <source>Red pixels only</source>
        <translation>Solo píxeles rojos</translation>
    </message>
    <message>
        <source>Hydrogen alpha reaches the red pixels of a colour sensor alone: green and blue would add noise</source>
        <translation>El hidrógeno alfa solo llega a los píxeles rojos de un sensor de color: el verde y el azul añadirían ruido</translation>
    </message>
</context>
<context>
    <name>solarchon::app::RecordBox</name>
    <message>
        <source>MB</source>
        <translation>MB</translation>
    </message>
    <message>
        <source>Which frames are recorded</source>
        <translation>Qué imágenes se graban</translation>
    </message>
    <message>
        <source>All frames</source>
        <translation>Todas</translation>
    </message>
    <message>
        <source>Sharp moments</source>
        <translation>Nítidas</translation>
    </message>
    <message>
        <source>Sharp moments: the best fifth of the last minute, each with the third of a second before it</source>
        <translation>Momentos nítidos: la mejor quinta parte del último minuto, cada uno con el tercio de segundo anterior</translation>
    </message>
    <message>
        <source>When the recording ends by itself</source>
        <translation>Cuándo termina la grabación por sí sola</translation>
    </message>
    <message>
        <source>The recording ends by itself after so much</source>
        <translation>La grabación termina por sí sola tras esa cantidad</translation>
    </message>
    <message numerus="yes">
        <source>%n frame(s)</source>
        <translation>
            <numerusform>%n imagen</numerusform>
            <numerusform>%n imágenes</numerusform>
        </translation>
    </message>
    <message>
        <source>%1 MB</source>
        <translation>%1 MB</translation>
    </message>
    <message numerus="yes">
        <source>%n lost</source>
        <translation>
            <numerusform>%n perdida</numerusform>
            <numerusform>%n perdidas</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n passed over</source>
        <translation>
            <numerusform>%n descartada</numerusform>
            <numerusform>%n descartadas</numerusform>
        </translation>
    </message>
    <message>
        <source>%1: %2</source>
        <translation>%1: %2</translation>
    </message>
    <message>
        <source>Stop the series</source>
        <translation>Parar la serie</translation>
    </message>
    <message>
        <source>Stop recording</source>
        <translation>Dejar de grabar</translation>
    </message>
    <message>
        <source>Record</source>
        <translation>Grabar</translation>
    </message>
    <message>
        <source>What was recorded stays (F6)</source>
        <translation>Lo grabado se conserva (F6)</translation>
    </message>
    <message>
        <source>Records a clip below the data folder (F6)</source>
        <translation>Graba un vídeo en la carpeta de datos (F6)</translation>
    </message>
    <message>
        <source>seconds</source>
        <translation>segundos</translation>
    </message>
    <message>
        <source>frames</source>
        <translation>imágenes</translation>
    </message>
    <message>
        <source>At most, in %1</source>
        <translation>Como mucho, en %1</translation>
    </message>
</context>
<context>
    <name>solarchon::app::ReduceView</name>
    <message>
        <source>Recorded clips</source>
        <translation>Clips grabados</translation>
    </message>
    <message>
        <source>Clips below the data folder, the newest first</source>
        <translation>Clips de la carpeta de datos, el más nuevo primero</translation>
    </message>
    <message>
        <source>Open…</source>
        <translation>Abrir…</translation>
    </message>
    <message>
        <source>A FITS cube, a video or a series of pictures; you can drop one here (F8)</source>
        <translation>Un cubo FITS, un vídeo o una serie de imágenes; puede soltar uno aquí (F8)</translation>
    </message>
    <message>
        <source>Choose a clip</source>
        <translation>Elija un clip</translation>
    </message>
    <message>
        <source>Frame %1, sharpness %2×</source>
        <translation>Fotograma %1, nitidez %2×</translation>
    </message>
    <message>
        <source>Frame %1 shows something else</source>
        <translation>El fotograma %1 muestra otra cosa</translation>
    </message>
    <message>
        <source>The clip is being graded</source>
        <translation>Se está valorando el clip</translation>
    </message>
    <message>
        <source>Choose a recorded clip, open one, or drop it here: it becomes a picture</source>
        <translation>Elija un clip grabado, abra uno o suéltelo aquí: se convierte en una imagen</translation>
    </message>
    <message>
        <source>Open a clip</source>
        <translation>Abrir un clip</translation>
    </message>
    <message>
        <source>Dark</source>
        <translation>Oscuro</translation>
    </message>
    <message>
        <source>Flat</source>
        <translation>Plano</translation>
    </message>
    <message>
        <source>Export</source>
        <translation>Exportar</translation>
    </message>
    <message>
        <source>All digits (*.fits);;Picture (*.png *.tiff)</source>
        <translation>Todas las cifras (*.fits);;Imagen (*.png *.tiff)</translation>
    </message>
    <message>
        <source>Clip</source>
        <translation>Clip</translation>
    </message>
    <message>
        <source>One picture from the good frames of a clip</source>
        <translation>Una imagen de los buenos fotogramas de un clip</translation>
    </message>
    <message>
        <source>Panels</source>
        <translation>Paneles</translation>
    </message>
    <message>
        <source>Pictures that overlap become one</source>
        <translation>Imágenes que se solapan se hacen una</translation>
    </message>
    <message>
        <source>Finish</source>
        <translation>Acabado</translation>
    </message>
    <message>
        <source>What makes a picture fit to be shown: detail, way up, colour, caption</source>
        <translation>Lo que hace presentable una imagen: detalle, orientación, color, leyenda</translation>
    </message>
    <message>
        <source>Movie</source>
        <translation>Película</translation>
    </message>
    <message>
        <source>Pictures one after another: an hour, or a week</source>
        <translation>Imágenes una tras otra: una hora, o una semana</translation>
    </message>
    <message>
        <source>Makes every clip of that day by this recipe, and keeps the pictures in the log</source>
        <translation>Hace todos los clips de ese día con esta receta y guarda las imágenes en el registro</translation>
    </message>
    <message>
        <source>Before</source>
        <translation>Antes</translation>
    </message>
    <message numerus="yes">
        <source>Mosaic of %n panel(s)</source>
        <translation>
            <numerusform>Mosaico de %n panel</numerusform>
            <numerusform>Mosaico de %n paneles</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>Stack of %n frame(s)</source>
        <translation>
            <numerusform>Pila de %n fotograma</numerusform>
            <numerusform>Pila de %n fotogramas</numerusform>
        </translation>
    </message>
    <message>
        <source>Picture</source>
        <translation>Imagen</translation>
    </message>
    <message>
        <source>restored</source>
        <translation>restaurada</translation>
    </message>
    <message>
        <source>finished</source>
        <translation>acabada</translation>
    </message>
    <message>
        <source>false colour</source>
        <translation>color falso</translation>
    </message>
    <message>
        <source>Add panels, or drop them here: they become one picture</source>
        <translation>Añada paneles o suéltelos aquí: se hacen una imagen</translation>
    </message>
    <message>
        <source>Make a picture of a clip or of panels, or open one, or drop it here</source>
        <translation>Haga una imagen de un clip o de paneles, abra una o suéltela aquí</translation>
    </message>
    <message>
        <source>%1 of %2</source>
        <translation>%1 de %2</translation>
    </message>
    <message>
        <source>Every picture is looked at</source>
        <translation>Se mira cada imagen</translation>
    </message>
    <message>
        <source>Add two pictures or more, or drop them here: they become a movie</source>
        <translation>Añada dos imágenes o más, o suéltelas aquí: se hacen una película</translation>
    </message>
    <message>
        <source>Add panels</source>
        <translation>Añadir paneles</translation>
    </message>
    <message>
        <source>Add pictures</source>
        <translation>Añadir imágenes</translation>
    </message>
    <message>
        <source>Open a picture</source>
        <translation>Abrir una imagen</translation>
    </message>
    <message>
        <source>Prominences</source>
        <translation>Protuberancias</translation>
    </message>
    <message>
        <source>Write the movie</source>
        <translation>Escribir la película</translation>
    </message>
    <message>
        <source>For all players (*.mp4);;Without loss (*.mkv)</source>
        <translation>Para todos los reproductores (*.mp4);;Sin pérdida (*.mkv)</translation>
    </message>
    <message>
        <source>Whole day</source>
        <translation>Todo el día</translation>
    </message>
    <message>
        <source>simulated</source>
        <translation>simulada</translation>
    </message>
</context>
<context>
    <name>solarchon::app::Reduction</name>
    <message>
        <source>Restore</source>
        <translation>Restaurar</translation>
    </message>
    <message>
        <source>Air</source>
        <translation>Aire</translation>
    </message>
    <message>
        <source>Frames that are kept</source>
        <translation>Fotogramas que se conservan</translation>
    </message>
    <message>
        <source>Follow detail</source>
        <translation>Seguir detalle</translation>
    </message>
    <message>
        <source>Leave out strays</source>
        <translation>Sin intrusos</translation>
    </message>
    <message>
        <source>Finer grid</source>
        <translation>Malla fina</translation>
    </message>
    <message>
        <source>Dark</source>
        <translation>Oscuro</translation>
    </message>
    <message>
        <source>Flat</source>
        <translation>Plano</translation>
    </message>
    <message>
        <source>Prominences</source>
        <translation>Protuberancias</translation>
    </message>
    <message>
        <source>Red pixels only</source>
        <translation>Solo píxeles rojos</translation>
    </message>
</context>
<context>
    <name>solarchon::app::RulesMenu</name>
    <message>
        <source>What the rules are told: whose figures for rear etalons, who comes, what is to be watched</source>
        <translation>Lo que se dice a las reglas: de quién son las cifras de los etalones traseros, quién viene, qué se va a mirar</translation>
    </message>
    <message>
        <source>Guests or children come near</source>
        <translation>Se acercan visitas o niños</translation>
    </message>
    <message>
        <source>Totality is to be watched</source>
        <translation>Se va a mirar la totalidad</translation>
    </message>
    <message>
        <source>The strict school: an ultraviolet and infrared cut before the diagonal above 80 mm</source>
        <translation>La escuela estricta: un corte ultravioleta e infrarrojo antes de la diagonal por encima de 80 mm</translation>
    </message>
    <message>
        <source>Another school runs up to 120 mm without one, on plain refractors and for short times</source>
        <translation>Otra escuela llega a 120 mm sin él, en refractores sencillos y por poco tiempo</translation>
    </message>
    <message>
        <source>The boldest school; above 150 mm all want full-aperture rejection</source>
        <translation>La escuela más atrevida; por encima de 150 mm todas quieren rechazo a apertura completa</translation>
    </message>
    <message>
        <source>Rear etalon: heat rejection above %1 mm</source>
        <translation>Etalón trasero: rechazo de calor sobre %1 mm</translation>
    </message>
    <message>
        <source>Choose a school</source>
        <translation>Elegir una escuela</translation>
    </message>
    <message>
        <source>Filters want a look every</source>
        <translation>Los filtros se revisan cada</translation>
    </message>
    <message>
        <source>%1 days</source>
        <translation>%1 días</translation>
    </message>
    <message>
        <source>Choose days between inspections</source>
        <translation>Elegir días entre revisiones</translation>
    </message>
    <message>
        <source>Rules</source>
        <translation>Reglas</translation>
    </message>
    <message>
        <source>Rules: %1 mm school</source>
        <translation>Reglas: escuela de %1 mm</translation>
    </message>
</context>
<context>
    <name>solarchon::app::RunEditor</name>
    <message>
        <source>An event that does not wait</source>
        <translation>Un evento que no espera</translation>
    </message>
    <message>
        <source>Name of the run</source>
        <translation>Nombre de la serie</translation>
    </message>
    <message>
        <source>Start of the run</source>
        <translation>Comienzo de la serie</translation>
    </message>
    <message>
        <source>A contact of an eclipse, a transit, a class that comes: it is never offered to be moved</source>
        <translation>Un contacto de un eclipse, un tránsito, una clase que viene: nunca se ofrece moverlo</translation>
    </message>
    <message>
        <source>Start</source>
        <translation>Comienzo</translation>
    </message>
    <message>
        <source>Length</source>
        <translation>Duración</translation>
    </message>
    <message>
        <source>min</source>
        <translation>min</translation>
    </message>
    <message>
        <source>Frames</source>
        <translation>Tomas</translation>
    </message>
    <message>
        <source>/s</source>
        <translation>/s</translation>
    </message>
    <message>
        <source>While a clip is recorded</source>
        <translation>Mientras se graba un clip</translation>
    </message>
    <message>
        <source>Clip</source>
        <translation>Clip</translation>
    </message>
    <message>
        <source>s</source>
        <translation>s</translation>
    </message>
    <message>
        <source>Length of each clip of a time-lapse; 0: recorded without a pause</source>
        <translation>Duración de cada clip de una serie a intervalos; 0: se graba sin pausa</translation>
    </message>
    <message>
        <source>One every</source>
        <translation>Uno cada</translation>
    </message>
    <message>
        <source>From the start of one clip to the start of the next</source>
        <translation>Del comienzo de un clip al comienzo del siguiente</translation>
    </message>
    <message>
        <source>Remove run</source>
        <translation>Eliminar serie</translation>
    </message>
    <message>
        <source>Sun %1° high, seeing about %2: %3.</source>
        <translation>Sol a %1° de altura, seeing cerca de %2: %3.</translation>
    </message>
    <message>
        <source>Forecast (%4): %1, cloud %2&#xa0;%, wind %3&#xa0;m/s.</source>
        <translation>Pronóstico (%4): %1, nubes %2 %, viento %3 m/s.</translation>
    </message>
    <message>
        <source>%1 frames, %2.</source>
        <translation>%1 tomas, %2.</translation>
    </message>
</context>
<context>
    <name>solarchon::app::Section</name>
    <message>
        <source>Section of the light path</source>
        <translation>Sección del camino óptico</translation>
    </message>
    <message>
        <source>Section of the second light path</source>
        <translation>Sección del segundo camino óptico</translation>
    </message>
    <message>
        <source>No parts</source>
        <translation>Sin piezas</translation>
    </message>
    <message>
        <source>Part %1 of %2: %3, %4</source>
        <translation>Pieza %1 de %2: %3, %4</translation>
    </message>
    <message>
        <source>fitted</source>
        <translation>puesta</translation>
    </message>
    <message>
        <source>laid aside</source>
        <translation>apartada</translation>
    </message>
    <message>
        <source>← the Sun</source>
        <translation>← el Sol</translation>
    </message>
    <message>
        <source>length to scale, 100 mm</source>
        <translation>longitud a escala, 100 mm</translation>
    </message>
    <message>
        <source>Let go outside to remove the part</source>
        <translation>Suéltela fuera para eliminar la pieza</translation>
    </message>
    <message>
        <source>An empty light path. Add a part, or start from a usual one.</source>
        <translation>Un camino óptico vacío. Añada una pieza, o parta de uno habitual.</translation>
    </message>
</context>
<context>
    <name>solarchon::app::SensorFrame</name>
    <message>
        <source>The Sun is below the horizon at this time</source>
        <translation>El Sol está bajo el horizonte a esta hora</translation>
    </message>
    <message>
        <source>Needs a telescope and a camera behind it</source>
        <translation>Necesita un telescopio y una cámara detrás</translation>
    </message>
    <message>
        <source>The Sun on the sensor</source>
        <translation>El Sol sobre el sensor</translation>
    </message>
    <message>
        <source>%1′</source>
        <translation>%1′</translation>
    </message>
    <message>
        <source>Simulated, false colour</source>
        <translation>Simulado, falso color</translation>
    </message>
    <message>
        <source>N</source>
        <translation>N</translation>
    </message>
    <message>
        <source>E</source>
        <translation>E</translation>
    </message>
    <message>
        <source>Prominence, %1 km high</source>
        <translation>Protuberancia de %1 km de altura</translation>
    </message>
    <message>
        <source>Filament, %1 km long</source>
        <translation>Filamento de %1 km de largo</translation>
    </message>
    <message>
        <source>Spot group, %1 millionths</source>
        <translation>Grupo de manchas, %1 millonésimas</translation>
    </message>
    <message>
        <source>The Sun on the sensor of the second light path</source>
        <translation>El Sol en el sensor del segundo camino óptico</translation>
    </message>
    <message>
        <source>%1× closer; 0 shows the whole sensor</source>
        <translation>%1× más cerca; 0 muestra todo el sensor</translation>
    </message>
    <message>
        <source>Point at: %1</source>
        <translation>Apuntar a: %1</translation>
    </message>
    <message>
        <source>%1 The dark middle is the shadow of the secondary mirror.</source>
        <translation>%1 El centro oscuro es la sombra del espejo secundario.</translation>
    </message>
    <message>
        <source>%1×, field %2′, exit pupil %3 mm</source>
        <translation>%1×, campo %2′, pupila de salida %3 mm</translation>
    </message>
    <message>
        <source>Simulated, as an eye has it. %1</source>
        <translation>Simulado, como lo ve un ojo. %1</translation>
    </message>
</context>
<context>
    <name>solarchon::app::SeriesPage</name>
    <message>
        <source>Clips of</source>
        <translation>Clips de</translation>
    </message>
    <message>
        <source>s</source>
        <translation>s</translation>
    </message>
    <message>
        <source>Every</source>
        <translation>Cada</translation>
    </message>
    <message>
        <source>Times</source>
        <translation>Veces</translation>
    </message>
    <message>
        <source>What the series is for</source>
        <translation>Para qué es la serie</translation>
    </message>
    <message>
        <source>Time-lapse</source>
        <translation>Cámara rápida</translation>
    </message>
    <message>
        <source>Disc, then prominences</source>
        <translation>Disco y después protuberancias</translation>
    </message>
    <message>
        <source>Panels of the whole Sun</source>
        <translation>Teselas de todo el Sol</translation>
    </message>
    <message>
        <source>From the start of one to the start of the next</source>
        <translation>Del comienzo de uno al comienzo del siguiente</translation>
    </message>
    <message>
        <source>Moves the telescope so that what lies at the cross stays on its pixel; click on the picture to set the cross</source>
        <translation>Mueve el telescopio para que lo que está en la cruz siga en su píxel; haga clic en la imagen para poner la cruz</translation>
    </message>
    <message>
        <source>Follow light</source>
        <translation>Seguir luz</translation>
    </message>
    <message>
        <source>Exposes longer between clips as the Sun sinks or haze comes, shorter as it clears</source>
        <translation>Entre clips expone más cuando el Sol baja o llega calima, y menos cuando aclara</translation>
    </message>
    <message>
        <source>Plan</source>
        <translation>Plan</translation>
    </message>
    <message>
        <source>Runs of the day’s plan begin by themselves at their times, as long as the camera is looked through</source>
        <translation>Las series del plan del día empiezan solas a su hora, mientras se mire por la cámara</translation>
    </message>
    <message>
        <source>The series in time</source>
        <translation>La serie en el tiempo</translation>
    </message>
    <message>
        <source>%1 of %2</source>
        <translation>%1 de %2</translation>
    </message>
    <message>
        <source>%1 in %2.</source>
        <translation>%1 en %2.</translation>
    </message>
    <message>
        <source>%1: exposure and place are set.</source>
        <translation>%1: se ajustan exposición y posición.</translation>
    </message>
    <message>
        <source>%1 is recorded.</source>
        <translation>Se graba %1.</translation>
    </message>
    <message numerus="yes">
        <source>%n clip(s) lie on the disk.</source>
        <translation>
            <numerusform>Hay %n clip en el disco.</numerusform>
            <numerusform>Hay %n clips en el disco.</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>It ended early; %n clip(s) lie on the disk.</source>
        <translation>
            <numerusform>Terminó antes de tiempo; hay %n clip en el disco.</numerusform>
            <numerusform>Terminó antes de tiempo; hay %n clips en el disco.</numerusform>
        </translation>
    </message>
    <message>
        <source>Held within %1″.</source>
        <translation>Fijado a menos de %1″.</translation>
    </message>
    <message>
        <source>In this light nothing stands over the limb: pairs need hydrogen alpha.</source>
        <translation>En esta luz nada sobresale del limbo: los pares requieren hidrógeno alfa.</translation>
    </message>
    <message>
        <source>Takes %1 and %2 on the disk.</source>
        <translation>Dura %1 y ocupa %2 en el disco.</translation>
    </message>
    <message>
        <source>Only %1 are free there.</source>
        <translation>Allí solo quedan libres %1.</translation>
    </message>
    <message>
        <source>Plays %1 at 25 a second.</source>
        <translation>Se reproduce en %1 a 25 por segundo.</translation>
    </message>
    <message>
        <source>Nothing here moves the telescope: it cannot hold.</source>
        <translation>Nada mueve aquí el telescopio: no se puede fijar.</translation>
    </message>
    <message>
        <source>The plan has no more runs today.</source>
        <translation>El plan no tiene más series hoy.</translation>
    </message>
    <message>
        <source>%1 is due now.</source>
        <translation>%1: toca ahora.</translation>
    </message>
    <message>
        <source>Stop the series</source>
        <translation>Parar la serie</translation>
    </message>
    <message>
        <source>Begin the series</source>
        <translation>Empezar la serie</translation>
    </message>
    <message>
        <source>What was recorded stays (Shift+F6)</source>
        <translation>Lo grabado se queda (Mayús+F6)</translation>
    </message>
    <message>
        <source>Records clip after clip below the data folder (Shift+F6)</source>
        <translation>Graba clip tras clip en la carpeta de datos (Mayús+F6)</translation>
    </message>
    <message>
        <source>Nothing here moves the telescope: it cannot go from panel to panel.</source>
        <translation>Nada mueve aquí el telescopio: no puede ir de tesela en tesela.</translation>
    </message>
    <message>
        <source>Pin</source>
        <translation>Fijar</translation>
    </message>
</context>
<context>
    <name>solarchon::app::ShelfList</name>
    <message>
        <source>Nothing is kept yet.</source>
        <translation>Todavía no hay nada guardado.</translation>
    </message>
    <message>
        <source>Copy</source>
        <translation>Copiar</translation>
    </message>
    <message>
        <source>Rename</source>
        <translation>Renombrar</translation>
    </message>
    <message>
        <source>Remove</source>
        <translation>Quitar</translation>
    </message>
    <message>
        <source>To a file…</source>
        <translation>A un archivo…</translation>
    </message>
    <message>
        <source>A second one of the chosen, to change</source>
        <translation>Otro igual al elegido, para cambiarlo</translation>
    </message>
    <message>
        <source>Takes the chosen one off the shelf; undo puts it back</source>
        <translation>Quita el elegido del estante; deshacer lo devuelve</translation>
    </message>
    <message>
        <source>Writes the chosen one to a file, to give away or keep elsewhere</source>
        <translation>Escribe el elegido en un archivo, para darlo o guardarlo en otro lugar</translation>
    </message>
    <message>
        <source>From a file…</source>
        <translation>De un archivo…</translation>
    </message>
    <message>
        <source>Puts what a file holds on the shelf</source>
        <translation>Pone en el estante lo que contiene un archivo</translation>
    </message>
    <message>
        <source>“%1” had changes that are not on the shelf; undo (Ctrl+Z) brings them back.</source>
        <translation>«%1» tenía cambios que no están en el estante; deshacer (Ctrl+Z) los recupera.</translation>
    </message>
    <message>
        <source>A name must be its own, and not empty: “%1” stays as it is.</source>
        <translation>Un nombre debe ser propio y no estar vacío: «%1» queda como está.</translation>
    </message>
    <message>
        <source>Put on the shelf</source>
        <translation>Poner en el estante</translation>
    </message>
    <message>
        <source>JSON (*.json)</source>
        <translation>JSON (*.json)</translation>
    </message>
    <message>
        <source>Write to a file</source>
        <translation>Escribir en un archivo</translation>
    </message>
    <message>
        <source>Keep the changes</source>
        <translation>Guardar los cambios</translation>
    </message>
    <message>
        <source>Click or Enter puts it to use, F2 renames it, Delete removes it</source>
        <translation>Un clic o Intro lo pone en uso, F2 le cambia el nombre, Supr lo quita</translation>
    </message>
    <message>
        <source>in use, changed since it was kept</source>
        <translation>en uso, cambiado desde que se guardó</translation>
    </message>
    <message>
        <source>in use · %1</source>
        <translation>en uso · %1</translation>
    </message>
    <message>
        <source>Kept as it is now</source>
        <translation>Guardado como está</translation>
    </message>
    <message>
        <source>Keep the one in use</source>
        <translation>Guardar el que está en uso</translation>
    </message>
</context>
<context>
    <name>solarchon::app::SiteSheet</name>
    <message>
        <source>Name of the site</source>
        <translation>Nombre del sitio</translation>
    </message>
    <message>
        <source>Time zone</source>
        <translation>Zona horaria</translation>
    </message>
    <message>
        <source>Latitude</source>
        <translation>Latitud</translation>
    </message>
    <message>
        <source>° N</source>
        <translation>° N</translation>
    </message>
    <message>
        <source>Longitude</source>
        <translation>Longitud</translation>
    </message>
    <message>
        <source>° E</source>
        <translation>° E</translation>
    </message>
    <message>
        <source>Height</source>
        <translation>Altitud</translation>
    </message>
    <message>
        <source>m</source>
        <translation>m</translation>
    </message>
    <message>
        <source>Air temperature</source>
        <translation>Temperatura del aire</translation>
    </message>
    <message>
        <source>Rename site</source>
        <translation>Renombrar sitio</translation>
    </message>
    <message>
        <source>not a known zone, such as Europe/Madrid</source>
        <translation>zona desconocida; por ejemplo, Europe/Madrid</translation>
    </message>
    <message>
        <source>Change time zone</source>
        <translation>Cambiar zona horaria</translation>
    </message>
    <message>
        <source>South and west are negative; pressure is that at the site itself</source>
        <translation>Sur y oeste son negativos; la presión es la del propio sitio</translation>
    </message>
    <message>
        <source>Change: %1</source>
        <translation>Cambiar: %1</translation>
    </message>
    <message>
        <source>Air pressure</source>
        <translation>Presión del aire</translation>
    </message>
    <message>
        <source>At the site itself, not reduced to the sea; left empty, what is usual at its height</source>
        <translation>En el propio sitio, sin reducir al mar; si se deja vacía, la habitual a su altitud</translation>
    </message>
    <message>
        <source>usual %1</source>
        <translation>habitual %1</translation>
    </message>
    <message>
        <source>Sites</source>
        <translation>Sitios</translation>
    </message>
    <message>
        <source>Humidity</source>
        <translation>Humedad</translation>
    </message>
    <message>
        <source>Relative, for dew on the glass; left empty, the forecast&apos;s</source>
        <translation>Relativa, por el rocío en la lente; vacía, la del pronóstico</translation>
    </message>
    <message>
        <source>forecast&apos;s</source>
        <translation>del pronóstico</translation>
    </message>
</context>
<context>
    <name>solarchon::app::SkyPage</name>
    <message>
        <source>Change the horizon</source>
        <translation>Cambiar el horizonte</translation>
    </message>
    <message>
        <source>Now</source>
        <translation>Ahora</translation>
    </message>
    <message>
        <source>The disc in your picture</source>
        <translation>El disco en su imagen</translation>
    </message>
    <message>
        <source>Edit horizon</source>
        <translation>Editar horizonte</translation>
    </message>
    <message>
        <source>Click sets a corner, drag moves it, right click or Delete takes it out, T marks trees. Keys: Left and Right choose, Up and Down change the height, Ctrl with Left and Right the azimuth, Insert adds</source>
        <translation>Un clic pone una esquina, arrastrar la mueve, clic derecho o Supr la quita, T marca árboles. Teclas: Izquierda y Derecha eligen, Arriba y Abajo cambian la altura, Ctrl con Izquierda y Derecha el acimut, Insert añade</translation>
    </message>
    <message>
        <source>Horizon</source>
        <translation>Horizonte</translation>
    </message>
    <message>
        <source>Files: CSV with azimuth, height and perhaps trees in each line</source>
        <translation>Archivos: CSV con acimut, altura y quizá árboles en cada línea</translation>
    </message>
    <message>
        <source>Open…</source>
        <translation>Abrir…</translation>
    </message>
    <message>
        <source>Save as…</source>
        <translation>Guardar como…</translation>
    </message>
    <message>
        <source>Make it level</source>
        <translation>Dejarlo llano</translation>
    </message>
    <message>
        <source>Level horizon</source>
        <translation>Horizonte llano</translation>
    </message>
    <message>
        <source>Mount</source>
        <translation>Montura</translation>
    </message>
    <message>
        <source>Decides what happens at the meridian and near the zenith; an equatorial mount turns over there, or tracks through</source>
        <translation>Decide qué pasa en el meridiano y cerca del cenit; una montura ecuatorial gira allí, o sigue</translation>
    </message>
    <message>
        <source>Mount not said</source>
        <translation>Montura sin indicar</translation>
    </message>
    <message>
        <source>Turns over</source>
        <translation>Gira</translation>
    </message>
    <message>
        <source>Tracks through</source>
        <translation>Sigue</translation>
    </message>
    <message>
        <source>Alt-azimuth</source>
        <translation>Altacimutal</translation>
    </message>
    <message>
        <source>within</source>
        <translation>hasta</translation>
    </message>
    <message>
        <source>How far it tracks past the meridian before it turns over or stops; as far before it can start on the other side</source>
        <translation>Cuánto sigue pasado el meridiano antes de girar o pararse; otro tanto antes puede empezar al otro lado</translation>
    </message>
    <message>
        <source>Change mount</source>
        <translation>Cambiar montura</translation>
    </message>
    <message>
        <source>Meridian at %1: the mount can turn over from %2, and must by %3.</source>
        <translation>Meridiano a las %1: la montura puede girar desde las %2, y debe antes de las %3.</translation>
    </message>
    <message>
        <source>Now the azimuth runs at %1″/s, the height at %2″/s, the field turns by %3° an hour</source>
        <translation>Ahora el acimut corre a %1″/s, la altura a %2″/s, el campo gira %3° por hora</translation>
    </message>
    <message>
        <source>%1; from %2 to %3 the azimuth runs fast: leave the Sun alone near the zenith.</source>
        <translation>%1; de %2 a %3 el acimut corre deprisa: deje al Sol en paz cerca del cenit.</translation>
    </message>
    <message>
        <source>Open a horizon</source>
        <translation>Abrir un horizonte</translation>
    </message>
    <message>
        <source>Tables (*.csv *.txt);;All files (*)</source>
        <translation>Tablas (*.csv *.txt);;Todos los archivos (*)</translation>
    </message>
    <message>
        <source>Open horizon</source>
        <translation>Abrir horizonte</translation>
    </message>
    <message>
        <source>The horizon was read but for %1</source>
        <translation>El horizonte se leyó salvo %1</translation>
    </message>
    <message>
        <source>Save the horizon</source>
        <translation>Guardar el horizonte</translation>
    </message>
    <message>
        <source>Tables (*.csv)</source>
        <translation>Tablas (*.csv)</translation>
    </message>
    <message>
        <source>highest %1° at %2</source>
        <translation>máximo %1° a las %2</translation>
    </message>
    <message>
        <source>Never clear above %1° today; %2. Low Sun means much air.</source>
        <translation>Hoy nunca libre sobre %1°; %2. Sol bajo es mucho aire.</translation>
    </message>
    <message>
        <source>%1 to %2</source>
        <translation>%1 a %2</translation>
    </message>
    <message>
        <source>Clear above %1° from %2 (%3 h); %4</source>
        <translation>Libre sobre %1° de %2 (%3 h); %4</translation>
    </message>
    <message>
        <source>The whole disc over your horizon, and above %1°: lower, light passes three times the air overhead</source>
        <translation>El disco entero sobre su horizonte, y por encima de %1°: más abajo la luz cruza el triple de aire que en el cenit</translation>
    </message>
    <message>
        <source>Height</source>
        <translation>Altura</translation>
    </message>
    <message>
        <source>With refraction</source>
        <translation>Con refracción</translation>
    </message>
    <message>
        <source>Azimuth</source>
        <translation>Acimut</translation>
    </message>
    <message>
        <source>%1° %2</source>
        <translation>%1° %2</translation>
    </message>
    <message>
        <source>Airmass</source>
        <translation>Masa de aire</translation>
    </message>
    <message>
        <source>below the horizon</source>
        <translation>bajo el horizonte</translation>
    </message>
    <message>
        <source>Hour angle</source>
        <translation>Ángulo horario</translation>
    </message>
    <message>
        <source>West positive</source>
        <translation>Oeste positivo</translation>
    </message>
    <message>
        <source>Declination</source>
        <translation>Declinación</translation>
    </message>
    <message>
        <source>Compass bearing</source>
        <translation>Rumbo de brújula</translation>
    </message>
    <message>
        <source>outside 2025 to 2030</source>
        <translation>fuera de 2025 a 2030</translation>
    </message>
    <message>
        <source>Azimuth less the magnetic declination of the World Magnetic Model 2025</source>
        <translation>Acimut menos la declinación magnética del World Magnetic Model 2025</translation>
    </message>
    <message>
        <source>Position angle of the solar north pole, east positive</source>
        <translation>Ángulo de posición del polo norte solar, este positivo</translation>
    </message>
    <message>
        <source>Heliographic latitude of the disc&apos;s centre</source>
        <translation>Latitud heliográfica del centro del disco</translation>
    </message>
    <message>
        <source>Carrington longitude of the disc&apos;s centre</source>
        <translation>Longitud de Carrington del centro del disco</translation>
    </message>
    <message>
        <source>Rotation</source>
        <translation>Rotación</translation>
    </message>
    <message>
        <source>Carrington rotation</source>
        <translation>Rotación de Carrington</translation>
    </message>
    <message>
        <source>Diameter</source>
        <translation>Diámetro</translation>
    </message>
    <message>
        <source>%1′</source>
        <translation>%1′</translation>
    </message>
    <message>
        <source>Picture</source>
        <translation>Imagen</translation>
    </message>
    <message>
        <source>mirrored</source>
        <translation>en espejo</translation>
    </message>
    <message>
        <source>not mirrored</source>
        <translation>sin espejo</translation>
    </message>
    <message>
        <source>Each mirror in the light path flips it</source>
        <translation>Cada espejo del camino óptico la voltea</translation>
    </message>
    <message>
        <source>No tracking</source>
        <translation>Sin seguimiento</translation>
    </message>
    <message>
        <source>No tracking: point ahead of the Sun and let it drift through. The field turns by %1° an hour</source>
        <translation>Sin seguimiento: apunte por delante del Sol y déjelo cruzar. El campo gira %1° por hora</translation>
    </message>
</context>
<context>
    <name>solarchon::app::SourceBox</name>
    <message>
        <source>Stop watching</source>
        <translation>Dejar de vigilar</translation>
    </message>
    <message>
        <source>What is looked through</source>
        <translation>Por dónde se mira</translation>
    </message>
    <message>
        <source>Devices are taken to stand behind the light path in use; a folder that another program fills is graded and filed as it grows</source>
        <translation>Se supone que los dispositivos están tras el camino óptico en uso; una carpeta que llena otro programa se valora y se archiva según crece</translation>
    </message>
    <message>
        <source>What was found in the folder</source>
        <translation>Lo hallado en la carpeta</translation>
    </message>
    <message>
        <source>The simulated camera</source>
        <translation>La cámara simulada</translation>
    </message>
    <message>
        <source>%1, %2</source>
        <translation>%1, %2</translation>
    </message>
    <message>
        <source>A folder that another program fills…</source>
        <translation>Una carpeta que llena otro programa…</translation>
    </message>
    <message>
        <source>A folder that another program fills</source>
        <translation>Una carpeta que llena otro programa</translation>
    </message>
    <message numerus="yes">
        <source>%n frame(s)</source>
        <translation>
            <numerusform>%n imagen</numerusform>
            <numerusform>%n imágenes</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n damaged</source>
        <translation>
            <numerusform>%n dañada</numerusform>
            <numerusform>%n dañadas</numerusform>
        </translation>
    </message>
    <message>
        <source>r₀ %1 cm</source>
        <translation>r₀ %1 cm</translation>
    </message>
    <message>
        <source>Something new is looked at.</source>
        <translation>Se examina algo nuevo.</translation>
    </message>
    <message>
        <source>Waiting for something new in %1.</source>
        <translation>A la espera de algo nuevo en %1.</translation>
    </message>
    <message>
        <source>Watching %1.</source>
        <translation>Se vigila %1.</translation>
    </message>
    <message>
        <source>%1: %2</source>
        <translation>%1: %2</translation>
    </message>
</context>
<context>
    <name>solarchon::app::SpotTable</name>
    <message>
        <source>Number on the chart</source>
        <translation>Número en la carta</translation>
    </message>
    <message>
        <source>Heliographic latitude, north positive</source>
        <translation>Latitud heliográfica, norte positiva</translation>
    </message>
    <message>
        <source>Carrington longitude</source>
        <translation>Longitud de Carrington</translation>
    </message>
    <message>
        <source>Area in millionths of the solar hemisphere</source>
        <translation>Área en millonésimas del hemisferio solar</translation>
    </message>
    <message>
        <source>Angle from the middle of the disc</source>
        <translation>Ángulo desde el centro del disco</translation>
    </message>
    <message>
        <source>No.</source>
        <translation>N.º</translation>
    </message>
    <message>
        <source>Latitude</source>
        <translation>Latitud</translation>
    </message>
    <message>
        <source>Longitude</source>
        <translation>Longitud</translation>
    </message>
    <message>
        <source>Area, µhem</source>
        <translation>Área, µhem</translation>
    </message>
    <message>
        <source>Off centre</source>
        <translation>Del centro</translation>
    </message>
</context>
<context>
    <name>solarchon::app::StepEditor</name>
    <message>
        <source>Planned</source>
        <translation>Previsto</translation>
    </message>
    <message>
        <source>min</source>
        <translation>min</translation>
    </message>
    <message>
        <source>It took</source>
        <translation>Tardó</translation>
    </message>
    <message>
        <source>Take the last one back</source>
        <translation>Retirar la última</translation>
    </message>
    <message>
        <source>Empty: what is usual for this light path; 0: the step does not occur</source>
        <translation>Vacío: lo habitual en este camino óptico; 0: el paso no ocurre</translation>
    </message>
    <message>
        <source>Afterwards: how long it really took. Plans of later days count on it</source>
        <translation>Después: cuánto tardó de verdad. Los planes de otros días cuentan con ello</translation>
    </message>
    <message>
        <source>Press when the step begins and again when it is done: the time goes into your log</source>
        <translation>Pulse cuando empiece el paso y otra vez cuando acabe: el tiempo va a su registro</translation>
    </message>
    <message>
        <source>afterwards</source>
        <translation>después</translation>
    </message>
    <message>
        <source>It is done (begun %1)</source>
        <translation>Está hecho (empezó %1)</translation>
    </message>
    <message>
        <source>It begins now</source>
        <translation>Empieza ahora</translation>
    </message>
    <message>
        <source>Plan %1</source>
        <translation>Prever %1</translation>
    </message>
    <message>
        <source>usual %1</source>
        <translation>habitual %1</translation>
    </message>
    <message>
        <source>Nothing logged yet; %1 ± %2 min are counted on.</source>
        <translation>Nada registrado aún; se cuenta con %1 ± %2 min.</translation>
    </message>
    <message numerus="yes">
        <source>With %n time(s) logged, %1 ± %2 min are counted on.</source>
        <translation>
            <numerusform>Con %n vez registrada, se cuenta con %1 ± %2 min.</numerusform>
            <numerusform>Con %n veces registradas, se cuenta con %1 ± %2 min.</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>solarchon::app::StepsPage</name>
    <message>
        <source>done</source>
        <translation>hecho</translation>
    </message>
    <message>
        <source>can be done now</source>
        <translation>puede hacerse ya</translation>
    </message>
    <message>
        <source>its time runs</source>
        <translation>su tiempo corre</translation>
    </message>
    <message>
        <source>locked: opens the telescope to the Sun</source>
        <translation>bloqueado: abre el telescopio al Sol</translation>
    </message>
    <message>
        <source>later</source>
        <translation>más tarde</translation>
    </message>
    <message>
        <source>Show how</source>
        <translation>Ver cómo</translation>
    </message>
    <message>
        <source>What is about to be done</source>
        <translation>Lo que se va a hacer</translation>
    </message>
    <message>
        <source>Setting up</source>
        <translation>Montar</translation>
    </message>
    <message>
        <source>Changing a part</source>
        <translation>Cambiar una pieza</translation>
    </message>
    <message>
        <source>Guests</source>
        <translation>Invitados</translation>
    </message>
    <message>
        <source>Packing</source>
        <translation>Recoger</translation>
    </message>
    <message>
        <source>All steps</source>
        <translation>Todos los pasos</translation>
    </message>
    <message>
        <source>Begin anew</source>
        <translation>Empezar de nuevo</translation>
    </message>
    <message>
        <source>Takes all ticks away; the times are kept for the countdown</source>
        <translation>Quita todas las marcas; los tiempos se guardan para la cuenta atrás</translation>
    </message>
    <message>
        <source>%1  %2</source>
        <translation>%1  %2</translation>
    </message>
    <message>
        <source>  %1</source>
        <translation>  %1</translation>
    </message>
    <message>
        <source>%1, %2</source>
        <translation>%1, %2</translation>
    </message>
    <message>
        <source>%1 over</source>
        <translation>%1 de más</translation>
    </message>
    <message>
        <source>All done</source>
        <translation>Todo hecho</translation>
    </message>
    <message>
        <source>Step %1 of %2, about %3 min, %4</source>
        <translation>Paso %1 de %2, unos %3 min, %4</translation>
    </message>
    <message>
        <source>Check: %1</source>
        <translation>Compruebe: %1</translation>
    </message>
    <message>
        <source>Sunlight enters the telescope while this is not done: %1 An eye, a sensor or a hand can be burnt within seconds. It will be noted.</source>
        <translation>La luz del Sol entra en el telescopio sin que esto esté hecho: %1 Un ojo, un sensor o una mano pueden quemarse en segundos. Quedará anotado.</translation>
    </message>
    <message>
        <source>It is out of order: first comes “%1” It will be noted.</source>
        <translation>Está fuera de orden: antes va «%1» Quedará anotado.</translation>
    </message>
    <message>
        <source>First: %1</source>
        <translation>Antes: %1</translation>
    </message>
    <message>
        <source>Not done after all</source>
        <translation>No está hecho</translation>
    </message>
    <message>
        <source>Show what comes first</source>
        <translation>Ver qué va antes</translation>
    </message>
    <message>
        <source>Done (Space)</source>
        <translation>Hecho (espacio)</translation>
    </message>
    <message>
        <source>I know: go on</source>
        <translation>Lo sé: seguir</translation>
    </message>
    <message>
        <source>Leave the order…</source>
        <translation>Salir del orden…</translation>
    </message>
    <message>
        <source>The page of Field that is about it</source>
        <translation>La página de Campo que trata de ello</translation>
    </message>
</context>
<context>
    <name>solarchon::app::SwipePicture</name>
    <message>
        <source>Before and after</source>
        <translation>Antes y después</translation>
    </message>
    <message>
        <source>Drag, or press left and right, to part before and after; double click or Z shows pixels as they are</source>
        <translation>Arrastre, o pulse izquierda y derecha, para separar antes y después; doble clic o Z muestra los píxeles tal como son</translation>
    </message>
</context>
<context>
    <name>solarchon::app::TrackPage</name>
    <message>
        <source>The mount</source>
        <translation>La montura</translation>
    </message>
    <message>
        <source>Change the mount&apos;s drive</source>
        <translation>Cambiar el seguimiento de la montura</translation>
    </message>
    <message>
        <source>Periodic error</source>
        <translation>Error periódico</translation>
    </message>
    <message>
        <source>Half of the whole swing of the worm</source>
        <translation>La mitad de todo el vaivén del sinfín</translation>
    </message>
    <message>
        <source>Its period</source>
        <translation>Su periodo</translation>
    </message>
    <message>
        <source>s</source>
        <translation>s</translation>
    </message>
    <message>
        <source>A turn of the worm: 480 s with 180 teeth</source>
        <translation>Una vuelta del sinfín: 480 s con 180 dientes</translation>
    </message>
    <message>
        <source>Steps of each axis</source>
        <translation>Pasos de cada eje</translation>
    </message>
    <message>
        <source>Two axes that step are seen as jitter</source>
        <translation>Dos ejes que van a pasos se ven como temblor</translation>
    </message>
    <message>
        <source>An alt-azimuth mount: it follows by steps of both axes, and the field turns.</source>
        <translation>Una montura altacimutal: sigue a pasos de ambos ejes, y el campo gira.</translation>
    </message>
    <message>
        <source>An equatorial mount, its axis taken as true: drift runs on the page Drift tell more.</source>
        <translation>Una montura ecuatorial, con el eje tomado por exacto: las series de la página Deriva dicen más.</translation>
    </message>
    <message>
        <source>An equatorial mount, its axis %1′ off in altitude and %2′ in azimuth by the drift runs.</source>
        <translation>Una montura ecuatorial, con el eje a %1′ en altura y %2′ en acimut según las series de deriva.</translation>
    </message>
    <message>
        <source>The Sun touches the edge of the field at %1.</source>
        <translation>El Sol toca el borde del campo a las %1.</translation>
    </message>
    <message>
        <source>Over the coming hour the Sun wanders by %1″.</source>
        <translation>En la próxima hora el Sol vaga %1″.</translation>
    </message>
    <message>
        <source>At %1 the mount turns over: the picture stands upside down then, and the Sun is centred anew.</source>
        <translation>A las %1 la montura da la vuelta: la imagen queda entonces boca abajo y se centra de nuevo el Sol.</translation>
    </message>
    <message>
        <source>The middle of the Sun in the picture, drawn large; dots stand at ten minutes.</source>
        <translation>El centro del Sol en la imagen, dibujado en grande; los puntos van cada diez minutos.</translation>
    </message>
    <message>
        <source>Farthest</source>
        <translation>Lo más lejos</translation>
    </message>
    <message>
        <source>%1″</source>
        <translation>%1″</translation>
    </message>
    <message>
        <source>From the middle of the field</source>
        <translation>Desde el centro del campo</translation>
    </message>
    <message>
        <source>Fastest</source>
        <translation>Lo más rápido</translation>
    </message>
    <message>
        <source>%1″/min</source>
        <translation>%1″/min</translation>
    </message>
    <message>
        <source>Field turns by</source>
        <translation>El campo gira</translation>
    </message>
    <message>
        <source>%1°</source>
        <translation>%1°</translation>
    </message>
    <message>
        <source>Within the hour</source>
        <translation>En la hora</translation>
    </message>
    <message>
        <source>Longest clip</source>
        <translation>Vídeo más largo</translation>
    </message>
    <message>
        <source>%1 s</source>
        <translation>%1 s</translation>
    </message>
    <message>
        <source>not known</source>
        <translation>no se sabe</translation>
    </message>
    <message>
        <source>Until the fastest drift blurs half of the finest detail that can be had</source>
        <translation>Hasta que la deriva más rápida emborrone la mitad del detalle más fino posible</translation>
    </message>
    <message>
        <source>At the limb, wandering and turning of the field together; steps are jitter on top</source>
        <translation>En el limbo, deriva y giro del campo juntos; los pasos son temblor añadido</translation>
    </message>
    <message>
        <source>The axes go by steps: each dot is the middle of the Sun, every %1 seconds.</source>
        <translation>Los ejes van a pasos: cada punto es el centro del Sol, cada %1 segundos.</translation>
    </message>
    <message>
        <source>No tracking: the Sun drifts through the field, and you point ahead of it again and again.</source>
        <translation>Sin seguimiento: el Sol atraviesa el campo, y hay que apuntar por delante de él una y otra vez.</translation>
    </message>
</context>
<context>
    <name>solarchon::app::TrackPicture</name>
    <message>
        <source>Where the Sun wanders in the field</source>
        <translation>Por dónde vaga el Sol en el campo</translation>
    </message>
    <message>
        <source>the field, to scale</source>
        <translation>el campo, a escala</translation>
    </message>
    <message>
        <source>%1′</source>
        <translation>%1′</translation>
    </message>
    <message>
        <source>%1″</source>
        <translation>%1″</translation>
    </message>
</context>
<context>
    <name>solarchon::app::TuningPage</name>
    <message>
        <source>Bluer</source>
        <translation>Más azul</translation>
    </message>
    <message>
        <source>Redder</source>
        <translation>Más rojo</translation>
    </message>
    <message>
        <source>Light of the disc at each step of the tuner</source>
        <translation>Luz del disco en cada paso del sintonizador</translation>
    </message>
    <message>
        <source>By one step of the tuner; it takes minutes to get there</source>
        <translation>Un paso del sintonizador; tarda minutos en llegar</translation>
    </message>
    <message>
        <source>Step %1: it stands still in %2.</source>
        <translation>Paso %1: se estabiliza en %2.</translation>
    </message>
    <message>
        <source>Step %1: waiting until it stands still.</source>
        <translation>Paso %1: esperando a que se estabilice.</translation>
    </message>
    <message>
        <source>Looking at step %1.</source>
        <translation>Mirando en el paso %1.</translation>
    </message>
    <message>
        <source>Step %1 is the best: going back to it.</source>
        <translation>El paso %1 es el mejor: vuelve a él.</translation>
    </message>
    <message>
        <source>The heater does not come on band. Is its supply strong enough?</source>
        <translation>El calefactor no llega a la banda. ¿Basta su alimentación?</translation>
    </message>
    <message>
        <source>All steps look alike. More light, less cloud or sharper focus helps.</source>
        <translation>Todos los pasos se ven iguales. Ayudan más luz, menos nubes o mejor foco.</translation>
    </message>
    <message>
        <source>On the line at step %1 (%2): there the disc is darkest.</source>
        <translation>En la línea en el paso %1 (%2): ahí el disco es más oscuro.</translation>
    </message>
    <message>
        <source>Step %1 (%2) shows most; the disc&apos;s light could not tell.</source>
        <translation>El paso %1 (%2) es el que más muestra; la luz del disco no lo pudo decidir.</translation>
    </message>
    <message>
        <source>Light of the disc, of the brightest step</source>
        <translation>Luz del disco, respecto al paso más brillante</translation>
    </message>
    <message>
        <source>bluer</source>
        <translation>más azul</translation>
    </message>
    <message>
        <source>redder</source>
        <translation>más rojo</translation>
    </message>
    <message>
        <source>No run yet</source>
        <translation>Ninguna pasada aún</translation>
    </message>
    <message>
        <source>Step %1 (%2), on band.</source>
        <translation>Paso %1 (%2), en banda.</translation>
    </message>
    <message>
        <source>Step %1 (%2), not on band yet.</source>
        <translation>Paso %1 (%2), aún fuera de banda.</translation>
    </message>
    <message>
        <source>It stands still in %1.</source>
        <translation>Se estabiliza en %1.</translation>
    </message>
    <message>
        <source>Stop</source>
        <translation>Parar</translation>
    </message>
    <message>
        <source>Find the line</source>
        <translation>Buscar la línea</translation>
    </message>
    <message>
        <source>Tries steps one by one, waits at each, and goes to the best (F12)</source>
        <translation>Prueba los pasos uno a uno, espera en cada uno y va al mejor (F12)</translation>
    </message>
    <message>
        <source>No heated etalon</source>
        <translation>Sin etalón calefactado</translation>
    </message>
    <message>
        <source>Nothing in this light path can be tuned from here.</source>
        <translation>Nada en este camino óptico se puede sintonizar desde aquí.</translation>
    </message>
    <message>
        <source>Etalon %1.</source>
        <translation>Etalón a %1.</translation>
    </message>
    <message>
        <source>Mark</source>
        <translation>Marca</translation>
    </message>
    <message>
        <source>At which the tuner stands: count its marks or turns as you like</source>
        <translation>En la que está el sintonizador: cuente sus marcas o vueltas como quiera</translation>
    </message>
    <message>
        <source>Looking at mark %1.</source>
        <translation>Mirando la marca %1.</translation>
    </message>
    <message>
        <source>Turn the tuner to another mark, wait until it stands still, and look again.</source>
        <translation>Gire el sintonizador a otra marca, espere a que se estabilice y mire de nuevo.</translation>
    </message>
    <message>
        <source>At mark %1 the disc is darkest: nearest to the middle of the line.</source>
        <translation>En la marca %1 el disco es más oscuro: lo más cerca del centro de la línea.</translation>
    </message>
    <message>
        <source>Mark %1 shows most; the disc’s light could not tell.</source>
        <translation>La marca %1 muestra más; la luz del disco no permitió decidir.</translation>
    </message>
    <message>
        <source>Try beyond it.</source>
        <translation>Pruebe más allá.</translation>
    </message>
    <message>
        <source>There it stands.</source>
        <translation>Ahí está.</translation>
    </message>
    <message>
        <source>Turn back to it.</source>
        <translation>Vuelva a ella.</translation>
    </message>
    <message>
        <source>Light of the disc, of the brightest mark</source>
        <translation>Luz del disco, respecto a la marca más brillante</translation>
    </message>
    <message>
        <source>No mark looked at yet</source>
        <translation>Aún no se ha mirado ninguna marca</translation>
    </message>
    <message>
        <source>Turn the tuner by hand, say at which mark it stands, and look; after three marks or more it is known which is best.</source>
        <translation>Gire el sintonizador a mano, diga en qué marca está y mire; con tres marcas o más se sabe cuál es la mejor.</translation>
    </message>
    <message>
        <source>Look here</source>
        <translation>Mirar aquí</translation>
    </message>
    <message>
        <source>Looks for some seconds at what this mark does (F12)</source>
        <translation>Mira durante unos segundos qué hace esta marca (F12)</translation>
    </message>
</context>
<context>
    <name>solarchon::app::UncoveredLine</name>
    <message>
        <source>The Moon covers the whole Sun at this time.</source>
        <translation>La Luna cubre todo el Sol a esta hora.</translation>
    </message>
    <message>
        <source>The Moon covers less than 1 % of the Sun at this time.</source>
        <translation>La Luna cubre menos del 1 % del Sol a esta hora.</translation>
    </message>
    <message>
        <source>The Moon covers %1 % of the Sun at this time.</source>
        <translation>La Luna cubre el %1 % del Sol a esta hora.</translation>
    </message>
    <message>
        <source>%1 Simulated pictures, exposures and frame counts are those of an uncovered Sun.</source>
        <translation>%1 Las imágenes simuladas, las exposiciones y el número de tomas son los de un Sol descubierto.</translation>
    </message>
</context>
<context>
    <name>solarchon::app::VerdictBadge</name>
    <message>
        <source>Safety: %1</source>
        <translation>Seguridad: %1</translation>
    </message>
    <message>
        <source>No objection found</source>
        <translation>Sin objeción hallada</translation>
    </message>
</context>
<context>
    <name>solarchon::app::WallChart</name>
    <message>
        <source>Path of the Sun over the horizon</source>
        <translation>Camino del Sol sobre el horizonte</translation>
    </message>
    <message>
        <source>Click sets a corner, drag moves it, right click or Delete takes it out, T marks trees. Arrows choose and lift, Insert adds.</source>
        <translation>Un clic pone una esquina, arrastrar la mueve, clic derecho o Supr la quita, T marca árboles. Las flechas eligen y alzan, Insert añade.</translation>
    </message>
    <message>
        <source>%1° %2, %3° high</source>
        <translation>%1° %2, %3° de altura</translation>
    </message>
    <message>
        <source>the mount turns over</source>
        <translation>la montura gira</translation>
    </message>
    <message>
        <source>Corner %1 of %2: azimuth %3, height %4 degrees, trees</source>
        <translation>Esquina %1 de %2: acimut %3, altura %4 grados, árboles</translation>
    </message>
    <message>
        <source>Corner %1 of %2: azimuth %3, height %4 degrees</source>
        <translation>Esquina %1 de %2: acimut %3, altura %4 grados</translation>
    </message>
</context>
<context>
    <name>solarchon::app::WaysPage</name>
    <message>
        <source>Cut off: the shutter is not short enough.</source>
        <translation>Quemado: el obturador no es bastante corto.</translation>
    </message>
    <message>
        <source>Finest %1″.</source>
        <translation>Lo más fino, %1″.</translation>
    </message>
    <message>
        <source>Lay it beside mine</source>
        <translation>Ponerlo junto al mío</translation>
    </message>
    <message>
        <source>Take it</source>
        <translation>Tomarlo</translation>
    </message>
    <message>
        <source>Light path compares both; Frame shows both pictures</source>
        <translation>Camino óptico compara los dos; Encuadre muestra las dos imágenes</translation>
    </message>
    <message>
        <source>Makes it the light path in use; can be undone</source>
        <translation>Lo convierte en el camino óptico en uso; se puede deshacer</translation>
    </message>
    <message>
        <source>Yours: %1</source>
        <translation>El suyo: %1</translation>
    </message>
    <message>
        <source>Lay a light path beside</source>
        <translation>Poner un camino óptico al lado</translation>
    </message>
    <message>
        <source>Take a light path</source>
        <translation>Tomar un camino óptico</translation>
    </message>
    <message>
        <source>Hydrogen alpha: the target is not seen in it.</source>
        <translation>Hidrógeno alfa: el objetivo no se ve en él.</translation>
    </message>
    <message>
        <source>Hydrogen alpha: prominences, filaments, plage.</source>
        <translation>Hidrógeno alfa: protuberancias, filamentos, playas.</translation>
    </message>
    <message>
        <source>White light: the target is not seen in it.</source>
        <translation>Luz blanca: el objetivo no se ve en ella.</translation>
    </message>
    <message>
        <source>White light: spots, faculae, granulation.</source>
        <translation>Luz blanca: manchas, fáculas, granulación.</translation>
    </message>
    <message>
        <source>White light: spots and faculae.</source>
        <translation>Luz blanca: manchas y fáculas.</translation>
    </message>
</context>
<context>
    <name>solarchon::app::WaysSheet</name>
    <message>
        <source>What each light path shows</source>
        <translation>Lo que muestra cada camino óptico</translation>
    </message>
    <message>
        <source>The same %1′ of sky in each, in today&apos;s air. Simulated; cameras in false colour, eyepieces in their own.</source>
        <translation>Los mismos %1′ de cielo en cada una, con el aire de hoy. Simulado; cámaras en falso color, oculares en el suyo.</translation>
    </message>
    <message>
        <source>being drawn…</source>
        <translation>dibujando…</translation>
    </message>
    <message>
        <source>%1: %2</source>
        <translation>%1: %2</translation>
    </message>
</context>
<context>
    <name>solarchon::app::Window</name>
    <message>
        <source>Welcome. Start with your place: choose Site on the top left.</source>
        <translation>Bienvenido. Empiece por su lugar: elija Sitio arriba a la izquierda.</translation>
    </message>
    <message>
        <source>The computer’s clock says %1. Set it before you rely on any figure for now.</source>
        <translation>El reloj del ordenador dice %1. Ajústelo antes de fiarse de ninguna cifra de ahora.</translation>
    </message>
    <message>
        <source>%1. It was left as it is; changes are not kept until it is mended or moved away.</source>
        <translation>%1. Se dejó como está; los cambios no se guardan hasta que se repare o se aparte.</translation>
    </message>
    <message>
        <source>Undo</source>
        <translation>Deshacer</translation>
    </message>
    <message>
        <source>Redo</source>
        <translation>Rehacer</translation>
    </message>
    <message>
        <source>Open a light path</source>
        <translation>Abrir un camino óptico</translation>
    </message>
    <message>
        <source>Save the light path</source>
        <translation>Guardar el camino óptico</translation>
    </message>
    <message>
        <source>Noon or indoors</source>
        <translation>Mediodía o interior</translation>
    </message>
    <message>
        <source>Day ribbon</source>
        <translation>Cinta del día</translation>
    </message>
    <message>
        <source>Quit</source>
        <translation>Salir</translation>
    </message>
    <message>
        <source>Light paths (*.json);;All files (*)</source>
        <translation>Caminos ópticos (*.json);;Todos los archivos (*)</translation>
    </message>
    <message>
        <source>Light paths (*.json)</source>
        <translation>Caminos ópticos (*.json)</translation>
    </message>
    <message>
        <source>Noon: light, for daylight</source>
        <translation>Mediodía: claro, para la luz del día</translation>
    </message>
    <message>
        <source>Indoors: dark</source>
        <translation>Interior: oscuro</translation>
    </message>
    <message>
        <source>Your notes could not be written to the log yet. Copy them, or close once more to leave without them.</source>
        <translation>Sus notas aún no se pudieron escribir en el registro. Cópielas, o cierre otra vez para salir sin ellas.</translation>
    </message>
    <message>
        <source>Larger text</source>
        <translation>Texto más grande</translation>
    </message>
    <message>
        <source>Smaller text</source>
        <translation>Texto más pequeño</translation>
    </message>
    <message>
        <source>Usual text size</source>
        <translation>Tamaño de texto habitual</translation>
    </message>
    <message>
        <source>over</source>
        <translation>terminado</translation>
    </message>
    <message>
        <source>Cleaned up unfinished files of an earlier session: %1</source>
        <translation>Se borraron archivos sin terminar de una sesión anterior: %1</translation>
    </message>
</context>
<context>
    <name>solarchon::app::YearChart</name>
    <message>
        <source>The year: heights of the Sun, clear hours, tilt of the disc, rotations</source>
        <translation>El año: alturas del Sol, horas libres, inclinación del disco, rotaciones</translation>
    </message>
    <message>
        <source>%1
highest %2°, clear %3 h
P %4°, B₀ %5°</source>
        <translation>%1
máximo %2°, libre %3 h
P %4°, B₀ %5°</translation>
    </message>
    <message>
        <source>%1°</source>
        <translation>%1°</translation>
    </message>
    <message>
        <source>%1 h</source>
        <translation>%1 h</translation>
    </message>
    <message>
        <source>rotation</source>
        <translation>rotación</translation>
    </message>
    <message>
        <source>The year is being worked out…</source>
        <translation>Se está calculando el año…</translation>
    </message>
    <message>
        <source>Height</source>
        <translation>Altura</translation>
    </message>
    <message>
        <source>Clear hours by the clock</source>
        <translation>Horas libres según el reloj</translation>
    </message>
    <message>
        <source>Tilt</source>
        <translation>Inclinación</translation>
    </message>
</context>
<context>
    <name>solarchon::app::YearPage</name>
    <message>
        <source>Best windows, next four weeks</source>
        <translation>Mejores ventanas, próximas cuatro semanas</translation>
    </message>
    <message>
        <source>For a run of</source>
        <translation>Para una serie de</translation>
    </message>
    <message>
        <source>min</source>
        <translation>min</translation>
    </message>
    <message>
        <source>Best windows</source>
        <translation>Mejores ventanas</translation>
    </message>
    <message>
        <source>By the finest detail that the expected air leaves; overcast hours last</source>
        <translation>Por el detalle más fino que deja el aire esperado; las horas cubiertas al final</translation>
    </message>
    <message>
        <source>Plan a run there</source>
        <translation>Prever ahí una serie</translation>
    </message>
    <message>
        <source>%1, %2
%3″, details of %4 km; Sun %5° high</source>
        <translation>%1, %2
%3″, detalles de %4 km; Sol a %5°</translation>
    </message>
    <message>
        <source>None: the Sun never stands clear that long, or the spot is behind the limb.</source>
        <translation>Ninguna: el Sol nunca queda libre tanto tiempo, o la mancha está tras el limbo.</translation>
    </message>
    <message>
        <source>A plan holds 500 runs at most; remove old ones first</source>
        <translation>Un plan admite 500 series como mucho; elimine antes las viejas</translation>
    </message>
    <message>
        <source>Best air</source>
        <translation>Mejor aire</translation>
    </message>
    <message>
        <source>Add run</source>
        <translation>Añadir serie</translation>
    </message>
    <message>
        <source>Target: whole disc. The finest detail that the air leaves.</source>
        <translation>Objetivo: disco entero. El detalle más fino que deja el aire.</translation>
    </message>
    <message>
        <source>Target: the largest spot of the frame that was measured last.</source>
        <translation>Objetivo: la mancha mayor de la última toma medida.</translation>
    </message>
    <message>
        <source>Target: largest spot; none is measured yet, so the air alone decides.</source>
        <translation>Objetivo: la mancha mayor; aún no se ha medido ninguna, así que decide sólo el aire.</translation>
    </message>
    <message>
        <source>Spot %1° east of the middle</source>
        <translation>Mancha a %1° al este del centro</translation>
    </message>
    <message>
        <source>Spot %1° west of the middle</source>
        <translation>Mancha a %1° al oeste del centro</translation>
    </message>
    <message>
        <source>By the forecast: %1</source>
        <translation>Según el pronóstico: %1</translation>
    </message>
    <message>
        <source>Change the length looked for</source>
        <translation>Cambiar la duración buscada</translation>
    </message>
</context>
<context>
    <name>solarchon::app::YearStrip</name>
    <message>
        <source>The year</source>
        <translation>El año</translation>
    </message>
    <message>
        <source>A bar for each day with frames; its height is the number of spots</source>
        <translation>Una barra por cada día con tomas; su altura es el número de manchas</translation>
    </message>
</context>
<context>
    <name>solarchon::words</name>
    <message>
        <source>Focus is not reached.</source>
        <translation>No se llega a foco.</translation>
    </message>
    <message>
        <source>The parts behind the telescope are longer than the focuser can rack in.</source>
        <translation>Las piezas tras el telescopio son más largas de lo que el enfocador puede recoger.</translation>
    </message>
    <message>
        <source>The focuser does not rack out far enough; an extension is missing.</source>
        <translation>El enfocador no sale lo bastante; falta una extensión.</translation>
    </message>
    <message>
        <source>It cannot be fitted to the part before it.</source>
        <translation>No puede acoplarse a la pieza anterior.</translation>
    </message>
    <message>
        <source>Barrels and threads do not go together without an adapter.</source>
        <translation>Tubos y roscas no casan sin un adaptador.</translation>
    </message>
    <message>
        <source>No image forms on the sensor.</source>
        <translation>No se forma imagen en el sensor.</translation>
    </message>
    <message>
        <source>The reducer stands further from the sensor than its own focal length.</source>
        <translation>El reductor está más lejos del sensor que su propia distancia focal.</translation>
    </message>
    <message>
        <source>The passband widens or the edge goes dark: little of the chromosphere shows.</source>
        <translation>La banda pasante se ensancha o el borde se oscurece: se ve poca cromosfera.</translation>
    </message>
    <message>
        <source>The light cone is not the one that this etalon is made for.</source>
        <translation>El cono de luz no es aquel para el que se hizo este etalón.</translation>
    </message>
    <message>
        <source>The edge of the Sun is dark or missing.</source>
        <translation>El borde del Sol está oscuro o falta.</translation>
    </message>
    <message>
        <source>The blocking filter is smaller than the image of the disc; a larger one or a shorter focal length shows all of it, a mosaic the parts.</source>
        <translation>El filtro de bloqueo es menor que la imagen del disco; uno mayor o una focal más corta lo muestra entero, un mosaico por partes.</translation>
    </message>
    <message>
        <source>The edge of the Sun is dark.</source>
        <translation>El borde del Sol está oscuro.</translation>
    </message>
    <message>
        <source>An opening on the way is too narrow for the light of the limb.</source>
        <translation>Una abertura en el camino es demasiado estrecha para la luz del limbo.</translation>
    </message>
    <message>
        <source>A dark spot floats in the middle.</source>
        <translation>Una mancha oscura flota en el centro.</translation>
    </message>
    <message>
        <source>The eyepiece does not show the whole Sun.</source>
        <translation>El ocular no muestra el Sol entero.</translation>
    </message>
    <message>
        <source>Its true field is smaller than the disc.</source>
        <translation>Su campo real es menor que el disco.</translation>
    </message>
    <message>
        <source>The sensor cuts the disc.</source>
        <translation>El sensor corta el disco.</translation>
    </message>
    <message>
        <source>Fine detail is lost between the pixels.</source>
        <translation>El detalle fino se pierde entre los píxeles.</translation>
    </message>
    <message>
        <source>The pixels are too large for what lens and air can show; 2 to 3 for the finest detail suit.</source>
        <translation>Los píxeles son demasiado grandes para lo que lente y aire pueden mostrar; convienen de 2 a 3 por el detalle más fino.</translation>
    </message>
    <message>
        <source>Light and frame rate are spent on blur.</source>
        <translation>Se gastan luz y velocidad en borrosidad.</translation>
    </message>
    <message>
        <source>The pixels are smaller than lens and air can use; 2 to 3 for the finest detail suit.</source>
        <translation>Los píxeles son menores de lo que lente y aire aprovechan; convienen de 2 a 3 por el detalle más fino.</translation>
    </message>
    <message>
        <source>Three of four pixels stay dark.</source>
        <translation>Tres de cada cuatro píxeles quedan oscuros.</translation>
    </message>
    <message>
        <source>Hydrogen alpha passes only the red quarter of a colour sensor.</source>
        <translation>El hidrógeno alfa pasa sólo por la cuarta parte roja de un sensor de color.</translation>
    </message>
    <message>
        <source>Bright and dark bands may cross the picture.</source>
        <translation>Pueden cruzar la imagen bandas claras y oscuras.</translation>
    </message>
    <message>
        <source>Light of one colour interferes between sensor and filters; a small tilt makes the bands too fine to see.</source>
        <translation>La luz de un solo color interfiere entre sensor y filtros; una pequeña inclinación hace las bandas demasiado finas para verse.</translation>
    </message>
    <message>
        <source>Light of one colour interferes between sensor and filters. A tilt that hides the bands blurs the edge of this sensor: tilt less, and use a smaller region.</source>
        <translation>La luz de un solo color interfiere entre sensor y filtros. La inclinación que oculta las bandas emborrona el borde de este sensor: incline menos, y use una región menor.</translation>
    </message>
    <message>
        <source>The corners are out of focus.</source>
        <translation>Las esquinas están desenfocadas.</translation>
    </message>
    <message>
        <source>The sensor is tilted by more than the depth of focus allows.</source>
        <translation>El sensor está inclinado más de lo que permite la profundidad de foco.</translation>
    </message>
    <message>
        <source>The disc saturates at the shortest exposure.</source>
        <translation>El disco se satura con la exposición más corta.</translation>
    </message>
    <message>
        <source>The shutter cannot be as short as this light asks.</source>
        <translation>El obturador no puede ser tan corto como pide esta luz.</translation>
    </message>
    <message>
        <source>The air blurs each frame.</source>
        <translation>El aire emborrona cada toma.</translation>
    </message>
    <message>
        <source>The exposure is longer than the air stands still.</source>
        <translation>La exposición dura más de lo que el aire se está quieto.</translation>
    </message>
    <message>
        <source>Outside, the etalon may stay cold.</source>
        <translation>Al aire libre, el etalón puede quedarse frío.</translation>
    </message>
    <message>
        <source>The light path names no power supply for its heater; add the one that you will take along.</source>
        <translation>El camino óptico no nombra ninguna fuente para su calefactor; añada la que vaya a llevar.</translation>
    </message>
    <message>
        <source>The heater reports a fault and never comes on band.</source>
        <translation>El calefactor da un fallo y nunca llega a la banda.</translation>
    </message>
    <message>
        <source>The supplies listed do not give the power that it draws at its voltage; a laptop&apos;s port is usually too weak.</source>
        <translation>Las fuentes indicadas no dan la potencia que pide a su voltaje; el puerto de un portátil suele ser demasiado débil.</translation>
    </message>
    <message>
        <source>A part has a defect on record.</source>
        <translation>Una pieza tiene anotado un defecto.</translation>
    </message>
    <message>
        <source>An inspection found it, and nobody has cleared it.</source>
        <translation>Una revisión lo halló, y nadie lo ha resuelto.</translation>
    </message>
    <message>
        <source>Pixels per finest detail</source>
        <translation>Píxeles por el detalle más fino</translation>
    </message>
    <message>
        <source>Exposure</source>
        <translation>Exposición</translation>
    </message>
    <message>
        <source>Tilt wanted</source>
        <translation>Inclinación deseada</translation>
    </message>
    <message>
        <source>Sensor over image</source>
        <translation>Sensor entre imagen</translation>
    </message>
    <message>
        <source>Shadow in the exit pupil</source>
        <translation>Sombra en la pupila de salida</translation>
    </message>
    <message>
        <source>True field</source>
        <translation>Campo real</translation>
    </message>
    <message>
        <source>To spare</source>
        <translation>Margen</translation>
    </message>
    <message>
        <source>Light at the limb</source>
        <translation>Luz en el limbo</translation>
    </message>
    <message>
        <source>Focal ratio before the etalon</source>
        <translation>Relación focal ante el etalón</translation>
    </message>
    <message>
        <source>Margin</source>
        <translation>Margen</translation>
    </message>
    <message>
        <source>Supply</source>
        <translation>Fuente</translation>
    </message>
    <message>
        <source>Within the wedge&apos;s limit by</source>
        <translation>Dentro del límite de la cuña por</translation>
    </message>
    <message>
        <source>At the sensor</source>
        <translation>En el sensor</translation>
    </message>
    <message>
        <source>Open aperture</source>
        <translation>Apertura abierta</translation>
    </message>
    <message>
        <source>Density in all</source>
        <translation>Densidad en total</translation>
    </message>
    <message>
        <source>a number</source>
        <translation>un número</translation>
    </message>
    <message>
        <source>a whole number</source>
        <translation>un número entero</translation>
    </message>
    <message>
        <source>text</source>
        <translation>texto</translation>
    </message>
    <message>
        <source>true or false</source>
        <translation>verdadero o falso</translation>
    </message>
    <message>
        <source>yes or no</source>
        <translation>sí o no</translation>
    </message>
    <message>
        <source>%1 to %2</source>
        <translation>%1 a %2</translation>
    </message>
    <message>
        <source>a date as YYYY-MM-DD</source>
        <translation>una fecha como AAAA-MM-DD</translation>
    </message>
    <message>
        <source>a time as YYYY-MM-DDTHH:MM:SSZ</source>
        <translation>una hora como AAAA-MM-DDTHH:MM:SSZ</translation>
    </message>
    <message>
        <source>1972-01-03 to 2099-12-30</source>
        <translation>de 1972-01-03 a 2099-12-30</translation>
    </message>
    <message>
        <source>1972 to 2099</source>
        <translation>de 1972 a 2099</translation>
    </message>
    <message>
        <source>second 60 only where a leap second was put in</source>
        <translation>segundo 60 sólo donde se intercaló uno</translation>
    </message>
    <message>
        <source>a time with the Sun above the horizon</source>
        <translation>una hora con el Sol sobre el horizonte</translation>
    </message>
    <message>
        <source>a place and a date, or a file</source>
        <translation>un lugar y una fecha, o un archivo</translation>
    </message>
    <message>
        <source>those that --help lists</source>
        <translation>las que lista --help</translation>
    </message>
    <message>
        <source>an object</source>
        <translation>un objeto</translation>
    </message>
    <message>
        <source>a list</source>
        <translation>una lista</translation>
    </message>
    <message>
        <source>a list of at most %1</source>
        <translation>una lista de %1 como mucho</translation>
    </message>
    <message>
        <source>at most %1</source>
        <translation>%1 como mucho</translation>
    </message>
    <message>
        <source>at most %1 bytes</source>
        <translation>%1 bytes como mucho</translation>
    </message>
    <message>
        <source>at least one line</source>
        <translation>al menos una línea</translation>
    </message>
    <message>
        <source>versions up to %1</source>
        <translation>versiones hasta la %1</translation>
    </message>
    <message>
        <source>an id that no other part has</source>
        <translation>un id que no tenga otra pieza</translation>
    </message>
    <message>
        <source>no member has this name</source>
        <translation>ningún miembro se llama así</translation>
    </message>
    <message>
        <source>nested too deeply</source>
        <translation>anidado demasiado hondo</translation>
    </message>
    <message>
        <source>at byte %1</source>
        <translation>en el byte %1</translation>
    </message>
    <message>
        <source>a number that is too large</source>
        <translation>un número demasiado grande</translation>
    </message>
    <message>
        <source>azimuth, height and perhaps trees</source>
        <translation>acimut, altura y quizá árboles</translation>
    </message>
    <message>
        <source>%1 columns</source>
        <translation>%1 columnas</translation>
    </message>
    <message>
        <source>a log of this program</source>
        <translation>un registro de este programa</translation>
    </message>
    <message>
        <source>coefficients of the World Magnetic Model</source>
        <translation>coeficientes del World Magnetic Model</translation>
    </message>
    <message>
        <source>an iCalendar</source>
        <translation>un iCalendar</translation>
    </message>
    <message>
        <source>a date with a time</source>
        <translation>una fecha con hora</translation>
    </message>
    <message>
        <source>a time of day</source>
        <translation>una hora del día</translation>
    </message>
    <message>
        <source>a whole day</source>
        <translation>un día entero</translation>
    </message>
    <message>
        <source>a known time zone</source>
        <translation>una zona horaria conocida</translation>
    </message>
    <message>
        <source>an event that happens once</source>
        <translation>un evento que ocurre una vez</translation>
    </message>
    <message>
        <source>it recurs</source>
        <translation>se repite</translation>
    </message>
    <message>
        <source>after the start, within a day</source>
        <translation>tras el comienzo, dentro de un día</translation>
    </message>
    <message>
        <source>an END for every BEGIN</source>
        <translation>un END por cada BEGIN</translation>
    </message>
    <message>
        <source>a picture</source>
        <translation>una imagen</translation>
    </message>
    <message>
        <source>a FITS picture</source>
        <translation>una imagen FITS</translation>
    </message>
    <message>
        <source>a whole FITS picture</source>
        <translation>una imagen FITS entera</translation>
    </message>
    <message>
        <source>a whole PNG picture</source>
        <translation>una imagen PNG entera</translation>
    </message>
    <message>
        <source>a TIFF picture</source>
        <translation>una imagen TIFF</translation>
    </message>
    <message>
        <source>a whole TIFF picture</source>
        <translation>una imagen TIFF entera</translation>
    </message>
    <message>
        <source>one picture of two axes, or its colour planes</source>
        <translation>una imagen de dos ejes, o sus planos de color</translation>
    </message>
    <message>
        <source>a number within the standard&apos;s limits, at most 9 axes</source>
        <translation>un número dentro de los límites de la norma, 9 ejes como mucho</translation>
    </message>
    <message>
        <source>at most 1 MB of header</source>
        <translation>1 MB de cabecera como mucho</translation>
    </message>
    <message>
        <source>at most %1 pixels a side and %2 in all</source>
        <translation>%1 píxeles por lado y %2 en total como mucho</translation>
    </message>
    <message>
        <source>grey or RGB, 8 or 16 bit or real numbers, in strips</source>
        <translation>gris o RGB, 8 o 16 bits o números reales, en tiras</translation>
    </message>
    <message>
        <source>%1 axes</source>
        <translation>%1 ejes</translation>
    </message>
    <message>
        <source>%1 x %2 pixels</source>
        <translation>%1 x %2 píxeles</translation>
    </message>
    <message>
        <source>it claims more than it holds</source>
        <translation>declara más de lo que contiene</translation>
    </message>
    <message>
        <source>cut off in a header</source>
        <translation>cortado en una cabecera</translation>
    </message>
    <message>
        <source>a header without an end</source>
        <translation>una cabecera sin final</translation>
    </message>
    <message>
        <source>cut off</source>
        <translation>cortado</translation>
    </message>
    <message>
        <source>no picture in it</source>
        <translation>no contiene ninguna imagen</translation>
    </message>
    <message>
        <source>damaged</source>
        <translation>dañado</translation>
    </message>
    <message>
        <source>cut off or damaged</source>
        <translation>cortado o dañado</translation>
    </message>
    <message>
        <source>another layout of pixels</source>
        <translation>otra disposición de píxeles</translation>
    </message>
    <message>
        <source>too short or unreadable</source>
        <translation>demasiado corto o ilegible</translation>
    </message>
    <message>
        <source>another kind of file</source>
        <translation>otra clase de archivo</translation>
    </message>
    <message>
        <source>no edge of the Sun was found in the picture</source>
        <translation>no se halló en la imagen ningún borde del Sol</translation>
    </message>
    <message>
        <source>the picture is too small to hold an edge of the Sun</source>
        <translation>la imagen es demasiado pequeña para contener un borde del Sol</translation>
    </message>
    <message>
        <source>the picture is too dim: nothing in it stands out by a hundredth of full; expose longer</source>
        <translation>la imagen es demasiado oscura: nada en ella destaca una centésima del máximo; exponga más</translation>
    </message>
    <message>
        <source>the picture is full all over; expose shorter</source>
        <translation>la imagen está llena por todas partes; exponga menos</translation>
    </message>
    <message>
        <source>a telescope and a camera behind it</source>
        <translation>un telescopio y una cámara detrás</translation>
    </message>
    <message>
        <source>no such file</source>
        <translation>no existe tal archivo</translation>
    </message>
    <message>
        <source>it is no file name</source>
        <translation>no es un nombre de archivo</translation>
    </message>
    <message>
        <source>it is a folder</source>
        <translation>es una carpeta</translation>
    </message>
    <message>
        <source>it is not a plain file</source>
        <translation>no es un archivo corriente</translation>
    </message>
    <message>
        <source>it is not installed with the program</source>
        <translation>no está instalado con el programa</translation>
    </message>
    <message>
        <source>no log in %1</source>
        <translation>no hay registro en %1</translation>
    </message>
    <message>
        <source>held by process %1</source>
        <translation>lo tiene el proceso %1</translation>
    </message>
    <message>
        <source>held by another process</source>
        <translation>lo tiene otro proceso</translation>
    </message>
    <message>
        <source>too many frames of one instant</source>
        <translation>demasiadas tomas de un mismo instante</translation>
    </message>
    <message>
        <source>is missing</source>
        <translation>falta</translation>
    </message>
    <message>
        <source>%1 is of the wrong kind</source>
        <translation>%1 es de otra clase</translation>
    </message>
    <message>
        <source>is of the wrong kind</source>
        <translation>es de otra clase</translation>
    </message>
    <message>
        <source>is out of range</source>
        <translation>está fuera de margen</translation>
    </message>
    <message>
        <source>%1 is out of range</source>
        <translation>%1 está fuera de margen</translation>
    </message>
    <message>
        <source>&quot;%1&quot; is not known</source>
        <translation>«%1» no se conoce</translation>
    </message>
    <message>
        <source>is not taken</source>
        <translation>no se acepta</translation>
    </message>
    <message>
        <source>cannot be understood</source>
        <translation>no se entiende</translation>
    </message>
    <message>
        <source>version %1 is newer than this program</source>
        <translation>la versión %1 es más nueva que este programa</translation>
    </message>
    <message>
        <source>is too large</source>
        <translation>es demasiado grande</translation>
    </message>
    <message>
        <source>cannot be read</source>
        <translation>no se puede leer</translation>
    </message>
    <message>
        <source>cannot be written; nothing was changed</source>
        <translation>no se puede escribir; nada se cambió</translation>
    </message>
    <message>
        <source>was not found</source>
        <translation>no se halló</translation>
    </message>
    <message>
        <source>was cancelled; nothing was written</source>
        <translation>se canceló; nada se escribió</translation>
    </message>
    <message>
        <source>line %1, %2</source>
        <translation>línea %1, %2</translation>
    </message>
    <message>
        <source>%1; needs %2</source>
        <translation>%1; necesita %2</translation>
    </message>
    <message>
        <source>%1; accepted: %2</source>
        <translation>%1; se acepta: %2</translation>
    </message>
    <message>
        <source>%1; this program reads %2</source>
        <translation>%1; este programa lee %2</translation>
    </message>
    <message>
        <source>Front filter</source>
        <translation>Filtro frontal</translation>
    </message>
    <message>
        <source>Rejection</source>
        <translation>Rechazo</translation>
    </message>
    <message>
        <source>Aperture mask</source>
        <translation>Máscara</translation>
    </message>
    <message>
        <source>Front etalon</source>
        <translation>Etalón frontal</translation>
    </message>
    <message>
        <source>Telescope</source>
        <translation>Telescopio</translation>
    </message>
    <message>
        <source>Inner etalon</source>
        <translation>Etalón interior</translation>
    </message>
    <message>
        <source>Diagonal</source>
        <translation>Diagonal</translation>
    </message>
    <message>
        <source>Solar wedge</source>
        <translation>Cuña solar</translation>
    </message>
    <message>
        <source>Cut filter</source>
        <translation>Filtro de corte</translation>
    </message>
    <message>
        <source>Grey filter</source>
        <translation>Filtro gris</translation>
    </message>
    <message>
        <source>Band filter</source>
        <translation>Filtro de banda</translation>
    </message>
    <message>
        <source>Polariser</source>
        <translation>Polarizador</translation>
    </message>
    <message>
        <source>Rear etalon</source>
        <translation>Etalón trasero</translation>
    </message>
    <message>
        <source>Blocking filter</source>
        <translation>Filtro de bloqueo</translation>
    </message>
    <message>
        <source>Amplifier</source>
        <translation>Amplificador</translation>
    </message>
    <message>
        <source>Reducer</source>
        <translation>Reductor</translation>
    </message>
    <message>
        <source>Extension</source>
        <translation>Extensión</translation>
    </message>
    <message>
        <source>Tilt adapter</source>
        <translation>Inclinador</translation>
    </message>
    <message>
        <source>Eyepiece filter</source>
        <translation>Filtro de ocular</translation>
    </message>
    <message>
        <source>Eyepiece</source>
        <translation>Ocular</translation>
    </message>
    <message>
        <source>Screen</source>
        <translation>Pantalla</translation>
    </message>
    <message>
        <source>Camera</source>
        <translation>Cámara</translation>
    </message>
    <message>
        <source>Photo camera</source>
        <translation>Cámara de fotos</translation>
    </message>
    <message>
        <source>Phone</source>
        <translation>Teléfono</translation>
    </message>
    <message>
        <source>Finder</source>
        <translation>Buscador</translation>
    </message>
    <message>
        <source>Unknown: %1</source>
        <translation>Desconocida: %1</translation>
    </message>
    <message>
        <source>Mask cut from card, %1</source>
        <translation>Máscara cortada en cartón, %1</translation>
    </message>
    <message>
        <source>Density</source>
        <translation>Densidad</translation>
    </message>
    <message>
        <source>Each step of 1 dims ten times; 5.0 is made for the eye</source>
        <translation>Cada paso de 1 atenúa diez veces; 5,0 está hecho para el ojo</translation>
    </message>
    <message>
        <source>Clear width</source>
        <translation>Ancho libre</translation>
    </message>
    <message>
        <source>Light outside it is lost; leave it empty when it does not limit the beam</source>
        <translation>La luz de fuera se pierde; déjelo vacío si no limita el haz</translation>
    </message>
    <message>
        <source>Certified for the Sun</source>
        <translation>Certificado para el Sol</translation>
    </message>
    <message>
        <source>Sold for the Sun, with its maker&apos;s certificate</source>
        <translation>Vendido para el Sol, con certificado de su fabricante</translation>
    </message>
    <message>
        <source>Material</source>
        <translation>Material</translation>
    </message>
    <message>
        <source>Film or glass</source>
        <translation>Lámina o vidrio</translation>
    </message>
    <message>
        <source>Comes off in seconds</source>
        <translation>Se quita en segundos</translation>
    </message>
    <message>
        <source>For totality: without moving the tube</source>
        <translation>Para la totalidad: sin mover el tubo</translation>
    </message>
    <message>
        <source>Passes from</source>
        <translation>Pasa desde</translation>
    </message>
    <message>
        <source>Shortest wavelength that it lets through</source>
        <translation>La longitud de onda más corta que deja pasar</translation>
    </message>
    <message>
        <source>Passes to</source>
        <translation>Pasa hasta</translation>
    </message>
    <message>
        <source>Longest wavelength that it lets through</source>
        <translation>La longitud de onda más larga que deja pasar</translation>
    </message>
    <message>
        <source>Transmission</source>
        <translation>Transmisión</translation>
    </message>
    <message>
        <source>Share of the wanted light that passes, 0 to 1</source>
        <translation>Parte de la luz deseada que pasa, de 0 a 1</translation>
    </message>
    <message>
        <source>Opening</source>
        <translation>Abertura</translation>
    </message>
    <message>
        <source>Width of the hole in the mask</source>
        <translation>Ancho del agujero de la máscara</translation>
    </message>
    <message>
        <source>Off the axis</source>
        <translation>Fuera del eje</translation>
    </message>
    <message>
        <source>The hole misses a secondary mirror</source>
        <translation>El agujero esquiva un espejo secundario</translation>
    </message>
    <message>
        <source>Bandwidth</source>
        <translation>Ancho de banda</translation>
    </message>
    <message>
        <source>Full width at half maximum in parallel light</source>
        <translation>Ancho total a media altura en luz paralela</translation>
    </message>
    <message>
        <source>Double</source>
        <translation>Doble</translation>
    </message>
    <message>
        <source>Two etalons in a row: a narrower band</source>
        <translation>Dos etalones en fila: una banda más estrecha</translation>
    </message>
    <message>
        <source>Own energy rejection</source>
        <translation>Rechazo de energía propio</translation>
    </message>
    <message>
        <source>Built in by its maker</source>
        <translation>Incorporado por su fabricante</translation>
    </message>
    <message>
        <source>Tuned by</source>
        <translation>Se sintoniza por</translation>
    </message>
    <message>
        <source>Tilt follows the weather; a pressure cell does not</source>
        <translation>La inclinación depende del tiempo; una cámara de presión no</translation>
    </message>
    <message>
        <source>Index of the gap</source>
        <translation>Índice del hueco</translation>
    </message>
    <message>
        <source>1 for air, about 1.58 for mica</source>
        <translation>1 para aire, cerca de 1,58 para mica</translation>
    </message>
    <message>
        <source>Aperture</source>
        <translation>Apertura</translation>
    </message>
    <message>
        <source>Light and finest detail grow with it</source>
        <translation>Con ella crecen la luz y el detalle más fino</translation>
    </message>
    <message>
        <source>Focal length</source>
        <translation>Distancia focal</translation>
    </message>
    <message>
        <source>The Sun&apos;s image is about a 107th of it</source>
        <translation>La imagen del Sol es cerca de 1/107 de ella</translation>
    </message>
    <message>
        <source>Design</source>
        <translation>Diseño</translation>
    </message>
    <message>
        <source>Decides what may stand behind it</source>
        <translation>Decide qué puede ir detrás</translation>
    </message>
    <message>
        <source>Obstruction</source>
        <translation>Obstrucción</translation>
    </message>
    <message>
        <source>Width of the secondary over the aperture</source>
        <translation>Ancho del secundario entre la apertura</translation>
    </message>
    <message>
        <source>Focus behind drawtube</source>
        <translation>Foco tras el tubo</translation>
    </message>
    <message>
        <source>From the drawtube&apos;s face to the focus, racked fully in</source>
        <translation>De la cara del tubo del enfocador al foco, recogido del todo</translation>
    </message>
    <message>
        <source>Focuser travel</source>
        <translation>Recorrido del enfocador</translation>
    </message>
    <message>
        <source>Leave it empty when it is not known</source>
        <translation>Déjelo vacío si no se sabe</translation>
    </message>
    <message>
        <source>Collimator</source>
        <translation>Colimador</translation>
    </message>
    <message>
        <source>Focal length of the lens before it: angles grow by the telescope&apos;s over this</source>
        <translation>Focal de la lente anterior: los ángulos crecen por la del telescopio entre ésta</translation>
    </message>
    <message>
        <source>Reflector</source>
        <translation>Reflector</translation>
    </message>
    <message>
        <source>Mirror or prism</source>
        <translation>Espejo o prisma</translation>
    </message>
    <message>
        <source>Made for up to</source>
        <translation>Hecha hasta</translation>
    </message>
    <message>
        <source>Largest aperture that its heat trap can stand</source>
        <translation>La mayor apertura que soporta su trampa de calor</translation>
    </message>
    <message>
        <source>Built-in density</source>
        <translation>Densidad incorporada</translation>
    </message>
    <message>
        <source>3.0 for the eye; 0 when taken out</source>
        <translation>3,0 para el ojo; 0 si se ha quitado</translation>
    </message>
    <message>
        <source>Reflects</source>
        <translation>Refleja</translation>
    </message>
    <message>
        <source>Share of the light that goes on, about 0.046</source>
        <translation>Parte de la luz que sigue, cerca de 0,046</translation>
    </message>
    <message>
        <source>Heat port</source>
        <translation>Salida de calor</translation>
    </message>
    <message>
        <source>A trap catches the heat; an open port lets it out</source>
        <translation>Una trampa retiene el calor; una salida abierta lo deja ir</translation>
    </message>
    <message>
        <source>Plastic near the port</source>
        <translation>Plástico junto a la salida</translation>
    </message>
    <message>
        <source>Caps, cables, covers</source>
        <translation>Tapas, cables, fundas</translation>
    </message>
    <message>
        <source>Somebody behind it</source>
        <translation>Alguien detrás</translation>
    </message>
    <message>
        <source>Stands or sits in line with the port</source>
        <translation>De pie o sentado en línea con la salida</translation>
    </message>
    <message>
        <source>Centre</source>
        <translation>Centro</translation>
    </message>
    <message>
        <source>Middle of its band</source>
        <translation>Centro de su banda</translation>
    </message>
    <message>
        <source>Width</source>
        <translation>Ancho</translation>
    </message>
    <message>
        <source>Full width of its band</source>
        <translation>Ancho total de su banda</translation>
    </message>
    <message>
        <source>Crossing</source>
        <translation>Cruce</translation>
    </message>
    <message>
        <source>0 brightest, 90 darkest</source>
        <translation>0 lo más claro, 90 lo más oscuro</translation>
    </message>
    <message>
        <source>When open</source>
        <translation>Abierto</translation>
    </message>
    <message>
        <source>Share that passes at its brightest</source>
        <translation>Parte que pasa en lo más claro</translation>
    </message>
    <message>
        <source>When crossed</source>
        <translation>Cruzado</translation>
    </message>
    <message>
        <source>Share that passes at its darkest</source>
        <translation>Parte que pasa en lo más oscuro</translation>
    </message>
    <message>
        <source>Telecentric factor</source>
        <translation>Factor telecéntrico</translation>
    </message>
    <message>
        <source>Multiplies the focal length</source>
        <translation>Multiplica la distancia focal</translation>
    </message>
    <message>
        <source>Made from f/</source>
        <translation>Hecho desde f/</translation>
    </message>
    <message>
        <source>Fastest telescope that it suits</source>
        <translation>El telescopio más rápido al que sirve</translation>
    </message>
    <message>
        <source>Made up to f/</source>
        <translation>Hecho hasta f/</translation>
    </message>
    <message>
        <source>Slowest telescope that it suits</source>
        <translation>El telescopio más lento al que sirve</translation>
    </message>
    <message>
        <source>Rejection from</source>
        <translation>Rechazo desde</translation>
    </message>
    <message>
        <source>Aperture from which its maker asks for it; empty when the maker says nothing</source>
        <translation>Apertura desde la que lo pide su fabricante; vacío si no dice nada</translation>
    </message>
    <message>
        <source>Tuning range ±</source>
        <translation>Recorrido de sintonía ±</translation>
    </message>
    <message>
        <source>Either way from its middle</source>
        <translation>A cada lado de su centro</translation>
    </message>
    <message>
        <source>Tuning step</source>
        <translation>Paso de sintonía</translation>
    </message>
    <message>
        <source>One step of its knob</source>
        <translation>Un paso de su mando</translation>
    </message>
    <message>
        <source>Warm-up</source>
        <translation>Calentamiento</translation>
    </message>
    <message>
        <source>Until it is on band</source>
        <translation>Hasta llegar a la banda</translation>
    </message>
    <message>
        <source>Heater</source>
        <translation>Calefactor</translation>
    </message>
    <message>
        <source>Its supply must give this and more</source>
        <translation>Su fuente debe dar esto y más</translation>
    </message>
    <message>
        <source>Heater voltage</source>
        <translation>Voltaje del calefactor</translation>
    </message>
    <message>
        <source>Its supply must have the same</source>
        <translation>Su fuente debe tener el mismo</translation>
    </message>
    <message>
        <source>Width of band</source>
        <translation>Ancho de banda</translation>
    </message>
    <message>
        <source>Wide enough for one order</source>
        <translation>Lo bastante ancha para un solo orden</translation>
    </message>
    <message>
        <source>Factor</source>
        <translation>Factor</translation>
    </message>
    <message>
        <source>Own focal length</source>
        <translation>Focal propia</translation>
    </message>
    <message>
        <source>With it the factor follows from where it stands; empty when not known</source>
        <translation>Con ella el factor resulta de dónde está; vacío si no se sabe</translation>
    </message>
    <message>
        <source>Tilt</source>
        <translation>Inclinación</translation>
    </message>
    <message>
        <source>Of the camera behind it</source>
        <translation>De la cámara de detrás</translation>
    </message>
    <message>
        <source>Apparent field</source>
        <translation>Campo aparente</translation>
    </message>
    <message>
        <source>What the eye sees as the width of the view</source>
        <translation>Lo que el ojo ve como ancho de la vista</translation>
    </message>
    <message>
        <source>Field stop</source>
        <translation>Diafragma de campo</translation>
    </message>
    <message>
        <source>Build</source>
        <translation>Construcción</translation>
    </message>
    <message>
        <source>Only uncemented ones may project the Sun</source>
        <translation>Sólo los no cementados pueden proyectar el Sol</translation>
    </message>
    <message>
        <source>Distance</source>
        <translation>Distancia</translation>
    </message>
    <message>
        <source>From the eyepiece</source>
        <translation>Desde el ocular</translation>
    </message>
    <message>
        <source>People can get between</source>
        <translation>Puede meterse gente</translation>
    </message>
    <message>
        <source>A face in the beam is blinded</source>
        <translation>Una cara en el haz queda ciega</translation>
    </message>
    <message>
        <source>Sensor, along a row</source>
        <translation>Sensor, a lo largo de una fila</translation>
    </message>
    <message>
        <source>Height</source>
        <translation>Alto</translation>
    </message>
    <message>
        <source>Sensor, along a column</source>
        <translation>Sensor, a lo largo de una columna</translation>
    </message>
    <message>
        <source>Pixel</source>
        <translation>Píxel</translation>
    </message>
    <message>
        <source>With the focal length it gives arcseconds per pixel</source>
        <translation>Con la distancia focal da segundos de arco por píxel</translation>
    </message>
    <message>
        <source>Depth</source>
        <translation>Profundidad</translation>
    </message>
    <message>
        <source>Steps between black and white</source>
        <translation>Pasos entre negro y blanco</translation>
    </message>
    <message>
        <source>Colour sensor</source>
        <translation>Sensor de color</translation>
    </message>
    <message>
        <source>A pattern of filters lies over the pixels</source>
        <translation>Un mosaico de filtros cubre los píxeles</translation>
    </message>
    <message>
        <source>Full well</source>
        <translation>Pozo lleno</translation>
    </message>
    <message>
        <source>Electrons that fill a pixel; left empty, they go by its size or its ISO</source>
        <translation>Electrones que llenan un píxel; si se deja vacío, según su tamaño o su ISO</translation>
    </message>
    <message>
        <source>Read noise</source>
        <translation>Ruido de lectura</translation>
    </message>
    <message>
        <source>Added by every reading</source>
        <translation>Lo añade cada lectura</translation>
    </message>
    <message>
        <source>Peak efficiency</source>
        <translation>Eficiencia máxima</translation>
    </message>
    <message>
        <source>Share of photons that count, 0 to 1</source>
        <translation>Parte de los fotones que cuentan, de 0 a 1</translation>
    </message>
    <message>
        <source>Shortest</source>
        <translation>Mínima</translation>
    </message>
    <message>
        <source>Shutter&apos;s limit</source>
        <translation>Límite del obturador</translation>
    </message>
    <message>
        <source>Longest</source>
        <translation>Máxima</translation>
    </message>
    <message>
        <source>Rotation</source>
        <translation>Rotación</translation>
    </message>
    <message>
        <source>Turned in its holder, clockwise from the Sun&apos;s side</source>
        <translation>Girada en su soporte, en sentido horario vista desde el Sol</translation>
    </message>
    <message>
        <source>Shutter</source>
        <translation>Obturador</translation>
    </message>
    <message>
        <source>A rolling one reads row after row</source>
        <translation>El progresivo lee fila tras fila</translation>
    </message>
    <message>
        <source>Frame rate</source>
        <translation>Cadencia</translation>
    </message>
    <message>
        <source>Whole sensor at full depth</source>
        <translation>Sensor entero a plena profundidad</translation>
    </message>
    <message>
        <source>Cable carries</source>
        <translation>El cable lleva</translation>
    </message>
    <message>
        <source>Most bytes in a second</source>
        <translation>Más bytes por segundo</translation>
    </message>
    <message>
        <source>ISO</source>
        <translation>ISO</translation>
    </message>
    <message>
        <source>Doubling it halves the light that fills a pixel</source>
        <translation>Doblarlo reduce a la mitad la luz que llena un píxel</translation>
    </message>
    <message>
        <source>Viewfinder</source>
        <translation>Visor</translation>
    </message>
    <message>
        <source>An optical one leads to the eye</source>
        <translation>Uno óptico lleva al ojo</translation>
    </message>
    <message>
        <source>Lens opening</source>
        <translation>Abertura de la lente</translation>
    </message>
    <message>
        <source>Entrance pupil of its lens</source>
        <translation>Pupila de entrada de su lente</translation>
    </message>
    <message>
        <source>In a holder</source>
        <translation>En un soporte</translation>
    </message>
    <message>
        <source>Fixed over the eyepiece</source>
        <translation>Fijo sobre el ocular</translation>
    </message>
    <message>
        <source>A pinhole finder throws its image on a card</source>
        <translation>Un buscador de agujero proyecta su imagen en una tarjeta</translation>
    </message>
    <message>
        <source>Capped or removed</source>
        <translation>Tapado o quitado</translation>
    </message>
    <message>
        <source>Before the tube turns to the Sun</source>
        <translation>Antes de que el tubo mire al Sol</translation>
    </message>
    <message>
        <source>Voltage</source>
        <translation>Voltaje</translation>
    </message>
    <message>
        <source>Must be what the heater asks</source>
        <translation>Debe ser el que pide el calefactor</translation>
    </message>
    <message>
        <source>Power</source>
        <translation>Potencia</translation>
    </message>
    <message>
        <source>Most that it gives</source>
        <translation>Lo más que da</translation>
    </message>
    <message>
        <source>Energy</source>
        <translation>Energía</translation>
    </message>
    <message>
        <source>Of a battery; empty from the mains</source>
        <translation>De una batería; vacío si es de la red</translation>
    </message>
    <message>
        <source>Length</source>
        <translation>Duración</translation>
    </message>
    <message>
        <source>Optical path that the part takes up</source>
        <translation>Camino óptico que ocupa la pieza</translation>
    </message>
    <message>
        <source>no limit</source>
        <translation>sin límite</translation>
    </message>
    <message>
        <source>not known</source>
        <translation>no se sabe</translation>
    </message>
    <message>
        <source>not said</source>
        <translation>no lo dice</translation>
    </message>
    <message>
        <source>mains</source>
        <translation>red</translation>
    </message>
    <message>
        <source>none</source>
        <translation>ninguno</translation>
    </message>
    <message>
        <source>Film</source>
        <translation>Lámina</translation>
    </message>
    <message>
        <source>Glass</source>
        <translation>Vidrio</translation>
    </message>
    <message>
        <source>Air pressure</source>
        <translation>Presión del aire</translation>
    </message>
    <message>
        <source>Refractor, doublet</source>
        <translation>Refractor, doblete</translation>
    </message>
    <message>
        <source>Refractor, triplet</source>
        <translation>Refractor, triplete</translation>
    </message>
    <message>
        <source>Refractor with rear group</source>
        <translation>Refractor con grupo trasero</translation>
    </message>
    <message>
        <source>Newtonian</source>
        <translation>Newton</translation>
    </message>
    <message>
        <source>Schmidt catadioptric</source>
        <translation>Catadióptrico Schmidt</translation>
    </message>
    <message>
        <source>Maksutov catadioptric</source>
        <translation>Catadióptrico Maksutov</translation>
    </message>
    <message>
        <source>Camera lens</source>
        <translation>Objetivo de cámara</translation>
    </message>
    <message>
        <source>Binocular, one side</source>
        <translation>Prismático, un lado</translation>
    </message>
    <message>
        <source>Mirror</source>
        <translation>Espejo</translation>
    </message>
    <message>
        <source>Prism</source>
        <translation>Prisma</translation>
    </message>
    <message>
        <source>Closed trap</source>
        <translation>Trampa cerrada</translation>
    </message>
    <message>
        <source>Open</source>
        <translation>Abierta</translation>
    </message>
    <message>
        <source>Uncemented</source>
        <translation>Sin cemento</translation>
    </message>
    <message>
        <source>Cemented</source>
        <translation>Cementado</translation>
    </message>
    <message>
        <source>Plastic</source>
        <translation>Plástico</translation>
    </message>
    <message>
        <source>Global</source>
        <translation>Global</translation>
    </message>
    <message>
        <source>Rolling</source>
        <translation>Progresivo</translation>
    </message>
    <message>
        <source>None</source>
        <translation>Ninguno</translation>
    </message>
    <message>
        <source>Electronic</source>
        <translation>Electrónico</translation>
    </message>
    <message>
        <source>Optical</source>
        <translation>Óptico</translation>
    </message>
    <message>
        <source>Pinhole</source>
        <translation>De agujero</translation>
    </message>
    <message>
        <source>Not known</source>
        <translation>No se sabe</translation>
    </message>
    <message>
        <source>1.25 inch barrel</source>
        <translation>Tubo de 1,25 pulgadas</translation>
    </message>
    <message>
        <source>1.25 inch holder</source>
        <translation>Alojamiento de 1,25 pulgadas</translation>
    </message>
    <message>
        <source>2 inch barrel</source>
        <translation>Tubo de 2 pulgadas</translation>
    </message>
    <message>
        <source>2 inch holder</source>
        <translation>Alojamiento de 2 pulgadas</translation>
    </message>
    <message>
        <source>M42 thread, male</source>
        <translation>Rosca M42, macho</translation>
    </message>
    <message>
        <source>M42 thread, female</source>
        <translation>Rosca M42, hembra</translation>
    </message>
    <message>
        <source>M48 thread, male</source>
        <translation>Rosca M48, macho</translation>
    </message>
    <message>
        <source>M48 thread, female</source>
        <translation>Rosca M48, hembra</translation>
    </message>
    <message>
        <source>M54 thread, male</source>
        <translation>Rosca M54, macho</translation>
    </message>
    <message>
        <source>M54 thread, female</source>
        <translation>Rosca M54, hembra</translation>
    </message>
    <message>
        <source>C thread, male</source>
        <translation>Rosca C, macho</translation>
    </message>
    <message>
        <source>C thread, female</source>
        <translation>Rosca C, hembra</translation>
    </message>
    <message>
        <source>Drive there</source>
        <translation>Ir hasta allí</translation>
    </message>
    <message>
        <source>Set up</source>
        <translation>Montar</translation>
    </message>
    <message>
        <source>Etalon warms</source>
        <translation>Calentar etalón</translation>
    </message>
    <message>
        <source>Tube settles</source>
        <translation>Aclimatar tubo</translation>
    </message>
    <message>
        <source>Align</source>
        <translation>Alinear</translation>
    </message>
    <message>
        <source>Focus</source>
        <translation>Enfocar</translation>
    </message>
    <message>
        <source>Tune and wait</source>
        <translation>Sintonizar</translation>
    </message>
    <message>
        <source>Rehearse</source>
        <translation>Ensayar</translation>
    </message>
    <message>
        <source>Filters, power, cables and a hat are in the car.</source>
        <translation>Filtros, energía, cables y un sombrero están en el coche.</translation>
    </message>
    <message>
        <source>Front cap on until the whole light path is fitted. Front filter first, secured against wind; power on early.</source>
        <translation>Tapa delantera puesta hasta que esté montado todo el camino óptico. Primero el filtro frontal, sujeto contra el viento; corriente pronto.</translation>
    </message>
    <message>
        <source>Power on; it heats while the rest is set up.</source>
        <translation>Corriente puesta; se calienta mientras se monta lo demás.</translation>
    </message>
    <message>
        <source>Let the tube come to the air&apos;s warmth, capped, and any dew go.</source>
        <translation>Deje que el tubo, tapado, llegue a la temperatura del aire y se vaya el rocío.</translation>
    </message>
    <message>
        <source>Level, point the axis, find the Sun by the tube&apos;s shadow. Nobody looks through the finder.</source>
        <translation>Nivele, oriente el eje, halle el Sol por la sombra del tubo. Nadie mira por el buscador.</translation>
    </message>
    <message>
        <source>On the edge of the disc or a spot, under a hood; again as the tube warms.</source>
        <translation>Sobre el borde del disco o una mancha, bajo una capucha; otra vez cuando el tubo se caliente.</translation>
    </message>
    <message>
        <source>Give the etalon time after each step of the tuner.</source>
        <translation>Dé tiempo al etalón tras cada paso del sintonizador.</translation>
    </message>
    <message>
        <source>The whole run once, with a file written and looked at.</source>
        <translation>Toda la serie una vez, con un archivo escrito y mirado.</translation>
    </message>
    <message>
        <source>Turn the mount over</source>
        <translation>Girar la montura</translation>
    </message>
    <message>
        <source>Before %1. Check the front filter and the cables, find the Sun again by the shadow.</source>
        <translation>Antes de %1. Compruebe el filtro frontal y los cables, halle el Sol de nuevo por la sombra.</translation>
    </message>
    <message>
        <source>After %1. Check the front filter and the cables, find the Sun again by the shadow.</source>
        <translation>Después de %1. Compruebe el filtro frontal y los cables, halle el Sol de nuevo por la sombra.</translation>
    </message>
    <message>
        <source>Can wait for %1 min.</source>
        <translation>Puede esperar %1 min.</translation>
    </message>
    <message>
        <source>Sun %1 degrees high, frames to take: %2.</source>
        <translation>Sol a %1 grados de altura, tomas por hacer: %2.</translation>
    </message>
    <message>
        <source>%1: %2</source>
        <translation>%1: %2</translation>
    </message>
    <message>
        <source>%1: %2 more</source>
        <translation>%1: %2 más</translation>
    </message>
    <message>
        <source>%1 for %2 free</source>
        <translation>%1 para %2 libres</translation>
    </message>
    <message>
        <source>Concentrated sunlight blinds an eye at once and burns a sensor, a cap or a hand within seconds.</source>
        <translation>La luz solar concentrada ciega un ojo al instante y quema un sensor, una tapa o una mano en segundos.</translation>
    </message>
    <message>
        <source>Nothing in this light path is certified to take sunlight down.</source>
        <translation>Nada en este camino óptico está certificado para atenuar la luz del Sol.</translation>
    </message>
    <message>
        <source>Turn the tube away from the Sun and cap it; fit and secure a front filter before it points back.</source>
        <translation>Aparte el tubo del Sol y tápelo; ponga y asegure un filtro frontal antes de volver a apuntar.</translation>
    </message>
    <message>
        <source>Filter makers&apos; instructions and eye-care advice for solar filters</source>
        <translation>Instrucciones de los fabricantes de filtros y consejos para la vista sobre filtros solares</translation>
    </message>
    <message>
        <source>It cracks in the heat, or passes invisible light that harms the eye without pain.</source>
        <translation>Se agrieta con el calor, o deja pasar luz invisible que daña el ojo sin dolor.</translation>
    </message>
    <message>
        <source>Neutral density, polarising, colour, cut and rejection filters shape light that a solar filter has dimmed. None of them is a solar filter.</source>
        <translation>Los filtros de densidad neutra, polarizadores, de color, de corte y de rechazo dan forma a la luz que un filtro solar ha atenuado. Ninguno es un filtro solar.</translation>
    </message>
    <message>
        <source>Turn away and cap the tube; put a certified front filter before it.</source>
        <translation>Aparte y tape el tubo; ponga delante un filtro frontal certificado.</translation>
    </message>
    <message>
        <source>A front filter in the concentrated beam melts or cracks without warning, and the full light passes.</source>
        <translation>Un filtro frontal en el haz concentrado se funde o agrieta sin avisar, y pasa toda la luz.</translation>
    </message>
    <message>
        <source>It sits behind the lens; it is made to meet plain sunlight.</source>
        <translation>Está detrás de la lente; está hecho para recibir luz solar directa.</translation>
    </message>
    <message>
        <source>Turn away and cap the tube, then move it in front of the lens.</source>
        <translation>Aparte y tape el tubo, y llévelo delante de la lente.</translation>
    </message>
    <message>
        <source>Undimmed sunlight passes beside the filter and comes to a focus.</source>
        <translation>Luz solar sin atenuar pasa junto al filtro y llega al foco.</translation>
    </message>
    <message>
        <source>Its clear width is smaller than the lens behind it, and no mask closes the rim.</source>
        <translation>Su ancho libre es menor que la lente de detrás, y ninguna máscara cierra el borde.</translation>
    </message>
    <message>
        <source>Turn away and cap the tube; use a filter as wide as the lens, or an opaque mask as small as the filter.</source>
        <translation>Aparte y tape el tubo; use un filtro tan ancho como la lente, o una máscara opaca tan pequeña como el filtro.</translation>
    </message>
    <message>
        <source>It may pass invisible ultraviolet or infrared that harms the eye without pain.</source>
        <translation>Puede dejar pasar ultravioleta o infrarrojo invisibles que dañan el ojo sin dolor.</translation>
    </message>
    <message>
        <source>The filter is not marked as certified for the Sun.</source>
        <translation>El filtro no consta como certificado para el Sol.</translation>
    </message>
    <message>
        <source>Turn away and cap the tube; use film or glass with its maker&apos;s certificate for solar use.</source>
        <translation>Aparte y tape el tubo; use lámina o vidrio con certificado de su fabricante para uso solar.</translation>
    </message>
    <message>
        <source>More light than through any photographic solar filter reaches the focus.</source>
        <translation>Llega al foco más luz que por ningún filtro solar fotográfico.</translation>
    </message>
    <message>
        <source>Density in front is below 3.8, the least that is made even for cameras.</source>
        <translation>La densidad delante es menor que 3,8, la menor que se hace incluso para cámaras.</translation>
    </message>
    <message>
        <source>Turn away and cap the tube; fit film of OD 5.0, or OD 3.8 when only a camera looks.</source>
        <translation>Aparte y tape el tubo; ponga lámina de OD 5,0, u OD 3,8 si sólo mira una cámara.</translation>
    </message>
    <message>
        <source>An eye at this telescope is harmed.</source>
        <translation>Un ojo en este telescopio sufre daño.</translation>
    </message>
    <message>
        <source>No single film in front has 5.0: what is less is made for cameras only, and two of them are not certified for the eye. An eye looks.</source>
        <translation>Ninguna lámina sola tiene 5,0 delante: lo que es menos está hecho sólo para cámaras, y dos no están certificadas para el ojo. Mira un ojo.</translation>
    </message>
    <message>
        <source>Turn away and cap the tube; fit film of OD 5.0 before anybody looks.</source>
        <translation>Aparte y tape el tubo; ponga lámina de OD 5,0 antes de que nadie mire.</translation>
    </message>
    <message>
        <source>An eye at this telescope would be harmed.</source>
        <translation>Un ojo en este telescopio sufriría daño.</translation>
    </message>
    <message>
        <source>No single film in front has 5.0: what is less is made for cameras only.</source>
        <translation>Ninguna lámina sola tiene 5,0 delante: lo que es menos está hecho sólo para cámaras.</translation>
    </message>
    <message>
        <source>Make sure that no eyepiece can be put in, or fit film of OD 5.0.</source>
        <translation>Asegúrese de que no pueda ponerse un ocular, o ponga lámina de OD 5,0.</translation>
    </message>
    <message>
        <source>Light of many colours passes beside the wanted line, far too bright for an eye.</source>
        <translation>Junto a la línea deseada pasa luz de muchos colores, demasiado intensa para un ojo.</translation>
    </message>
    <message>
        <source>An etalon passes many orders; a blocking filter must pick one.</source>
        <translation>Un etalón deja pasar muchos órdenes; un filtro de bloqueo debe elegir uno.</translation>
    </message>
    <message>
        <source>Turn away and cap the tube; fit the blocking filter that its maker pairs with the etalon.</source>
        <translation>Aparte y tape el tubo; ponga el filtro de bloqueo que su fabricante empareja con el etalón.</translation>
    </message>
    <message>
        <source>Makers&apos; instructions for hydrogen-alpha filters</source>
        <translation>Instrucciones de los fabricantes de filtros de hidrógeno alfa</translation>
    </message>
    <message>
        <source>Ultraviolet and infrared enter the tube, heat the blocking filter and may pass it.</source>
        <translation>Ultravioleta e infrarrojo entran en el tubo, calientan el filtro de bloqueo y pueden atravesarlo.</translation>
    </message>
    <message>
        <source>This etalon carries no energy rejection, and none stands before it.</source>
        <translation>Este etalón no lleva rechazo de energía, y no hay ninguno delante.</translation>
    </message>
    <message>
        <source>Turn away and cap the tube; put a full-aperture energy rejection filter in front.</source>
        <translation>Aparte y tape el tubo; ponga delante un filtro de rechazo de energía a apertura completa.</translation>
    </message>
    <message>
        <source>The other eye meets undimmed, concentrated sunlight.</source>
        <translation>El otro ojo recibe luz solar concentrada y sin atenuar.</translation>
    </message>
    <message>
        <source>A binocular has two front lenses; this light path shows one.</source>
        <translation>Un prismático tiene dos lentes delanteras; este camino óptico muestra una.</translation>
    </message>
    <message>
        <source>Fit film of the same density on both sides, or cap one of them.</source>
        <translation>Ponga lámina de la misma densidad en los dos lados, o tape uno.</translation>
    </message>
    <message>
        <source>Totality passes unseen, or somebody takes the train apart in a hurry and looks into the Sun when it comes back.</source>
        <translation>La totalidad pasa sin verse, o alguien desmonta el conjunto con prisa y mira al Sol cuando vuelve.</translation>
    </message>
    <message>
        <source>This part cannot come off in seconds, and the corona cannot be seen through it.</source>
        <translation>Esta pieza no se quita en segundos, y a través de ella no se ve la corona.</translation>
    </message>
    <message>
        <source>Watch totality through a front filter that comes off fast, and rehearse it; filter back on before totality ends.</source>
        <translation>Mire la totalidad con un filtro frontal que se quite deprisa, y ensáyelo; el filtro vuelve antes de que acabe la totalidad.</translation>
    </message>
    <message>
        <source>Eclipse observers&apos; practice</source>
        <translation>Práctica de los observadores de eclipses</translation>
    </message>
    <message>
        <source>Unfiltered sunlight heats mirrors, lenses or a diaphragm inside the tube until they crack or melt.</source>
        <translation>La luz solar sin filtrar calienta espejos, lentes o un diafragma dentro del tubo hasta agrietarlos o fundirlos.</translation>
    </message>
    <message>
        <source>A wedge takes the light down only behind the tube; it belongs on plain refractors.</source>
        <translation>Una cuña atenúa la luz sólo tras el tubo; su sitio son los refractores sencillos.</translation>
    </message>
    <message>
        <source>Turn away and cap the tube; take the wedge out and use film in front.</source>
        <translation>Aparte y tape el tubo; quite la cuña y use lámina delante.</translation>
    </message>
    <message>
        <source>Makers&apos; instructions for solar wedges; field practice</source>
        <translation>Instrucciones de los fabricantes de cuñas solares; práctica de campo</translation>
    </message>
    <message>
        <source>Lenses near the hot focus crack, or their cement lets go.</source>
        <translation>Las lentes cerca del foco caliente se agrietan, o su cemento cede.</translation>
    </message>
    <message>
        <source>The whole heat of the lens passes glass near its focus before the wedge.</source>
        <translation>Todo el calor de la lente cruza vidrio cerca de su foco antes de la cuña.</translation>
    </message>
    <message>
        <source>Turn away and cap the tube; use the wedge on a plain refractor, or film in front.</source>
        <translation>Aparte y tape el tubo; use la cuña en un refractor sencillo, o lámina delante.</translation>
    </message>
    <message>
        <source>The heat trap overheats: burnt fingers, a cracked prism, undimmed light.</source>
        <translation>La trampa de calor se sobrecalienta: dedos quemados, un prisma agrietado, luz sin atenuar.</translation>
    </message>
    <message>
        <source>The aperture is larger than this wedge is made for.</source>
        <translation>La apertura es mayor que aquella para la que se hizo esta cuña.</translation>
    </message>
    <message>
        <source>Turn away and cap the tube; stop the lens down with a mask, or use a larger wedge.</source>
        <translation>Aparte y tape el tubo; reduzca la lente con una máscara, o use una cuña mayor.</translation>
    </message>
    <message>
        <source>An eye is harmed: a wedge alone leaves a twentieth of full sunlight.</source>
        <translation>Un ojo sufre daño: una cuña sola deja la vigésima parte de la luz solar.</translation>
    </message>
    <message>
        <source>An eye looks, and less than ND 3 stands behind the wedge.</source>
        <translation>Mira un ojo, y tras la cuña hay menos de ND 3.</translation>
    </message>
    <message>
        <source>Turn away and cap the tube; fit ND 3 in the wedge before anybody looks.</source>
        <translation>Aparte y tape el tubo; ponga ND 3 en la cuña antes de que nadie mire.</translation>
    </message>
    <message>
        <source>Plastic behind the heat port softens and burns.</source>
        <translation>El plástico tras la salida de calor se ablanda y arde.</translation>
    </message>
    <message>
        <source>Nearly all sunlight of the lens leaves there.</source>
        <translation>Por ahí sale casi toda la luz solar de la lente.</translation>
    </message>
    <message>
        <source>Turn away and cap the tube; clear everything that can melt from the port.</source>
        <translation>Aparte y tape el tubo; retire de la salida todo lo que pueda fundirse.</translation>
    </message>
    <message>
        <source>Skin burns within seconds, and an eye in the beam is harmed.</source>
        <translation>La piel se quema en segundos, y un ojo en el haz sufre daño.</translation>
    </message>
    <message>
        <source>Somebody is in line with the port, where nearly all sunlight of the lens leaves.</source>
        <translation>Alguien está en línea con la salida, por donde se va casi toda la luz solar de la lente.</translation>
    </message>
    <message>
        <source>Turn away and cap the tube; turn the wedge so that nobody can be behind it.</source>
        <translation>Aparte y tape el tubo; gire la cuña para que nadie pueda estar detrás.</translation>
    </message>
    <message>
        <source>A hot beam leaves the back of the wedge.</source>
        <translation>Un haz caliente sale por detrás de la cuña.</translation>
    </message>
    <message>
        <source>Its heat port is open; no trap catches the light.</source>
        <translation>Su salida de calor está abierta; ninguna trampa retiene la luz.</translation>
    </message>
    <message>
        <source>Keep hands, cables and cloth away from behind it, or use a wedge with a trap.</source>
        <translation>Mantenga lejos de detrás manos, cables y telas, o use una cuña con trampa.</translation>
    </message>
    <message>
        <source>More light goes on than behind a usual wedge.</source>
        <translation>Sigue más luz que tras una cuña corriente.</translation>
    </message>
    <message>
        <source>It is said to reflect more than the twentieth that bare glass reflects.</source>
        <translation>Se dice que refleja más que la vigésima parte que refleja el vidrio desnudo.</translation>
    </message>
    <message>
        <source>Look the share up in its maker&apos;s instructions; a coated or worn surface does not belong in a wedge.</source>
        <translation>Busque esa parte en las instrucciones de su fabricante; una superficie tratada o gastada no debe estar en una cuña.</translation>
    </message>
    <message>
        <source>The filter cracks without warning, and more light than before goes on.</source>
        <translation>El filtro se agrieta sin avisar, y sigue más luz que antes.</translation>
    </message>
    <message>
        <source>It absorbs light, and stands where the whole heat of the lens arrives.</source>
        <translation>Absorbe luz, y está donde llega todo el calor de la lente.</translation>
    </message>
    <message>
        <source>Turn away and cap the tube; put it behind what takes the heat out, or put a filter in front.</source>
        <translation>Aparte y tape el tubo; póngalo tras lo que quita el calor, o ponga un filtro delante.</translation>
    </message>
    <message>
        <source>Unfiltered sunlight heats mirrors or lenses inside the tube until they crack.</source>
        <translation>La luz solar sin filtrar calienta espejos o lentes dentro del tubo hasta agrietarlos.</translation>
    </message>
    <message>
        <source>A rear etalon leaves all the heat in the tube; this telescope has parts near the focus that cannot stand it.</source>
        <translation>Un etalón trasero deja todo el calor en el tubo; este telescopio tiene piezas cerca del foco que no lo soportan.</translation>
    </message>
    <message>
        <source>Turn away and cap the tube; fit full-aperture energy rejection in front, or use a plain refractor.</source>
        <translation>Aparte y tape el tubo; ponga delante rechazo de energía a apertura completa, o use un refractor sencillo.</translation>
    </message>
    <message>
        <source>Makers&apos; instructions for rear etalons; field practice</source>
        <translation>Instrucciones de los fabricantes de etalones traseros; práctica de campo</translation>
    </message>
    <message>
        <source>The etalon&apos;s first filter overheats, drifts off the line and may crack.</source>
        <translation>El primer filtro del etalón se sobrecalienta, se sale de la línea y puede agrietarse.</translation>
    </message>
    <message>
        <source>The aperture is above the limit, and nothing rejects heat before the diagonal.</source>
        <translation>La apertura supera el límite, y nada rechaza el calor antes de la diagonal.</translation>
    </message>
    <message>
        <source>Turn away and cap the tube; put an ultraviolet and infrared cut before the diagonal, or energy rejection in front.</source>
        <translation>Aparte y tape el tubo; ponga un corte ultravioleta e infrarrojo antes de la diagonal, o rechazo de energía delante.</translation>
    </message>
    <message>
        <source>A cut filter near the focus overheats and cracks.</source>
        <translation>Un filtro de corte cerca del foco se sobrecalienta y agrieta.</translation>
    </message>
    <message>
        <source>Above 150 mm every school wants energy rejection over the full aperture.</source>
        <translation>Por encima de 150 mm todas las escuelas quieren rechazo de energía a apertura completa.</translation>
    </message>
    <message>
        <source>Turn away and cap the tube; fit full-aperture energy rejection, or a mask.</source>
        <translation>Aparte y tape el tubo; ponga rechazo de energía a apertura completa, o una máscara.</translation>
    </message>
    <message>
        <source>The diagonal takes the heat that the cut filter should have kept from it.</source>
        <translation>La diagonal recibe el calor del que debía librarla el filtro de corte.</translation>
    </message>
    <message>
        <source>The cut filter stands behind the diagonal.</source>
        <translation>El filtro de corte está tras la diagonal.</translation>
    </message>
    <message>
        <source>Turn away and cap the tube; screw it into the nose of the diagonal.</source>
        <translation>Aparte y tape el tubo; enrósquelo en el tubo de la diagonal.</translation>
    </message>
    <message>
        <source>The dark glass cracks in the hot focus without warning, and an eye is blinded at once.</source>
        <translation>El vidrio oscuro se agrieta en el foco caliente sin avisar, y un ojo queda ciego al instante.</translation>
    </message>
    <message>
        <source>A small filter in the eyepiece meets all the heat that the lens gathers.</source>
        <translation>Un filtro pequeño en el ocular recibe todo el calor que reúne la lente.</translation>
    </message>
    <message>
        <source>Turn away and cap the tube; throw the small filter away and use a filter in front of the lens.</source>
        <translation>Aparte y tape el tubo; tire el filtro pequeño y use un filtro delante de la lente.</translation>
    </message>
    <message>
        <source>Eye-care advice for looking at the Sun</source>
        <translation>Consejos para la vista al mirar el Sol</translation>
    </message>
    <message>
        <source>An eye is harmed, without pain and for good.</source>
        <translation>Un ojo sufre daño, sin dolor y para siempre.</translation>
    </message>
    <message>
        <source>All parts together leave more light than any filter made for the eye.</source>
        <translation>Todas las piezas juntas dejan más luz que cualquier filtro hecho para el ojo.</translation>
    </message>
    <message>
        <source>Turn away and cap the tube; fit film of OD 5.0 in front, or ND 3 in a wedge.</source>
        <translation>Aparte y tape el tubo; ponga lámina de OD 5,0 delante, o ND 3 en una cuña.</translation>
    </message>
    <message>
        <source>The eye at the viewfinder meets what the sensor can stand, and is harmed.</source>
        <translation>El ojo en el visor recibe lo que el sensor aguanta, y sufre daño.</translation>
    </message>
    <message>
        <source>An optical viewfinder looks through the same lens, dimmed for a camera only.</source>
        <translation>Un visor óptico mira por la misma lente, atenuada sólo para una cámara.</translation>
    </message>
    <message>
        <source>Turn away and cap the tube; cover the viewfinder and use the screen, or dim for the eye.</source>
        <translation>Aparte y tape el tubo; cubra el visor y use la pantalla, o atenúe para el ojo.</translation>
    </message>
    <message>
        <source>The sensor or its filters burn within seconds.</source>
        <translation>El sensor o sus filtros se queman en segundos.</translation>
    </message>
    <message>
        <source>The light at the sensor is more than ten times plain sunlight.</source>
        <translation>La luz en el sensor es más de diez veces la del Sol directo.</translation>
    </message>
    <message>
        <source>Turn away and cap the tube; add density before the camera goes back.</source>
        <translation>Aparte y tape el tubo; añada densidad antes de volver a poner la cámara.</translation>
    </message>
    <message>
        <source>Camera makers&apos; instructions; field practice</source>
        <translation>Instrucciones de los fabricantes de cámaras; práctica de campo</translation>
    </message>
    <message>
        <source>The sensor warms up, and stray light may reach what its makers never tested.</source>
        <translation>El sensor se calienta, y la luz parásita puede llegar a lo que sus fabricantes nunca probaron.</translation>
    </message>
    <message>
        <source>The light at the sensor is stronger than plain sunlight.</source>
        <translation>La luz en el sensor es más fuerte que la del Sol directo.</translation>
    </message>
    <message>
        <source>Add neutral density, and turn away between exposures.</source>
        <translation>Añada densidad neutra, y aparte el tubo entre exposiciones.</translation>
    </message>
    <message>
        <source>Cement boils, plastic melts, and glass can burst out of the eyepiece.</source>
        <translation>El cemento hierve, el plástico se funde y el vidrio puede saltar del ocular.</translation>
    </message>
    <message>
        <source>Undimmed light comes to a focus in an eyepiece with cement or plastic.</source>
        <translation>Luz sin atenuar llega al foco en un ocular con cemento o plástico.</translation>
    </message>
    <message>
        <source>Turn away and cap the tube; project with an uncemented eyepiece only.</source>
        <translation>Aparte y tape el tubo; proyecte sólo con un ocular sin cemento.</translation>
    </message>
    <message>
        <source>Field practice of eyepiece projection</source>
        <translation>Práctica de campo de la proyección con ocular</translation>
    </message>
    <message>
        <source>Heat inside the tube cracks mirrors, lenses or cement.</source>
        <translation>El calor dentro del tubo agrieta espejos, lentes o cemento.</translation>
    </message>
    <message>
        <source>Only plain refractors and simple reflectors stand undimmed light for projection.</source>
        <translation>Sólo los refractores sencillos y los reflectores simples soportan luz sin atenuar para proyectar.</translation>
    </message>
    <message>
        <source>Turn away and cap the tube; use film in front instead.</source>
        <translation>Aparte y tape el tubo; use en su lugar lámina delante.</translation>
    </message>
    <message>
        <source>A face between eyepiece and screen is blinded at once.</source>
        <translation>Una cara entre ocular y pantalla queda ciega al instante.</translation>
    </message>
    <message>
        <source>People can come between eyepiece and screen.</source>
        <translation>Puede meterse gente entre el ocular y la pantalla.</translation>
    </message>
    <message>
        <source>Turn away and cap the tube; box the beam in, or use film in front.</source>
        <translation>Aparte y tape el tubo; encierre el haz en una caja, o use lámina delante.</translation>
    </message>
    <message>
        <source>The beam behind the eyepiece burns skin and blinds.</source>
        <translation>El haz tras el ocular quema la piel y ciega.</translation>
    </message>
    <message>
        <source>More light is projected than any eye may meet.</source>
        <translation>Se proyecta más luz de la que ningún ojo debe recibir.</translation>
    </message>
    <message>
        <source>Box the beam in, cap all finders, never leave it alone, and rest the eyepiece often.</source>
        <translation>Encierre el haz, tape todos los buscadores, no lo deje nunca solo y dé descansos al ocular.</translation>
    </message>
    <message>
        <source>The focus itself falls on whatever stands there and sets it on fire.</source>
        <translation>El propio foco cae sobre lo que haya allí y le prende fuego.</translation>
    </message>
    <message>
        <source>A screen stands behind the telescope without an eyepiece.</source>
        <translation>Hay una pantalla tras el telescopio sin ocular.</translation>
    </message>
    <message>
        <source>Keep the tube capped until an uncemented eyepiece is in.</source>
        <translation>Tenga el tubo tapado hasta poner un ocular sin cemento.</translation>
    </message>
    <message>
        <source>Whoever or whatever stands at the open end meets the light that arrives there.</source>
        <translation>Quien o lo que esté en el extremo abierto recibe la luz que llega allí.</translation>
    </message>
    <message>
        <source>The light path does not end in a camera, an eyepiece or a screen.</source>
        <translation>El camino óptico no acaba en una cámara, un ocular o una pantalla.</translation>
    </message>
    <message>
        <source>Keep the tube capped until the whole train is fitted.</source>
        <translation>Tenga el tubo tapado hasta que esté montado todo el conjunto.</translation>
    </message>
    <message>
        <source>Order of handling in the field</source>
        <translation>Orden de manejo en el campo</translation>
    </message>
    <message>
        <source>Hands hunt for the exit pupil while faces are near the eyepiece.</source>
        <translation>Las manos buscan la pupila de salida mientras hay caras cerca del ocular.</translation>
    </message>
    <message>
        <source>The phone has no holder, or no eyepiece to look into.</source>
        <translation>El teléfono no tiene soporte, o no tiene ocular por el que mirar.</translation>
    </message>
    <message>
        <source>Fix it in a holder over an eyepiece before the tube points at the Sun.</source>
        <translation>Fíjelo en un soporte sobre un ocular antes de que el tubo apunte al Sol.</translation>
    </message>
    <message>
        <source>The figures do not hold, and the sensor may meet more heat than they say.</source>
        <translation>Las cifras no valen, y el sensor puede recibir más calor del que dicen.</translation>
    </message>
    <message>
        <source>A camera without a lens stands behind an eyepiece.</source>
        <translation>Una cámara sin lente está tras un ocular.</translation>
    </message>
    <message>
        <source>Take the eyepiece out, or use an amplifier.</source>
        <translation>Quite el ocular, o use un amplificador.</translation>
    </message>
    <message>
        <source>Its beam blinds an eye that passes, and burns hair, cloth and its own crosshair.</source>
        <translation>Su haz ciega un ojo que pase, y quema pelo, tela y su propia cruz.</translation>
    </message>
    <message>
        <source>An optical finder looks at the Sun without a cap.</source>
        <translation>Un buscador óptico mira al Sol sin tapa.</translation>
    </message>
    <message>
        <source>Turn the tube away and cap it; cap the finder or take it off.</source>
        <translation>Aparte el tubo y tápelo; tape el buscador o quítelo.</translation>
    </message>
    <message>
        <source>A damaged part can let the full light through, or fail in the heat.</source>
        <translation>Una pieza dañada puede dejar pasar toda la luz, o fallar con el calor.</translation>
    </message>
    <message>
        <source>An inspection found a defect, and nobody has cleared it.</source>
        <translation>Una revisión halló un defecto, y nadie lo ha resuelto.</translation>
    </message>
    <message>
        <source>Turn away and cap the tube; lay the part aside until it is replaced.</source>
        <translation>Aparte y tape el tubo; deje la pieza a un lado hasta cambiarla.</translation>
    </message>
    <message>
        <source>A pinhole or scratch that nobody has seen lets light through.</source>
        <translation>Un poro o una raya que nadie ha visto deja pasar la luz.</translation>
    </message>
    <message>
        <source>The last inspection on record is older than you asked for.</source>
        <translation>La última revisión anotada es más vieja de lo que usted pidió.</translation>
    </message>
    <message>
        <source>Hold the filter against a bright lamp, look for pinholes, scratches and loose film, and log the date.</source>
        <translation>Ponga el filtro contra una lámpara fuerte, busque poros, rayas y lámina suelta, y anote la fecha.</translation>
    </message>
    <message>
        <source>Nothing can be worked out behind a missing lens.</source>
        <translation>Nada puede calcularse tras una lente que falta.</translation>
    </message>
    <message>
        <source>The light path has no telescope.</source>
        <translation>El camino óptico no tiene telescopio.</translation>
    </message>
    <message>
        <source>Add a telescope to the light path.</source>
        <translation>Añada un telescopio al camino óptico.</translation>
    </message>
    <message>
        <source>Limits of this program</source>
        <translation>Límites de este programa</translation>
    </message>
    <message>
        <source>The figures follow the first telescope, the first eyepiece and the first camera only.</source>
        <translation>Las cifras siguen sólo al primer telescopio, el primer ocular y la primera cámara.</translation>
    </message>
    <message>
        <source>The light path holds more than one.</source>
        <translation>El camino óptico tiene más de uno.</translation>
    </message>
    <message>
        <source>Lay the spare one aside.</source>
        <translation>Deje a un lado el sobrante.</translation>
    </message>
    <message>
        <source>The figures do not hold, and a part may stand in full sunlight.</source>
        <translation>Las cifras no valen, y una pieza puede estar a pleno Sol.</translation>
    </message>
    <message>
        <source>This kind of part belongs elsewhere in the path.</source>
        <translation>Esta clase de pieza va en otro lugar del camino.</translation>
    </message>
    <message>
        <source>Move it: front filters and masks before the telescope, everything else between telescope and eyepiece or camera.</source>
        <translation>Muévala: filtros frontales y máscaras antes del telescopio, todo lo demás entre telescopio y ocular o cámara.</translation>
    </message>
    <message>
        <source>Nobody knows what it does to the light.</source>
        <translation>Nadie sabe qué hace con la luz.</translation>
    </message>
    <message>
        <source>This program does not know this kind of part, and takes it as clear glass.</source>
        <translation>Este programa no conoce esta clase de pieza, y la toma por vidrio claro.</translation>
    </message>
    <message>
        <source>Replace it by a part that the program knows, or judge it yourself.</source>
        <translation>Cámbiela por una pieza que el programa conozca, o júzguela usted.</translation>
    </message>
    <message>
        <source>%1 of filter before %2 of lens. A mask of %1 would close the rim.</source>
        <translation>%1 de filtro ante %2 de lente. Una máscara de %1 cerraría el borde.</translation>
    </message>
    <message>
        <source>%1 in front.</source>
        <translation>%1 delante.</translation>
    </message>
    <message>
        <source>%1 is the densest film in front.</source>
        <translation>%1 es la lámina más densa delante.</translation>
    </message>
    <message>
        <source>%1 of aperture on a wedge for %2. A mask of %2 would help.</source>
        <translation>%1 de apertura en una cuña para %2. Una máscara de %2 ayudaría.</translation>
    </message>
    <message>
        <source>%1 behind the wedge, %2 wanted.</source>
        <translation>%1 tras la cuña, se quiere %2.</translation>
    </message>
    <message>
        <source>%1 arrive at this filter.</source>
        <translation>A este filtro llegan %1.</translation>
    </message>
    <message>
        <source>%1 of aperture; rejection from %2.</source>
        <translation>%1 de apertura; rechazo desde %2.</translation>
    </message>
    <message>
        <source>%1 of aperture; rejection from %2, says its maker.</source>
        <translation>%1 de apertura; rechazo desde %2, dice su fabricante.</translation>
    </message>
    <message>
        <source>%1 in all, %2 wanted.</source>
        <translation>%1 en total, se quiere %2.</translation>
    </message>
    <message>
        <source>%1 at the sensor.</source>
        <translation>%1 en el sensor.</translation>
    </message>
    <message>
        <source>Last inspected on %1.</source>
        <translation>Última revisión: %1.</translation>
    </message>
    <message>
        <source>Every filter was inspected today: no pinhole, scratch or loose film.</source>
        <translation>Todos los filtros se revisaron hoy: sin poros, rayas ni lámina suelta.</translation>
    </message>
    <message>
        <source>What stands in front is held so that wind, or a hand, cannot take it off.</source>
        <translation>Lo que está delante está sujeto de modo que ni el viento ni una mano lo quiten.</translation>
    </message>
    <message>
        <source>Every finder that is not listed is capped or removed.</source>
        <translation>Todo buscador que no figure está tapado o quitado.</translation>
    </message>
    <message>
        <source>The parts are what this light path says they are.</source>
        <translation>Las piezas son lo que este camino óptico dice que son.</translation>
    </message>
    <message>
        <source>Its maker asks for heat rejection from %1 of aperture; that figure was used.</source>
        <translation>Su fabricante pide rechazo de calor desde %1 de apertura; se usó esa cifra.</translation>
    </message>
    <message>
        <source>Its maker asks for heat rejection from %1 of aperture; that figure was used, though the school that you chose says %2.</source>
        <translation>Su fabricante pide rechazo de calor desde %1 de apertura; se usó esa cifra, aunque la escuela que usted eligió dice %2.</translation>
    </message>
    <message>
        <source>You chose the school that runs a rear etalon without rejection up to %1; the strict one says %2.</source>
        <translation>Eligió la escuela que usa un etalón trasero sin rechazo hasta %1; la estricta dice %2.</translation>
    </message>
    <message>
        <source>The rear etalon is fitted before the tube is uncapped.</source>
        <translation>El etalón trasero se monta antes de destapar el tubo.</translation>
    </message>
    <message>
        <source>The back of the wedge gets hot; nothing and nobody touches it.</source>
        <translation>La parte trasera de la cuña se calienta; nada ni nadie la toca.</translation>
    </message>
    <message>
        <source>The cut filter before the wedge reflects what it does not pass; one that absorbs it cracks there.</source>
        <translation>El filtro de corte antes de la cuña refleja lo que no deja pasar; uno que lo absorbe se agrieta allí.</translation>
    </message>
    <message>
        <source>You chose to have filters inspected every %1 days; %2 is usual here.</source>
        <translation>Eligió revisar los filtros cada %1 días; aquí lo habitual son %2.</translation>
    </message>
    <message>
        <source>Somebody stays at the telescope all the time; front filters are taped on.</source>
        <translation>Alguien se queda siempre junto al telescopio; los filtros frontales van con cinta.</translation>
    </message>
    <message>
        <source>Makers&apos; instructions, local rules and eye-care advice come first.</source>
        <translation>Las instrucciones de los fabricantes, las normas locales y los consejos para la vista van primero.</translation>
    </message>
    <message>
        <source>Never leave it alone with people about. What its makers say goes before this.</source>
        <translation>No lo deje nunca solo con gente alrededor. Lo que dicen sus fabricantes va antes que esto.</translation>
    </message>
    <message>
        <source>Stop</source>
        <translation>Alto</translation>
    </message>
    <message>
        <source>Check first</source>
        <translation>Comprobar antes</translation>
    </message>
    <message>
        <source>No objection found</source>
        <translation>Sin objeción hallada</translation>
    </message>
    <message>
        <source>time, lat and lon together</source>
        <translation>time, lat y lon juntos</translation>
    </message>
    <message>
        <source>a name of 1 to %1 bytes</source>
        <translation>un nombre de 1 a %1 bytes</translation>
    </message>
    <message>
        <source>What is left is smaller than its own doubt: leave the knobs, or measure for longer.</source>
        <translation>Lo que queda es menor que su propia duda: deje los mandos, o mida durante más tiempo.</translation>
    </message>
    <message>
        <source>One drift cannot give two errors.</source>
        <translation>Una sola deriva no puede dar dos errores.</translation>
    </message>
    <message>
        <source>These runs cannot tell an error in altitude from one in azimuth.</source>
        <translation>Estas medidas no distinguen un error de altura de uno de acimut.</translation>
    </message>
    <message>
        <source>Measure one more run with the Sun near hour angle %1.</source>
        <translation>Mida una vez más con el Sol cerca del ángulo horario %1.</translation>
    </message>
    <message>
        <source>time_utc, hour_angle_deg, declination_deg, duration_s, dec_drift_arcsec, ha_drift_arcsec and perhaps noise_arcsec</source>
        <translation>time_utc, hour_angle_deg, declination_deg, duration_s, dec_drift_arcsec, ha_drift_arcsec y, si acaso, noise_arcsec</translation>
    </message>
    <message>
        <source>a drift in declination, in hour angle, or both</source>
        <translation>una deriva en declinación, en ángulo horario, o en ambos</translation>
    </message>
    <message>
        <source>No axis explains these runs: the tripod was moved, the mount ran at another rate, or a sign is turned.</source>
        <translation>Ningún eje explica estas medidas: se movió el trípode, la montura iba a otra velocidad o un signo está cambiado.</translation>
    </message>
    <message>
        <source>Lower the raised end of the axis by %1 (%2).</source>
        <translation>Baje el extremo alto del eje %1 (%2).</translation>
    </message>
    <message>
        <source>Raise the raised end of the axis by %1 (%2).</source>
        <translation>Suba el extremo alto del eje %1 (%2).</translation>
    </message>
    <message>
        <source>Turn the raised end of the axis to the west by %1 (%2).</source>
        <translation>Gire el extremo alto del eje hacia el oeste %1 (%2).</translation>
    </message>
    <message>
        <source>Turn the raised end of the axis to the east by %1 (%2).</source>
        <translation>Gire el extremo alto del eje hacia el este %1 (%2).</translation>
    </message>
    <message>
        <source>Stand south of the mount and look along its axis to the north: turned to the right, the raised end goes east.</source>
        <translation>Póngase al sur de la montura y mire a lo largo del eje hacia el norte: girado a la derecha, el extremo alto va al este.</translation>
    </message>
    <message>
        <source>Stand north of the mount and look along its axis to the south: turned to the left, the raised end goes east.</source>
        <translation>Póngase al norte de la montura y mire a lo largo del eje hacia el sur: girado a la izquierda, el extremo alto va al este.</translation>
    </message>
    <message>
        <source>Sun near the meridian: if it drifts to the south, the raised end stands too far east; to the north, too far west.</source>
        <translation>Sol cerca del meridiano: si deriva al sur, el extremo alto está demasiado al este; al norte, demasiado al oeste.</translation>
    </message>
    <message>
        <source>Sun near the meridian: if it drifts to the north, the raised end stands too far east; to the south, too far west.</source>
        <translation>Sol cerca del meridiano: si deriva al norte, el extremo alto está demasiado al este; al sur, demasiado al oeste.</translation>
    </message>
    <message>
        <source>Sun in the east: if it drifts to the north, the raised end stands too high; to the south, too low. Sun in the west: the other way round.</source>
        <translation>Sol en el este: si deriva al norte, el extremo alto está demasiado alto; al sur, demasiado bajo. Sol en el oeste: al revés.</translation>
    </message>
    <message>
        <source>Sun in the east: if it drifts to the south, the raised end stands too high; to the north, too low. Sun in the west: the other way round.</source>
        <translation>Sol en el este: si deriva al sur, el extremo alto está demasiado alto; al norte, demasiado bajo. Sol en el oeste: al revés.</translation>
    </message>
    <message>
        <source>An alt-azimuth mount needs no pole: level its base. An error of north only moves the zero of its azimuth.</source>
        <translation>Una montura altacimutal no necesita polo: nivele su base. Un error del norte solo desplaza el cero de su acimut.</translation>
    </message>
    <message>
        <source>Hold against a bright lamp: %1.</source>
        <translation>Mire a contraluz de una lámpara potente: %1.</translation>
    </message>
    <message>
        <source>A pinhole, a scratch or a loose film passes light that harms.</source>
        <translation>Un poro, un arañazo o una lámina suelta dejan pasar luz que daña.</translation>
    </message>
    <message>
        <source>No point of light, no crease that gapes, nothing loose. Else it stays at home.</source>
        <translation>Ni un punto de luz, ni un pliegue abierto, ni nada suelto. Si no, se queda en casa.</translation>
    </message>
    <message>
        <source>Stand the tripod on its marks and level it.</source>
        <translation>Ponga el trípode en sus marcas y nivélelo.</translation>
    </message>
    <message>
        <source>Everything after this rests on it; a bump later undoes the alignment.</source>
        <translation>Todo lo que sigue se apoya en él; un golpe después deshace la puesta en estación.</translation>
    </message>
    <message>
        <source>The bubble is in its ring; a push does not rock it.</source>
        <translation>La burbuja está en su círculo; un empujón no lo mueve.</translation>
    </message>
    <message>
        <source>Tube away from the Sun, front cap on.</source>
        <translation>Tubo lejos del Sol, tapa delantera puesta.</translation>
    </message>
    <message>
        <source>While parts go on and off, no sunlight may fall into the lens.</source>
        <translation>Mientras se ponen y quitan piezas no debe caer luz del Sol en la lente.</translation>
    </message>
    <message>
        <source>The Sun is behind the tube, and you see the cap.</source>
        <translation>El Sol está detrás del tubo y usted ve la tapa.</translation>
    </message>
    <message>
        <source>Cap every finder, or take it off.</source>
        <translation>Tape todos los buscadores o quítelos.</translation>
    </message>
    <message>
        <source>An open finder blinds an eye and burns cloth while all look at the telescope.</source>
        <translation>Un buscador abierto ciega un ojo y quema tela mientras todos miran el telescopio.</translation>
    </message>
    <message>
        <source>No open glass points forward but the capped lens.</source>
        <translation>Ningún cristal abierto mira adelante, salvo la lente tapada.</translation>
    </message>
    <message>
        <source>Let the tube come to the air&apos;s temperature, capped.</source>
        <translation>Deje que el tubo tome la temperatura del aire, tapado.</translation>
    </message>
    <message>
        <source>Warm air in the tube blurs; cold glass in damp air fogs.</source>
        <translation>El aire caliente en el tubo emborrona; el cristal frío en aire húmedo se empaña.</translation>
    </message>
    <message>
        <source>The glass is clear, and the tube feels like the air.</source>
        <translation>El cristal está limpio y el tubo se siente como el aire.</translation>
    </message>
    <message>
        <source>Cap off, %1 on at once, and secured against wind.</source>
        <translation>Quite la tapa, ponga en el acto %1 y asegúrelo contra el viento.</translation>
    </message>
    <message>
        <source>It is all that stands between the Sun and an eye.</source>
        <translation>Es todo lo que hay entre el Sol y un ojo.</translation>
    </message>
    <message>
        <source>It does not turn or lift when you pull at it.</source>
        <translation>No gira ni se levanta al tirar de él.</translation>
    </message>
    <message>
        <source>Put in %1.</source>
        <translation>Ponga %1.</translation>
    </message>
    <message>
        <source>Once the lens is open, nothing is put in or taken out.</source>
        <translation>Con la lente abierta no se pone ni se quita nada.</translation>
    </message>
    <message>
        <source>It is locked, and its cable cannot pull it out.</source>
        <translation>Está fijado y su cable no puede sacarlo.</translation>
    </message>
    <message>
        <source>A tube that swings by itself swings through the Sun.</source>
        <translation>Un tubo que se mueve solo acaba pasando por el Sol.</translation>
    </message>
    <message>
        <source>Let go: it stays. Turn it by hand: no cable pulls.</source>
        <translation>Suéltelo: se queda. Gírelo a mano: ningún cable tira.</translation>
    </message>
    <message>
        <source>No controller shows a fault; the mount&apos;s motor runs.</source>
        <translation>Ningún mando muestra un fallo; el motor de la montura anda.</translation>
    </message>
    <message>
        <source>Let %1 come on band.</source>
        <translation>Deje que %1 llegue a su banda.</translation>
    </message>
    <message>
        <source>Before it is warm it shows nothing, whatever else is right.</source>
        <translation>Antes de estar caliente no muestra nada, por bien que esté lo demás.</translation>
    </message>
    <message>
        <source>Its light shows that it holds its temperature.</source>
        <translation>Su luz indica que mantiene la temperatura.</translation>
    </message>
    <message>
        <source>Bring the axis under the pole.</source>
        <translation>Lleve el eje bajo el polo.</translation>
    </message>
    <message>
        <source>Every error there is a drift of the Sun later.</source>
        <translation>Cada error ahí es luego una deriva del Sol.</translation>
    </message>
    <message>
        <source>Inclinometer at the latitude, axis along true north or south.</source>
        <translation>Inclinómetro en la latitud, eje hacia el norte o el sur verdadero.</translation>
    </message>
    <message>
        <source>Level the base, and set its north.</source>
        <translation>Nivele la base y fije su norte.</translation>
    </message>
    <message>
        <source>An alt-azimuth mount finds the Sun only from a level base.</source>
        <translation>Una montura altacimutal solo encuentra el Sol con la base nivelada.</translation>
    </message>
    <message>
        <source>The bubble stays in its ring all round.</source>
        <translation>La burbuja queda en su círculo en toda la vuelta.</translation>
    </message>
    <message>
        <source>One look along the whole light path, front to back.</source>
        <translation>Un repaso a todo el camino óptico, de delante atrás.</translation>
    </message>
    <message>
        <source>From the next step on, a mistake is paid for within seconds.</source>
        <translation>Desde el paso siguiente, un error se paga en segundos.</translation>
    </message>
    <message>
        <source>Filters on and secure, finders capped, nothing loose, nobody behind.</source>
        <translation>Filtros puestos y seguros, buscadores tapados, nada suelto, nadie detrás.</translation>
    </message>
    <message>
        <source>Turn to the Sun by the tube&apos;s shadow; %1 stays on.</source>
        <translation>Gire al Sol por la sombra del tubo; %1 sigue puesto.</translation>
    </message>
    <message>
        <source>Looking for it along the tube puts an eye in its way.</source>
        <translation>Buscarlo a lo largo del tubo pone un ojo en su camino.</translation>
    </message>
    <message>
        <source>The shadow is small and round.</source>
        <translation>La sombra es pequeña y redonda.</translation>
    </message>
    <message>
        <source>Turn to the Sun by the tube&apos;s shadow, then uncap.</source>
        <translation>Gire al Sol por la sombra del tubo y luego destape.</translation>
    </message>
    <message>
        <source>The light enters only now, when all that dims it is in its place.</source>
        <translation>La luz entra solo ahora, con todo lo que la atenúa en su sitio.</translation>
    </message>
    <message>
        <source>The shadow is small and round; the cap is off and out of the way.</source>
        <translation>La sombra es pequeña y redonda; la tapa está quitada y apartada.</translation>
    </message>
    <message>
        <source>Bring the Sun into the middle.</source>
        <translation>Lleve el Sol al centro.</translation>
    </message>
    <message>
        <source>From here the mount can be told where it points.</source>
        <translation>Desde aquí puede decirse a la montura adónde apunta.</translation>
    </message>
    <message>
        <source>Its middle stands still in the middle of the field.</source>
        <translation>Su centro está quieto en el centro del campo.</translation>
    </message>
    <message>
        <source>Set the mount to the Sun&apos;s rate.</source>
        <translation>Ponga la montura a la velocidad del Sol.</translation>
    </message>
    <message>
        <source>At the rate of the stars it runs away by two and a half arcseconds a minute.</source>
        <translation>A la velocidad de las estrellas se escapa dos segundos de arco y medio por minuto.</translation>
    </message>
    <message>
        <source>The controller names the Sun, not the stars.</source>
        <translation>El mando nombra el Sol, no las estrellas.</translation>
    </message>
    <message>
        <source>Focus with %1, under a hood.</source>
        <translation>Enfoque con %1, bajo una capucha.</translation>
    </message>
    <message>
        <source>The edge of the Sun is the sharpest thing to judge by.</source>
        <translation>El borde del Sol es lo más nítido para juzgar.</translation>
    </message>
    <message>
        <source>Edge or spot do not get finer either way.</source>
        <translation>El borde o la mancha no mejoran hacia ningún lado.</translation>
    </message>
    <message>
        <source>Watch which way the Sun drifts, and turn the knobs.</source>
        <translation>Mire hacia dónde deriva el Sol y gire los mandos.</translation>
    </message>
    <message>
        <source>It shows the axis&apos; error better than any compass.</source>
        <translation>Muestra el error del eje mejor que cualquier brújula.</translation>
    </message>
    <message>
        <source>It stays where it is for as long as a clip takes.</source>
        <translation>Se queda donde está lo que dura un vídeo.</translation>
    </message>
    <message>
        <source>Tune %1: a step, wait, compare.</source>
        <translation>Sintonice %1: un paso, espere, compare.</translation>
    </message>
    <message>
        <source>Each unit has a best setting; it needs minutes after every step.</source>
        <translation>Cada unidad tiene su mejor ajuste; necesita minutos tras cada paso.</translation>
    </message>
    <message>
        <source>Fibrils, or prominences, are at their strongest.</source>
        <translation>Las fibrillas, o las protuberancias, están en su máximo.</translation>
    </message>
    <message>
        <source>Record a short clip, and look at it.</source>
        <translation>Grabe un vídeo corto y mírelo.</translation>
    </message>
    <message>
        <source>What fails in rehearsal does not fail at the minute that counts.</source>
        <translation>Lo que falla en el ensayo no falla en el minuto que cuenta.</translation>
    </message>
    <message>
        <source>The clip opens, is sharp, and nothing in it is full.</source>
        <translation>El vídeo se abre, es nítido y nada está saturado.</translation>
    </message>
    <message>
        <source>Turn the tube away from the Sun.</source>
        <translation>Aparte el tubo del Sol.</translation>
    </message>
    <message>
        <source>Parts are changed only where no sunlight can fall in.</source>
        <translation>Las piezas se cambian solo donde no puede entrar luz del Sol.</translation>
    </message>
    <message>
        <source>The Sun is behind the tube.</source>
        <translation>El Sol está detrás del tubo.</translation>
    </message>
    <message>
        <source>Cap on.</source>
        <translation>Ponga la tapa.</translation>
    </message>
    <message>
        <source>The mount may be moved by mistake; a cap does not mind.</source>
        <translation>La montura puede moverse por error; a la tapa no le importa.</translation>
    </message>
    <message>
        <source>You see the cap on the lens.</source>
        <translation>Usted ve la tapa en la lente.</translation>
    </message>
    <message>
        <source>Change the part, and lock it.</source>
        <translation>Cambie la pieza y fíjela.</translation>
    </message>
    <message>
        <source>What is not locked falls out when the tube turns.</source>
        <translation>Lo que no está fijado se cae al girar el tubo.</translation>
    </message>
    <message>
        <source>Nothing that dims the light was left on the table.</source>
        <translation>Nada que atenúe la luz quedó en la mesa.</translation>
    </message>
    <message>
        <source>Look along the whole light path again.</source>
        <translation>Repase otra vez todo el camino óptico.</translation>
    </message>
    <message>
        <source>A part that was taken out for a moment is easily forgotten.</source>
        <translation>Una pieza quitada por un momento se olvida con facilidad.</translation>
    </message>
    <message>
        <source>All that belongs there is there.</source>
        <translation>Está todo lo que debe estar.</translation>
    </message>
    <message>
        <source>Cap off, and back to the Sun by the shadow.</source>
        <translation>Quite la tapa y vuelva al Sol por la sombra.</translation>
    </message>
    <message>
        <source>The light enters only when everything is in its place.</source>
        <translation>La luz entra solo con todo en su sitio.</translation>
    </message>
    <message>
        <source>Focus again with %1.</source>
        <translation>Enfoque de nuevo con %1.</translation>
    </message>
    <message>
        <source>Each part moves the focus.</source>
        <translation>Cada pieza mueve el foco.</translation>
    </message>
    <message>
        <source>Turn away from the Sun and cap before anybody comes near.</source>
        <translation>Aparte el tubo del Sol y tape antes de que se acerque nadie.</translation>
    </message>
    <message>
        <source>Guests do not know what must not be touched.</source>
        <translation>Los invitados no saben lo que no se debe tocar.</translation>
    </message>
    <message>
        <source>You see the cap.</source>
        <translation>Usted ve la tapa.</translation>
    </message>
    <message>
        <source>Tape %1 to the tube.</source>
        <translation>Sujete con cinta %1 al tubo.</translation>
    </message>
    <message>
        <source>A child&apos;s hand or a gust takes it off in a second.</source>
        <translation>La mano de un niño o una racha lo quitan en un segundo.</translation>
    </message>
    <message>
        <source>It cannot be pulled off without taking the tape off.</source>
        <translation>No puede quitarse sin quitar la cinta.</translation>
    </message>
    <message>
        <source>Lock %1 so that no hand can take it out.</source>
        <translation>Fije %1 para que ninguna mano pueda sacarlo.</translation>
    </message>
    <message>
        <source>Behind an open lens there is full heat.</source>
        <translation>Tras una lente abierta está todo el calor.</translation>
    </message>
    <message>
        <source>Nothing turns without a tool.</source>
        <translation>Nada gira sin herramienta.</translation>
    </message>
    <message>
        <source>Take every finder off.</source>
        <translation>Quite todos los buscadores.</translation>
    </message>
    <message>
        <source>A cap comes off; curious eyes follow.</source>
        <translation>Una tapa se quita, y detrás van los ojos curiosos.</translation>
    </message>
    <message>
        <source>There is no second glass on the tube.</source>
        <translation>No hay un segundo cristal en el tubo.</translation>
    </message>
    <message>
        <source>A line on the ground: one guest at a time, none behind the tube.</source>
        <translation>Una línea en el suelo: un invitado cada vez, ninguno detrás del tubo.</translation>
    </message>
    <message>
        <source>Queues push, and a bumped tripod turns the telescope.</source>
        <translation>Las colas empujan, y un trípode golpeado gira el telescopio.</translation>
    </message>
    <message>
        <source>The queue cannot reach tube, cables or heat port.</source>
        <translation>La cola no alcanza el tubo, los cables ni la salida de calor.</translation>
    </message>
    <message>
        <source>Say it before they look: touch nothing, look only in here, never up to it.</source>
        <translation>Dígalo antes de que miren: no tocar nada, mirar solo por aquí, nunca hacia el Sol.</translation>
    </message>
    <message>
        <source>Nobody hears it once they look.</source>
        <translation>Nadie lo oye cuando ya mira.</translation>
    </message>
    <message>
        <source>The first guest repeats it.</source>
        <translation>El primer invitado lo repite.</translation>
    </message>
    <message>
        <source>Uncap, find the Sun, and hold a card behind the eyepiece first.</source>
        <translation>Destape, busque el Sol y ponga primero una cartulina tras el ocular.</translation>
    </message>
    <message>
        <source>A card shows a fault without costing an eye.</source>
        <translation>Una cartulina muestra un fallo sin costar un ojo.</translation>
    </message>
    <message>
        <source>Hand over, and stay with a hand on the cap.</source>
        <translation>Ceda el sitio y quédese con una mano en la tapa.</translation>
    </message>
    <message>
        <source>While guests look, nobody else watches the tube.</source>
        <translation>Mientras miran los invitados, nadie más vigila el tubo.</translation>
    </message>
    <message>
        <source>Whoever leaves caps it first.</source>
        <translation>Quien se va, tapa antes.</translation>
    </message>
    <message>
        <source>Taking down is when parts come off an open tube.</source>
        <translation>Al recoger es cuando se quitan piezas de un tubo abierto.</translation>
    </message>
    <message>
        <source>Front cap on.</source>
        <translation>Tapa delantera puesta.</translation>
    </message>
    <message>
        <source>First the light goes, then what dims it.</source>
        <translation>Primero se va la luz, después lo que la atenúa.</translation>
    </message>
    <message>
        <source>You see the cap on the lens, or over the filter.</source>
        <translation>Usted ve la tapa en la lente o sobre el filtro.</translation>
    </message>
    <message>
        <source>Heater off: %1.</source>
        <translation>Apague el calentador: %1.</translation>
    </message>
    <message>
        <source>It cools slowly; hot it does not go into a box.</source>
        <translation>Se enfría despacio; caliente no va a la caja.</translation>
    </message>
    <message>
        <source>It feels like the air.</source>
        <translation>Se siente como el aire.</translation>
    </message>
    <message>
        <source>Take off the rear: %1.</source>
        <translation>Quite lo de detrás: %1.</translation>
    </message>
    <message>
        <source>Never before the front is capped.</source>
        <translation>Nunca antes de tapar por delante.</translation>
    </message>
    <message>
        <source>Caps are on both its ends.</source>
        <translation>Tiene tapas en ambos extremos.</translation>
    </message>
    <message>
        <source>Mark the tripod&apos;s feet on the ground.</source>
        <translation>Marque en el suelo los pies del trípode.</translation>
    </message>
    <message>
        <source>Next time the axis stands within a quarter of a degree at once.</source>
        <translation>La próxima vez el eje queda en el acto a menos de un cuarto de grado.</translation>
    </message>
    <message>
        <source>Three marks that rain does not wash off.</source>
        <translation>Tres marcas que la lluvia no borra.</translation>
    </message>
    <message>
        <source>Let everything dry before the boxes are closed.</source>
        <translation>Deje secar todo antes de cerrar las cajas.</translation>
    </message>
    <message>
        <source>Damp in a box becomes mould and rust.</source>
        <translation>La humedad en una caja se vuelve moho y óxido.</translation>
    </message>
    <message>
        <source>No glass is fogged.</source>
        <translation>Ningún cristal está empañado.</translation>
    </message>
    <message>
        <source>Write down what was found: steps, exposure, air, faults.</source>
        <translation>Anote lo hallado: pasos, exposición, aire, fallos.</translation>
    </message>
    <message>
        <source>It is what the next day begins with.</source>
        <translation>Es con lo que empieza el día siguiente.</translation>
    </message>
    <message>
        <source>The page of today is in the log.</source>
        <translation>La página de hoy está en el registro.</translation>
    </message>
    <message>
        <source>The light on the card is dim and cold. A bright or warm spot: cap at once.</source>
        <translation>La luz en la cartulina es tenue y fría. Una mancha brillante o caliente: tape en el acto.</translation>
    </message>
    <message>
        <source>what belongs there</source>
        <translation>lo que va ahí</translation>
    </message>
    <message>
        <source>how far to the right and how far up; 0 counts</source>
        <translation>cuánto a la derecha y cuánto arriba; 0 vale</translation>
    </message>
    <message>
        <source>a light path with telescope and camera</source>
        <translation>un camino óptico con telescopio y cámara</translation>
    </message>
    <message>
        <source>a message of JSON-RPC 2.0</source>
        <translation>un mensaje de JSON-RPC 2.0</translation>
    </message>
    <message>
        <source>a result or an error</source>
        <translation>un resultado o un error</translation>
    </message>
    <message>
        <source>nothing listens there</source>
        <translation>nada escucha ahí</translation>
    </message>
    <message>
        <source>it has closed the connection</source>
        <translation>ha cerrado la conexión</translation>
    </message>
    <message>
        <source>it does not answer</source>
        <translation>no responde</translation>
    </message>
    <message>
        <source>it says nothing that can be understood</source>
        <translation>no dice nada que se entienda</translation>
    </message>
    <message>
        <source>it refuses: %1</source>
        <translation>se niega: %1</translation>
    </message>
    <message>
        <source>another process listens there</source>
        <translation>otro proceso escucha ahí</translation>
    </message>
    <message>
        <source>it does not belong to you alone</source>
        <translation>no es solo de usted</translation>
    </message>
    <message>
        <source>--sun, or --ra and --dec together</source>
        <translation>--sun, o --ra y --dec juntos</translation>
    </message>
    <message>
        <source>time, cloud, thin cloud, wind and perhaps temperature and humidity</source>
        <translation>hora, nubes, nubes finas, viento y quizá temperatura y humedad</translation>
    </message>
    <message>
        <source>two frames or more of the whole disc or its edge</source>
        <translation>dos o más imágenes del disco entero o de su borde</translation>
    </message>
    <message>
        <source>a frame that says when it was taken</source>
        <translation>una imagen que diga cuándo se tomó</translation>
    </message>
    <message>
        <source>frames in which the Sun is equally large</source>
        <translation>imágenes en las que el Sol sea igual de grande</translation>
    </message>
    <message>
        <source>a photographic camera at the end of the light path</source>
        <translation>una cámara fotográfica al final del camino óptico</translation>
    </message>
    <message>
        <source>a video camera at the end of the light path</source>
        <translation>una cámara de vídeo al final del camino óptico</translation>
    </message>
    <message>
        <source>a telescope and an eyepiece without a camera behind it</source>
        <translation>un telescopio y un ocular sin cámara detrás</translation>
    </message>
    <message>
        <source>no whole frame is in it</source>
        <translation>no contiene ninguna toma entera</translation>
    </message>
    <message>
        <source>it is of another size than the first</source>
        <translation>es de otro tamaño que la primera</translation>
    </message>
    <message>
        <source>Looking: a few seconds more.</source>
        <translation>Observando: unos segundos más.</translation>
    </message>
    <message>
        <source>No sunlight reaches the sensor.</source>
        <translation>Al sensor no llega luz del Sol.</translation>
    </message>
    <message>
        <source>Too bright: %1 of the picture is full.</source>
        <translation>Demasiado brillo: el %1 de la imagen está saturado.</translation>
    </message>
    <message>
        <source>Too dim: the sensor has %1 stops to spare.</source>
        <translation>Demasiado oscuro: al sensor le sobran %1 pasos.</translation>
    </message>
    <message>
        <source>Cloud or haze takes %1 stops.</source>
        <translation>Las nubes o la calima quitan %1 pasos.</translation>
    </message>
    <message>
        <source>Interference bands, %1 deep.</source>
        <translation>Bandas de interferencia, de un %1.</translation>
    </message>
    <message>
        <source>Out of focus, by about %1 one way or the other.</source>
        <translation>Fuera de foco, unos %1 hacia un lado u otro.</translation>
    </message>
    <message>
        <source>Off the middle of the line.</source>
        <translation>Fuera del centro de la línea.</translation>
    </message>
    <message>
        <source>The picture drifts by %1 a minute.</source>
        <translation>La imagen deriva %1 por minuto.</translation>
    </message>
    <message>
        <source>Nothing but the telescope: it tells %1 apart.</source>
        <translation>Solo el telescopio: separa %1.</translation>
    </message>
    <message>
        <source>Hold the picture still.</source>
        <translation>Mantenga quieta la imagen.</translation>
    </message>
    <message>
        <source>Look at caps, filters and pointing; never along the tube with the eye.</source>
        <translation>Revise tapas, filtros y puntería; nunca mire con el ojo a lo largo del tubo.</translation>
    </message>
    <message>
        <source>Halve the exposure and look again.</source>
        <translation>Reduzca la exposición a la mitad y mire de nuevo.</translation>
    </message>
    <message>
        <source>Expose %2 as long, or turn the gain up.</source>
        <translation>Exponga %2 el tiempo, o suba la ganancia.</translation>
    </message>
    <message>
        <source>Wait for a gap, or expose %2 as long and keep single frames.</source>
        <translation>Espere un claro, o exponga %2 el tiempo y guarde imágenes sueltas.</translation>
    </message>
    <message>
        <source>Tilt the camera by up to %2 and turn it until they are finer than the pixels.</source>
        <translation>Incline la cámara hasta %2 y gírela hasta que sean más finas que los píxeles.</translation>
    </message>
    <message>
        <source>Turn the focuser a little; go back when the edge grows wider.</source>
        <translation>Mueva un poco el enfocador; vuelva atrás si el borde se ensancha.</translation>
    </message>
    <message>
        <source>Go one step of the tuner, wait until it is on band, and compare: on, or back.</source>
        <translation>Avance un paso del sintonizador, espere a que esté en banda y compare: adelante, o atrás.</translation>
    </message>
    <message>
        <source>The middle leaves the field in %2: look at rate and axis in Field.</source>
        <translation>El centro sale del campo en %2: revise velocidad y eje en Campo.</translation>
    </message>
    <message>
        <source>Wait for calm moments: record many frames, keep the sharpest.</source>
        <translation>Espere momentos de calma: grabe muchas imágenes y guarde las más nítidas.</translation>
    </message>
    <message>
        <source>Record now.</source>
        <translation>Grabe ahora.</translation>
    </message>
    <message>
        <source>The air: as if the aperture were %1.</source>
        <translation>El aire: como si la abertura fuera de %1.</translation>
    </message>
    <message>
        <source>Dust before the sensor: its shadow takes %1 of the light.</source>
        <translation>Polvo ante el sensor: su sombra quita el %1 de la luz.</translation>
    </message>
    <message>
        <source>Blow it off the camera&apos;s window, or take a flat with the camera as it is.</source>
        <translation>Sóplelo de la ventana de la cámara, o tome un flat con la cámara tal como está.</translation>
    </message>
    <message>
        <source>nothing in it is found again from frame to frame: cloud, an empty field, or far out of focus</source>
        <translation>nada en él vuelve a hallarse de un fotograma a otro: nubes, un campo vacío o muy desenfocado</translation>
    </message>
    <message>
        <source>it is no longer the file that the recipe was made with</source>
        <translation>ya no es el archivo con el que se hizo la receta</translation>
    </message>
    <message>
        <source>its disc is %1 times as large as the light path draws it: it was taken with another one, or is no Sun</source>
        <translation>su disco es %1 veces el que dibuja el camino óptico: se tomó con otro, o no es el Sol</translation>
    </message>
    <message>
        <source>it does not say where solar north is</source>
        <translation>no dice dónde está el norte solar</translation>
    </message>
    <message>
        <source>it does not say when it was taken</source>
        <translation>no dice cuándo se tomó</translation>
    </message>
    <message>
        <source>nothing in it is found in the other panels</source>
        <translation>nada de él se encuentra en los demás paneles</translation>
    </message>
    <message>
        <source>it is of another scale than the first</source>
        <translation>es de otra escala que el primero</translation>
    </message>
    <message>
        <source>grey and colour cannot be joined</source>
        <translation>no se pueden unir gris y color</translation>
    </message>
    <message>
        <source>it shows a disc of another size</source>
        <translation>muestra un disco de otro tamaño</translation>
    </message>
    <message>
        <source>what is to be held is found in fewer than two of them</source>
        <translation>lo que hay que fijar se encuentra en menos de dos de ellas</translation>
    </message>
    <message>
        <source>its disc has to lie at different places, across and along</source>
        <translation>su disco debe estar en distintos lugares, a lo ancho y a lo alto</translation>
    </message>
    <message>
        <source>By day the pupil of an eye, and that of a phone, is small, and the shadow of the secondary fills much of it at low power.</source>
        <translation>De día la pupila del ojo, como la de un teléfono, es pequeña, y a pocos aumentos la sombra del secundario la llena en gran parte.</translation>
    </message>
    <message>
        <source>The image of the Sun is larger than the sensor; a shorter focal length or a larger sensor shows all of it, a mosaic the parts.</source>
        <translation>La imagen del Sol es mayor que el sensor; una focal más corta o un sensor mayor la muestran entera, un mosaico por partes.</translation>
    </message>
    <message>
        <source>The frames stay dark.</source>
        <translation>Las tomas quedan oscuras.</translation>
    </message>
    <message>
        <source>the safety rules stop this light path: %1</source>
        <translation>las reglas de seguridad detienen este camino de luz: %1</translation>
    </message>
    <message>
        <source>A cracked or fogged filter passes light that harms; a loose one falls out.</source>
        <translation>Un filtro agrietado o empañado deja pasar luz que daña; uno suelto se cae.</translation>
    </message>
    <message>
        <source>Glass whole and clear, screws tight, nothing rattles. Else it stays at home.</source>
        <translation>Vidrio entero y limpio, tornillos firmes, nada suena. Si no, se queda en casa.</translation>
    </message>
    <message>
        <source>Heater on now: %1.</source>
        <translation>Encienda ya el calefactor: %1.</translation>
    </message>
    <message>
        <source>It needs many minutes to come on band; they pass while the rest is set up.</source>
        <translation>Necesita muchos minutos para llegar a su banda; pasan mientras se monta lo demás.</translation>
    </message>
    <message>
        <source>Its light shows that it warms, and no fault.</source>
        <translation>Su luz muestra que calienta, sin fallo.</translation>
    </message>
    <message>
        <source>Counterweights on before the tube.</source>
        <translation>Los contrapesos antes que el tubo.</translation>
    </message>
    <message>
        <source>Without them the tube falls over as soon as a clutch is open.</source>
        <translation>Sin ellos el tubo cae en cuanto se afloja un embrague.</translation>
    </message>
    <message>
        <source>They are clamped, and the screw at the end of the bar is in.</source>
        <translation>Están apretados, y el tornillo del extremo de la barra está puesto.</translation>
    </message>
    <message>
        <source>Tube on the mount, front cap on, both clamps tight.</source>
        <translation>El tubo en la montura, tapado por delante, con ambas mordazas firmes.</translation>
    </message>
    <message>
        <source>A tube that slips falls with everything on it.</source>
        <translation>Un tubo que resbala cae con todo lo que lleva.</translation>
    </message>
    <message>
        <source>It does not move in its clamps when you lift it by hand.</source>
        <translation>No se mueve en sus mordazas al levantarlo con la mano.</translation>
    </message>
    <message>
        <source>Tube or camera on the tripod&apos;s head, front cap on.</source>
        <translation>El tubo o la cámara en la rótula del trípode, tapado por delante.</translation>
    </message>
    <message>
        <source>A head that slips lets it swing through the Sun.</source>
        <translation>Una rótula que cede lo deja pasar por el Sol.</translation>
    </message>
    <message>
        <source>It stays where it is left.</source>
        <translation>Se queda donde se deja.</translation>
    </message>
    <message>
        <source>Caps off the back; fit all that belongs behind the tube, with %1, and lock it.</source>
        <translation>Quite las tapas de atrás; ponga todo lo que va detrás del tubo, con %1, y asegúrelo.</translation>
    </message>
    <message>
        <source>Behind an open lens a missing part means full heat at the back, and a plastic cap burns.</source>
        <translation>Tras un objetivo abierto, una pieza que falta es todo el calor detrás, y una tapa de plástico arde.</translation>
    </message>
    <message>
        <source>Every screw is tight; no cap is on the back.</source>
        <translation>Todos los tornillos están firmes; no queda ninguna tapa detrás.</translation>
    </message>
    <message>
        <source>Balance both axes; clutches, cables with slack.</source>
        <translation>Equilibre ambos ejes; embragues, cables con holgura.</translation>
    </message>
    <message>
        <source>Tighten the head, cables with slack.</source>
        <translation>Apriete la rótula, cables con holgura.</translation>
    </message>
    <message>
        <source>A tube that sinks by itself sinks through the Sun.</source>
        <translation>Un tubo que baja solo baja a través del Sol.</translation>
    </message>
    <message>
        <source>A wrong plug ends the day before it has begun.</source>
        <translation>Un enchufe equivocado acaba con el día antes de empezarlo.</translation>
    </message>
    <message>
        <source>It crosses its own width in about two minutes.</source>
        <translation>Cruza su propio ancho en unos dos minutos.</translation>
    </message>
    <message>
        <source>It comes into the field on one side and leaves it on the other.</source>
        <translation>Entra en el campo por un lado y sale por el otro.</translation>
    </message>
    <message>
        <source>Let the mount follow the Sun with both axes.</source>
        <translation>Deje que la montura siga al Sol con ambos ejes.</translation>
    </message>
    <message>
        <source>It steps in height and azimuth, and the field turns slowly.</source>
        <translation>Avanza por pasos en altura y acimut, y el campo gira despacio.</translation>
    </message>
    <message>
        <source>The controller names the Sun, and it stays in the field.</source>
        <translation>El mando nombra al Sol, y este se queda en el campo.</translation>
    </message>
    <message>
        <source>Focus the eyepiece: %1.</source>
        <translation>Enfoque el ocular: %1.</translation>
    </message>
    <message>
        <source>Move the eyepiece until the edge on the screen is sharp.</source>
        <translation>Mueva el ocular hasta que el borde en la pantalla sea nítido.</translation>
    </message>
    <message>
        <source>Its own sharp edge is the measure, not its brightness.</source>
        <translation>La medida es su borde nítido, no su brillo.</translation>
    </message>
    <message>
        <source>A phone that focuses by itself hunts on an empty disc.</source>
        <translation>Un teléfono que enfoca solo se pierde en un disco vacío.</translation>
    </message>
    <message>
        <source>Edge or spot stay sharp from picture to picture.</source>
        <translation>El borde o la mancha siguen nítidos de una foto a otra.</translation>
    </message>
    <message>
        <source>Look for a minute, and go through what you want to see.</source>
        <translation>Mire un minuto, y repase lo que quiere ver.</translation>
    </message>
    <message>
        <source>What is uncomfortable now is worse at the minute that counts.</source>
        <translation>Lo que ahora incomoda es peor en el minuto que cuenta.</translation>
    </message>
    <message>
        <source>The whole Sun is seen without strain, and it is dim enough to look at in comfort.</source>
        <translation>Se ve el Sol entero sin esfuerzo, y es tenue como para mirarlo con comodidad.</translation>
    </message>
    <message>
        <source>Look at the disc on the screen for a minute, from where people will stand.</source>
        <translation>Mire el disco en la pantalla un minuto, desde donde estará la gente.</translation>
    </message>
    <message>
        <source>What cannot be seen from there is found out now.</source>
        <translation>Lo que desde allí no se ve se descubre ahora.</translation>
    </message>
    <message>
        <source>The disc stands out against the daylight; the eyepiece does not get hot.</source>
        <translation>El disco destaca frente a la luz del día; el ocular no se calienta.</translation>
    </message>
    <message>
        <source>Take a few frames, and look at them at full size.</source>
        <translation>Haga unas tomas y mírelas a tamaño completo.</translation>
    </message>
    <message>
        <source>They are sharp, and nothing in them is overexposed.</source>
        <translation>Son nítidas, y nada en ellas está sobreexpuesto.</translation>
    </message>
    <message>
        <source>Take a few pictures with the self-timer, and look at them.</source>
        <translation>Haga unas fotos con el temporizador y mírelas.</translation>
    </message>
    <message>
        <source>They are sharp, no dark rim cuts the disc, and it is not burnt out.</source>
        <translation>Son nítidas, ningún borde oscuro corta el disco, y no está quemado.</translation>
    </message>
    <message>
        <source>Look at the back: no cap on the telescope, none on any part.</source>
        <translation>Mire detrás: ninguna tapa en el telescopio ni en ninguna pieza.</translation>
    </message>
    <message>
        <source>A plastic cap behind an open lens burns within seconds.</source>
        <translation>Una tapa de plástico tras un objetivo abierto arde en segundos.</translation>
    </message>
    <message>
        <source>Every cap that came off lies in the box.</source>
        <translation>Todas las tapas que se quitaron están en la caja.</translation>
    </message>
    <message>
        <source>Focus the eyepiece again: %1.</source>
        <translation>Vuelva a enfocar el ocular: %1.</translation>
    </message>
    <message>
        <source>Move the eyepiece until the edge on the screen is sharp again.</source>
        <translation>Mueva el ocular hasta que el borde en la pantalla vuelva a ser nítido.</translation>
    </message>
    <message>
        <source>Box the beam in from the eyepiece to the screen.</source>
        <translation>Encierre el haz desde el ocular hasta la pantalla.</translation>
    </message>
    <message>
        <source>A face or a hand in the beam is harmed at once.</source>
        <translation>Una cara o una mano en el haz se daña al instante.</translation>
    </message>
    <message>
        <source>No hand reaches the beam; the screen is seen from the side or from behind.</source>
        <translation>Ninguna mano llega al haz; la pantalla se ve de lado o por detrás.</translation>
    </message>
    <message>
        <source>A line on the ground: all see the screen, nobody reaches the tube.</source>
        <translation>Una línea en el suelo: todos ven la pantalla, nadie llega al tubo.</translation>
    </message>
    <message>
        <source>Nobody can get between eyepiece and screen.</source>
        <translation>Nadie puede ponerse entre ocular y pantalla.</translation>
    </message>
    <message>
        <source>A line on the ground: all see the display, nobody reaches the tube.</source>
        <translation>Una línea en el suelo: todos ven el monitor, nadie llega al tubo.</translation>
    </message>
    <message>
        <source>Nobody can reach tube, cables or heat port.</source>
        <translation>Nadie llega al tubo, a los cables ni a la salida de calor.</translation>
    </message>
    <message>
        <source>Say it before they come: look at the screen, never towards the eyepiece or the Sun.</source>
        <translation>Dígalo antes de que vengan: se mira a la pantalla, nunca hacia el ocular ni hacia el Sol.</translation>
    </message>
    <message>
        <source>The first thing that everybody does is to look where the light comes from.</source>
        <translation>Lo primero que hace cualquiera es mirar de dónde viene la luz.</translation>
    </message>
    <message>
        <source>Say it before they come: look at the display, touch nothing, never look up to the Sun.</source>
        <translation>Dígalo antes de que vengan: se mira al monitor, no se toca nada, nunca se mira al Sol.</translation>
    </message>
    <message>
        <source>The first thing that everybody does is to look where the telescope points.</source>
        <translation>Lo primero que hace cualquiera es mirar adonde apunta el telescopio.</translation>
    </message>
    <message>
        <source>Say it before they come: look at the display, never into the camera or up to the Sun.</source>
        <translation>Dígalo antes de que vengan: se mira al monitor, nunca por la cámara ni al Sol.</translation>
    </message>
    <message>
        <source>Uncap, find the Sun, and look at the display first yourself.</source>
        <translation>Destape, encuentre el Sol y mire primero usted el monitor.</translation>
    </message>
    <message>
        <source>A fault shows there without costing an eye.</source>
        <translation>Allí se ve un fallo sin que cueste un ojo.</translation>
    </message>
    <message>
        <source>The picture is as bright as always. Anything else: cap at once.</source>
        <translation>La imagen es tan brillante como siempre. Si no: tape al instante.</translation>
    </message>
    <message>
        <source>Uncap, find the Sun, and look at the screen first yourself.</source>
        <translation>Destape, encuentre el Sol y mire primero usted la pantalla.</translation>
    </message>
    <message>
        <source>The beam is bright and hot: it must end on the screen, inside its box.</source>
        <translation>El haz es brillante y caliente: debe acabar en la pantalla, dentro de su caja.</translation>
    </message>
    <message>
        <source>Let them look, and stay with a hand on the cap.</source>
        <translation>Deje mirar, y quédese con la mano en la tapa.</translation>
    </message>
    <message>
        <source>While guests look at the screen, nobody else watches the beam.</source>
        <translation>Mientras las visitas miran la pantalla, nadie más vigila el haz.</translation>
    </message>
    <message>
        <source>Whoever leaves caps it first; the eyepiece rests in between.</source>
        <translation>Quien se va tapa antes; el ocular descansa entre medias.</translation>
    </message>
    <message>
        <source>Show it, and stay at the telescope.</source>
        <translation>Muéstrelo, y quédese junto al telescopio.</translation>
    </message>
    <message>
        <source>While guests look at the display, nobody else watches the tube.</source>
        <translation>Mientras las visitas miran el monitor, nadie más vigila el tubo.</translation>
    </message>
    <message>
        <source>Park the mount, power off, cables out.</source>
        <translation>Aparque la montura, apáguela y quite los cables.</translation>
    </message>
    <message>
        <source>A mount that starts by itself turns the tube through the Sun and pulls its cables.</source>
        <translation>Una montura que arranca sola pasa el tubo por el Sol y tira de sus cables.</translation>
    </message>
    <message>
        <source>Take out %1, caps on.</source>
        <translation>Saque %1 y póngale sus tapas.</translation>
    </message>
    <message>
        <source>What lies open gathers dust; what hangs on the tube falls with it.</source>
        <translation>Lo que queda abierto coge polvo; lo que cuelga del tubo cae con él.</translation>
    </message>
    <message>
        <source>Take off %1, the cap on at once; into its box with it.</source>
        <translation>Quite %1 y ponga la tapa al instante; guárdelo en su caja.</translation>
    </message>
    <message>
        <source>Without it the tube is open; a filter among tools is a filter with a scratch.</source>
        <translation>Sin él el tubo está abierto; un filtro entre herramientas es un filtro rayado.</translation>
    </message>
    <message>
        <source>The cap is on the lens; the filter lies dry and flat, and nothing presses on it.</source>
        <translation>La tapa está en el objetivo; el filtro está seco y plano, y nada lo aprieta.</translation>
    </message>
    <message>
        <source>Take the tube off, before the counterweights.</source>
        <translation>Baje el tubo antes que los contrapesos.</translation>
    </message>
    <message>
        <source>A mount with weights and no tube stands; one with a tube and no weights falls.</source>
        <translation>Una montura con pesas y sin tubo se sostiene; una con tubo y sin pesas cae.</translation>
    </message>
    <message>
        <source>Caps are on both ends of the tube.</source>
        <translation>Hay tapas en ambos extremos del tubo.</translation>
    </message>
    <message>
        <source>Take the tube or camera off the tripod.</source>
        <translation>Baje el tubo o la cámara del trípode.</translation>
    </message>
    <message>
        <source>A tripod that is carried with it drops it.</source>
        <translation>Un trípode que se lleva con él lo deja caer.</translation>
    </message>
    <message>
        <source>Take the counterweights off last.</source>
        <translation>Los contrapesos, lo último.</translation>
    </message>
    <message>
        <source>They hold the mount upright as long as the tube is on.</source>
        <translation>Mantienen la montura en pie mientras el tubo está puesto.</translation>
    </message>
    <message>
        <source>The bar is empty, its screw back in.</source>
        <translation>La barra está vacía y su tornillo vuelve a estar puesto.</translation>
    </message>
    <message>
        <source>Beam boxed in</source>
        <translation>Haz encerrado</translation>
    </message>
    <message>
        <source>Walls from the eyepiece to the screen, so that no face or hand gets into the beam</source>
        <translation>Paredes desde el ocular hasta la pantalla, para que ni caras ni manos entren en el haz</translation>
    </message>
    <message>
        <source>Whoever looks through it is harmed without pain: it may pass invisible ultraviolet or infrared.</source>
        <translation>Quien mira por él se daña sin dolor: puede dejar pasar ultravioleta o infrarrojo invisibles.</translation>
    </message>
    <message>
        <source>The filter is not marked as certified for the Sun. Only a sensor meets its light here.</source>
        <translation>El filtro no consta como certificado para el Sol. Aquí solo un sensor recibe su luz.</translation>
    </message>
    <message>
        <source>Let nobody look through it, not even for aiming; better use film or glass with its maker&apos;s certificate.</source>
        <translation>Que nadie mire por él, ni para apuntar; mejor use lámina o vidrio con el certificado de su fabricante.</translation>
    </message>
    <message>
        <source>Focus by eye, then hold and lock the phone&apos;s own focus: %1.</source>
        <translation>Enfoque a ojo, y luego fije el enfoque propio del teléfono: %1.</translation>
    </message>
    <message>
        <source>Next to nothing is visible.</source>
        <translation>No se ve casi nada.</translation>
    </message>
    <message>
        <source>Together the filters leave less light than the eye needs by day: there is one too many, or their passbands do not overlap.</source>
        <translation>Entre todos, los filtros dejan menos luz de la que el ojo necesita de día: sobra uno, o sus bandas de paso no coinciden.</translation>
    </message>
    <message>
        <source>Together the filters leave so little light that the exposure becomes hopelessly long, or their passbands do not overlap.</source>
        <translation>Entre todos, los filtros dejan tan poca luz que la exposición se alarga sin remedio, o sus bandas de paso no coinciden.</translation>
    </message>
    <message>
        <source>writing stopped (%2); the first %1 frames are kept</source>
        <translation>la escritura se detuvo (%2); se conservan las primeras %1 tomas</translation>
    </message>
    <message>
        <source>this file is also an input; choose another name</source>
        <translation>este archivo es también una entrada; elija otro nombre</translation>
    </message>
    <message>
        <source>Inspect: %1.</source>
        <translation>Revise: %1.</translation>
    </message>
    <message>
        <source>Check the polarity, then switch the mount on.</source>
        <translation>Compruebe la polaridad y encienda la montura.</translation>
    </message>
    <message>
        <source>Point a little ahead of the Sun, and let it drift through the middle.</source>
        <translation>Apunte un poco por delante del Sol y déjelo cruzar por el centro.</translation>
    </message>
    <message>
        <source>No stray light leaves the box. If anything smells or smokes, cap at once.</source>
        <translation>De la caja no sale luz por ningún otro lado. Si algo huele o echa humo, tape al instante.</translation>
    </message>
    <message>
        <source>No controller shows a light.</source>
        <translation>Ningún mando tiene una luz encendida.</translation>
    </message>
    <message>
        <source>Focal length per mm of back focus</source>
        <translation>Focal por mm de foco trasero</translation>
    </message>
    <message>
        <source>For telescopes that focus by moving the mirror: by how many mm the focal length grows for each mm of extra back focus</source>
        <translation>Para telescopios que enfocan moviendo el espejo: cuántos mm crece la focal por cada mm de foco trasero adicional</translation>
    </message>
    <message>
        <source>Nothing wrong found, but seeing and focus cannot be judged from this picture.</source>
        <translation>No se ve ningún fallo, pero con esta imagen no se puede juzgar ni el seeing ni el enfoque.</translation>
    </message>
    <message>
        <source>Bring the limb into the picture, or frame detail for some seconds.</source>
        <translation>Lleve el limbo a la imagen o encuadre detalle durante unos segundos.</translation>
    </message>
    <message>
        <source>Writes</source>
        <translation>Guarda</translation>
    </message>
    <message>
        <source>What it writes for each picture; a JPEG is a seventh of a raw file</source>
        <translation>Lo que guarda de cada imagen; un JPEG ocupa la séptima parte de un raw</translation>
    </message>
    <message>
        <source>Raw files</source>
        <translation>Archivos raw</translation>
    </message>
    <message>
        <source>JPEG files</source>
        <translation>Archivos JPEG</translation>
    </message>
    <message>
        <source>Both</source>
        <translation>Ambos</translation>
    </message>
    <message>
        <source>a whole JPEG picture</source>
        <translation>una imagen JPEG entera</translation>
    </message>
    <message>
        <source>FITS, PNG, TIFF or JPEG</source>
        <translation>FITS, PNG, TIFF o JPEG</translation>
    </message>
    <message>
        <source>Its screw is tight, and it does not tip.</source>
        <translation>Su tornillo está apretado y no cabecea.</translation>
    </message>
    <message>
        <source>Both are tight, and the phone cannot slide off.</source>
        <translation>Ambos están sujetos y el teléfono no puede resbalar.</translation>
    </message>
    <message>
        <source>The eyepiece is tight; the screen stands square and cannot fall.</source>
        <translation>El ocular está apretado; la pantalla está a escuadra y no puede caer.</translation>
    </message>
    <message>
        <source>1950-01-01 to 2100-12-31</source>
        <translation>de 1950-01-01 a 2100-12-31</translation>
    </message>
</context>
</TS>
