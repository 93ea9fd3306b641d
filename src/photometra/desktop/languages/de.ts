<?xml version="1.0" encoding="utf-8"?>
<!DOCTYPE TS>
<TS version="2.1" language="de">
<context>
    <name>photometra</name>
    <message>
        <location filename="colour/lamps.py"/>
        <source>there is no lamp '{0}': choose from {1}, another temperature as 4100 K, or a file</source>
        <translation>es gibt keine Lampe '{0}': zur Wahl stehen {1}, eine andere Temperatur wie 4100 K oder eine Datei</translation>
    </message>
    <message>
        <location filename="colour/observers.py"/>
        <source>no observer '{0}': choose from {1}</source>
        <translation>kein Beobachter '{0}': zur Wahl stehen {1}</translation>
    </message>
    <message>
        <location filename="colour/observers.py"/>
        <source>no illuminant '{0}': choose from {1}</source>
        <translation>keine Lichtart '{0}': zur Wahl stehen {1}</translation>
    </message>
    <message>
        <location filename="colour/spaces.py"/>
        <source>wavelength_nm must be two or more increasing wavelengths</source>
        <translation>wavelength_nm braucht zwei oder mehr aufsteigende Wellenlängen</translation>
    </message>
    <message>
        <location filename="colour/spaces.py"/>
        <source>reflectance needs one value for each wavelength</source>
        <translation>reflectance braucht einen Wert für jede Wellenlänge</translation>
    </message>
    <message>
        <location filename="colour/temperature.py"/>
        <source>black has no colour temperature</source>
        <translation>Schwarz hat keine Farbtemperatur</translation>
    </message>
    <message>
        <location filename="colour/temperature.py"/>
        <source>that colour is too far from any white to have a temperature</source>
        <translation>diese Farbe ist zu weit von jedem Weiß, um eine Temperatur zu haben</translation>
    </message>
    <message>
        <location filename="desktop/absorption_chart.py"/>
        <source>What a slab of the interior lets through, 0.1 to 1000 mm thick, and its colour.&lt;br&gt;The line marks the specimen's own thickness; drag the needle to move the depth at which the colour holds.</source>
        <translation>Was eine Platte des Inneren durchlässt, 0,1 bis 1000 mm dick, und ihre Farbe.&lt;br&gt;Der Strich zeigt die Dicke der Probe selbst; die Nadel ziehen, um die Tiefe zu ändern, bei der die Farbe gilt.</translation>
    </message>
    <message>
        <location filename="desktop/absorption_chart.py"/>
        <source>Absorption chart</source>
        <translation>Absorptionsdiagramm</translation>
    </message>
    <message>
        <location filename="desktop/absorption_chart.py"/>
        <source>absorption chart</source>
        <translation>Absorptionsdiagramm</translation>
    </message>
    <message>
        <location filename="desktop/acts.py"/>
        <source>Add a specimen</source>
        <translation>Probe hinzufügen</translation>
    </message>
    <message>
        <location filename="desktop/acts.py"/>
        <source>Its name:</source>
        <translation>Ihr Name:</translation>
    </message>
    <message>
        <location filename="desktop/acts.py"/>
        <source>Rename</source>
        <translation>Umbenennen</translation>
    </message>
    <message>
        <location filename="desktop/acts.py"/>
        <source>New name:</source>
        <translation>Neuer Name:</translation>
    </message>
    <message>
        <location filename="desktop/acts.py"/>
        <source>Size</source>
        <translation>Größe</translation>
    </message>
    <message>
        <location filename="desktop/acts.py"/>
        <source>Diameter of the ball, mm:</source>
        <translation>Durchmesser der Kugel, mm:</translation>
    </message>
    <message>
        <location filename="desktop/acts.py"/>
        <source>Click where '{0}' was taken; beside the specimen for all of it.</source>
        <translation>Anklicken, wo '{0}' gemessen wurde; neben die Probe für die ganze.</translation>
    </message>
    <message>
        <location filename="desktop/acts.py"/>
        <source>place of a reading</source>
        <translation>Ort einer Messung</translation>
    </message>
    <message>
        <location filename="desktop/acts.py"/>
        <source>taken at {0}</source>
        <translation>gemessen bei {0}</translation>
    </message>
    <message>
        <location filename="desktop/acts.py"/>
        <source>taken of all of the specimen</source>
        <translation>an der ganzen Probe gemessen</translation>
    </message>
    <message>
        <location filename="desktop/acts.py"/>
        <source>Sellmeier coefficients</source>
        <translation>Sellmeier-Koeffizienten</translation>
    </message>
    <message>
        <location filename="desktop/acts.py"/>
        <source>B1 C1 B2 C2 B3 C3, with C in µm², as glass catalogues print them:</source>
        <translation>B1 C1 B2 C2 B3 C3, C in µm², wie Glaskataloge sie drucken:</translation>
    </message>
    <message>
        <location filename="desktop/acts.py"/>
        <source>constants from the reading</source>
        <translation>Konstanten aus der Messung</translation>
    </message>
    <message>
        <location filename="desktop/acts.py"/>
        <source>add a specimen</source>
        <translation>Probe hinzufügen</translation>
    </message>
    <message>
        <location filename="desktop/acts.py"/>
        <source>rename a specimen</source>
        <translation>Probe umbenennen</translation>
    </message>
    <message>
        <location filename="desktop/acts.py"/>
        <source>size of a specimen</source>
        <translation>Größe der Probe</translation>
    </message>
    <message>
        <location filename="desktop/acts.py"/>
        <source>duplicate a specimen</source>
        <translation>Probe verdoppeln</translation>
    </message>
    <message>
        <location filename="desktop/acts.py"/>
        <source>remove a specimen</source>
        <translation>Probe entfernen</translation>
    </message>
    <message>
        <location filename="desktop/acts.py"/>
        <source>Choose a reading first; its place is where the instrument stood.</source>
        <translation>Zuerst eine Messung wählen; ihr Ort ist, wo das Gerät stand.</translation>
    </message>
    <message>
        <location filename="desktop/acts.py"/>
        <source>Add a specimen first; a colour target belongs to one.</source>
        <translation>Zuerst eine Probe hinzufügen; ein Farbziel gehört zu einer.</translation>
    </message>
    <message>
        <location filename="desktop/acts.py"/>
        <source>remove a reading</source>
        <translation>Messung entfernen</translation>
    </message>
    <message>
        <location filename="desktop/acts.py"/>
        <source>There is no ellipsometry to take constants from; import it or take it from the shelf.</source>
        <translation>Es gibt keine Ellipsometrie, aus der Konstanten kämen; importieren oder aus dem Regal nehmen.</translation>
    </message>
    <message>
        <location filename="desktop/acts.py"/>
        <source>constants from the ellipsometry</source>
        <translation>Konstanten aus der Ellipsometrie</translation>
    </message>
    <message>
        <location filename="desktop/acts.py"/>
        <source>Add a specimen first; constants belong to one.</source>
        <translation>Zuerst eine Probe hinzufügen; Konstanten gehören zu einer.</translation>
    </message>
    <message>
        <location filename="desktop/acts.py"/>
        <source>constants from a model</source>
        <translation>Konstanten aus einem Modell</translation>
    </message>
    <message>
        <location filename="desktop/acts.py"/>
        <source>A proof needs a whole picture: wait until it is there, all light and all parts shown.</source>
        <translation>Ein Abzug braucht ein ganzes Bild: warten, bis es da ist, mit allem Licht und allen Teilen.</translation>
    </message>
    <message>
        <location filename="desktop/acts.py"/>
        <source>colour target</source>
        <translation>Farbziel</translation>
    </message>
    <message>
        <location filename="desktop/agreement_sheet.py"/>
        <source>Specimen</source>
        <translation>Probe</translation>
    </message>
    <message>
        <location filename="desktop/agreement_sheet.py"/>
        <source>Reading</source>
        <translation>Messung</translation>
    </message>
    <message>
        <location filename="desktop/agreement_sheet.py"/>
        <source>In</source>
        <translation>In</translation>
    </message>
    <message>
        <location filename="desktop/agreement_sheet.py"/>
        <source>Value</source>
        <translation>Wert</translation>
    </message>
    <message>
        <location filename="desktop/agreement_sheet.py"/>
        <source>Allowed</source>
        <translation>Erlaubt</translation>
    </message>
    <message>
        <location filename="desktop/agreement_sheet.py"/>
        <source>Share</source>
        <translation>Anteil</translation>
    </message>
    <message>
        <location filename="desktop/agreement_sheet.py"/>
        <source>Verdict</source>
        <translation>Urteil</translation>
    </message>
    <message>
        <location filename="desktop/agreement_sheet.py"/>
        <source>{0} of {1} readings within tolerance</source>
        <translation>{0} von {1} Messungen in Toleranz</translation>
    </message>
    <message>
        <location filename="desktop/agreement_sheet.py"/>
        <source>Agreement</source>
        <translation>Übereinstimmung</translation>
    </message>
    <message>
        <location filename="desktop/agreement_sheet.py"/>
        <source>Export CSV…</source>
        <translation>CSV exportieren…</translation>
    </message>
    <message>
        <location filename="desktop/agreement_sheet.py"/>
        <source>Write this table as a CSV file</source>
        <translation>Diese Tabelle als CSV-Datei schreiben</translation>
    </message>
    <message>
        <location filename="desktop/agreement_sheet.py"/>
        <source>Agreement of every reading</source>
        <translation>Übereinstimmung jeder Messung</translation>
    </message>
    <message>
        <location filename="desktop/agreement_sheet.py"/>
        <source>Export the agreement</source>
        <translation>Übereinstimmung exportieren</translation>
    </message>
    <message>
        <location filename="desktop/agreement_sheet.py"/>
        <source>CSV (*.csv)</source>
        <translation>CSV (*.csv)</translation>
    </message>
    <message>
        <location filename="desktop/agreement_sheet.py"/>
        <source>Wrote {0}</source>
        <translation>{0} geschrieben</translation>
    </message>
    <message>
        <location filename="desktop/agreement_sheet.py"/>
        <source>within</source>
        <translation>innerhalb</translation>
    </message>
    <message>
        <location filename="desktop/agreement_sheet.py"/>
        <source>out</source>
        <translation>außerhalb</translation>
    </message>
    <message>
        <location filename="desktop/agreement_sheet.py"/>
        <source>cannot be read</source>
        <translation>nicht lesbar</translation>
    </message>
    <message>
        <location filename="desktop/agreement_sheet.py"/>
        <source>being measured</source>
        <translation>wird gemessen</translation>
    </message>
    <message>
        <location filename="desktop/agreement_sheet.py"/>
        <source>not counted</source>
        <translation>zählt nicht</translation>
    </message>
    <message>
        <location filename="desktop/agreement_sheet.py"/>
        <source>, {0} being measured</source>
        <translation>, {0} noch zu messen</translation>
    </message>
    <message>
        <location filename="desktop/app.py"/>
        <source>there is no screen: set DISPLAY or WAYLAND_DISPLAY, or use the verbs (photometra --help)</source>
        <translation>es gibt keinen Bildschirm: DISPLAY oder WAYLAND_DISPLAY setzen oder die Befehle verwenden (photometra --help)</translation>
    </message>
    <message>
        <location filename="desktop/app.py"/>
        <source>the screen '{0}' cannot be reached; check DISPLAY, or use the verbs</source>
        <translation>der Bildschirm '{0}' ist nicht erreichbar; DISPLAY prüfen oder die Befehle verwenden</translation>
    </message>
    <message>
        <location filename="desktop/app.py"/>
        <source>a system library is missing ({0}); install {1}</source>
        <translation>eine Systembibliothek fehlt ({0}); {1} installieren</translation>
    </message>
    <message>
        <location filename="desktop/arrivals_sheet.py"/>
        <source>take</source>
        <translation>nehmen</translation>
    </message>
    <message>
        <location filename="desktop/arrivals_sheet.py"/>
        <source>file</source>
        <translation>Datei</translation>
    </message>
    <message>
        <location filename="desktop/arrivals_sheet.py"/>
        <source>sample</source>
        <translation>Muster</translation>
    </message>
    <message>
        <location filename="desktop/arrivals_sheet.py"/>
        <source>understood as</source>
        <translation>verstanden als</translation>
    </message>
    <message>
        <location filename="desktop/arrivals_sheet.py"/>
        <source>specimen</source>
        <translation>Probe</translation>
    </message>
    <message>
        <location filename="desktop/arrivals_sheet.py"/>
        <source>{0} sample</source>
        <translation>{0} Sample</translation>
    </message>
    <message>
        <location filename="desktop/arrivals_sheet.py"/>
        <source>{0} samples</source>
        <translation>{0} Samples</translation>
    </message>
    <message>
        <location filename="desktop/arrivals_sheet.py"/>
        <source>{1} in {0} file{2}</source>
        <translation>{1} in {0} Datei{2}</translation>
    </message>
    <message>
        <location filename="desktop/arrivals_sheet.py"/>
        <source>{1} in {0} files{2}</source>
        <translation>{1} in {0} Dateien{2}</translation>
    </message>
    <message>
        <location filename="desktop/arrivals_sheet.py"/>
        <source>, {0} not understood</source>
        <translation>, {0} nicht verstanden</translation>
    </message>
    <message>
        <location filename="desktop/arrivals_sheet.py"/>
        <source>Import several readings</source>
        <translation>Mehrere Messungen importieren</translation>
    </message>
    <message>
        <location filename="desktop/arrivals_sheet.py"/>
        <source>Where the samples go</source>
        <translation>Wohin die Muster kommen</translation>
    </message>
    <message>
        <location filename="desktop/arrivals_sheet.py"/>
        <source>each sample to a specimen of its name</source>
        <translation>jedes Muster zu einer Probe seines Namens</translation>
    </message>
    <message>
        <location filename="desktop/arrivals_sheet.py"/>
        <source>What was understood of each sample</source>
        <translation>Was von jedem Muster verstanden wurde</translation>
    </message>
    <message>
        <location filename="desktop/arrivals_sheet.py"/>
        <source>Take them</source>
        <translation>Übernehmen</translation>
    </message>
    <message>
        <location filename="desktop/arrivals_sheet.py"/>
        <source>The specimen that it goes to; a new name makes a new one</source>
        <translation>Die Probe, zu der es kommt; ein neuer Name legt eine neue an</translation>
    </message>
    <message>
        <location filename="desktop/arrivals_sheet.py"/>
        <source>all to {0}, as repeats</source>
        <translation>alle zu {0}, als Wiederholungen</translation>
    </message>
    <message>
        <location filename="desktop/arrivals_sheet.py"/>
        <source>! and {0} more</source>
        <translation>! und {0} weitere</translation>
    </message>
    <message>
        <location filename="desktop/arrivals_sheet.py"/>
        <source>Nothing is doubtful about it.</source>
        <translation>Nichts daran ist zweifelhaft.</translation>
    </message>
    <message>
        <location filename="desktop/arrivals_sheet.py"/>
        <source>Take it</source>
        <translation>Übernehmen</translation>
    </message>
    <message>
        <location filename="desktop/arrivals_sheet.py"/>
        <source>Take {0}</source>
        <translation>{0} übernehmen</translation>
    </message>
    <message>
        <location filename="desktop/arriving.py"/>
        <source>{1} of {0} specimen</source>
        <translation>{1} von {0} Probe</translation>
    </message>
    <message>
        <location filename="desktop/arriving.py"/>
        <source>{1} of {0} specimens</source>
        <translation>{1} von {0} Proben</translation>
    </message>
    <message>
        <location filename="desktop/arriving.py"/>
        <source>Cancel</source>
        <translation>Abbrechen</translation>
    </message>
    <message>
        <location filename="desktop/arriving.py"/>
        <source>Import a reading</source>
        <translation>Messung importieren</translation>
    </message>
    <message>
        <location filename="desktop/arriving.py"/>
        <source>Readings (*.csv *.txt *.tsv *.cgats *.it8);;All files (*)</source>
        <translation>Messungen (*.csv *.txt *.tsv *.cgats *.it8);;Alle Dateien (*)</translation>
    </message>
    <message>
        <location filename="desktop/arriving.py"/>
        <source>All files (*)</source>
        <translation>Alle Dateien (*)</translation>
    </message>
    <message>
        <location filename="desktop/arriving.py"/>
        <source>Import a folder of readings</source>
        <translation>Ordner mit Messungen importieren</translation>
    </message>
    <message>
        <location filename="desktop/arriving.py"/>
        <source>import readings</source>
        <translation>Messungen importieren</translation>
    </message>
    <message>
        <location filename="desktop/arriving.py"/>
        <source>{0} reading</source>
        <translation>{0} Messung</translation>
    </message>
    <message>
        <location filename="desktop/arriving.py"/>
        <source>{0} readings</source>
        <translation>{0} Messungen</translation>
    </message>
    <message>
        <location filename="desktop/arriving.py"/>
        <source>Imported {0}</source>
        <translation>{0} importiert</translation>
    </message>
    <message>
        <location filename="desktop/arriving.py"/>
        <source>Take an environment</source>
        <translation>Umgebung laden</translation>
    </message>
    <message>
        <location filename="desktop/arriving.py"/>
        <source>Lat-long pictures (*.exr *.hdr)</source>
        <translation>Längen-Breiten-Bilder (*.exr *.hdr)</translation>
    </message>
    <message>
        <location filename="desktop/arriving.py"/>
        <source>Take a mesh</source>
        <translation>Netz laden</translation>
    </message>
    <message>
        <location filename="desktop/arriving.py"/>
        <source>Meshes ({0})</source>
        <translation>Netze ({0})</translation>
    </message>
    <message>
        <location filename="desktop/arriving.py"/>
        <source>Take materials</source>
        <translation>Materialien laden</translation>
    </message>
    <message>
        <location filename="desktop/arriving.py"/>
        <source>Materials ({0})</source>
        <translation>Materialien ({0})</translation>
    </message>
    <message>
        <location filename="desktop/arriving.py"/>
        <source>take materials of {0}</source>
        <translation>Materialien aus {0} laden</translation>
    </message>
    <message>
        <location filename="desktop/arriving.py"/>
        <source>{0} materials</source>
        <translation>{0} Materialien</translation>
    </message>
    <message>
        <location filename="desktop/arriving.py"/>
        <source>Added {0} from {1}.</source>
        <translation>{0} aus {1} hinzugefügt.</translation>
    </message>
    <message>
        <location filename="desktop/arriving.py"/>
        <source>Picture for a map</source>
        <translation>Bild für eine Textur</translation>
    </message>
    <message>
        <location filename="desktop/arriving.py"/>
        <source>Pictures ({0})</source>
        <translation>Bilder ({0})</translation>
    </message>
    <message>
        <location filename="desktop/arriving.py"/>
        <source>map of {0}</source>
        <translation>Textur von {0}</translation>
    </message>
    <message>
        <location filename="desktop/arriving.py"/>
        <source>Where to look for the pictures</source>
        <translation>Wo die Bilder zu suchen sind</translation>
    </message>
    <message>
        <location filename="desktop/arriving.py"/>
        <source>; still missing: {0}</source>
        <translation>; noch fehlend: {0}</translation>
    </message>
    <message>
        <location filename="desktop/arriving.py"/>
        <source>{0} found{1}</source>
        <translation>{0} gefunden{1}</translation>
    </message>
    <message>
        <location filename="desktop/arriving.py"/>
        <source>environment</source>
        <translation>Umgebung</translation>
    </message>
    <message>
        <location filename="desktop/arriving.py"/>
        <source>No map is without its picture.</source>
        <translation>Keiner Textur fehlt ihr Bild.</translation>
    </message>
    <message>
        <location filename="desktop/arriving.py"/>
        <source>The study was changed meanwhile; look for the pictures again.</source>
        <translation>Die Studie wurde inzwischen geändert; die Bilder noch einmal suchen.</translation>
    </message>
    <message>
        <location filename="desktop/arriving.py"/>
        <source>find map pictures</source>
        <translation>Texturbilder suchen</translation>
    </message>
    <message>
        <location filename="desktop/arriving.py"/>
        <source>Reading {0}…</source>
        <translation>{0} wird gelesen…</translation>
    </message>
    <message>
        <location filename="desktop/arriving.py"/>
        <source>There is no table on the clipboard; copy one, its first row the names of the columns.</source>
        <translation>In der Zwischenablage ist keine Tabelle; eine kopieren, deren erste Zeile die Spalten nennt.</translation>
    </message>
    <message>
        <location filename="desktop/arriving.py"/>
        <source>the table</source>
        <translation>die Tabelle</translation>
    </message>
    <message>
        <location filename="desktop/arriving.py"/>
        <source>{0}: {1}, {2} rows</source>
        <translation>{0}: {1}, {2} Zeilen</translation>
    </message>
    <message>
        <location filename="desktop/arriving.py"/>
        <source>import a reading</source>
        <translation>Messung importieren</translation>
    </message>
    <message>
        <location filename="desktop/arriving.py"/>
        <source>Imported {0}, to a new specimen: {1}</source>
        <translation>Importiert: {0}; dafür angelegte Probe: {1}</translation>
    </message>
    <message>
        <location filename="desktop/arriving.py"/>
        <source>mesh</source>
        <translation>Netz</translation>
    </message>
    <message>
        <location filename="desktop/arriving.py"/>
        <source>There is no file to take a reading from.</source>
        <translation>Es gibt keine Datei, aus der eine Messung käme.</translation>
    </message>
    <message>
        <location filename="desktop/arriving.py"/>
        <source>pasted table</source>
        <translation>eingefügte Tabelle</translation>
    </message>
    <message>
        <location filename="desktop/booth_sheet.py"/>
        <source>azimuth</source>
        <translation>Azimut</translation>
    </message>
    <message>
        <location filename="desktop/booth_sheet.py"/>
        <source>Azimuth of the camera about the specimen, in degrees</source>
        <translation>Azimut der Kamera um die Probe, in Grad</translation>
    </message>
    <message>
        <location filename="desktop/booth_sheet.py"/>
        <source>elevation</source>
        <translation>Höhenwinkel</translation>
    </message>
    <message>
        <location filename="desktop/booth_sheet.py"/>
        <source>Elevation of the camera above the horizon, in degrees</source>
        <translation>Höhenwinkel der Kamera über dem Horizont, in Grad</translation>
    </message>
    <message>
        <location filename="desktop/booth_sheet.py"/>
        <source>distance</source>
        <translation>Abstand</translation>
    </message>
    <message>
        <location filename="desktop/booth_sheet.py"/>
        <source>Distance of the camera, in sizes of the specimen</source>
        <translation>Abstand der Kamera, in Größen der Probe</translation>
    </message>
    <message>
        <location filename="desktop/booth_sheet.py"/>
        <source>focal length</source>
        <translation>Brennweite</translation>
    </message>
    <message>
        <location filename="desktop/booth_sheet.py"/>
        <source>Focal length of the lens, on a sensor 24 mm high</source>
        <translation>Brennweite des Objektivs, bei einem 24 mm hohen Sensor</translation>
    </message>
    <message>
        <location filename="desktop/booth_sheet.py"/>
        <source>aperture f/</source>
        <translation>Blende f/</translation>
    </message>
    <message>
        <location filename="desktop/booth_sheet.py"/>
        <source>f-number of the lens; 0 keeps everything sharp</source>
        <translation>Blendenzahl des Objektivs; 0 hält alles scharf</translation>
    </message>
    <message>
        <location filename="desktop/booth_sheet.py"/>
        <source>strength</source>
        <translation>Stärke</translation>
    </message>
    <message>
        <location filename="desktop/booth_sheet.py"/>
        <source>Radiance against a white sky of 1; 0 is off</source>
        <translation>Strahldichte gegen einen weißen Himmel von 1; 0 ist aus</translation>
    </message>
    <message>
        <location filename="desktop/booth_sheet.py"/>
        <source>Azimuth of the light, in degrees; 180 is behind the specimen</source>
        <translation>Azimut des Lichts, in Grad; 180 ist hinter der Probe</translation>
    </message>
    <message>
        <location filename="desktop/booth_sheet.py"/>
        <source>Elevation of the light, in degrees</source>
        <translation>Höhenwinkel des Lichts, in Grad</translation>
    </message>
    <message>
        <location filename="desktop/booth_sheet.py"/>
        <source>size</source>
        <translation>Größe</translation>
    </message>
    <message>
        <location filename="desktop/booth_sheet.py"/>
        <source>Width and height of the lamp, in sizes of the specimen</source>
        <translation>Breite und Höhe der Lampe, in Größen der Probe</translation>
    </message>
    <message>
        <location filename="desktop/booth_sheet.py"/>
        <source>Distance of the lamp, in sizes of the specimen</source>
        <translation>Abstand der Lampe, in Größen der Probe</translation>
    </message>
    <message>
        <location filename="desktop/booth_sheet.py"/>
        <source>samples</source>
        <translation>Samples</translation>
    </message>
    <message>
        <location filename="desktop/booth_sheet.py"/>
        <source>Stop at so many samples per pixel; 0: never</source>
        <translation>Nach so vielen Samples je Pixel aufhören; 0: nie</translation>
    </message>
    <message>
        <location filename="desktop/booth_sheet.py"/>
        <source>time</source>
        <translation>Zeit</translation>
    </message>
    <message>
        <location filename="desktop/booth_sheet.py"/>
        <source>Stop after so many seconds; 0: never</source>
        <translation>Nach so vielen Sekunden aufhören; 0: nie</translation>
    </message>
    <message>
        <location filename="desktop/booth_sheet.py"/>
        <source>noise</source>
        <translation>Rauschen</translation>
    </message>
    <message>
        <location filename="desktop/booth_sheet.py"/>
        <source>Stop at this relative noise; 0: never</source>
        <translation>Bei diesem relativen Rauschen aufhören; 0: nie</translation>
    </message>
    <message>
        <location filename="desktop/booth_sheet.py"/>
        <source>reflection</source>
        <translation>Reflexion</translation>
    </message>
    <message>
        <location filename="desktop/booth_sheet.py"/>
        <source>Most reflection bounces of a path</source>
        <translation>Höchstens so viele Reflexionen eines Pfads</translation>
    </message>
    <message>
        <location filename="desktop/booth_sheet.py"/>
        <source>transmission</source>
        <translation>Transmission</translation>
    </message>
    <message>
        <location filename="desktop/booth_sheet.py"/>
        <source>Most transmission bounces of a path; too few darken glass</source>
        <translation>Höchstens so viele Durchgänge eines Pfads; zu wenige machen Glas dunkel</translation>
    </message>
    <message>
        <location filename="desktop/booth_sheet.py"/>
        <source>volume</source>
        <translation>Volumen</translation>
    </message>
    <message>
        <location filename="desktop/booth_sheet.py"/>
        <source>Most volume bounces of a path; too few darken wax</source>
        <translation>Höchstens so viele Streuungen eines Pfads; zu wenige machen Wachs dunkel</translation>
    </message>
    <message>
        <location filename="desktop/booth_sheet.py"/>
        <source>clamp</source>
        <translation>Kappung</translation>
    </message>
    <message>
        <location filename="desktop/booth_sheet.py"/>
        <source>Largest radiance a path may contribute: removes fireflies, and some light; 0: off</source>
        <translation>Größte Strahldichte, die ein Pfad beitragen darf: nimmt Glühpixel und etwas Licht; 0: aus</translation>
    </message>
    <message>
        <location filename="desktop/booth_sheet.py"/>
        <source>Back to the chart (Escape)</source>
        <translation>Zurück zum Diagramm (Escape)</translation>
    </message>
    <message>
        <location filename="desktop/booth_sheet.py"/>
        <source>Specimen and camera</source>
        <translation>Probe und Kamera</translation>
    </message>
    <message>
        <location filename="desktop/booth_sheet.py"/>
        <source>Shape</source>
        <translation>Form</translation>
    </message>
    <message>
        <location filename="desktop/booth_sheet.py"/>
        <source>What stands for the specimen: true to size, the step block 1, 2, 4, 8 and 16 mm thick</source>
        <translation>Was für die Probe steht: maßstäblich; der Stufenblock 1, 2, 4, 8 und 16 mm dick</translation>
    </message>
    <message>
        <location filename="desktop/booth_sheet.py"/>
        <source>wall</source>
        <translation>Wand</translation>
    </message>
    <message>
        <location filename="desktop/booth_sheet.py"/>
        <source>Thickness of the vessel's wall, in mm</source>
        <translation>Wanddicke des Gefäßes, in mm</translation>
    </message>
    <message>
        <location filename="desktop/booth_sheet.py"/>
        <source>Named view</source>
        <translation>Benannte Ansicht</translation>
    </message>
    <message>
        <location filename="desktop/booth_sheet.py"/>
        <source>Take the camera to a named place</source>
        <translation>Die Kamera an einen benannten Ort stellen</translation>
    </message>
    <message>
        <location filename="desktop/booth_sheet.py"/>
        <source>view…</source>
        <translation>Ansicht…</translation>
    </message>
    <message>
        <location filename="desktop/booth_sheet.py"/>
        <source>Camera</source>
        <translation>Kamera</translation>
    </message>
    <message>
        <location filename="desktop/booth_sheet.py"/>
        <source>{0}: spectrum</source>
        <translation>{0}: Spektrum</translation>
    </message>
    <message>
        <location filename="desktop/booth_sheet.py"/>
        <source>Spectrum of the lamp: illuminants of the CIE, a white LED, black bodies; or a measured one from a file (CSV, CGATS, IES TM-27)</source>
        <translation>Spektrum der Lampe: Lichtarten der CIE, eine weiße LED, schwarze Körper; oder ein gemessenes aus einer Datei (CSV, CGATS, IES TM-27)</translation>
    </message>
    <message>
        <location filename="desktop/booth_sheet.py"/>
        <source>Stop at, and bounces</source>
        <translation>Ende und Pfadlängen</translation>
    </message>
    <message>
        <location filename="desktop/booth_sheet.py"/>
        <source>Render a region</source>
        <translation>Bereich rendern</translation>
    </message>
    <message>
        <location filename="desktop/booth_sheet.py"/>
        <source>Drag a rectangle in the picture: only that is rendered. Press again for all of it</source>
        <translation>Ein Rechteck im Bild ziehen: nur dieses wird gerendert. Noch einmal drücken für das ganze</translation>
    </message>
    <message>
        <location filename="desktop/booth_sheet.py"/>
        <source>from a file…</source>
        <translation>aus einer Datei…</translation>
    </message>
    <message>
        <location filename="desktop/booth_sheet.py"/>
        <source>Key light</source>
        <translation>Führungslicht</translation>
    </message>
    <message>
        <location filename="desktop/booth_sheet.py"/>
        <source>Back light</source>
        <translation>Gegenlicht</translation>
    </message>
    <message>
        <location filename="desktop/booth_sheet.py"/>
        <source>view from {0}</source>
        <translation>Ansicht von {0}</translation>
    </message>
    <message>
        <location filename="desktop/booth_sheet.py"/>
        <source>shape</source>
        <translation>Form</translation>
    </message>
    <message>
        <location filename="desktop/booth_sheet.py"/>
        <source>Spectrum of a lamp</source>
        <translation>Spektrum einer Lampe</translation>
    </message>
    <message>
        <location filename="desktop/booth_sheet.py"/>
        <source>mesh from a file…</source>
        <translation>Netz aus einer Datei…</translation>
    </message>
    <message>
        <location filename="desktop/called.py"/>
        <source>luminance</source>
        <translation>Helligkeit</translation>
    </message>
    <message>
        <location filename="desktop/called.py"/>
        <source>red</source>
        <translation>Rot</translation>
    </message>
    <message>
        <location filename="desktop/called.py"/>
        <source>green</source>
        <translation>Grün</translation>
    </message>
    <message>
        <location filename="desktop/called.py"/>
        <source>blue</source>
        <translation>Blau</translation>
    </message>
    <message>
        <location filename="desktop/called.py"/>
        <source>alpha</source>
        <translation>Alpha</translation>
    </message>
    <message>
        <location filename="desktop/called.py"/>
        <source>colour</source>
        <translation>Farbe</translation>
    </message>
    <message>
        <location filename="desktop/called.py"/>
        <source>normals</source>
        <translation>Normalen</translation>
    </message>
    <message>
        <location filename="desktop/called.py"/>
        <source>plain numbers</source>
        <translation>bloße Zahlen</translation>
    </message>
    <message>
        <location filename="desktop/called.py"/>
        <source>tile</source>
        <translation>kacheln</translation>
    </message>
    <message>
        <location filename="desktop/called.py"/>
        <source>mirrored</source>
        <translation>gespiegelt</translation>
    </message>
    <message>
        <location filename="desktop/called.py"/>
        <source>edge held</source>
        <translation>Rand halten</translation>
    </message>
    <message>
        <location filename="desktop/called.py"/>
        <source>multiply</source>
        <translation>multiplizieren</translation>
    </message>
    <message>
        <location filename="desktop/called.py"/>
        <source>add</source>
        <translation>addieren</translation>
    </message>
    <message>
        <location filename="desktop/called.py"/>
        <source>mix</source>
        <translation>mischen</translation>
    </message>
    <message>
        <location filename="desktop/called.py"/>
        <source>lighter</source>
        <translation>heller</translation>
    </message>
    <message>
        <location filename="desktop/called.py"/>
        <source>darker</source>
        <translation>dunkler</translation>
    </message>
    <message>
        <location filename="desktop/called.py"/>
        <source>mask of the next</source>
        <translation>Maske der nächsten</translation>
    </message>
    <message>
        <location filename="desktop/called.py"/>
        <source>ball</source>
        <translation>Kugel</translation>
    </message>
    <message>
        <location filename="desktop/called.py"/>
        <source>puck</source>
        <translation>Puck</translation>
    </message>
    <message>
        <location filename="desktop/called.py"/>
        <source>disc</source>
        <translation>Scheibe</translation>
    </message>
    <message>
        <location filename="desktop/called.py"/>
        <source>step block</source>
        <translation>Stufenblock</translation>
    </message>
    <message>
        <location filename="desktop/called.py"/>
        <source>wedge</source>
        <translation>Keil</translation>
    </message>
    <message>
        <location filename="desktop/called.py"/>
        <source>vessel</source>
        <translation>Gefäß</translation>
    </message>
    <message>
        <location filename="desktop/called.py"/>
        <source>liquid in vessel</source>
        <translation>Flüssigkeit im Gefäß</translation>
    </message>
    <message>
        <location filename="desktop/called.py"/>
        <source>cloth</source>
        <translation>Tuch</translation>
    </message>
    <message>
        <location filename="desktop/called.py"/>
        <source>lantern room</source>
        <translation>Laterne</translation>
    </message>
    <message>
        <location filename="desktop/called.py"/>
        <source>lamp row</source>
        <translation>Lampen</translation>
    </message>
    <message>
        <location filename="desktop/called.py"/>
        <source>overcast</source>
        <translation>bedeckt</translation>
    </message>
    <message>
        <location filename="desktop/called.py"/>
        <source>window</source>
        <translation>Fenster</translation>
    </message>
    <message>
        <location filename="desktop/called.py"/>
        <source>uniform</source>
        <translation>gleichmäßig</translation>
    </message>
    <message>
        <location filename="desktop/called.py"/>
        <source>front</source>
        <translation>Vorderseite</translation>
    </message>
    <message>
        <location filename="desktop/called.py"/>
        <source>level with it</source>
        <translation>auf gleicher Höhe</translation>
    </message>
    <message>
        <location filename="desktop/called.py"/>
        <source>above</source>
        <translation>von oben</translation>
    </message>
    <message>
        <location filename="desktop/called.py"/>
        <source>side</source>
        <translation>Seite</translation>
    </message>
    <message>
        <location filename="desktop/called.py"/>
        <source>behind</source>
        <translation>von hinten</translation>
    </message>
    <message>
        <location filename="desktop/called.py"/>
        <source>close</source>
        <translation>nah</translation>
    </message>
    <message>
        <location filename="desktop/called.py"/>
        <source>linear</source>
        <translation>linear</translation>
    </message>
    <message>
        <location filename="desktop/called.py"/>
        <source>profile</source>
        <translation>Profil</translation>
    </message>
    <message>
        <location filename="desktop/called.py"/>
        <source>metal</source>
        <translation>Metall</translation>
    </message>
    <message>
        <location filename="desktop/called.py"/>
        <source>opaque</source>
        <translation>opak</translation>
    </message>
    <message>
        <location filename="desktop/called.py"/>
        <source>clear</source>
        <translation>klar</translation>
    </message>
    <message>
        <location filename="desktop/called.py"/>
        <source>translucent</source>
        <translation>transluzent</translation>
    </message>
    <message>
        <location filename="desktop/called.py"/>
        <source>sheet</source>
        <translation>Blatt</translation>
    </message>
    <message>
        <location filename="desktop/called.py"/>
        <source>sheen</source>
        <translation>Fasern</translation>
    </message>
    <message>
        <location filename="desktop/called.py"/>
        <source>coat</source>
        <translation>Lack</translation>
    </message>
    <message>
        <location filename="desktop/called.py"/>
        <source>film</source>
        <translation>Dünnfilm</translation>
    </message>
    <message>
        <location filename="desktop/called.py"/>
        <source>finish</source>
        <translation>Finish</translation>
    </message>
    <message>
        <location filename="desktop/called.py"/>
        <source>body</source>
        <translation>Körper</translation>
    </message>
    <message>
        <location filename="desktop/called.py"/>
        <source>interior</source>
        <translation>Inneres</translation>
    </message>
    <message>
        <location filename="desktop/called.py"/>
        <source>back side</source>
        <translation>Rückseite</translation>
    </message>
    <message>
        <location filename="desktop/called.py"/>
        <source>subsurface</source>
        <translation>Volumenstreuung</translation>
    </message>
    <message>
        <location filename="desktop/called.py"/>
        <source>stage</source>
        <translation>Bühne</translation>
    </message>
    <message>
        <location filename="desktop/called.py"/>
        <source>Point</source>
        <translation>Punkt</translation>
    </message>
    <message>
        <location filename="desktop/called.py"/>
        <source>Patch</source>
        <translation>Feld</translation>
    </message>
    <message>
        <location filename="desktop/called.py"/>
        <source>Line</source>
        <translation>Linie</translation>
    </message>
    <message>
        <location filename="desktop/called.py"/>
        <source>photograph</source>
        <translation>Fotografie</translation>
    </message>
    <message>
        <location filename="desktop/chain_strip.py"/>
        <source>exposure</source>
        <translation>Belichtung</translation>
    </message>
    <message>
        <location filename="desktop/chain_strip.py"/>
        <source>white balance</source>
        <translation>Weißabgleich</translation>
    </message>
    <message>
        <location filename="desktop/chain_strip.py"/>
        <source>highlights</source>
        <translation>Lichter</translation>
    </message>
    <message>
        <location filename="desktop/chain_strip.py"/>
        <source>view transform</source>
        <translation>Ansichtstransformation</translation>
    </message>
    <message>
        <location filename="desktop/chain_strip.py"/>
        <source>unchanged</source>
        <translation>unverändert</translation>
    </message>
    <message>
        <location filename="desktop/chain_strip.py"/>
        <source>far from white</source>
        <translation>fern von Weiß</translation>
    </message>
    <message>
        <location filename="desktop/chain_strip.py"/>
        <source>Switch {0} off or on</source>
        <translation>{0} aus- oder einschalten</translation>
    </message>
    <message>
        <location filename="desktop/chain_strip.py"/>
        <source>{0} on</source>
        <translation>{0} an</translation>
    </message>
    <message>
        <location filename="desktop/chain_strip.py"/>
        <source>Exposure in stops</source>
        <translation>Belichtung in Blenden</translation>
    </message>
    <message>
        <location filename="desktop/chain_strip.py"/>
        <source>White</source>
        <translation>Weiß</translation>
    </message>
    <message>
        <location filename="desktop/chain_strip.py"/>
        <source>Expose so that a white you click just reaches white (W)</source>
        <translation>So belichten, dass ein angeklicktes Weiß gerade Weiß erreicht (W)</translation>
    </message>
    <message>
        <location filename="desktop/chain_strip.py"/>
        <source>white</source>
        <translation>Weiß</translation>
    </message>
    <message>
        <location filename="desktop/chain_strip.py"/>
        <source>Neutral</source>
        <translation>Neutral</translation>
    </message>
    <message>
        <location filename="desktop/chain_strip.py"/>
        <source>Balance on a place that is known to be neutral: click it in the picture (N)</source>
        <translation>Auf eine bekannt neutrale Stelle abgleichen: sie im Bild anklicken (N)</translation>
    </message>
    <message>
        <location filename="desktop/chain_strip.py"/>
        <source>neutral</source>
        <translation>neutral</translation>
    </message>
    <message>
        <location filename="desktop/chain_strip.py"/>
        <source>Colour temperature of the white that is balanced to, and its tint: + to green, − to magenta (Duv · 1000)</source>
        <translation>Farbtemperatur des Weiß, auf das abgeglichen wird, und sein Farbstich: + nach Grün, − nach Magenta (Duv · 1000)</translation>
    </message>
    <message>
        <location filename="desktop/chain_strip.py"/>
        <source>Clear the white balance</source>
        <translation>Weißabgleich aufheben</translation>
    </message>
    <message>
        <location filename="desktop/chain_strip.py"/>
        <source>How far highlights roll off towards white</source>
        <translation>Wie weit die Lichter zum Weiß hin auslaufen</translation>
    </message>
    <message>
        <location filename="desktop/chain_strip.py"/>
        <source>View transform: how scene light becomes screen light (Ctrl+P: the plain one and back)</source>
        <translation>Ansichtstransformation: wie Szenenlicht zu Bildschirmlicht wird (Strg+P: die einfache und zurück)</translation>
    </message>
    <message>
        <location filename="desktop/chain_strip.py"/>
        <source>View transform</source>
        <translation>Ansichtstransformation</translation>
    </message>
    <message>
        <location filename="desktop/chain_strip.py"/>
        <source>Clip</source>
        <translation>Clipping</translation>
    </message>
    <message>
        <location filename="desktop/chain_strip.py"/>
        <source>Mark what is clipped at white, and what is below black (C)</source>
        <translation>Markieren, was bei Weiß abgeschnitten ist und was unter Schwarz liegt (C)</translation>
    </message>
    <message>
        <location filename="desktop/chain_strip.py"/>
        <source>{0} off</source>
        <translation>{0} aus</translation>
    </message>
    <message>
        <location filename="desktop/chain_strip.py"/>
        <source>clear the white balance</source>
        <translation>Weißabgleich aufheben</translation>
    </message>
    <message>
        <location filename="desktop/chain_strip.py"/>
        <source>plain sRGB</source>
        <translation>einfaches sRGB</translation>
    </message>
    <message>
        <location filename="desktop/chain_strip.py"/>
        <source>filmic</source>
        <translation>Film</translation>
    </message>
    <message>
        <location filename="desktop/chart.py"/>
        <source>Show the chart: {0}</source>
        <translation>Diagramm zeigen: {0}</translation>
    </message>
    <message>
        <location filename="desktop/chart.py"/>
        <source>Fold the chart; the picture has its room (Ctrl+Shift+F)</source>
        <translation>Das Diagramm einklappen; das Bild bekommt seinen Platz (Strg+Umschalt+F)</translation>
    </message>
    <message>
        <location filename="desktop/chart.py"/>
        <source>Fold the chart</source>
        <translation>Diagramm einklappen</translation>
    </message>
    <message>
        <location filename="desktop/chart.py"/>
        <source>Chart of the reading</source>
        <translation>Diagramm der Messung</translation>
    </message>
    <message>
        <location filename="desktop/chart.py"/>
        <source>Click a mark to leave that point out, or to count it again</source>
        <translation>Eine Marke anklicken, um den Punkt auszulassen oder wieder zu zählen</translation>
    </message>
    <message>
        <location filename="desktop/chart.py"/>
        <source>in σ</source>
        <translation>in σ</translation>
    </message>
    <message>
        <location filename="desktop/chart.py"/>
        <source>{0}
Show the chart under the picture (Ctrl+Shift+F)</source>
        <translation>{0}
Das Diagramm unter dem Bild zeigen (Strg+Umschalt+F)</translation>
    </message>
    <message>
        <location filename="desktop/chart.py"/>
        <source>No reading is chosen</source>
        <translation>Keine Messung gewählt</translation>
    </message>
    <message>
        <location filename="desktop/chart.py"/>
        <source>no reading</source>
        <translation>keine Messung</translation>
    </message>
    <message>
        <location filename="desktop/chart.py"/>
        <source>leave a point out</source>
        <translation>Punkt auslassen</translation>
    </message>
    <message>
        <location filename="desktop/chart.py"/>
        <source>count a point again</source>
        <translation>Punkt wieder zählen</translation>
    </message>
    <message>
        <location filename="desktop/chart.py"/>
        <source>{0}: {1} of {2} allowed, {3}</source>
        <translation>{0}: {1} von {2} erlaubt, {3}</translation>
    </message>
    <message>
        <location filename="desktop/colour_gauge.py"/>
        <source>{0}: pick the colour</source>
        <translation>{0}: Farbe wählen</translation>
    </message>
    <message>
        <location filename="desktop/colour_gauge.py"/>
        <source>Pick the colour by its chromaticity, in Rec.709, P3, Rec.2020 or ACEScg</source>
        <translation>Die Farbe nach ihrer Farbart wählen, in Rec.709, P3, Rec.2020 oder ACEScg</translation>
    </message>
    <message>
        <location filename="desktop/colour_gauge.py"/>
        <source>{0}: free</source>
        <translation>{0}: frei</translation>
    </message>
    <message>
        <location filename="desktop/colour_gauge.py"/>
        <source>By wavelength, or by red, green and blue</source>
        <translation>Nach Wellenlängen oder nach Rot, Grün und Blau</translation>
    </message>
    <message>
        <location filename="desktop/colour_gauge.py"/>
        <source>{0}: by wavelength</source>
        <translation>{0}: nach Wellenlängen</translation>
    </message>
    <message>
        <location filename="desktop/colour_gauge.py"/>
        <source>{0}, value</source>
        <translation>{0}, Wert</translation>
    </message>
    <message>
        <location filename="desktop/colour_gauge.py"/>
        <source>what leaves: {0}, albedo {1}</source>
        <translation>was austritt: {0}, Albedo {1}</translation>
    </message>
    <message>
        <location filename="desktop/colour_gauge.py"/>
        <source>Browse…</source>
        <translation>Suchen…</translation>
    </message>
    <message>
        <location filename="desktop/colour_gauge.py"/>
        <source>Choose from the built-in tables, or the one closest to your reading (Ctrl+B)</source>
        <translation>Aus den eingebauten Tabellen wählen oder die der Messung nächste (Strg+B)</translation>
    </message>
    <message>
        <location filename="desktop/colour_gauge.py"/>
        <source>Clear</source>
        <translation>Löschen</translation>
    </message>
    <message>
        <location filename="desktop/colour_gauge.py"/>
        <source>Use colours or an index instead of a table</source>
        <translation>Farben oder eine Brechzahl statt einer Tabelle verwenden</translation>
    </message>
    <message>
        <location filename="desktop/colour_gauge.py"/>
        <source>Red</source>
        <translation>Rot</translation>
    </message>
    <message>
        <location filename="desktop/colour_gauge.py"/>
        <source>Green</source>
        <translation>Grün</translation>
    </message>
    <message>
        <location filename="desktop/colour_gauge.py"/>
        <source>Blue</source>
        <translation>Blau</translation>
    </message>
    <message>
        <location filename="desktop/colour_gauge.py"/>
        <source>none: by colour or index</source>
        <translation>keine: nach Farbe oder Brechzahl</translation>
    </message>
    <message>
        <location filename="desktop/colour_gauge.py"/>
        <source>&lt;br&gt;Type #rrggbb, r, g, b (linear), or acescg r, g, b; p3, rec2020</source>
        <translation>&lt;br&gt;Eingabe: #rrggbb, r, g, b (linear) oder acescg r, g, b; p3, rec2020</translation>
    </message>
    <message>
        <location filename="desktop/colour_gauge.py"/>
        <source>&lt;br&gt;Type r, g, b</source>
        <translation>&lt;br&gt;Eingabe: r, g, b</translation>
    </message>
    <message>
        <location filename="desktop/colour_picker.py"/>
        <source>Rec.709 (sRGB), linear</source>
        <translation>Rec.709 (sRGB), linear</translation>
    </message>
    <message>
        <location filename="desktop/colour_picker.py"/>
        <source>Display P3, linear</source>
        <translation>Display P3, linear</translation>
    </message>
    <message>
        <location filename="desktop/colour_picker.py"/>
        <source>Rec.2020, linear</source>
        <translation>Rec.2020, linear</translation>
    </message>
    <message>
        <location filename="desktop/colour_picker.py"/>
        <source>Chromaticity u′, v′</source>
        <translation>Farbart u′, v′</translation>
    </message>
    <message>
        <location filename="desktop/colour_picker.py"/>
        <source>Luminance Y</source>
        <translation>Leuchtdichte Y</translation>
    </message>
    <message>
        <location filename="desktop/colour_picker.py"/>
        <source>Colour space</source>
        <translation>Farbraum</translation>
    </message>
    <message>
        <location filename="desktop/colour_picker.py"/>
        <source>No reflectance is as saturated as that; the nearest is ΔE {0} from it.</source>
        <translation>Kein Reflexionsgrad ist so gesättigt; der nächste ist ΔE {0} davon entfernt.</translation>
    </message>
    <message>
        <location filename="desktop/colour_picker.py"/>
        <source>Beyond Rec.709: kept as a spectrum. Dashed: how far reflectances reach at this luminance.</source>
        <translation>Außerhalb von Rec.709: als Spektrum behalten. Gestrichelt: wie weit Reflexionsgrade bei dieser Helligkeit reichen.</translation>
    </message>
    <message>
        <location filename="desktop/colour_picker.py"/>
        <source>Within Rec.709. Dashed: how far reflectances reach at this luminance.</source>
        <translation>Innerhalb von Rec.709. Gestrichelt: wie weit Reflexionsgrade bei dieser Helligkeit reichen.</translation>
    </message>
    <message>
        <location filename="desktop/colour_range.py"/>
        <source>{0}, from and to</source>
        <translation>{0}, von und bis</translation>
    </message>
    <message>
        <location filename="desktop/colour_range.py"/>
        <source>What the map lays on at level 0 and at level 1: click an end, and set it below</source>
        <translation>Was die Textur bei Pegel 0 und bei Pegel 1 auflegt: ein Ende anklicken und unten einstellen</translation>
    </message>
    <message>
        <location filename="desktop/colour_range.py"/>
        <source>low</source>
        <translation>unten</translation>
    </message>
    <message>
        <location filename="desktop/colour_range.py"/>
        <source>high</source>
        <translation>oben</translation>
    </message>
    <message>
        <location filename="desktop/colour_target.py"/>
        <source>di:8, specular included</source>
        <translation>di:8, Glanz eingeschlossen</translation>
    </message>
    <message>
        <location filename="desktop/colour_target.py"/>
        <source>de:8, specular excluded</source>
        <translation>de:8, Glanz ausgeschlossen</translation>
    </message>
    <message>
        <location filename="desktop/colour_target.py"/>
        <source>{0}, let through</source>
        <translation>{0}, durchgelassen</translation>
    </message>
    <message>
        <location filename="desktop/colour_target.py"/>
        <source>Colour target</source>
        <translation>Farbziel</translation>
    </message>
    <message>
        <location filename="desktop/colour_target.py"/>
        <source>52.1, 8.3, 24.7   or   #8a6f4d   or   XYZ 21.2 20.5 9.9</source>
        <translation>52.1, 8.3, 24.7   oder   #8a6f4d   oder   XYZ 21.2 20.5 9.9</translation>
    </message>
    <message>
        <location filename="desktop/colour_target.py"/>
        <source>Colour</source>
        <translation>Farbe</translation>
    </message>
    <message>
        <location filename="desktop/colour_target.py"/>
        <source>the specimen's own</source>
        <translation>die der Probe</translation>
    </message>
    <message>
        <location filename="desktop/colour_target.py"/>
        <source>How thick the slab is that the light passes through</source>
        <translation>Wie dick die Platte ist, durch die das Licht geht</translation>
    </message>
    <message>
        <location filename="desktop/colour_target.py"/>
        <source>L*a*b* as three numbers, XYZ with white at 100, or #rrggbb</source>
        <translation>L*a*b* als drei Zahlen, XYZ mit Weiß bei 100, oder #rrggbb</translation>
    </message>
    <message>
        <location filename="desktop/colour_target.py"/>
        <source>One standard uncertainty, in ΔE</source>
        <translation>Eine Standardunsicherheit, in ΔE</translation>
    </message>
    <message>
        <location filename="desktop/colour_target.py"/>
        <source>Largest ΔE2000 allowed</source>
        <translation>Größtes erlaubtes ΔE2000</translation>
    </message>
    <message>
        <location filename="desktop/colour_target.py"/>
        <source>Illuminant</source>
        <translation>Lichtart</translation>
    </message>
    <message>
        <location filename="desktop/colour_target.py"/>
        <source>Observer</source>
        <translation>Beobachter</translation>
    </message>
    <message>
        <location filename="desktop/colour_target.py"/>
        <source>Geometry</source>
        <translation>Geometrie</translation>
    </message>
    <message>
        <location filename="desktop/colour_target.py"/>
        <source>Thickness</source>
        <translation>Dicke</translation>
    </message>
    <message>
        <location filename="desktop/colour_target.py"/>
        <source>Uncertainty ΔE</source>
        <translation>Unsicherheit ΔE</translation>
    </message>
    <message>
        <location filename="desktop/colour_target.py"/>
        <source>Tolerance ΔE2000</source>
        <translation>Toleranz ΔE2000</translation>
    </message>
    <message>
        <location filename="desktop/commands.py"/>
        <source>Find a command</source>
        <translation>Befehl suchen</translation>
    </message>
    <message>
        <location filename="desktop/commands.py"/>
        <source>what do you want to do?</source>
        <translation>was soll geschehen?</translation>
    </message>
    <message>
        <location filename="desktop/commands.py"/>
        <source>Command</source>
        <translation>Befehl</translation>
    </message>
    <message>
        <location filename="desktop/commands.py"/>
        <source>Commands</source>
        <translation>Befehle</translation>
    </message>
    <message>
        <location filename="desktop/compare_strip.py"/>
        <source>Legend of the map</source>
        <translation>Legende der Differenzkarte</translation>
    </message>
    <message>
        <location filename="desktop/compare_strip.py"/>
        <source>Compare with</source>
        <translation>Vergleichen mit</translation>
    </message>
    <message>
        <location filename="desktop/compare_strip.py"/>
        <source>What the picture is compared with: a photograph of the specimen, or a proof</source>
        <translation>Womit das Bild verglichen wird: einer Fotografie der Probe oder einem Abzug</translation>
    </message>
    <message>
        <location filename="desktop/compare_strip.py"/>
        <source>Photographs and proofs</source>
        <translation>Fotografien und Abzüge</translation>
    </message>
    <message>
        <location filename="desktop/compare_strip.py"/>
        <source>Load and line up a photograph; keep a proof; look at the proofs</source>
        <translation>Eine Fotografie laden und ausrichten; einen Abzug behalten; die Abzüge ansehen</translation>
    </message>
    <message>
        <location filename="desktop/compare_strip.py"/>
        <source>Photograph of the specimen…</source>
        <translation>Fotografie der Probe…</translation>
    </message>
    <message>
        <location filename="desktop/compare_strip.py"/>
        <source>Keep a proof</source>
        <translation>Abzug behalten</translation>
    </message>
    <message>
        <location filename="desktop/compare_strip.py"/>
        <source>Proofs</source>
        <translation>Abzüge</translation>
    </message>
    <message>
        <location filename="desktop/compare_strip.py"/>
        <source>Way of comparing</source>
        <translation>Art des Vergleichs</translation>
    </message>
    <message>
        <location filename="desktop/compare_strip.py"/>
        <source>opacity</source>
        <translation>Deckkraft</translation>
    </message>
    <message>
        <location filename="desktop/compare_strip.py"/>
        <source>How much of the partner shows in the blend</source>
        <translation>Wie viel vom Gegenstück in der Überblendung zu sehen ist</translation>
    </message>
    <message>
        <location filename="desktop/compare_strip.py"/>
        <source>rate</source>
        <translation>Takt</translation>
    </message>
    <message>
        <location filename="desktop/compare_strip.py"/>
        <source>How many times a second the two change places</source>
        <translation>Wie oft in der Sekunde die beiden wechseln</translation>
    </message>
    <message>
        <location filename="desktop/compare_strip.py"/>
        <source>angle</source>
        <translation>Winkel</translation>
    </message>
    <message>
        <location filename="desktop/compare_strip.py"/>
        <source>How far the divider is turned from upright</source>
        <translation>Wie weit die Trennlinie aus der Senkrechten gedreht ist</translation>
    </message>
    <message>
        <location filename="desktop/compare_strip.py"/>
        <source>now</source>
        <translation>jetzt</translation>
    </message>
    <message>
        <location filename="desktop/compare_strip.py"/>
        <source>Compare the present picture again, instead of a proof</source>
        <translation>Wieder das jetzige Bild vergleichen statt eines Abzugs</translation>
    </message>
    <message>
        <location filename="desktop/compare_strip.py"/>
        <source>none</source>
        <translation>nichts</translation>
    </message>
    <message>
        <location filename="desktop/compare_strip.py"/>
        <source>{0} and {1}</source>
        <translation>{0} und {1}</translation>
    </message>
    <message>
        <location filename="desktop/compare_strip.py"/>
        <source>{0}ΔE mean {1}, median {2}, 95 % below {3}</source>
        <translation>{0}ΔE im Mittel {1}, Median {2}, 95 % unter {3}</translation>
    </message>
    <message>
        <location filename="desktop/compare_strip.py"/>
        <source>{0}differs by {1} % on the mean, 95 % below {2} %</source>
        <translation>{0}weicht im Mittel um {1} % ab, 95 % unter {2} %</translation>
    </message>
    <message>
        <location filename="desktop/comparison.py"/>
        <source>divider</source>
        <translation>Trennlinie</translation>
    </message>
    <message>
        <location filename="desktop/comparison.py"/>
        <source>side by side</source>
        <translation>nebeneinander</translation>
    </message>
    <message>
        <location filename="desktop/comparison.py"/>
        <source>blend</source>
        <translation>Überblendung</translation>
    </message>
    <message>
        <location filename="desktop/comparison.py"/>
        <source>flicker</source>
        <translation>Wechsel</translation>
    </message>
    <message>
        <location filename="desktop/comparison.py"/>
        <source>ΔE2000</source>
        <translation>ΔE2000</translation>
    </message>
    <message>
        <location filename="desktop/constants_browser.py"/>
        <source>Search by name, material class or author</source>
        <translation>Nach Name, Materialklasse oder Autor suchen</translation>
    </message>
    <message>
        <location filename="desktop/constants_browser.py"/>
        <source>Closest to my reading</source>
        <translation>Nächste zu meiner Messung</translation>
    </message>
    <message>
        <location filename="desktop/constants_browser.py"/>
        <source>Use</source>
        <translation>Verwenden</translation>
    </message>
    <message>
        <location filename="desktop/constants_browser.py"/>
        <source>Close</source>
        <translation>Schließen</translation>
    </message>
    <message>
        <location filename="desktop/constants_browser.py"/>
        <source>Tables</source>
        <translation>Tabellen</translation>
    </message>
    <message>
        <location filename="desktop/constants_browser.py"/>
        <source>reflectance at normal incidence, %</source>
        <translation>Reflexionsgrad bei senkrechtem Einfall, %</translation>
    </message>
    <message>
        <location filename="desktop/constants_browser.py"/>
        <source>At normal incidence under D65: {0}, {1} % luminous reflectance</source>
        <translation>Bei senkrechtem Einfall unter D65: {0}, {1} % Lichtreflexionsgrad</translation>
    </message>
    <message>
        <location filename="desktop/constants_browser.py"/>
        <source>, and {0} of the specimen</source>
        <translation>, und {0} der Probe</translation>
    </message>
    <message>
        <location filename="desktop/constants_browser.py"/>
        <source>reflectance at normal incidence, %{0}</source>
        <translation>Reflexionsgrad bei senkrechtem Einfall, %{0}</translation>
    </message>
    <message>
        <location filename="desktop/constants_browser.py"/>
        <source>; its end values are held beyond</source>
        <translation>; darüber hinaus gelten die Endwerte</translation>
    </message>
    <message>
        <location filename="desktop/constants_browser.py"/>
        <source>{0}   ·   {1} % at normal incidence   ·   {2}–{3} nm{4}</source>
        <translation>{0}   ·   {1} % bei senkrechtem Einfall   ·   {2}–{3} nm{4}</translation>
    </message>
    <message>
        <location filename="desktop/constants_browser.py"/>
        <source>constants of {0}</source>
        <translation>Konstanten von {0}</translation>
    </message>
    <message>
        <location filename="desktop/constants_browser.py"/>
        <source>Optical constants</source>
        <translation>Optische Konstanten</translation>
    </message>
    <message>
        <location filename="desktop/constants_browser.py"/>
        <source>Constants of the film</source>
        <translation>Konstanten des Dünnfilms</translation>
    </message>
    <message>
        <location filename="desktop/constants_browser.py"/>
        <source>Table</source>
        <translation>Tabelle</translation>
    </message>
    <message>
        <location filename="desktop/constants_browser.py"/>
        <source>Material</source>
        <translation>Material</translation>
    </message>
    <message>
        <location filename="desktop/constants_browser.py"/>
        <source>RMS %</source>
        <translation>RMS %</translation>
    </message>
    <message>
        <location filename="desktop/constants_browser.py"/>
        <source>Rank all tables by colour difference and spectral misfit to '{0}'</source>
        <translation>Alle Tabellen nach Farbabstand und spektraler Abweichung zu '{0}' ordnen</translation>
    </message>
    <message>
        <location filename="desktop/constants_browser.py"/>
        <source>The specimen has no active reflectance reading to rank by</source>
        <translation>Die Probe hat keine aktive Reflexionsmessung, nach der zu ordnen wäre</translation>
    </message>
    <message>
        <location filename="desktop/constants_browser.py"/>
        <source>Use for the {0}</source>
        <translation>Für {0} verwenden</translation>
    </message>
    <message>
        <location filename="desktop/conventions_sheet.py"/>
        <source>convention</source>
        <translation>Konvention</translation>
    </message>
    <message>
        <location filename="desktop/conventions_sheet.py"/>
        <source>number</source>
        <translation>Zahl</translation>
    </message>
    <message>
        <location filename="desktop/conventions_sheet.py"/>
        <source>Numbers to type elsewhere</source>
        <translation>Zahlen zum Abtippen</translation>
    </message>
    <message>
        <location filename="desktop/conventions_sheet.py"/>
        <source>Unit of lengths</source>
        <translation>Längeneinheit</translation>
    </message>
    <message>
        <location filename="desktop/conventions_sheet.py"/>
        <source>Copy</source>
        <translation>Kopieren</translation>
    </message>
    <message>
        <location filename="desktop/conventions_sheet.py"/>
        <source>Copy the chosen rows, or all, as a table (Ctrl+C)</source>
        <translation>Die gewählten Zeilen, oder alle, als Tabelle kopieren (Strg+C)</translation>
    </message>
    <message>
        <location filename="desktop/conventions_sheet.py"/>
        <source>Conventions</source>
        <translation>Konventionen</translation>
    </message>
    <message>
        <location filename="desktop/conventions_sheet.py"/>
        <source>; {0} {1} as the middle of the range</source>
        <translation>; {0} {1} mit der Mitte des Bereichs</translation>
    </message>
    <message>
        <location filename="desktop/conventions_sheet.py"/>
        <source>Copied {0} rows</source>
        <translation>{0} Zeilen kopiert</translation>
    </message>
    <message>
        <location filename="desktop/conventions_sheet.py"/>
        <source>lengths in</source>
        <translation>Längen in</translation>
    </message>
    <message>
        <location filename="desktop/conventions_sheet.py"/>
        <source>map counts</source>
        <translation>Textur zählt</translation>
    </message>
    <message>
        <location filename="desktop/conventions_sheet.py"/>
        <source>maps count</source>
        <translation>Texturen zählen</translation>
    </message>
    <message>
        <location filename="desktop/drag_field.py"/>
        <source>{0}; {1} to {2}. Drag sideways, or press Enter to type</source>
        <translation>{0}; {1} bis {2}. Seitwärts ziehen oder mit der Eingabetaste tippen</translation>
    </message>
    <message>
        <location filename="desktop/entry_picture.py"/>
        <source>Picture of the entry</source>
        <translation>Bild des Eintrags</translation>
    </message>
    <message>
        <location filename="desktop/entry_picture.py"/>
        <source>{0} samples, denoised</source>
        <translation>{0} Samples, entrauscht</translation>
    </message>
    <message>
        <location filename="desktop/evidence_sheet.py"/>
        <source>± {0} would become ± {1}, {2} times smaller</source>
        <translation>± {0} würde zu ± {1}, {2}-mal kleiner</translation>
    </message>
    <message>
        <location filename="desktop/evidence_sheet.py"/>
        <source>ΔE {0} at most in the picture would become ΔE {1}</source>
        <translation>ΔE {0} höchstens im Bild würde zu ΔE {1}</translation>
    </message>
    <message>
        <location filename="desktop/evidence_sheet.py"/>
        <source>standard errors {0} times smaller, on the whole</source>
        <translation>Standardfehler im Ganzen {0}-mal kleiner</translation>
    </message>
    <message>
        <location filename="desktop/evidence_sheet.py"/>
        <source>{0} does not depend on {1}: moving it mends nothing there.</source>
        <translation>{0} hängt nicht von {1} ab: daran zu drehen hilft dort nicht.</translation>
    </message>
    <message>
        <location filename="desktop/evidence_sheet.py"/>
        <source>, were all else known.</source>
        <translation>, wäre alles andere bekannt.</translation>
    </message>
    <message>
        <location filename="desktop/evidence_sheet.py"/>
        <source>What the evidence says</source>
        <translation>Was die Messungen sagen</translation>
    </message>
    <message>
        <location filename="desktop/evidence_sheet.py"/>
        <source>Which reading pins which parameter down</source>
        <translation>Welche Messung welchen Parameter festlegt</translation>
    </message>
    <message>
        <location filename="desktop/evidence_sheet.py"/>
        <source>Next reading</source>
        <translation>Nächste Messung</translation>
    </message>
    <message>
        <location filename="desktop/evidence_sheet.py"/>
        <source>Parameter to know better</source>
        <translation>Genauer zu kennender Parameter</translation>
    </message>
    <message>
        <location filename="desktop/evidence_sheet.py"/>
        <source>Whose standard error the next reading should shrink</source>
        <translation>Wessen Standardfehler die nächste Messung verkleinern soll</translation>
    </message>
    <message>
        <location filename="desktop/evidence_sheet.py"/>
        <source>Rank the instruments</source>
        <translation>Geräte ordnen</translation>
    </message>
    <message>
        <location filename="desktop/evidence_sheet.py"/>
        <source>Compute for every instrument how much its reading would narrow the error bars</source>
        <translation>Für jedes Gerät berechnen, wie sehr seine Messung die Fehlerbalken verkleinern würde</translation>
    </message>
    <message>
        <location filename="desktop/evidence_sheet.py"/>
        <source>{0}: computing…</source>
        <translation>{0}: wird berechnet…</translation>
    </message>
    <message>
        <location filename="desktop/evidence_sheet.py"/>
        <source>to know</source>
        <translation>gesucht</translation>
    </message>
    <message>
        <location filename="desktop/evidence_sheet.py"/>
        <source>{0}: what each reading alone would leave open, ±</source>
        <translation>{0}: was jede Messung allein offen ließe, ±</translation>
    </message>
    <message>
        <location filename="desktop/evidence_sheet.py"/>
        <source>There is no active reading.</source>
        <translation>Es gibt keine aktive Messung.</translation>
    </message>
    <message>
        <location filename="desktop/evidence_sheet.py"/>
        <source>all that is free</source>
        <translation>alles Freie</translation>
    </message>
    <message>
        <location filename="desktop/evidence_sheet.py"/>
        <source>No reading depends on {0}: no solve can find it from these.</source>
        <translation>Keine Messung hängt von {0} ab: kein Lösen kann es daraus finden.</translation>
    </message>
    <message>
        <location filename="desktop/evidence_sheet.py"/>
        <source>The fuller the cell, the better that reading knows that parameter; a • marks what is free.</source>
        <translation>Je voller die Zelle, desto genauer kennt die Messung den Parameter; ein • zeigt, was frei ist.</translation>
    </message>
    <message>
        <location filename="desktop/evidence_sheet.py"/>
        <source>{0} alone would pin {1} down to ± {2} {3}</source>
        <translation>{0} allein würde {1} auf ± {2} {3} festlegen</translation>
    </message>
    <message>
        <location filename="desktop/evidence_sheet.py"/>
        <source>Stopped.</source>
        <translation>Angehalten.</translation>
    </message>
    <message>
        <location filename="desktop/evidence_sheet.py"/>
        <source>what would be seen</source>
        <translation>was zu sehen wäre</translation>
    </message>
    <message>
        <location filename="desktop/evidence_sheet.py"/>
        <source>No other instrument would say anything new.</source>
        <translation>Kein weiteres Gerät würde Neues sagen.</translation>
    </message>
    <message>
        <location filename="desktop/evidence_sheet.py"/>
        <source>No further reading would help.</source>
        <translation>Keine weitere Messung würde helfen.</translation>
    </message>
    <message>
        <location filename="desktop/evidence_sheet.py"/>
        <source>Take it from the shelf</source>
        <translation>Aus dem Regal nehmen</translation>
    </message>
    <message>
        <location filename="desktop/evidence_sheet.py"/>
        <source>Open the shelf at the {0}</source>
        <translation>Das Regal beim Gerät {0} öffnen</translation>
    </message>
    <message>
        <location filename="desktop/evidence_sheet.py"/>
        <source> or </source>
        <translation> oder </translation>
    </message>
    <message>
        <location filename="desktop/fault_dialog.py"/>
        <source>Something went wrong</source>
        <translation>Etwas ist schiefgegangen</translation>
    </message>
    <message>
        <location filename="desktop/fault_dialog.py"/>
        <source>The trace of the fault</source>
        <translation>Die Ablaufspur des Fehlers</translation>
    </message>
    <message>
        <location filename="desktop/fault_dialog.py"/>
        <source>Continue</source>
        <translation>Weiter</translation>
    </message>
    <message>
        <location filename="desktop/fault_dialog.py"/>
        <source>A fault of the program itself: {0}: {1}. Your work is kept, and you can continue; what you did last may not have been done.</source>
        <translation>Ein Fehler des Programms selbst: {0}: {1}. Die Arbeit ist gesichert, es kann weitergehen; der letzte Schritt wurde vielleicht nicht ausgeführt.</translation>
    </message>
    <message>
        <location filename="desktop/fault_dialog.py"/>
        <source>The report is in {0}</source>
        <translation>Der Bericht liegt in {0}</translation>
    </message>
    <message>
        <location filename="desktop/fault_dialog.py"/>
        <source>The report could not be written</source>
        <translation>Der Bericht konnte nicht geschrieben werden</translation>
    </message>
    <message>
        <location filename="desktop/fault_dialog.py"/>
        <source>{0}; it holds the trace, the version, the machine and the name of the study.</source>
        <translation>{0}; er enthält die Ablaufspur, die Version, den Rechner und den Namen der Studie.</translation>
    </message>
    <message>
        <location filename="desktop/files.py"/>
        <source>Photometra study (*{0})</source>
        <translation>Photometra-Studie (*{0})</translation>
    </message>
    <message>
        <location filename="desktop/files.py"/>
        <source>Open a study</source>
        <translation>Studie öffnen</translation>
    </message>
    <message>
        <location filename="desktop/files.py"/>
        <source>Save the study</source>
        <translation>Studie speichern</translation>
    </message>
    <message>
        <location filename="desktop/files.py"/>
        <source>Saved {0}</source>
        <translation>{0} gespeichert</translation>
    </message>
    <message>
        <location filename="desktop/files.py"/>
        <source>Saving over it loses that program's changes. Save under another name to keep both.</source>
        <translation>Überschreiben verliert die Änderungen des anderen Programms. Unter anderem Namen speichern, um beide zu behalten.</translation>
    </message>
    <message>
        <location filename="desktop/files.py"/>
        <source>Save under another name…</source>
        <translation>Unter anderem Namen speichern…</translation>
    </message>
    <message>
        <location filename="desktop/files.py"/>
        <source>Save over it</source>
        <translation>Überschreiben</translation>
    </message>
    <message>
        <location filename="desktop/files.py"/>
        <source>Do not save</source>
        <translation>Nicht speichern</translation>
    </message>
    <message>
        <location filename="desktop/files.py"/>
        <source>Save the changes to {0}?</source>
        <translation>Änderungen an {0} speichern?</translation>
    </message>
    <message>
        <location filename="desktop/files.py"/>
        <source>What is not saved is lost.</source>
        <translation>Was nicht gespeichert ist, geht verloren.</translation>
    </message>
    <message>
        <location filename="desktop/files.py"/>
        <source>A study is being opened already; try again once it is there</source>
        <translation>Es wird schon eine Studie geöffnet; versuchen Sie es erneut, sobald sie da ist</translation>
    </message>
    <message>
        <location filename="desktop/files.py"/>
        <source>Maps are without their pictures: {0}. Surface, Find missing map pictures…</source>
        <translation>Texturen fehlt ihr Bild: {0}. Oberfläche, Fehlende Texturbilder suchen…</translation>
    </message>
    <message>
        <location filename="desktop/files.py"/>
        <source>The study {0} is being made…</source>
        <translation>Die Studie {0} wird erstellt …</translation>
    </message>
    <message>
        <location filename="desktop/files.py"/>
        <source>{0} is open in another Photometra as well. Whichever saves second is asked before it writes over the other's work.</source>
        <translation>{0} ist auch in einem anderen Photometra offen. Wer als Zweiter speichert, wird gefragt, bevor er die Arbeit des anderen überschreibt.</translation>
    </message>
    <message>
        <location filename="desktop/film_chart.py"/>
        <source>The colour of the surface by the thickness of its film, 0 to 2000 nm: click or drag to take one.&lt;br&gt;Above it the misfit to the reflectance readings: every dip is a thickness that could be.&lt;br&gt;Below, the colour by angle.</source>
        <translation>Die Farbe der Oberfläche nach der Dicke ihres Dünnfilms, 0 bis 2000 nm: klicken oder ziehen, um eine zu nehmen.&lt;br&gt;Darüber die Abweichung von den Reflexionsmessungen: jede Senke ist eine mögliche Dicke.&lt;br&gt;Darunter die Farbe nach dem Winkel.</translation>
    </message>
    <message>
        <location filename="desktop/film_chart.py"/>
        <source>Film chart</source>
        <translation>Dünnfilmdiagramm</translation>
    </message>
    <message>
        <location filename="desktop/film_chart.py"/>
        <source>film chart</source>
        <translation>Dünnfilmdiagramm</translation>
    </message>
    <message>
        <location filename="desktop/film_chart.py"/>
        <source>normal incidence</source>
        <translation>senkrechter Einfall</translation>
    </message>
    <message>
        <location filename="desktop/film_chart.py"/>
        <source>edge on</source>
        <translation>streifend</translation>
    </message>
    <message>
        <location filename="desktop/film_chart.py"/>
        <source>misfit (log)</source>
        <translation>Abweichung (log)</translation>
    </message>
    <message>
        <location filename="desktop/film_chart.py"/>
        <source>trying every thickness…</source>
        <translation>alle Dicken werden versucht…</translation>
    </message>
    <message>
        <location filename="desktop/film_chart.py"/>
        <source>no reflectance reading to judge the thickness by</source>
        <translation>keine Reflexionsmessung, um die Dicke zu beurteilen</translation>
    </message>
    <message>
        <location filename="desktop/gauge.py"/>
        <source>{0} to {1}</source>
        <translation>{0} bis {1}</translation>
    </message>
    <message>
        <location filename="desktop/gauge.py"/>
        <source>&lt;b&gt;{0}&lt;/b&gt; &lt;span&gt;({1})&lt;/span&gt;&lt;br&gt;{2}</source>
        <translation>&lt;b&gt;{0}&lt;/b&gt; &lt;span&gt;({1})&lt;/span&gt;&lt;br&gt;{2}</translation>
    </message>
    <message>
        <location filename="desktop/gauge.py"/>
        <source>Free: a solve may change this parameter. Held: it stays as it is.</source>
        <translation>Frei: ein Lösen darf diesen Parameter ändern. Fest: er bleibt, wie er ist.</translation>
    </message>
    <message>
        <location filename="desktop/gauge.py"/>
        <source>&lt;br&gt;{0} to {1}{2}</source>
        <translation>&lt;br&gt;{0} bis {1}{2}</translation>
    </message>
    <message>
        <location filename="desktop/gauge.py"/>
        <source>&lt;br&gt;You may also type: {0}</source>
        <translation>&lt;br&gt;Auch möglich: {0}</translation>
    </message>
    <message>
        <location filename="desktop/gauge.py"/>
        <source>&lt;br&gt;Units are understood: nm, µm, mm, cm, m</source>
        <translation>&lt;br&gt;Einheiten werden verstanden: nm, µm, mm, cm, m</translation>
    </message>
    <message>
        <location filename="desktop/gauge.py"/>
        <source>&lt;br&gt;A solve finds it between {0} and {1}.</source>
        <translation>&lt;br&gt;Ein Lösen findet ihn zwischen {0} und {1}.</translation>
    </message>
    <message>
        <location filename="desktop/gauge.py"/>
        <source>&lt;br&gt;Right button, or the L key: limits for a solve.</source>
        <translation>&lt;br&gt;Rechte Maustaste oder Taste L: Grenzen für das Lösen.</translation>
    </message>
    <message>
        <location filename="desktop/gauge.py"/>
        <source>free</source>
        <translation>frei</translation>
    </message>
    <message>
        <location filename="desktop/gauge.py"/>
        <source>held</source>
        <translation>fest</translation>
    </message>
    <message>
        <location filename="desktop/gauge.py"/>
        <source>the same everywhere; give it a map</source>
        <translation>überall gleich; eine Textur geben</translation>
    </message>
    <message>
        <location filename="desktop/guide_sheet.py"/>
        <source>Guide</source>
        <translation>Handbuch</translation>
    </message>
    <message>
        <location filename="desktop/guide_sheet.py"/>
        <source>Back</source>
        <translation>Zurück</translation>
    </message>
    <message>
        <location filename="desktop/guide_sheet.py"/>
        <source>The page before</source>
        <translation>Die Seite davor</translation>
    </message>
    <message>
        <location filename="desktop/guide_sheet.py"/>
        <source>Page</source>
        <translation>Seite</translation>
    </message>
    <message>
        <location filename="desktop/guide_sheet.py"/>
        <source>The guide's page</source>
        <translation>Die Seite des Handbuchs</translation>
    </message>
    <message>
        <location filename="desktop/hand_over.py"/>
        <source>MaterialX</source>
        <translation>MaterialX</translation>
    </message>
    <message>
        <location filename="desktop/hand_over.py"/>
        <source>glTF with its parts</source>
        <translation>glTF mit seinen Teilen</translation>
    </message>
    <message>
        <location filename="desktop/hand_over.py"/>
        <source>USD stage with its parts</source>
        <translation>USD-Stage mit ihren Teilen</translation>
    </message>
    <message>
        <location filename="desktop/hand_over.py"/>
        <source>HTML (*.html);;PDF (*.pdf)</source>
        <translation>HTML (*.html);;PDF (*.pdf)</translation>
    </message>
    <message>
        <location filename="desktop/hand_over.py"/>
        <source>Hand over</source>
        <translation>Übergeben</translation>
    </message>
    <message>
        <location filename="desktop/hand_over.py"/>
        <source>Picture</source>
        <translation>Bild</translation>
    </message>
    <message>
        <location filename="desktop/hand_over.py"/>
        <source>Samples a pixel, 1 to 100000; four times as many halve the noise</source>
        <translation>Samples je Pixel, 1 bis 100000; viermal so viele halbieren das Rauschen</translation>
    </message>
    <message>
        <location filename="desktop/hand_over.py"/>
        <source>Render to a file…</source>
        <translation>In eine Datei rendern…</translation>
    </message>
    <message>
        <location filename="desktop/hand_over.py"/>
        <source>EXR: scene-linear floats with the parameters in its header. PNG: as shown in the sight</source>
        <translation>EXR: szenenlineare Gleitkommazahlen mit den Parametern im Kopf. PNG: wie im Bild gezeigt</translation>
    </message>
    <message>
        <location filename="desktop/hand_over.py"/>
        <source>Standard</source>
        <translation>Standard</translation>
    </message>
    <message>
        <location filename="desktop/hand_over.py"/>
        <source>Values are fitted, so that instruments read on them what they read here</source>
        <translation>Werte werden angepasst, sodass Geräte darauf lesen, was sie hier lesen</translation>
    </message>
    <message>
        <location filename="desktop/hand_over.py"/>
        <source>Of the scene that the document is for; glTF and USD say theirs themselves</source>
        <translation>Der Szene, für die das Dokument ist; glTF und USD nennen ihre selbst</translation>
    </message>
    <message>
        <location filename="desktop/hand_over.py"/>
        <source>Surface model</source>
        <translation>Oberflächenmodell</translation>
    </message>
    <message>
        <location filename="desktop/hand_over.py"/>
        <source>The surface model that the document is written in</source>
        <translation>Das Oberflächenmodell, in dem das Dokument geschrieben wird</translation>
    </message>
    <message>
        <location filename="desktop/hand_over.py"/>
        <source>Export…</source>
        <translation>Exportieren…</translation>
    </message>
    <message>
        <location filename="desktop/hand_over.py"/>
        <source>drawn: this surface; dashed: by the equations of the standard</source>
        <translation>durchgezogen: diese Oberfläche; gestrichelt: nach den Gleichungen des Standards</translation>
    </message>
    <message>
        <location filename="desktop/hand_over.py"/>
        <source>Calibration report</source>
        <translation>Kalibrierbericht</translation>
    </message>
    <message>
        <location filename="desktop/hand_over.py"/>
        <source>What the report is of</source>
        <translation>Wovon der Bericht handelt</translation>
    </message>
    <message>
        <location filename="desktop/hand_over.py"/>
        <source>Paper</source>
        <translation>Papier</translation>
    </message>
    <message>
        <location filename="desktop/hand_over.py"/>
        <source>Write…</source>
        <translation>Schreiben…</translation>
    </message>
    <message>
        <location filename="desktop/hand_over.py"/>
        <source>HTML, one file that opens anywhere, or PDF</source>
        <translation>HTML, eine Datei, die überall aufgeht, oder PDF</translation>
    </message>
    <message>
        <location filename="desktop/hand_over.py"/>
        <source>Write a report to</source>
        <translation>Bericht schreiben nach</translation>
    </message>
    <message>
        <location filename="desktop/hand_over.py"/>
        <source>Render to</source>
        <translation>Rendern nach</translation>
    </message>
    <message>
        <location filename="desktop/hand_over.py"/>
        <source>EXR (*.exr);;PNG (*.png)</source>
        <translation>EXR (*.exr);;PNG (*.png)</translation>
    </message>
    <message>
        <location filename="desktop/hand_over.py"/>
        <source>{0} samples, noise {1} %, about {2} s to go</source>
        <translation>{0} Samples, Rauschen {1} %, noch etwa {2} s</translation>
    </message>
    <message>
        <location filename="desktop/hand_over.py"/>
        <source>Export to</source>
        <translation>Exportieren nach</translation>
    </message>
    <message>
        <location filename="desktop/hand_over.py"/>
        <source>reflectance at 8°, 400–700 nm</source>
        <translation>Reflexionsgrad bei 8°, 400–700 nm</translation>
    </message>
    <message>
        <location filename="desktop/hand_over.py"/>
        <source>reflectance by angle, 8° to 80°</source>
        <translation>Reflexionsgrad nach Winkel, 8° bis 80°</translation>
    </message>
    <message>
        <location filename="desktop/hand_over.py"/>
        <source>reflectance at 8°</source>
        <translation>Reflexionsgrad bei 8°</translation>
    </message>
    <message>
        <location filename="desktop/hand_over.py"/>
        <source>reflectance by angle</source>
        <translation>Reflexionsgrad nach Winkel</translation>
    </message>
    <message>
        <location filename="desktop/hand_over.py"/>
        <source>This specimen</source>
        <translation>Diese Probe</translation>
    </message>
    <message>
        <location filename="desktop/hand_over.py"/>
        <source>All of the study</source>
        <translation>Die ganze Studie</translation>
    </message>
    <message>
        <location filename="desktop/hand_over.py"/>
        <source>Letter</source>
        <translation>Letter</translation>
    </message>
    <message>
        <location filename="desktop/hand_over.py"/>
        <source>{0}, {1} of {2}…</source>
        <translation>{0}, {1} von {2}…</translation>
    </message>
    <message>
        <location filename="desktop/hand_over.py"/>
        <source>Not carried:</source>
        <translation>Nicht mitgegeben:</translation>
    </message>
    <message>
        <location filename="desktop/hand_over.py"/>
        <source>Stopped; no file was written.</source>
        <translation>Angehalten; es wurde keine Datei geschrieben.</translation>
    </message>
    <message>
        <location filename="desktop/hand_over.py"/>
        <source>Samples</source>
        <translation>Samples</translation>
    </message>
    <message>
        <location filename="desktop/hand_over.py"/>
        <source>· and {0} more, which the command line lists</source>
        <translation>· und {0} weitere, die die Befehlszeile nennt</translation>
    </message>
    <message>
        <location filename="desktop/import_sheet.py"/>
        <source>left out</source>
        <translation>ausgelassen</translation>
    </message>
    <message>
        <location filename="desktop/import_sheet.py"/>
        <source>The table as it was read</source>
        <translation>Die Tabelle, wie sie gelesen wurde</translation>
    </message>
    <message>
        <location filename="desktop/import_sheet.py"/>
        <source>The reading as it would be taken</source>
        <translation>Die Messung, wie sie übernommen würde</translation>
    </message>
    <message>
        <location filename="desktop/import_sheet.py"/>
        <source>All samples…</source>
        <translation>Alle Muster…</translation>
    </message>
    <message>
        <location filename="desktop/import_sheet.py"/>
        <source>Every sample of the file to a specimen of its own, or as repeats of one</source>
        <translation>Jedes Muster der Datei zu einer eigenen Probe oder als Wiederholung einer</translation>
    </message>
    <message>
        <location filename="desktop/import_sheet.py"/>
        <source>not known</source>
        <translation>nicht bekannt</translation>
    </message>
    <message>
        <location filename="desktop/import_sheet.py"/>
        <source> and {0}</source>
        <translation> und {0}</translation>
    </message>
    <message>
        <location filename="desktop/import_sheet.py"/>
        <source>Understood as {0}{1}: {2} rows</source>
        <translation>Verstanden als {0}{1}: {2} Zeilen</translation>
    </message>
    <message>
        <location filename="desktop/import_sheet.py"/>
        <source>Column {0} is</source>
        <translation>Spalte {0} ist</translation>
    </message>
    <message>
        <location filename="desktop/import_sheet.py"/>
        <source>What this column is</source>
        <translation>Was diese Spalte ist</translation>
    </message>
    <message>
        <location filename="desktop/import_sheet.py"/>
        <source>Unit of column {0}</source>
        <translation>Einheit der Spalte {0}</translation>
    </message>
    <message>
        <location filename="desktop/import_sheet.py"/>
        <source>point</source>
        <translation>Punkt</translation>
    </message>
    <message>
        <location filename="desktop/import_sheet.py"/>
        <source>comma</source>
        <translation>Komma</translation>
    </message>
    <message>
        <location filename="desktop/import_sheet.py"/>
        <source>Kind</source>
        <translation>Art</translation>
    </message>
    <message>
        <location filename="desktop/import_sheet.py"/>
        <source>Which sample</source>
        <translation>Welches Muster</translation>
    </message>
    <message>
        <location filename="desktop/import_sheet.py"/>
        <source>Column separator</source>
        <translation>Spaltentrenner</translation>
    </message>
    <message>
        <location filename="desktop/import_sheet.py"/>
        <source>Decimal sign</source>
        <translation>Dezimalzeichen</translation>
    </message>
    <message>
        <location filename="desktop/import_sheet.py"/>
        <source>Not understood yet: say in the table what its columns are</source>
        <translation>Noch nicht verstanden: in der Tabelle sagen, was ihre Spalten sind</translation>
    </message>
    <message>
        <location filename="desktop/import_sheet.py"/>
        <source>Nothing is doubtful.</source>
        <translation>Nichts ist zweifelhaft.</translation>
    </message>
    <message>
        <location filename="desktop/import_sheet.py"/>
        <source>unit not said</source>
        <translation>Einheit nicht angegeben</translation>
    </message>
    <message>
        <location filename="desktop/import_sheet.py"/>
        <source>uncertainty of {0}</source>
        <translation>Unsicherheit von {0}</translation>
    </message>
    <message>
        <location filename="desktop/import_sheet.py"/>
        <source>uncertainty</source>
        <translation>Unsicherheit</translation>
    </message>
    <message>
        <location filename="desktop/import_sheet.py"/>
        <source>no unit</source>
        <translation>ohne Einheit</translation>
    </message>
    <message>
        <location filename="desktop/ladder_sheet.py"/>
        <source>Agreement along the ladder</source>
        <translation>Übereinstimmung entlang der Stufenreihe</translation>
    </message>
    <message>
        <location filename="desktop/ladder_sheet.py"/>
        <source>The worst reading's misfit, in tolerances, on a log scale; the line is the tolerance</source>
        <translation>Die Abweichung der schlechtesten Messung, in Toleranzen, logarithmisch; der Strich ist die Toleranz</translation>
    </message>
    <message>
        <location filename="desktop/ladder_sheet.py"/>
        <source>Ladder</source>
        <translation>Stufenreihe</translation>
    </message>
    <message>
        <location filename="desktop/ladder_sheet.py"/>
        <source>Go</source>
        <translation>Los</translation>
    </message>
    <message>
        <location filename="desktop/ladder_sheet.py"/>
        <source>Write the sheet as PNG or EXR</source>
        <translation>Die Tafel als PNG oder EXR schreiben</translation>
    </message>
    <message>
        <location filename="desktop/ladder_sheet.py"/>
        <source>Queue…</source>
        <translation>Warteschlange…</translation>
    </message>
    <message>
        <location filename="desktop/ladder_sheet.py"/>
        <source>Render the ladder in the queue, at the queue's size and samples, into a file</source>
        <translation>Die Stufenreihe in der Warteschlange rendern, mit deren Größe und Samples, in eine Datei</translation>
    </message>
    <message>
        <location filename="desktop/ladder_sheet.py"/>
        <source>of the {0}</source>
        <translation>von {0}</translation>
    </message>
    <message>
        <location filename="desktop/ladder_sheet.py"/>
        <source>Stop</source>
        <translation>Anhalten</translation>
    </message>
    <message>
        <location filename="desktop/ladder_sheet.py"/>
        <source>of the {0}: {1} samples</source>
        <translation>von {0}: {1} Samples</translation>
    </message>
    <message>
        <location filename="desktop/ladder_sheet.py"/>
        <source>Export the ladder</source>
        <translation>Stufenreihe exportieren</translation>
    </message>
    <message>
        <location filename="desktop/ladder_sheet.py"/>
        <source>Pictures (*.png *.exr)</source>
        <translation>Bilder (*.png *.exr)</translation>
    </message>
    <message>
        <location filename="desktop/ladder_sheet.py"/>
        <source>Render the ladder to</source>
        <translation>Stufenreihe rendern nach</translation>
    </message>
    <message>
        <location filename="desktop/ladder_sheet.py"/>
        <source>{0}: what is stepped</source>
        <translation>{0}: was gestuft wird</translation>
    </message>
    <message>
        <location filename="desktop/ladder_sheet.py"/>
        <source>{0}, steps</source>
        <translation>{0}, Stufen</translation>
    </message>
    <message>
        <location filename="desktop/ladder_sheet.py"/>
        <source>The surface is no longer the one that was solved; solve again first.</source>
        <translation>Die Oberfläche ist nicht mehr die gelöste; zuerst noch einmal lösen.</translation>
    </message>
    <message>
        <location filename="desktop/ladder_sheet.py"/>
        <source>Whole surfaces</source>
        <translation>Ganze Oberflächen</translation>
    </message>
    <message>
        <location filename="desktop/ladder_sheet.py"/>
        <source>take {0}</source>
        <translation>{0} übernehmen</translation>
    </message>
    <message>
        <location filename="desktop/ladder_sheet.py"/>
        <source>{0} is in the queue (Ctrl+Shift+U)</source>
        <translation>{0} ist in der Warteschlange (Strg+Umschalt+U)</translation>
    </message>
    <message>
        <location filename="desktop/ladder_sheet.py"/>
        <source>step</source>
        <translation>nach</translation>
    </message>
    <message>
        <location filename="desktop/ladder_sheet.py"/>
        <source>and</source>
        <translation>und</translation>
    </message>
    <message>
        <location filename="desktop/ladder_sheet.py"/>
        <source>from</source>
        <translation>von</translation>
    </message>
    <message>
        <location filename="desktop/ladder_sheet.py"/>
        <source>to</source>
        <translation>bis</translation>
    </message>
    <message>
        <location filename="desktop/ladder_sheet.py"/>
        <source>nothing else</source>
        <translation>nichts weiter</translation>
    </message>
    <message>
        <location filename="desktop/ladder_sheet.py"/>
        <source>Equally good</source>
        <translation>Gleich gut</translation>
    </message>
    <message>
        <location filename="desktop/ladder_sheet.py"/>
        <source>step two different things, or one alone</source>
        <translation>zwei verschiedene Dinge stufen oder nur eines</translation>
    </message>
    <message>
        <location filename="desktop/layer_strip.py"/>
        <source>the fibres</source>
        <translation>die Fasern</translation>
    </message>
    <message>
        <location filename="desktop/layer_strip.py"/>
        <source>the coat</source>
        <translation>den Lack</translation>
    </message>
    <message>
        <location filename="desktop/layer_strip.py"/>
        <source>the finish</source>
        <translation>das Finish</translation>
    </message>
    <message>
        <location filename="desktop/layer_strip.py"/>
        <source>the body</source>
        <translation>den Körper</translation>
    </message>
    <message>
        <location filename="desktop/layer_strip.py"/>
        <source>the clear interior</source>
        <translation>das klare Innere</translation>
    </message>
    <message>
        <location filename="desktop/layer_strip.py"/>
        <source>the back side</source>
        <translation>die Rückseite</translation>
    </message>
    <message>
        <location filename="desktop/layer_strip.py"/>
        <source>subsurface scattering</source>
        <translation>die Volumenstreuung</translation>
    </message>
    <message>
        <location filename="desktop/layer_strip.py"/>
        <source>the stage, or nothing</source>
        <translation>die Bühne oder nichts</translation>
    </message>
    <message>
        <location filename="desktop/layer_strip.py"/>
        <source>first hit</source>
        <translation>erster Treffer</translation>
    </message>
    <message>
        <location filename="desktop/layer_strip.py"/>
        <source>mend</source>
        <translation>beheben</translation>
    </message>
    <message>
        <location filename="desktop/layer_strip.py"/>
        <source>all</source>
        <translation>alles</translation>
    </message>
    <message>
        <location filename="desktop/layer_strip.py"/>
        <source>The whole picture</source>
        <translation>Das ganze Bild</translation>
    </message>
    <message>
        <location filename="desktop/layer_strip.py"/>
        <source>Only light whose first hit is {0}</source>
        <translation>Nur Licht, das zuerst auf {0} trifft</translation>
    </message>
    <message>
        <location filename="desktop/ledger.py"/>
        <source>{0} of {1} pins within, {2}: {3}</source>
        <translation>{0} von {1} Messpunkten innerhalb, {2}: {3}</translation>
    </message>
    <message>
        <location filename="desktop/ledger.py"/>
        <source>dielectric</source>
        <translation>Dielektrikum</translation>
    </message>
    <message>
        <location filename="desktop/ledger.py"/>
        <source>&lt;b&gt;{0}&lt;/b&gt;&lt;br&gt;{1}&lt;br&gt;Judged by the {2}; tolerance {3}</source>
        <translation>&lt;b&gt;{0}&lt;/b&gt;&lt;br&gt;{1}&lt;br&gt;Beurteilt nach: {2}; Toleranz {3}</translation>
    </message>
    <message>
        <location filename="desktop/ledger.py"/>
        <source>The photograph of the specimen; tick pins (Ctrl+Shift+M), and a solve counts them</source>
        <translation>Die Fotografie der Probe; Messpunkte ankreuzen (Strg+Umschalt+M), dann zählt sie ein Lösen</translation>
    </message>
    <message>
        <location filename="desktop/ledger.py"/>
        <source>Photograph: {0}</source>
        <translation>Fotografie: {0}</translation>
    </message>
    <message>
        <location filename="desktop/ledger.py"/>
        <source>Photograph</source>
        <translation>Fotografie</translation>
    </message>
    <message>
        <location filename="desktop/ledger.py"/>
        <source>Readings</source>
        <translation>Messungen</translation>
    </message>
    <message>
        <location filename="desktop/ledger.py"/>
        <source>Import…</source>
        <translation>Datei…</translation>
    </message>
    <message>
        <location filename="desktop/ledger.py"/>
        <source>Import a reading from a file (Ctrl+I), or drop the file here</source>
        <translation>Eine Messung aus einer Datei importieren (Strg+I) oder die Datei hierher ziehen</translation>
    </message>
    <message>
        <location filename="desktop/ledger.py"/>
        <source>More ways to come by evidence: paste, type a colour, take from the shelf</source>
        <translation>Weitere Wege zu Messungen: einfügen, Farbe tippen, aus dem Regal nehmen</translation>
    </message>
    <message>
        <location filename="desktop/ledger.py"/>
        <source>More ways to come by evidence</source>
        <translation>Weitere Wege zu Messungen</translation>
    </message>
    <message>
        <location filename="desktop/ledger.py"/>
        <source>No reading yet. Import one, or drop a file on the window.</source>
        <translation>Noch keine Messung. Eine importieren oder eine Datei auf das Fenster ziehen.</translation>
    </message>
    <message>
        <location filename="desktop/ledger.py"/>
        <source>Edit…</source>
        <translation>Bearbeiten…</translation>
    </message>
    <message>
        <location filename="desktop/ledger.py"/>
        <source>Remove the reading</source>
        <translation>Messung entfernen</translation>
    </message>
    <message>
        <location filename="desktop/ledger.py"/>
        <source>{0} of {1} </source>
        <translation>{0} von {1} </translation>
    </message>
    <message>
        <location filename="desktop/ledger.py"/>
        <source>out {0}</source>
        <translation>außerhalb {0}</translation>
    </message>
    <message>
        <location filename="desktop/ledger.py"/>
        <source>within {0}</source>
        <translation>innerhalb {0}</translation>
    </message>
    <message>
        <location filename="desktop/ledger.py"/>
        <source>Specimens</source>
        <translation>Proben</translation>
    </message>
    <message>
        <location filename="desktop/ledger.py"/>
        <source>Add…</source>
        <translation>Neu…</translation>
    </message>
    <message>
        <location filename="desktop/ledger.py"/>
        <source>Add a specimen (Ctrl+Shift+N)</source>
        <translation>Probe hinzufügen (Strg+Umschalt+N)</translation>
    </message>
    <message>
        <location filename="desktop/ledger.py"/>
        <source>Include again</source>
        <translation>Wieder zählen</translation>
    </message>
    <message>
        <location filename="desktop/ledger.py"/>
        <source>Exclude</source>
        <translation>Ausschließen</translation>
    </message>
    <message>
        <location filename="desktop/ledger.py"/>
        <source>count a reading</source>
        <translation>Messung zählen</translation>
    </message>
    <message>
        <location filename="desktop/ledger.py"/>
        <source>leave a reading out</source>
        <translation>Messung auslassen</translation>
    </message>
    <message>
        <location filename="desktop/lesson.py"/>
        <source>A first metal</source>
        <translation>Ein erstes Metall</translation>
    </message>
    <message>
        <location filename="desktop/lesson.py"/>
        <source>Glass, by what it lets through</source>
        <translation>Glas, nach dem, was es durchlässt</translation>
    </message>
    <message>
        <location filename="desktop/lesson.py"/>
        <source>What varies: a map</source>
        <translation>Was sich ändert: eine Textur</translation>
    </message>
    <message>
        <location filename="desktop/lesson.py"/>
        <source>Go on to the next step</source>
        <translation>Weiter zum nächsten Schritt</translation>
    </message>
    <message>
        <location filename="desktop/lesson.py"/>
        <source>Leave the lesson; Help › Lessons takes it up where it was left</source>
        <translation>Die Lektion verlassen; Hilfe › Lektionen nimmt sie dort wieder auf</translation>
    </message>
    <message>
        <location filename="desktop/lesson.py"/>
        <source>Choose the Brass lamp bracket in the list at the left.</source>
        <translation>In der Liste links die Probe Brass lamp bracket wählen.</translation>
    </message>
    <message>
        <location filename="desktop/lesson.py"/>
        <source>What it is made of is known: under Body, its optical constants are to be those of brass, 70 % copper.</source>
        <translation>Woraus sie ist, ist bekannt: unter Körper sollen ihre optischen Konstanten die von Messing mit 70 % Kupfer sein.</translation>
    </message>
    <message>
        <location filename="desktop/lesson.py"/>
        <source>Its gloss is out. Click the card Gloss: what the gloss meter read, and what it would read here.</source>
        <translation>Ihr Glanz weicht ab. Die Karte Gloss anklicken: was das Glanzmessgerät las und was es hier lesen würde.</translation>
    </message>
    <message>
        <location filename="desktop/lesson.py"/>
        <source>Drag the gauge Roughness, and watch the misfit, the section and the picture follow.</source>
        <translation>Am Regler Rauheit ziehen und zusehen, wie Abweichung, Schnitt und Bild folgen.</translation>
    </message>
    <message>
        <location filename="desktop/lesson.py"/>
        <source>Now have it found: press Solve. The flags on the gauges say what is free.</source>
        <translation>Nun finden lassen: Lösen drücken. Die Fähnchen an den Reglern sagen, was frei ist.</translation>
    </message>
    <message>
        <location filename="desktop/lesson.py"/>
        <source>Keep what you have: View › Keep a proof. It stands beside what you change later.</source>
        <translation>Behalten, was da ist: Ansicht › Abzug behalten. Er steht neben allem, was später geändert wird.</translation>
    </message>
    <message>
        <location filename="desktop/lesson.py"/>
        <source>Hand it over: Study › Hand over… writes it for other programs, and tells what each cannot carry.</source>
        <translation>Übergeben: Studie › Übergeben… schreibt sie für andere Programme und sagt, was jedes nicht tragen kann.</translation>
    </message>
    <message>
        <location filename="desktop/lesson.py"/>
        <source>Choose the Ruby signal glass.</source>
        <translation>Die Probe Ruby signal glass wählen.</translation>
    </message>
    <message>
        <location filename="desktop/lesson.py"/>
        <source>Click its card Transmittance: what is left of the light behind the slab.</source>
        <translation>Ihre Karte Transmittance anklicken: was vom Licht hinter der Platte bleibt.</translation>
    </message>
    <message>
        <location filename="desktop/lesson.py"/>
        <source>Click Interior in the section at the right: colour is what is left of white at a depth.</source>
        <translation>Im Schnitt rechts das Innere anklicken: die Farbe ist, was von Weiß in einer Tiefe bleibt.</translation>
    </message>
    <message>
        <location filename="desktop/lesson.py"/>
        <source>Drag the depth of the colour: the same glass, thicker or thinner to the same colour.</source>
        <translation>An der Tiefe der Farbe ziehen: dasselbe Glas, dicker oder dünner bis zur selben Farbe.</translation>
    </message>
    <message>
        <location filename="desktop/lesson.py"/>
        <source>Press Solve: index, dispersion and colour come out of three readings together.</source>
        <translation>Lösen drücken: Brechzahl, Dispersion und Farbe kommen aus drei Messungen zusammen.</translation>
    </message>
    <message>
        <location filename="desktop/lesson.py"/>
        <source>See what one standard uncertainty looks like: press See the error.</source>
        <translation>Sehen, wie eine Standardunsicherheit aussieht: Fehler zeigen drücken.</translation>
    </message>
    <message>
        <location filename="desktop/lesson.py"/>
        <source>Choose the Brass lamp bracket.</source>
        <translation>Die Probe Brass lamp bracket wählen.</translation>
    </message>
    <message>
        <location filename="desktop/lesson.py"/>
        <source>Press the small hill beside Roughness, and take Scratches.</source>
        <translation>Den kleinen Hügel neben Rauheit drücken und Kratzer nehmen.</translation>
    </message>
    <message>
        <location filename="desktop/lesson.py"/>
        <source>The gauge is a hill between two handles now, low and high. Drag one of them.</source>
        <translation>Der Regler ist jetzt ein Hügel zwischen zwei Griffen, unten und oben. An einem ziehen.</translation>
    </message>
    <message>
        <location filename="desktop/lesson.py"/>
        <source>In the sheet of the map press On the specimen: the roughness in false colour, where it lies.</source>
        <translation>Im Blatt der Textur Auf der Probe drücken: die Rauheit in Falschfarben, wo sie liegt.</translation>
    </message>
    <message>
        <location filename="desktop/lesson.py"/>
        <source>Press Solve: low and high are solved like any value, with an error bar each.</source>
        <translation>Lösen drücken: unten und oben werden gelöst wie jeder Wert, jedes mit Fehlerbalken.</translation>
    </message>
    <message>
        <location filename="desktop/lesson.py"/>
        <source>Skip</source>
        <translation>Überspringen</translation>
    </message>
    <message>
        <location filename="desktop/lesson.py"/>
        <source>Leave</source>
        <translation>Verlassen</translation>
    </message>
    <message>
        <location filename="desktop/lesson.py"/>
        <source>{0}, {1} of {2}</source>
        <translation>{0}, {1} von {2}</translation>
    </message>
    <message>
        <location filename="desktop/lesson.py"/>
        <source>Done. Help › Lessons has the others; F1 explains whatever is under the pointer.</source>
        <translation>Fertig. Hilfe › Lektionen hat die anderen; F1 erklärt, was unter dem Zeiger ist.</translation>
    </message>
    <message>
        <location filename="desktop/library_sheet.py"/>
        <source>{0} readings, {1} values with standard errors</source>
        <translation>{0} Messungen, {1} Werte mit Standardfehlern</translation>
    </message>
    <message>
        <location filename="desktop/library_sheet.py"/>
        <source>Library</source>
        <translation>Bibliothek</translation>
    </message>
    <message>
        <location filename="desktop/library_sheet.py"/>
        <source>library search</source>
        <translation>Bibliothekssuche</translation>
    </message>
    <message>
        <location filename="desktop/library_sheet.py"/>
        <source>Keep this specimen</source>
        <translation>Diese Probe behalten</translation>
    </message>
    <message>
        <location filename="desktop/library_sheet.py"/>
        <source>Keep the chosen specimen in your own library; an older version stays there</source>
        <translation>Die gewählte Probe in der eigenen Bibliothek behalten; eine ältere Fassung bleibt dort</translation>
    </message>
    <message>
        <location filename="desktop/library_sheet.py"/>
        <source>Open a folder…</source>
        <translation>Ordner öffnen…</translation>
    </message>
    <message>
        <location filename="desktop/library_sheet.py"/>
        <source>Look into another library as well, as one on a shared drive</source>
        <translation>Auch in eine andere Bibliothek sehen, etwa auf einem gemeinsamen Laufwerk</translation>
    </message>
    <message>
        <location filename="desktop/library_sheet.py"/>
        <source>Entries</source>
        <translation>Einträge</translation>
    </message>
    <message>
        <location filename="desktop/library_sheet.py"/>
        <source>name, tag, material or note</source>
        <translation>Name, Schlagwort, Material oder Notiz</translation>
    </message>
    <message>
        <location filename="desktop/library_sheet.py"/>
        <source>Search</source>
        <translation>Suche</translation>
    </message>
    <message>
        <location filename="desktop/library_sheet.py"/>
        <source>any material</source>
        <translation>jedes Material</translation>
    </message>
    <message>
        <location filename="desktop/library_sheet.py"/>
        <source>any strata</source>
        <translation>alle Schichten</translation>
    </message>
    <message>
        <location filename="desktop/library_sheet.py"/>
        <source>any reading</source>
        <translation>jede Messung</translation>
    </message>
    <message>
        <location filename="desktop/library_sheet.py"/>
        <source>Order</source>
        <translation>Reihenfolge</translation>
    </message>
    <message>
        <location filename="desktop/library_sheet.py"/>
        <source>Closest: the instruments are read on every entry, and held against the readings</source>
        <translation>Nächste: die Geräte messen an jedem Eintrag und werden gegen die Messungen gehalten</translation>
    </message>
    <message>
        <location filename="desktop/library_sheet.py"/>
        <source>by name</source>
        <translation>nach Name</translation>
    </message>
    <message>
        <location filename="desktop/library_sheet.py"/>
        <source>closest to all readings</source>
        <translation>nächste zu allen Messungen</translation>
    </message>
    <message>
        <location filename="desktop/library_sheet.py"/>
        <source>closest to this reading</source>
        <translation>nächste zu dieser Messung</translation>
    </message>
    <message>
        <location filename="desktop/library_sheet.py"/>
        <source>Add to the study</source>
        <translation>Zur Studie hinzufügen</translation>
    </message>
    <message>
        <location filename="desktop/library_sheet.py"/>
        <source>As a new specimen, with its readings and standard errors (Return)</source>
        <translation>Als neue Probe, mit ihren Messungen und Standardfehlern (Eingabetaste)</translation>
    </message>
    <message>
        <location filename="desktop/library_sheet.py"/>
        <source>Open a library</source>
        <translation>Bibliothek öffnen</translation>
    </message>
    <message>
        <location filename="desktop/library_sheet.py"/>
        <source>{0} entries</source>
        <translation>{0} Einträge</translation>
    </message>
    <message>
        <location filename="desktop/library_sheet.py"/>
        <source>1 entry</source>
        <translation>1 Eintrag</translation>
    </message>
    <message>
        <location filename="desktop/library_sheet.py"/>
        <source>Take its {0}</source>
        <translation>{0} übernehmen</translation>
    </message>
    <message>
        <location filename="desktop/library_sheet.py"/>
        <source>Give the chosen specimen the {0} of this entry</source>
        <translation>Der gewählten Probe {0} dieses Eintrags geben</translation>
    </message>
    <message>
        <location filename="desktop/library_sheet.py"/>
        <source>Follow its {0}</source>
        <translation>{0} folgen</translation>
    </message>
    <message>
        <location filename="desktop/library_sheet.py"/>
        <source>Add it, and have the chosen specimen's {0} follow it from now on</source>
        <translation>Hinzufügen und {0} der gewählten Probe künftig folgen lassen</translation>
    </message>
    <message>
        <location filename="desktop/library_sheet.py"/>
        <source>closest to all readings of {0}</source>
        <translation>nächste zu allen Messungen von {0}</translation>
    </message>
    <message>
        <location filename="desktop/library_sheet.py"/>
        <source>take from the library</source>
        <translation>aus der Bibliothek nehmen</translation>
    </message>
    <message>
        <location filename="desktop/library_sheet.py"/>
        <source>take the {0} of {1}</source>
        <translation>{0} von {1} übernehmen</translation>
    </message>
    <message>
        <location filename="desktop/library_sheet.py"/>
        <source>follow the {0} of {1}</source>
        <translation>{0} von {1} folgen</translation>
    </message>
    <message>
        <location filename="desktop/library_sheet.py"/>
        <source>Keeping {0}…</source>
        <translation>{0} wird gesichert…</translation>
    </message>
    <message>
        <location filename="desktop/library_sheet.py"/>
        <source>, version {0}</source>
        <translation>, Fassung {0}</translation>
    </message>
    <message>
        <location filename="desktop/library_sheet.py"/>
        <source>Kept as {0}{1}</source>
        <translation>Als {0}{1} gesichert</translation>
    </message>
    <message>
        <location filename="desktop/library_sheet.py"/>
        <source>{0}
{1} × tolerance</source>
        <translation>{0}
{1} × Toleranz</translation>
    </message>
    <message>
        <location filename="desktop/library_sheet.py"/>
        <source>Reading {0}</source>
        <translation>Messung {0}</translation>
    </message>
    <message>
        <location filename="desktop/library_sheet.py"/>
        <source>Stratum</source>
        <translation>Schicht</translation>
    </message>
    <message>
        <location filename="desktop/library_sheet.py"/>
        <source>No readings of its own.</source>
        <translation>Keine eigenen Messungen.</translation>
    </message>
    <message>
        <location filename="desktop/library_sheet.py"/>
        <source>version {0}</source>
        <translation>Fassung {0}</translation>
    </message>
    <message>
        <location filename="desktop/library_sheet.py"/>
        <source>Added {0}</source>
        <translation>{0} hinzugefügt</translation>
    </message>
    <message>
        <location filename="desktop/library_sheet.py"/>
        <source>The last one is still being kept; wait a moment</source>
        <translation>Der letzte Eintrag wird noch gesichert; einen Augenblick</translation>
    </message>
    <message>
        <location filename="desktop/library_sheet.py"/>
        <source>Reading entry {0} of {1}…</source>
        <translation>Eintrag {0} von {1} wird gelesen…</translation>
    </message>
    <message>
        <location filename="desktop/library_sheet.py"/>
        <source>Reading the instruments: {0} of {1}…</source>
        <translation>Geräte messen: {0} von {1}…</translation>
    </message>
    <message>
        <location filename="desktop/library_sheet.py"/>
        <source>with {0}</source>
        <translation>mit {0}</translation>
    </message>
    <message>
        <location filename="desktop/library_sheet.py"/>
        <source>, {0} cannot be read</source>
        <translation>, {0} nicht lesbar</translation>
    </message>
    <message>
        <location filename="desktop/library_sheet.py"/>
        <source>Nothing is like that here. Take a word away, or widen the range.</source>
        <translation>Nichts hier ist so. Ein Wort wegnehmen oder den Bereich erweitern.</translation>
    </message>
    <message>
        <location filename="desktop/library_sheet.py"/>
        <source>'{0}' is no number; a range is two, or one of them left out</source>
        <translation>'{0}' ist keine Zahl; ein Bereich sind zwei, oder eine davon weggelassen</translation>
    </message>
    <message>
        <location filename="desktop/main_window.py"/>
        <source>{0} – Photometra</source>
        <translation>{0} – Photometra</translation>
    </message>
    <message>
        <location filename="desktop/main_window.py"/>
        <source>Photometra speaks {0} from its next start on.</source>
        <translation>Photometra spricht {0} ab dem nächsten Start.</translation>
    </message>
    <message>
        <location filename="desktop/main_window.py"/>
        <source>&lt;b&gt;Photometra {0}&lt;/b&gt;&lt;p&gt;Surface parameters held against measurements of the real sample.&lt;/p&gt;&lt;p&gt;Optical constants: measured tables from the literature, each with its source in the browser. Type: Inter, under the SIL Open Font License 1.1.&lt;/p&gt;</source>
        <translation>&lt;b&gt;Photometra {0}&lt;/b&gt;&lt;p&gt;Oberflächenparameter, gehalten gegen Messungen der echten Probe.&lt;/p&gt;&lt;p&gt;Optische Konstanten: gemessene Tabellen aus der Literatur, jede mit ihrer Quelle in der Tabellensuche. Schrift: Inter, unter der SIL Open Font License 1.1.&lt;/p&gt;</translation>
    </message>
    <message>
        <location filename="desktop/main_window.py"/>
        <source>Nothing varies over this specimen yet; press the map button beside a gauge's name.</source>
        <translation>Noch ändert sich nichts über diese Probe; den Texturknopf neben dem Namen eines Reglers drücken.</translation>
    </message>
    <message>
        <location filename="desktop/main_window.py"/>
        <source>There is no specimen to hand over yet.</source>
        <translation>Es gibt noch keine Probe zu übergeben.</translation>
    </message>
    <message>
        <location filename="desktop/main_window.py"/>
        <source>Photometra ended before the changes to “{0}” were saved.</source>
        <translation>Photometra endete, bevor die Änderungen an „{0}“ gespeichert waren.</translation>
    </message>
    <message>
        <location filename="desktop/main_window.py"/>
        <source>Bring them back?</source>
        <translation>Wiederherstellen?</translation>
    </message>
    <message>
        <location filename="desktop/main_window.py"/>
        <source>Bring them back</source>
        <translation>Wiederherstellen</translation>
    </message>
    <message>
        <location filename="desktop/main_window.py"/>
        <source>Let them go</source>
        <translation>Verwerfen</translation>
    </message>
    <message>
        <location filename="desktop/main_window.py"/>
        <source>Ask again later</source>
        <translation>Später noch einmal fragen</translation>
    </message>
    <message>
        <location filename="desktop/main_window.py"/>
        <source>Unsaved work of {0} is kept: start Photometra without a study to restore it.</source>
        <translation>Nicht gespeicherte Arbeit an {0} ist gesichert: Photometra ohne Studie starten, um sie wiederherzustellen.</translation>
    </message>
    <message>
        <location filename="desktop/main_window.py"/>
        <source>Kept {0} of the {1}</source>
        <translation>{0} von {1} behalten</translation>
    </message>
    <message>
        <location filename="desktop/map_button.py"/>
        <source>{0}: map</source>
        <translation>{0}: Textur</translation>
    </message>
    <message>
        <location filename="desktop/map_button.py"/>
        <source>Let it vary over the surface: by scratches, prints, weave, grain…, or a picture of your own</source>
        <translation>Über die Oberfläche sich ändern lassen: mit Kratzern, Abdrücken, Gewebe, Maserung… oder einem eigenen Bild</translation>
    </message>
    <message>
        <location filename="desktop/map_button.py"/>
        <source>Picture…</source>
        <translation>Bild…</translation>
    </message>
    <message>
        <location filename="desktop/map_button.py"/>
        <source>Edit the map…</source>
        <translation>Textur bearbeiten…</translation>
    </message>
    <message>
        <location filename="desktop/map_button.py"/>
        <source>Use a constant</source>
        <translation>Konstante verwenden</translation>
    </message>
    <message>
        <location filename="desktop/map_button.py"/>
        <source>Same map as</source>
        <translation>Dieselbe Textur wie</translation>
    </message>
    <message>
        <location filename="desktop/map_sheet.py"/>
        <source>box, three planes</source>
        <translation>Quader, drei Ebenen</translation>
    </message>
    <message>
        <location filename="desktop/map_sheet.py"/>
        <source>plane, from the front</source>
        <translation>Ebene, von vorn</translation>
    </message>
    <message>
        <location filename="desktop/map_sheet.py"/>
        <source>plane, from above</source>
        <translation>Ebene, von oben</translation>
    </message>
    <message>
        <location filename="desktop/map_sheet.py"/>
        <source>plane, from the side</source>
        <translation>Ebene, von der Seite</translation>
    </message>
    <message>
        <location filename="desktop/map_sheet.py"/>
        <source>cylinder, upright</source>
        <translation>Zylinder, aufrecht</translation>
    </message>
    <message>
        <location filename="desktop/map_sheet.py"/>
        <source>sphere</source>
        <translation>Kugel</translation>
    </message>
    <message>
        <location filename="desktop/map_sheet.py"/>
        <source>UV coordinates</source>
        <translation>UV-Koordinaten</translation>
    </message>
    <message>
        <location filename="desktop/map_sheet.py"/>
        <source>Width of one tile; 0: as it comes</source>
        <translation>Breite einer Kachel; 0: wie sie kommt</translation>
    </message>
    <message>
        <location filename="desktop/map_sheet.py"/>
        <source>Height of one tile; 0: as the width says</source>
        <translation>Höhe einer Kachel; 0: wie die Breite sagt</translation>
    </message>
    <message>
        <location filename="desktop/map_sheet.py"/>
        <source>How far the tile's middle lies to the right</source>
        <translation>Wie weit die Mitte der Kachel rechts liegt</translation>
    </message>
    <message>
        <location filename="desktop/map_sheet.py"/>
        <source>How far the tile's middle lies above</source>
        <translation>Wie weit die Mitte der Kachel oben liegt</translation>
    </message>
    <message>
        <location filename="desktop/map_sheet.py"/>
        <source>turn</source>
        <translation>Drehung</translation>
    </message>
    <message>
        <location filename="desktop/map_sheet.py"/>
        <source>How far the tile is turned, counter-clockwise</source>
        <translation>Wie weit die Kachel gedreht ist, gegen den Uhrzeiger</translation>
    </message>
    <message>
        <location filename="desktop/map_sheet.py"/>
        <source>black</source>
        <translation>Schwarz</translation>
    </message>
    <message>
        <location filename="desktop/map_sheet.py"/>
        <source>Levels below are 0</source>
        <translation>Pegel darunter sind 0</translation>
    </message>
    <message>
        <location filename="desktop/map_sheet.py"/>
        <source>Levels above are 1</source>
        <translation>Pegel darüber sind 1</translation>
    </message>
    <message>
        <location filename="desktop/map_sheet.py"/>
        <source>gamma</source>
        <translation>Gamma</translation>
    </message>
    <message>
        <location filename="desktop/map_sheet.py"/>
        <source>Above 1 lifts the levels between, below 1 lowers them</source>
        <translation>Über 1 hebt die Pegel dazwischen, unter 1 senkt sie</translation>
    </message>
    <message>
        <location filename="desktop/map_sheet.py"/>
        <source>contrast</source>
        <translation>Kontrast</translation>
    </message>
    <message>
        <location filename="desktop/map_sheet.py"/>
        <source>Spreads the levels about their middle</source>
        <translation>Spreizt die Pegel um ihre Mitte</translation>
    </message>
    <message>
        <location filename="desktop/map_sheet.py"/>
        <source>blur</source>
        <translation>Unschärfe</translation>
    </message>
    <message>
        <location filename="desktop/map_sheet.py"/>
        <source>Width of the blur, one standard deviation</source>
        <translation>Breite der Unschärfe, eine Standardabweichung</translation>
    </message>
    <message>
        <location filename="desktop/map_sheet.py"/>
        <source>hue</source>
        <translation>Farbton</translation>
    </message>
    <message>
        <location filename="desktop/map_sheet.py"/>
        <source>Turns the hue of a picture in colour; its brightness stays</source>
        <translation>Dreht den Farbton eines farbigen Bildes; seine Helligkeit bleibt</translation>
    </message>
    <message>
        <location filename="desktop/map_sheet.py"/>
        <source>saturation</source>
        <translation>Sättigung</translation>
    </message>
    <message>
        <location filename="desktop/map_sheet.py"/>
        <source>Saturation of a picture in colour; its brightness stays</source>
        <translation>Sättigung eines farbigen Bildes; seine Helligkeit bleibt</translation>
    </message>
    <message>
        <location filename="desktop/map_sheet.py"/>
        <source>Layer</source>
        <translation>Ebene</translation>
    </message>
    <message>
        <location filename="desktop/map_sheet.py"/>
        <source>A map is made of layers, each combined with those before it</source>
        <translation>Eine Textur besteht aus Ebenen, jede mit den vorigen verknüpft</translation>
    </message>
    <message>
        <location filename="desktop/map_sheet.py"/>
        <source>Add a layer</source>
        <translation>Ebene hinzufügen</translation>
    </message>
    <message>
        <location filename="desktop/map_sheet.py"/>
        <source>Remove this layer</source>
        <translation>Diese Ebene entfernen</translation>
    </message>
    <message>
        <location filename="desktop/map_sheet.py"/>
        <source>On the specimen</source>
        <translation>Auf der Probe</translation>
    </message>
    <message>
        <location filename="desktop/map_sheet.py"/>
        <source>Show the values of this map over the specimen, in false colour with their scale</source>
        <translation>Die Werte dieser Textur auf der Probe zeigen, in Falschfarben mit ihrer Skala</translation>
    </message>
    <message>
        <location filename="desktop/map_sheet.py"/>
        <source>Take the map off: the parameter has one value again, half-way along the range</source>
        <translation>Die Textur wegnehmen: der Parameter hat wieder einen Wert, die Mitte des Bereichs</translation>
    </message>
    <message>
        <location filename="desktop/map_sheet.py"/>
        <source>Back to the reading</source>
        <translation>Zurück zur Messung</translation>
    </message>
    <message>
        <location filename="desktop/map_sheet.py"/>
        <source>Source</source>
        <translation>Quelle</translation>
    </message>
    <message>
        <location filename="desktop/map_sheet.py"/>
        <source>One of our generators, or a picture</source>
        <translation>Einer unserer Generatoren oder ein Bild</translation>
    </message>
    <message>
        <location filename="desktop/map_sheet.py"/>
        <source>Channel</source>
        <translation>Kanal</translation>
    </message>
    <message>
        <location filename="desktop/map_sheet.py"/>
        <source>Which channel of the picture</source>
        <translation>Welcher Kanal des Bildes</translation>
    </message>
    <message>
        <location filename="desktop/map_sheet.py"/>
        <source>Encoding</source>
        <translation>Kodierung</translation>
    </message>
    <message>
        <location filename="desktop/map_sheet.py"/>
        <source>Numbers as they are, or colours of a space; guessed by the file's name</source>
        <translation>Zahlen, wie sie sind, oder Farben eines Farbraums; nach dem Dateinamen geraten</translation>
    </message>
    <message>
        <location filename="desktop/map_sheet.py"/>
        <source>Placement</source>
        <translation>Lage</translation>
    </message>
    <message>
        <location filename="desktop/map_sheet.py"/>
        <source>How the tile is laid on the specimen</source>
        <translation>Wie die Kachel auf die Probe gelegt wird</translation>
    </message>
    <message>
        <location filename="desktop/map_sheet.py"/>
        <source>Beyond the tile</source>
        <translation>Jenseits der Kachel</translation>
    </message>
    <message>
        <location filename="desktop/map_sheet.py"/>
        <source>What lies beyond one tile</source>
        <translation>Was jenseits einer Kachel liegt</translation>
    </message>
    <message>
        <location filename="desktop/map_sheet.py"/>
        <source>at random</source>
        <translation>zufällig</translation>
    </message>
    <message>
        <location filename="desktop/map_sheet.py"/>
        <source>Every tile is turned or mirrored by chance, so that no repetition shows</source>
        <translation>Jede Kachel wird zufällig gedreht oder gespiegelt, damit keine Wiederholung zu sehen ist</translation>
    </message>
    <message>
        <location filename="desktop/map_sheet.py"/>
        <source>It lies on the shape's own edges; there is nothing to place.</source>
        <translation>Sie liegt an den Kanten der Form selbst; zu legen ist nichts.</translation>
    </message>
    <message>
        <location filename="desktop/map_sheet.py"/>
        <source>Levels</source>
        <translation>Pegel</translation>
    </message>
    <message>
        <location filename="desktop/map_sheet.py"/>
        <source>invert</source>
        <translation>umkehren</translation>
    </message>
    <message>
        <location filename="desktop/map_sheet.py"/>
        <source>Turn the levels round: what was 1 is 0. A picture of gloss so becomes one of roughness</source>
        <translation>Die Pegel umkehren: was 1 war, ist 0. Ein Bild des Glanzes wird so eines der Rauheit</translation>
    </message>
    <message>
        <location filename="desktop/map_sheet.py"/>
        <source>Combined by</source>
        <translation>Verknüpft durch</translation>
    </message>
    <message>
        <location filename="desktop/map_sheet.py"/>
        <source>How this layer joins the ones before it, or a mask: how far the next one does</source>
        <translation>Wie diese Ebene zu den vorigen kommt, oder eine Maske: wie weit die nächste</translation>
    </message>
    <message>
        <location filename="desktop/map_sheet.py"/>
        <source>amount</source>
        <translation>Anteil</translation>
    </message>
    <message>
        <location filename="desktop/map_sheet.py"/>
        <source>How much of the combination is taken</source>
        <translation>Wie viel von der Verknüpfung genommen wird</translation>
    </message>
    <message>
        <location filename="desktop/map_sheet.py"/>
        <source>Map of {0}</source>
        <translation>Textur von {0}</translation>
    </message>
    <message>
        <location filename="desktop/map_sheet.py"/>
        <source>picture…</source>
        <translation>Bild…</translation>
    </message>
    <message>
        <location filename="desktop/map_sheet.py"/>
        <source>constant {0}</source>
        <translation>konstant: {0}</translation>
    </message>
    <message>
        <location filename="desktop/map_sheet.py"/>
        <source>The file is missing: level 0.5 stands in for it.</source>
        <translation>Die Datei fehlt: Pegel 0,5 steht für sie.</translation>
    </message>
    <message>
        <location filename="desktop/map_sheet.py"/>
        <source>seed</source>
        <translation>Startwert</translation>
    </message>
    <message>
        <location filename="desktop/map_sheet.py"/>
        <source>Another seed draws another one of the same kind</source>
        <translation>Ein anderer Startwert zeichnet eine andere derselben Art</translation>
    </message>
    <message>
        <location filename="desktop/materials_sheet.py"/>
        <source>A colour of it varies: it is not compared with its own equations.</source>
        <translation>Eine Farbe davon ändert sich: es wird nicht mit seinen eigenen Gleichungen verglichen.</translation>
    </message>
    <message>
        <location filename="desktop/materials_sheet.py"/>
        <source>lobe at 45°, cube root of BRDF</source>
        <translation>Lobe bei 45°, Kubikwurzel der BRDF</translation>
    </message>
    <message>
        <location filename="desktop/materials_sheet.py"/>
        <source>Materials of {0}</source>
        <translation>Materialien aus {0}</translation>
    </message>
    <message>
        <location filename="desktop/materials_sheet.py"/>
        <source>compare a material</source>
        <translation>Material vergleichen</translation>
    </message>
    <message>
        <location filename="desktop/materials_sheet.py"/>
        <source>Materials that were taken</source>
        <translation>Geladene Materialien</translation>
    </message>
    <message>
        <location filename="desktop/materials_sheet.py"/>
        <source>drawn: as it is here; dashed: by the document's own equations</source>
        <translation>durchgezogen: wie es hier ist; gestrichelt: nach den Gleichungen des Dokuments</translation>
    </message>
    <message>
        <location filename="desktop/materials_sheet.py"/>
        <source>{0}, of {1}</source>
        <translation>{0}, aus {1}</translation>
    </message>
    <message>
        <location filename="desktop/materials_sheet.py"/>
        <source>It {0}.</source>
        <translation>Es {0}.</translation>
    </message>
    <message>
        <location filename="desktop/materials_sheet.py"/>
        <source>All of it was carried.</source>
        <translation>Alles wurde übernommen.</translation>
    </message>
    <message>
        <location filename="desktop/materials_sheet.py"/>
        <source>not carried: {0}</source>
        <translation>nicht übernommen: {0}</translation>
    </message>
    <message>
        <location filename="desktop/menus.py"/>
        <source>&amp;Study</source>
        <translation>&amp;Studie</translation>
    </message>
    <message>
        <location filename="desktop/menus.py"/>
        <source>&amp;New</source>
        <translation>&amp;Neu</translation>
    </message>
    <message>
        <location filename="desktop/menus.py"/>
        <source>&amp;Open…</source>
        <translation>Ö&amp;ffnen…</translation>
    </message>
    <message>
        <location filename="desktop/menus.py"/>
        <source>Open &amp;recent</source>
        <translation>&amp;Zuletzt geöffnet</translation>
    </message>
    <message>
        <location filename="desktop/menus.py"/>
        <source>&amp;Save</source>
        <translation>&amp;Speichern</translation>
    </message>
    <message>
        <location filename="desktop/menus.py"/>
        <source>Save &amp;as…</source>
        <translation>Speichern &amp;unter…</translation>
    </message>
    <message>
        <location filename="desktop/menus.py"/>
        <source>Take an &amp;environment…</source>
        <translation>&amp;Umgebung laden…</translation>
    </message>
    <message>
        <location filename="desktop/menus.py"/>
        <source>Take a &amp;mesh…</source>
        <translation>&amp;Netz laden…</translation>
    </message>
    <message>
        <location filename="desktop/menus.py"/>
        <source>Take ma&amp;terials…</source>
        <translation>Ma&amp;terialien laden…</translation>
    </message>
    <message>
        <location filename="desktop/menus.py"/>
        <source>&amp;Library</source>
        <translation>&amp;Bibliothek</translation>
    </message>
    <message>
        <location filename="desktop/menus.py"/>
        <source>Nu&amp;mbers to type elsewhere</source>
        <translation>&amp;Zahlen zum Abtippen</translation>
    </message>
    <message>
        <location filename="desktop/menus.py"/>
        <source>&amp;Hand over…</source>
        <translation>Ü&amp;bergeben…</translation>
    </message>
    <message>
        <location filename="desktop/menus.py"/>
        <source>&amp;Queue of pictures</source>
        <translation>Bilder-&amp;Warteschlange</translation>
    </message>
    <message>
        <location filename="desktop/menus.py"/>
        <source>&amp;Quit</source>
        <translation>&amp;Beenden</translation>
    </message>
    <message>
        <location filename="desktop/menus.py"/>
        <source>&amp;Edit</source>
        <translation>&amp;Bearbeiten</translation>
    </message>
    <message>
        <location filename="desktop/menus.py"/>
        <source>&amp;Undo</source>
        <translation>&amp;Rückgängig:</translation>
    </message>
    <message>
        <location filename="desktop/menus.py"/>
        <source>&amp;Redo</source>
        <translation>&amp;Wiederholen:</translation>
    </message>
    <message>
        <location filename="desktop/menus.py"/>
        <source>S&amp;pecimen</source>
        <translation>&amp;Probe</translation>
    </message>
    <message>
        <location filename="desktop/menus.py"/>
        <source>&amp;Add…</source>
        <translation>&amp;Hinzufügen…</translation>
    </message>
    <message>
        <location filename="desktop/menus.py"/>
        <source>&amp;Rename…</source>
        <translation>&amp;Umbenennen…</translation>
    </message>
    <message>
        <location filename="desktop/menus.py"/>
        <source>&amp;Size…</source>
        <translation>&amp;Größe…</translation>
    </message>
    <message>
        <location filename="desktop/menus.py"/>
        <source>&amp;Duplicate</source>
        <translation>&amp;Verdoppeln</translation>
    </message>
    <message>
        <location filename="desktop/menus.py"/>
        <source>Take a &amp;stratum from</source>
        <translation>Schicht ü&amp;bernehmen von</translation>
    </message>
    <message>
        <location filename="desktop/menus.py"/>
        <source>&amp;Follow in this stratum</source>
        <translation>In dieser Schicht &amp;folgen</translation>
    </message>
    <message>
        <location filename="desktop/menus.py"/>
        <source>Re&amp;move</source>
        <translation>&amp;Entfernen</translation>
    </message>
    <message>
        <location filename="desktop/menus.py"/>
        <source>&amp;Next</source>
        <translation>&amp;Nächste</translation>
    </message>
    <message>
        <location filename="desktop/menus.py"/>
        <source>&amp;Previous</source>
        <translation>&amp;Vorige</translation>
    </message>
    <message>
        <location filename="desktop/menus.py"/>
        <source>&amp;Evidence</source>
        <translation>&amp;Messungen</translation>
    </message>
    <message>
        <location filename="desktop/menus.py"/>
        <source>&amp;Import a reading…</source>
        <translation>Messung &amp;importieren…</translation>
    </message>
    <message>
        <location filename="desktop/menus.py"/>
        <source>Import se&amp;veral readings…</source>
        <translation>&amp;Mehrere Messungen importieren…</translation>
    </message>
    <message>
        <location filename="desktop/menus.py"/>
        <source>Import a &amp;folder of readings…</source>
        <translation>&amp;Ordner mit Messungen importieren…</translation>
    </message>
    <message>
        <location filename="desktop/menus.py"/>
        <source>&amp;Paste a table</source>
        <translation>Tabelle ein&amp;fügen</translation>
    </message>
    <message>
        <location filename="desktop/menus.py"/>
        <source>&amp;Colour target…</source>
        <translation>&amp;Farbziel…</translation>
    </message>
    <message>
        <location filename="desktop/menus.py"/>
        <source>Instrument &amp;shelf</source>
        <translation>Geräte&amp;regal</translation>
    </message>
    <message>
        <location filename="desktop/menus.py"/>
        <source>&amp;Reading: edit</source>
        <translation>Messung &amp;bearbeiten</translation>
    </message>
    <message>
        <location filename="desktop/menus.py"/>
        <source>Place of the reading: &amp;click it in the picture</source>
        <translation>&amp;Ort der Messung: im Bild anklicken</translation>
    </message>
    <message>
        <location filename="desktop/menus.py"/>
        <source>&amp;What the evidence says</source>
        <translation>Was die Messungen &amp;sagen</translation>
    </message>
    <message>
        <location filename="desktop/menus.py"/>
        <source>&amp;Agreement of the study</source>
        <translation>&amp;Übereinstimmung der Studie</translation>
    </message>
    <message>
        <location filename="desktop/menus.py"/>
        <source>S&amp;urface</source>
        <translation>&amp;Oberfläche</translation>
    </message>
    <message>
        <location filename="desktop/menus.py"/>
        <source>Optical &amp;constants…</source>
        <translation>Optische &amp;Konstanten…</translation>
    </message>
    <message>
        <location filename="desktop/menus.py"/>
        <source>Constants from a Drude–Lorentz &amp;model</source>
        <translation>Konstanten aus einem &amp;Drude-Lorentz-Modell</translation>
    </message>
    <message>
        <location filename="desktop/menus.py"/>
        <source>Constants from Se&amp;llmeier coefficients…</source>
        <translation>Konstanten aus Se&amp;llmeier-Koeffizienten…</translation>
    </message>
    <message>
        <location filename="desktop/menus.py"/>
        <source>Constants from the &amp;ellipsometry</source>
        <translation>Konstanten aus der &amp;Ellipsometrie</translation>
    </message>
    <message>
        <location filename="desktop/menus.py"/>
        <source>&amp;Map of the chosen gauge</source>
        <translation>&amp;Textur des gewählten Reglers</translation>
    </message>
    <message>
        <location filename="desktop/menus.py"/>
        <source>&amp;Find missing map pictures…</source>
        <translation>&amp;Fehlende Texturbilder suchen…</translation>
    </message>
    <message>
        <location filename="desktop/menus.py"/>
        <source>&amp;Solve</source>
        <translation>&amp;Lösen</translation>
    </message>
    <message>
        <location filename="desktop/menus.py"/>
        <source>Ro&amp;bust fit (outliers down-weighted)</source>
        <translation>Ro&amp;buste Anpassung (Ausreißer abgeschwächt)</translation>
    </message>
    <message>
        <location filename="desktop/menus.py"/>
        <source>In a solve, residuals beyond two standard uncertainties are down-weighted</source>
        <translation>Beim Lösen zählen Residuen jenseits von zwei Standardunsicherheiten weniger</translation>
    </message>
    <message>
        <location filename="desktop/menus.py"/>
        <source>Solve lin&amp;ked specimens together</source>
        <translation>Ver&amp;knüpfte Proben zusammen lösen</translation>
    </message>
    <message>
        <location filename="desktop/menus.py"/>
        <source>What linked specimens share is then told by the readings of all of them</source>
        <translation>Was verknüpfte Proben gemeinsam haben, sagen dann die Messungen aller</translation>
    </message>
    <message>
        <location filename="desktop/menus.py"/>
        <source>Solve colours as R&amp;GB only</source>
        <translation>Farben nur als R&amp;GB lösen</translation>
    </message>
    <message>
        <location filename="desktop/menus.py"/>
        <source>Otherwise a solve gives a spectrum where a spectral reading asks for one</source>
        <translation>Sonst gibt ein Lösen ein Spektrum, wo eine spektrale Messung eines verlangt</translation>
    </message>
    <message>
        <location filename="desktop/menus.py"/>
        <source>&amp;View</source>
        <translation>&amp;Ansicht</translation>
    </message>
    <message>
        <location filename="desktop/menus.py"/>
        <source>&amp;Booth: shape, camera, lamps</source>
        <translation>&amp;Kabine: Form, Kamera, Lampen</translation>
    </message>
    <message>
        <location filename="desktop/menus.py"/>
        <source>Par&amp;ts of the model</source>
        <translation>&amp;Teile des Modells</translation>
    </message>
    <message>
        <location filename="desktop/menus.py"/>
        <source>&amp;Numbers: pins, profile, histogram</source>
        <translation>&amp;Zahlen: Messpunkte, Profil, Histogramm</translation>
    </message>
    <message>
        <location filename="desktop/menus.py"/>
        <source>&amp;Denoise the picture</source>
        <translation>Bild &amp;entrauschen</translation>
    </message>
    <message>
        <location filename="desktop/menus.py"/>
        <source>What is looked at only: the probe, differences and files read the mean as rendered</source>
        <translation>Nur was angesehen wird: Sonde, Differenzen und Dateien lesen das Mittel, wie es gerendert ist</translation>
    </message>
    <message>
        <location filename="desktop/menus.py"/>
        <source>&amp;Pause or resume</source>
        <translation>&amp;Pause oder weiter</translation>
    </message>
    <message>
        <location filename="desktop/menus.py"/>
        <source>&amp;Restart the picture</source>
        <translation>Bild &amp;neu beginnen</translation>
    </message>
    <message>
        <location filename="desktop/menus.py"/>
        <source>&amp;Keep a proof</source>
        <translation>&amp;Abzug behalten</translation>
    </message>
    <message>
        <location filename="desktop/menus.py"/>
        <source>Pr&amp;oofs</source>
        <translation>Abzü&amp;ge</translation>
    </message>
    <message>
        <location filename="desktop/menus.py"/>
        <source>L&amp;adder</source>
        <translation>&amp;Stufenreihe</translation>
    </message>
    <message>
        <location filename="desktop/menus.py"/>
        <source>P&amp;hotograph of the specimen</source>
        <translation>&amp;Fotografie der Probe</translation>
    </message>
    <message>
        <location filename="desktop/menus.py"/>
        <source>P&amp;lain view and back</source>
        <translation>Ein&amp;fache Ansicht und zurück</translation>
    </message>
    <message>
        <location filename="desktop/menus.py"/>
        <source>Picture a&amp;lone</source>
        <translation>&amp;Bild allein</translation>
    </message>
    <message>
        <location filename="desktop/menus.py"/>
        <source>&amp;Chart under the picture</source>
        <translation>&amp;Diagramm unter dem Bild</translation>
    </message>
    <message>
        <location filename="desktop/menus.py"/>
        <source>Picture in its o&amp;wn window</source>
        <translation>Bild im &amp;eigenen Fenster</translation>
    </message>
    <message>
        <location filename="desktop/menus.py"/>
        <source>&amp;Light theme</source>
        <translation>&amp;Helles Thema</translation>
    </message>
    <message>
        <location filename="desktop/menus.py"/>
        <source>&amp;Dim theme</source>
        <translation>Ge&amp;dämpftes Thema</translation>
    </message>
    <message>
        <location filename="desktop/menus.py"/>
        <source>&amp;Language</source>
        <translation>&amp;Sprache</translation>
    </message>
    <message>
        <location filename="desktop/menus.py"/>
        <source>&amp;Help</source>
        <translation>&amp;Hilfe</translation>
    </message>
    <message>
        <location filename="desktop/menus.py"/>
        <source>&amp;What is this?</source>
        <translation>&amp;Was ist das?</translation>
    </message>
    <message>
        <location filename="desktop/menus.py"/>
        <source>Point and as&amp;k</source>
        <translation>&amp;Zeigen und fragen</translation>
    </message>
    <message>
        <location filename="desktop/menus.py"/>
        <source>&amp;Guide</source>
        <translation>&amp;Handbuch</translation>
    </message>
    <message>
        <location filename="desktop/menus.py"/>
        <source>&amp;Lessons</source>
        <translation>&amp;Lektionen</translation>
    </message>
    <message>
        <location filename="desktop/menus.py"/>
        <source>&amp;Find a command…</source>
        <translation>Befehl &amp;suchen…</translation>
    </message>
    <message>
        <location filename="desktop/menus.py"/>
        <source>&amp;Keyboard shortcuts…</source>
        <translation>&amp;Tastenkürzel…</translation>
    </message>
    <message>
        <location filename="desktop/menus.py"/>
        <source>&amp;About Photometra</source>
        <translation>Ü&amp;ber Photometra</translation>
    </message>
    <message>
        <location filename="desktop/menus.py"/>
        <source>Unlink the {0}</source>
        <translation>{0} lösen von der Verknüpfung</translation>
    </message>
    <message>
        <location filename="desktop/menus.py"/>
        <source>{0} of the {1}</source>
        <translation>{0} von {1}</translation>
    </message>
    <message>
        <location filename="desktop/menus.py"/>
        <source>take the {0}</source>
        <translation>{0} übernehmen</translation>
    </message>
    <message>
        <location filename="desktop/menus.py"/>
        <source>there is no other specimen</source>
        <translation>es gibt keine andere Probe</translation>
    </message>
    <message>
        <location filename="desktop/mesh_question.py"/>
        <source>How large is this mesh?</source>
        <translation>Wie groß ist dieses Netz?</translation>
    </message>
    <message>
        <location filename="desktop/mesh_question.py"/>
        <source>{0} is {1} units large, in {2} triangles. One unit is</source>
        <translation>{0} ist {1} Einheiten groß, aus {2} Dreiecken. Eine Einheit ist</translation>
    </message>
    <message>
        <location filename="desktop/mesh_question.py"/>
        <source>1 {0}, so that it is {1} mm across</source>
        <translation>1 {0}, sodass es {1} mm misst</translation>
    </message>
    <message>
        <location filename="desktop/mesh_question.py"/>
        <source>what makes it as large as the specimen, {0} mm</source>
        <translation>was es so groß macht wie die Probe, {0} mm</translation>
    </message>
    <message>
        <location filename="desktop/mesh_question.py"/>
        <source>Up is</source>
        <translation>Oben ist</translation>
    </message>
    <message>
        <location filename="desktop/mesh_question.py"/>
        <source>its {0} axis</source>
        <translation>seine Achse {0}</translation>
    </message>
    <message>
        <location filename="desktop/numbers_sheet.py"/>
        <source>point at the picture for its spectrum</source>
        <translation>ins Bild zeigen für sein Spektrum</translation>
    </message>
    <message>
        <location filename="desktop/numbers_sheet.py"/>
        <source>Pin</source>
        <translation>Messpunkt</translation>
    </message>
    <message>
        <location filename="desktop/numbers_sheet.py"/>
        <source>spread</source>
        <translation>Streuung</translation>
    </message>
    <message>
        <location filename="desktop/numbers_sheet.py"/>
        <source>{0} {1}: a solve renders in the loop, and says its cost.</source>
        <translation>{0} {1}: ein Lösen rendert dabei und sagt, was es kostet.</translation>
    </message>
    <message>
        <location filename="desktop/numbers_sheet.py"/>
        <source>Pins</source>
        <translation>Messpunkte</translation>
    </message>
    <message>
        <location filename="desktop/numbers_sheet.py"/>
        <source>ΔE2000 to the partner; linear red, green, blue; luminance Y; spread of Y; L*, a*, b*</source>
        <translation>ΔE2000 zum Gegenstück; Rot, Grün, Blau linear; Leuchtdichte Y; Streuung von Y; L*, a*, b*</translation>
    </message>
    <message>
        <location filename="desktop/numbers_sheet.py"/>
        <source>Take the chosen pins away</source>
        <translation>Die gewählten Messpunkte wegnehmen</translation>
    </message>
    <message>
        <location filename="desktop/numbers_sheet.py"/>
        <source>Write all pins as CSV</source>
        <translation>Alle Messpunkte als CSV schreiben</translation>
    </message>
    <message>
        <location filename="desktop/numbers_sheet.py"/>
        <source>Back to the chart</source>
        <translation>Zurück zum Diagramm</translation>
    </message>
    <message>
        <location filename="desktop/numbers_sheet.py"/>
        <source>Load a photograph (Ctrl+Shift+P), and a solve can count what the ticked pins show of it.</source>
        <translation>Eine Fotografie laden (Strg+Umschalt+P), dann kann ein Lösen zählen, was die angekreuzten Messpunkte von ihr zeigen.</translation>
    </message>
    <message>
        <location filename="desktop/numbers_sheet.py"/>
        <source>Tick pins on the specimen, and the next solve counts what the photograph shows there.</source>
        <translation>Messpunkte auf der Probe ankreuzen, dann zählt das nächste Lösen, was die Fotografie dort zeigt.</translation>
    </message>
    <message>
        <location filename="desktop/numbers_sheet.py"/>
        <source>stops about white, −10 to +6</source>
        <translation>Blenden um Weiß, −10 bis +6</translation>
    </message>
    <message>
        <location filename="desktop/numbers_sheet.py"/>
        <source>name of a pin</source>
        <translation>Name eines Messpunkts</translation>
    </message>
    <message>
        <location filename="desktop/numbers_sheet.py"/>
        <source>remove a pin</source>
        <translation>Messpunkt entfernen</translation>
    </message>
    <message>
        <location filename="desktop/numbers_sheet.py"/>
        <source>Export the pins</source>
        <translation>Messpunkte exportieren</translation>
    </message>
    <message>
        <location filename="desktop/numbers_sheet.py"/>
        <source>Click in the picture to place a point; it is the mean of a small circle</source>
        <translation>Ins Bild klicken, um den Punkt zu setzen; er ist das Mittel eines kleinen Kreises</translation>
    </message>
    <message>
        <location filename="desktop/numbers_sheet.py"/>
        <source>Drag a rectangle in the picture; its mean is read</source>
        <translation>Ein Rechteck im Bild ziehen; sein Mittel wird gelesen</translation>
    </message>
    <message>
        <location filename="desktop/numbers_sheet.py"/>
        <source>Drag a line in the picture, as across a highlight; radiance is read along it</source>
        <translation>Eine Linie im Bild ziehen, etwa über ein Glanzlicht; entlang ihr wird die Strahldichte gelesen</translation>
    </message>
    <message>
        <location filename="desktop/numbers_sheet.py"/>
        <source>Remove</source>
        <translation>Entfernen</translation>
    </message>
    <message>
        <location filename="desktop/numbers_sheet.py"/>
        <source>pins count</source>
        <translation>Messpunkte zählen</translation>
    </message>
    <message>
        <location filename="desktop/numbers_sheet.py"/>
        <source>pin counts</source>
        <translation>Messpunkt zählt</translation>
    </message>
    <message>
        <location filename="desktop/numbers_sheet.py"/>
        <source>, partner dashed</source>
        <translation>, Gegenstück gestrichelt</translation>
    </message>
    <message>
        <location filename="desktop/numbers_sheet.py"/>
        <source>{0}, 380–780 nm</source>
        <translation>{0}, 380–780 nm</translation>
    </message>
    <message>
        <location filename="desktop/numbers_sheet.py"/>
        <source>what counts</source>
        <translation>was zählt</translation>
    </message>
    <message>
        <location filename="desktop/parts_sheet.py"/>
        <source>They cut through each other, and light travels within both: where both would be it is the one that was given its surface first. Give that one its surface again, and it comes last</source>
        <translation>Sie durchschneiden einander, und in beiden läuft Licht: wo beide wären, ist es das Teil, das zuerst eine Oberfläche bekam. Gib diesem seine Oberfläche noch einmal, und es kommt zuletzt</translation>
    </message>
    <message>
        <location filename="desktop/parts_sheet.py"/>
        <source>Parts</source>
        <translation>Teile</translation>
    </message>
    <message>
        <location filename="desktop/parts_sheet.py"/>
        <source>This shape is one part. A mesh with named parts (OBJ, PLY, STL, glTF, USD) can have a surface for each.</source>
        <translation>Diese Form ist ein Teil. Ein Netz mit benannten Teilen (OBJ, PLY, STL, glTF, USD) kann für jedes eine Oberfläche haben.</translation>
    </message>
    <message>
        <location filename="desktop/parts_sheet.py"/>
        <source>Give the surface of</source>
        <translation>Oberfläche geben von</translation>
    </message>
    <message>
        <location filename="desktop/parts_sheet.py"/>
        <source>Give the chosen parts the surface of a specimen of this study</source>
        <translation>Den gewählten Teilen die Oberfläche einer Probe dieser Studie geben</translation>
    </message>
    <message>
        <location filename="desktop/parts_sheet.py"/>
        <source>Make a variant</source>
        <translation>Variante anlegen</translation>
    </message>
    <message>
        <location filename="desktop/parts_sheet.py"/>
        <source>A new specimen like the one these parts have, for these parts alone</source>
        <translation>Eine neue Probe wie die dieser Teile, für diese Teile allein</translation>
    </message>
    <message>
        <location filename="desktop/parts_sheet.py"/>
        <source>Tints</source>
        <translation>Farben</translation>
    </message>
    <message>
        <location filename="desktop/parts_sheet.py"/>
        <source>Show every part in a tint of its own</source>
        <translation>Jedes Teil in einer eigenen Farbe zeigen</translation>
    </message>
    <message>
        <location filename="desktop/parts_sheet.py"/>
        <source>Alone</source>
        <translation>Allein</translation>
    </message>
    <message>
        <location filename="desktop/parts_sheet.py"/>
        <source>Show the chosen parts without the others; the specimen is as before</source>
        <translation>Die gewählten Teile ohne die anderen zeigen; die Probe bleibt, wie sie war</translation>
    </message>
    <message>
        <location filename="desktop/parts_sheet.py"/>
        <source>Mesh…</source>
        <translation>Netz…</translation>
    </message>
    <message>
        <location filename="desktop/parts_sheet.py"/>
        <source>Choose a mesh with named parts</source>
        <translation>Ein Netz mit benannten Teilen wählen</translation>
    </message>
    <message>
        <location filename="desktop/parts_sheet.py"/>
        <source>None</source>
        <translation>Keine</translation>
    </message>
    <message>
        <location filename="desktop/parts_sheet.py"/>
        <source>variant for parts</source>
        <translation>Variante für Teile</translation>
    </message>
    <message>
        <location filename="desktop/parts_sheet.py"/>
        <source>Made {0}; choose it to change it</source>
        <translation>{0} angelegt; wählen, um sie zu ändern</translation>
    </message>
    <message>
        <location filename="desktop/parts_sheet.py"/>
        <source>closed</source>
        <translation>geschlossen</translation>
    </message>
    <message>
        <location filename="desktop/parts_sheet.py"/>
        <source>open</source>
        <translation>offen</translation>
    </message>
    <message>
        <location filename="desktop/parts_sheet.py"/>
        <source>{0}, gives way to {1}</source>
        <translation>{0}, weicht {1}</translation>
    </message>
    <message>
        <location filename="desktop/parts_sheet.py"/>
        <source>Part</source>
        <translation>Teil</translation>
    </message>
    <message>
        <location filename="desktop/parts_sheet.py"/>
        <source>Surface</source>
        <translation>Oberfläche</translation>
    </message>
    <message>
        <location filename="desktop/parts_sheet.py"/>
        <source>Inside</source>
        <translation>Inneres</translation>
    </message>
    <message>
        <location filename="desktop/parts_sheet.py"/>
        <source>Material in the file</source>
        <translation>Material in der Datei</translation>
    </message>
    <message>
        <location filename="desktop/parts_sheet.py"/>
        <source>Parts of the {0}</source>
        <translation>Teile von {0}</translation>
    </message>
    <message>
        <location filename="desktop/parts_sheet.py"/>
        <source>Choose the parts to be seen alone, in the list or in the picture.</source>
        <translation>Die Teile wählen, die allein zu sehen sein sollen, in der Liste oder im Bild.</translation>
    </message>
    <message>
        <location filename="desktop/parts_sheet.py"/>
        <source>All that the file calls {0}</source>
        <translation>Alles, was die Datei {0} nennt</translation>
    </message>
    <message>
        <location filename="desktop/parts_sheet.py"/>
        <source>surface of {0}</source>
        <translation>Oberfläche von {0}</translation>
    </message>
    <message>
        <location filename="desktop/parts_sheet.py"/>
        <source>no surface</source>
        <translation>keine Oberfläche</translation>
    </message>
    <message>
        <location filename="desktop/parts_sheet.py"/>
        <source>none: neutral grey</source>
        <translation>keine: neutrales Grau</translation>
    </message>
    <message>
        <location filename="desktop/photograph_sheet.py"/>
        <source>Not calibrated: its colours are those of the camera.</source>
        <translation>Nicht kalibriert: ihre Farben sind die der Kamera.</translation>
    </message>
    <message>
        <location filename="desktop/photograph_sheet.py"/>
        <source>Load…</source>
        <translation>Laden…</translation>
    </message>
    <message>
        <location filename="desktop/photograph_sheet.py"/>
        <source>EXR, HDR, TIFF, PNG or JPEG</source>
        <translation>EXR, HDR, TIFF, PNG oder JPEG</translation>
    </message>
    <message>
        <location filename="desktop/photograph_sheet.py"/>
        <source>Curve</source>
        <translation>Kurve</translation>
    </message>
    <message>
        <location filename="desktop/photograph_sheet.py"/>
        <source>How the file's numbers stand for light</source>
        <translation>Wie die Zahlen der Datei für Licht stehen</translation>
    </message>
    <message>
        <location filename="desktop/photograph_sheet.py"/>
        <source>Stops added to the photograph</source>
        <translation>Blenden, um die die Fotografie heller wird</translation>
    </message>
    <message>
        <location filename="desktop/photograph_sheet.py"/>
        <source>scale</source>
        <translation>Maßstab</translation>
    </message>
    <message>
        <location filename="desktop/photograph_sheet.py"/>
        <source>How wide the frame is against the photograph</source>
        <translation>Wie breit der Rahmen gegen die Fotografie ist</translation>
    </message>
    <message>
        <location filename="desktop/photograph_sheet.py"/>
        <source>How far the frame is turned in the photograph</source>
        <translation>Wie weit der Rahmen in der Fotografie gedreht ist</translation>
    </message>
    <message>
        <location filename="desktop/photograph_sheet.py"/>
        <source>render</source>
        <translation>Render</translation>
    </message>
    <message>
        <location filename="desktop/photograph_sheet.py"/>
        <source>How much of the render is laid over its frame</source>
        <translation>Wie viel vom Render über seinem Rahmen liegt</translation>
    </message>
    <message>
        <location filename="desktop/photograph_sheet.py"/>
        <source>exposure as the render there</source>
        <translation>Belichtung wie das Render dort</translation>
    </message>
    <message>
        <location filename="desktop/photograph_sheet.py"/>
        <source>The clicked grey becomes as light as what the render shows at that place</source>
        <translation>Das angeklickte Grau wird so hell wie das, was das Render an der Stelle zeigt</translation>
    </message>
    <message>
        <location filename="desktop/photograph_sheet.py"/>
        <source>Chart's values…</source>
        <translation>Werte der Tafel…</translation>
    </message>
    <message>
        <location filename="desktop/photograph_sheet.py"/>
        <source>Colours of your own chart, 24 rows of L*, a*, b* or XYZ, as CSV or CGATS.17</source>
        <translation>Farben der eigenen Tafel, 24 Zeilen mit L*, a*, b* oder XYZ, als CSV oder CGATS.17</translation>
    </message>
    <message>
        <location filename="desktop/photograph_sheet.py"/>
        <source>Camera profile…</source>
        <translation>Kameraprofil…</translation>
    </message>
    <message>
        <location filename="desktop/photograph_sheet.py"/>
        <source>The matrix of a camera by its profile (.dcp), for linear numbers of the camera</source>
        <translation>Die Matrix einer Kamera nach ihrem Profil (.dcp), für lineare Zahlen der Kamera</translation>
    </message>
    <message>
        <location filename="desktop/photograph_sheet.py"/>
        <source>Calibrate by the chart</source>
        <translation>Nach der Tafel kalibrieren</translation>
    </message>
    <message>
        <location filename="desktop/photograph_sheet.py"/>
        <source>Compare</source>
        <translation>Vergleichen</translation>
    </message>
    <message>
        <location filename="desktop/photograph_sheet.py"/>
        <source>Photograph of the specimen</source>
        <translation>Fotografie der Probe</translation>
    </message>
    <message>
        <location filename="desktop/photograph_sheet.py"/>
        <source>Pictures (*.exr *.hdr *.tif *.tiff *.png *.jpg *.jpeg)</source>
        <translation>Bilder (*.exr *.hdr *.tif *.tiff *.png *.jpg *.jpeg)</translation>
    </message>
    <message>
        <location filename="desktop/photograph_sheet.py"/>
        <source>load a photograph</source>
        <translation>Fotografie laden</translation>
    </message>
    <message>
        <location filename="desktop/photograph_sheet.py"/>
        <source>photograph exposure</source>
        <translation>Belichtung der Fotografie</translation>
    </message>
    <message>
        <location filename="desktop/photograph_sheet.py"/>
        <source>free light</source>
        <translation>Licht frei</translation>
    </message>
    <message>
        <location filename="desktop/photograph_sheet.py"/>
        <source>photograph corners</source>
        <translation>Ecken der Fotografie</translation>
    </message>
    <message>
        <location filename="desktop/photograph_sheet.py"/>
        <source>Colours of the chart</source>
        <translation>Farben der Tafel</translation>
    </message>
    <message>
        <location filename="desktop/photograph_sheet.py"/>
        <source>Tables (*.csv *.txt *.tsv *.cgats *.it8)</source>
        <translation>Tabellen (*.csv *.txt *.tsv *.cgats *.it8)</translation>
    </message>
    <message>
        <location filename="desktop/photograph_sheet.py"/>
        <source>The chart's colours are those of {0}.</source>
        <translation>Die Farben der Tafel sind die von {0}.</translation>
    </message>
    <message>
        <location filename="desktop/photograph_sheet.py"/>
        <source>Camera profile</source>
        <translation>Kameraprofil</translation>
    </message>
    <message>
        <location filename="desktop/photograph_sheet.py"/>
        <source>Temperature of the light, K ({0}: {1} to {2})</source>
        <translation>Temperatur des Lichts, K ({0}: {1} bis {2})</translation>
    </message>
    <message>
        <location filename="desktop/photograph_sheet.py"/>
        <source>camera profile</source>
        <translation>Kameraprofil</translation>
    </message>
    <message>
        <location filename="desktop/photograph_sheet.py"/>
        <source>Colours as {0} has them at {1} K; now click a neutral patch.</source>
        <translation>Farben, wie {0} sie bei {1} K hat; nun ein neutrales Feld anklicken.</translation>
    </message>
    <message>
        <location filename="desktop/photograph_sheet.py"/>
        <source>Click a patch that is known to be neutral.</source>
        <translation>Ein bekannt neutrales Feld anklicken.</translation>
    </message>
    <message>
        <location filename="desktop/photograph_sheet.py"/>
        <source>The chart is met within ΔE {0} on the mean, {1} at the worst. Matrix {2}.</source>
        <translation>Die Tafel wird auf ΔE {0} im Mittel getroffen, {1} im schlechtesten Fall. Matrix {2}.</translation>
    </message>
    <message>
        <location filename="desktop/photograph_sheet.py"/>
        <source>Calibrated by a chart, ΔE {0} on the mean.</source>
        <translation>Nach einer Tafel kalibriert, ΔE {0} im Mittel.</translation>
    </message>
    <message>
        <location filename="desktop/photograph_sheet.py"/>
        <source>How much light the photograph took in</source>
        <translation>Wie viel Licht die Fotografie aufnahm</translation>
    </message>
    <message>
        <location filename="desktop/photograph_sheet.py"/>
        <source>How far the environment is turned</source>
        <translation>Wie weit die Umgebung gedreht ist</translation>
    </message>
    <message>
        <location filename="desktop/photograph_sheet.py"/>
        <source>How bright the environment is beside the lamps</source>
        <translation>Wie hell die Umgebung neben den Lampen ist</translation>
    </message>
    <message>
        <location filename="desktop/photograph_sheet.py"/>
        <source>solve {0}</source>
        <translation>{0} lösen</translation>
    </message>
    <message>
        <location filename="desktop/photograph_sheet.py"/>
        <source>{0}: found by the solve along with the surface, with an error bar</source>
        <translation>{0}: vom Lösen zusammen mit der Oberfläche gefunden, mit Fehlerbalken</translation>
    </message>
    <message>
        <location filename="desktop/photograph_sheet.py"/>
        <source>Line up</source>
        <translation>Ausrichten</translation>
    </message>
    <message>
        <location filename="desktop/photograph_sheet.py"/>
        <source>Drag the frame, or its four corners, to where the render lies in the photograph</source>
        <translation>Den Rahmen, oder seine vier Ecken, dorthin ziehen, wo das Render in der Fotografie liegt</translation>
    </message>
    <message>
        <location filename="desktop/photograph_sheet.py"/>
        <source>Drag to go round the specimen, with the right button to turn the light</source>
        <translation>Ziehen, um die Probe zu umrunden; mit der rechten Taste dreht sich das Licht</translation>
    </message>
    <message>
        <location filename="desktop/photograph_sheet.py"/>
        <source>Click a patch that is known to be neutral</source>
        <translation>Ein bekannt neutrales Feld anklicken</translation>
    </message>
    <message>
        <location filename="desktop/photograph_sheet.py"/>
        <source>Chart</source>
        <translation>Tafel</translation>
    </message>
    <message>
        <location filename="desktop/photograph_sheet.py"/>
        <source>Drag the four corners to the outer corners of a chart of 24 patches</source>
        <translation>Die vier Ecken auf die äußeren Ecken einer Tafel mit 24 Feldern ziehen</translation>
    </message>
    <message>
        <location filename="desktop/photograph_sheet.py"/>
        <source>Add a specimen first; a photograph belongs to one.</source>
        <translation>Zuerst eine Probe hinzufügen; eine Fotografie gehört zu einer.</translation>
    </message>
    <message>
        <location filename="desktop/photograph_sheet.py"/>
        <source>A very large photograph: it is shown and read at 1/{0} of its size.</source>
        <translation>Eine sehr große Fotografie: sie wird in 1/{0} ihrer Größe gezeigt und gelesen.</translation>
    </message>
    <message>
        <location filename="desktop/photograph_sheet.py"/>
        <source>{0} of the photograph</source>
        <translation>{0} der Fotografie</translation>
    </message>
    <message>
        <location filename="desktop/photograph_sheet.py"/>
        <source>The render has no light there to tie the exposure to; line the photograph up first.</source>
        <translation>Das Render hat dort kein Licht, an das die Belichtung zu binden wäre; zuerst die Fotografie ausrichten.</translation>
    </message>
    <message>
        <location filename="desktop/photograph_sheet.py"/>
        <source>The photograph is being decoded…</source>
        <translation>Die Fotografie wird dekodiert…</translation>
    </message>
    <message>
        <location filename="desktop/photograph_sheet.py"/>
        <source>Balanced on a neutral patch.</source>
        <translation>Auf ein neutrales Feld abgeglichen.</translation>
    </message>
    <message>
        <location filename="desktop/photograph_sheet.py"/>
        <source>Its channels are mixed by a matrix, of a chart or a camera profile.</source>
        <translation>Ihre Kanäle werden durch eine Matrix gemischt, aus einer Tafel oder einem Kameraprofil.</translation>
    </message>
    <message>
        <location filename="desktop/photograph_sheet.py"/>
        <source>{0}: cannot be read ({1})</source>
        <translation>{0}: nicht lesbar ({1})</translation>
    </message>
    <message>
        <location filename="desktop/photograph_view.py"/>
        <source>The wheel zooms, the right button moves the picture about, a double click shows all of it</source>
        <translation>Das Rad vergrößert, die rechte Taste bewegt das Bild, ein Doppelklick zeigt es ganz</translation>
    </message>
    <message>
        <location filename="desktop/photograph_view.py"/>
        <source>Load a photograph of the specimen</source>
        <translation>Eine Fotografie der Probe laden</translation>
    </message>
    <message>
        <location filename="desktop/picture.py"/>
        <source>The picture is on its way…</source>
        <translation>Das Bild ist unterwegs…</translation>
    </message>
    <message>
        <location filename="desktop/picture.py"/>
        <source>Drop a reading, a mesh or a study here, or add a specimen.</source>
        <translation>Eine Messung, ein Netz oder eine Studie hierher ziehen, oder eine Probe anlegen.</translation>
    </message>
    <message>
        <location filename="desktop/picture.py"/>
        <source>Drag to go round the specimen, with the right button to turn the light; the wheel brings you nearer. Point to read a pixel.</source>
        <translation>Ziehen, um die Probe zu umrunden; mit der rechten Taste dreht sich das Licht; das Rad bringt näher heran. Zeigen, um ein Pixel zu lesen.</translation>
    </message>
    <message>
        <location filename="desktop/picture.py"/>
        <source>Click a place that is known to be neutral: a grey patch</source>
        <translation>Eine bekannt neutrale Stelle anklicken: ein graues Feld</translation>
    </message>
    <message>
        <location filename="desktop/picture.py"/>
        <source>Click the white to expose for</source>
        <translation>Das Weiß anklicken, auf das belichtet wird</translation>
    </message>
    <message>
        <location filename="desktop/picture.py"/>
        <source>Drag a rectangle: only that is rendered</source>
        <translation>Ein Rechteck ziehen: nur dieses wird gerendert</translation>
    </message>
    <message>
        <location filename="desktop/picture.py"/>
        <source>Click where the point is to stand</source>
        <translation>Anklicken, wo der Punkt stehen soll</translation>
    </message>
    <message>
        <location filename="desktop/picture.py"/>
        <source>Drag a rectangle: its mean is read</source>
        <translation>Ein Rechteck ziehen: sein Mittel wird gelesen</translation>
    </message>
    <message>
        <location filename="desktop/picture.py"/>
        <source>Drag a line, as across a highlight: radiance is read along it</source>
        <translation>Eine Linie ziehen, etwa über ein Glanzlicht: entlang ihr wird die Strahldichte gelesen</translation>
    </message>
    <message>
        <location filename="desktop/picture.py"/>
        <source>denoised</source>
        <translation>entrauscht</translation>
    </message>
    <message>
        <location filename="desktop/picture.py"/>
        <source>about ΔE {0} from the final picture</source>
        <translation>etwa ΔE {0} vom fertigen Bild</translation>
    </message>
    <message>
        <location filename="desktop/picture.py"/>
        <source>one part alone</source>
        <translation>ein Teil allein</translation>
    </message>
    <message>
        <location filename="desktop/picture.py"/>
        <source>{0} parts alone</source>
        <translation>{0} Teile allein</translation>
    </message>
    <message>
        <location filename="desktop/picture_window.py"/>
        <source>Picture – {0}</source>
        <translation>Bild – {0}</translation>
    </message>
    <message>
        <location filename="desktop/picture_window.py"/>
        <source>Put the picture back</source>
        <translation>Das Bild zurückholen</translation>
    </message>
    <message>
        <location filename="desktop/pointing.py"/>
        <source>Click what you want explained; Escape to leave it.</source>
        <translation>Anklicken, was erklärt werden soll; Escape beendet es.</translation>
    </message>
    <message>
        <location filename="desktop/probe_line.py"/>
        <source>exposed</source>
        <translation>belichtet</translation>
    </message>
    <message>
        <location filename="desktop/probe_line.py"/>
        <source>balanced</source>
        <translation>abgeglichen</translation>
    </message>
    <message>
        <location filename="desktop/probe_line.py"/>
        <source>roll-off</source>
        <translation>Roll-off</translation>
    </message>
    <message>
        <location filename="desktop/probe_line.py"/>
        <source>displayed</source>
        <translation>gezeigt</translation>
    </message>
    <message>
        <location filename="desktop/probe_line.py"/>
        <source>{0} · noise {1} · {2} s</source>
        <translation>{0} · Rauschen {1} · {2} s</translation>
    </message>
    <message>
        <location filename="desktop/probe_line.py"/>
        <source>Scene-linear Rec.709, before anything</source>
        <translation>Szenenlinear, Rec.709, vor allem anderen</translation>
    </message>
    <message>
        <location filename="desktop/probe_line.py"/>
        <source>After exposure</source>
        <translation>Nach der Belichtung</translation>
    </message>
    <message>
        <location filename="desktop/probe_line.py"/>
        <source>After white balance</source>
        <translation>Nach dem Weißabgleich</translation>
    </message>
    <message>
        <location filename="desktop/probe_line.py"/>
        <source>After highlight roll-off</source>
        <translation>Nach dem Roll-off der Lichter</translation>
    </message>
    <message>
        <location filename="desktop/probe_line.py"/>
        <source>As displayed, 0 to 255</source>
        <translation>Wie gezeigt, 0 bis 255</translation>
    </message>
    <message>
        <location filename="desktop/probe_line.py"/>
        <source>CIE L*a*b* of the balanced value, white 1 1 1 under D65</source>
        <translation>CIE L*a*b* des abgeglichenen Werts, Weiß 1 1 1 unter D65</translation>
    </message>
    <message>
        <location filename="desktop/probe_line.py"/>
        <source>What the maps lay on there</source>
        <translation>Was die Texturen dort auflegen</translation>
    </message>
    <message>
        <location filename="desktop/probe_line.py"/>
        <source>Samples a pixel, relative noise of the picture, time spent</source>
        <translation>Samples je Pixel, relatives Rauschen des Bildes, vergangene Zeit</translation>
    </message>
    <message>
        <location filename="desktop/probe_line.py"/>
        <source>Pause</source>
        <translation>Pause</translation>
    </message>
    <message>
        <location filename="desktop/probe_line.py"/>
        <source>Pause rendering (Ctrl+Space)</source>
        <translation>Rendern anhalten (Strg+Leertaste)</translation>
    </message>
    <message>
        <location filename="desktop/probe_line.py"/>
        <source>Restart</source>
        <translation>Von vorn</translation>
    </message>
    <message>
        <location filename="desktop/probe_line.py"/>
        <source>Restart the picture (Ctrl+R)</source>
        <translation>Das Bild neu beginnen (Strg+R)</translation>
    </message>
    <message>
        <location filename="desktop/probe_line.py"/>
        <source>1 sample</source>
        <translation>1 Sample</translation>
    </message>
    <message>
        <location filename="desktop/probe_line.py"/>
        <source> · limits cut {0} %</source>
        <translation> · Grenzen nehmen {0} %</translation>
    </message>
    <message>
        <location filename="desktop/probe_line.py"/>
        <source>Resume</source>
        <translation>Weiter</translation>
    </message>
    <message>
        <location filename="desktop/probe_line.py"/>
        <source>1/{0} size</source>
        <translation>1/{0} der Größe</translation>
    </message>
    <message>
        <location filename="desktop/proof_sheet.py"/>
        <source>and {0} more</source>
        <translation>und {0} weitere</translation>
    </message>
    <message>
        <location filename="desktop/proof_sheet.py"/>
        <source>Keep surface, picture and agreement as they are now (Ctrl+J)</source>
        <translation>Oberfläche, Bild und Übereinstimmung behalten, wie sie jetzt sind (Strg+J)</translation>
    </message>
    <message>
        <location filename="desktop/proof_sheet.py"/>
        <source>a note</source>
        <translation>eine Notiz</translation>
    </message>
    <message>
        <location filename="desktop/proof_sheet.py"/>
        <source>Note</source>
        <translation>Notiz</translation>
    </message>
    <message>
        <location filename="desktop/proof_sheet.py"/>
        <source>Look at it beside the picture as it is; two chosen with Ctrl beside each other</source>
        <translation>Neben dem jetzigen Bild ansehen; zwei, mit Strg gewählt, nebeneinander</translation>
    </message>
    <message>
        <location filename="desktop/proof_sheet.py"/>
        <source>Give the specimen this surface again</source>
        <translation>Der Probe diese Oberfläche wiedergeben</translation>
    </message>
    <message>
        <location filename="desktop/proof_sheet.py"/>
        <source>Now it is the same.</source>
        <translation>Jetzt ist es dasselbe.</translation>
    </message>
    <message>
        <location filename="desktop/proof_sheet.py"/>
        <source>Then, and now:</source>
        <translation>Damals und jetzt:</translation>
    </message>
    <message>
        <location filename="desktop/proof_sheet.py"/>
        <source>remove a proof</source>
        <translation>Abzug entfernen</translation>
    </message>
    <message>
        <location filename="desktop/proof_sheet.py"/>
        <source>{0} kept</source>
        <translation>{0} behalten</translation>
    </message>
    <message>
        <location filename="desktop/proof_sheet.py"/>
        <source>None is kept yet: keep one, change something, and compare.</source>
        <translation>Noch ist keiner behalten: einen behalten, etwas ändern und vergleichen.</translation>
    </message>
    <message>
        <location filename="desktop/proof_sheet.py"/>
        <source>Restore</source>
        <translation>Zurückholen</translation>
    </message>
    <message>
        <location filename="desktop/proof_sheet.py"/>
        <source>{0}, {1} of {2} within</source>
        <translation>{0}, {1} von {2} innerhalb</translation>
    </message>
    <message>
        <location filename="desktop/proof_sheet.py"/>
        <source>Its specimen is not in the study any more.</source>
        <translation>Seine Probe ist nicht mehr in der Studie.</translation>
    </message>
    <message>
        <location filename="desktop/proof_sheet.py"/>
        <source>{0}: {1} of {2}</source>
        <translation>{0}: {1} von {2}</translation>
    </message>
    <message>
        <location filename="desktop/proof_sheet.py"/>
        <source>They are the same.</source>
        <translation>Sie sind gleich.</translation>
    </message>
    <message>
        <location filename="desktop/queue_sheet.py"/>
        <source>{0} → {1}, {2} × {3}{4}, {5} samples</source>
        <translation>{0} → {1}, {2} × {3}{4}, {5} Samples</translation>
    </message>
    <message>
        <location filename="desktop/queue_sheet.py"/>
        <source>{0}{1} samples, {2}, about {3} left</source>
        <translation>{0}{1} Samples, {2}, noch etwa {3}</translation>
    </message>
    <message>
        <location filename="desktop/queue_sheet.py"/>
        <source>{0} min</source>
        <translation>{0} min</translation>
    </message>
    <message>
        <location filename="desktop/queue_sheet.py"/>
        <source>{0}, ladder of {1}</source>
        <translation>{0}, Stufenreihe nach {1}</translation>
    </message>
    <message>
        <location filename="desktop/queue_sheet.py"/>
        <source> each</source>
        <translation> je</translation>
    </message>
    <message>
        <location filename="desktop/queue_sheet.py"/>
        <source>Sooner</source>
        <translation>Früher</translation>
    </message>
    <message>
        <location filename="desktop/queue_sheet.py"/>
        <source>Before the one above</source>
        <translation>Vor die darüber</translation>
    </message>
    <message>
        <location filename="desktop/queue_sheet.py"/>
        <source>Queue</source>
        <translation>Warteschlange</translation>
    </message>
    <message>
        <location filename="desktop/queue_sheet.py"/>
        <source>this machine</source>
        <translation>dieser Rechner</translation>
    </message>
    <message>
        <location filename="desktop/queue_sheet.py"/>
        <source>Where it runs</source>
        <translation>Wo es läuft</translation>
    </message>
    <message>
        <location filename="desktop/queue_sheet.py"/>
        <source>Empty: here, in the background. Or a Dask cluster, as local:2 or tcp://HOST:PORT</source>
        <translation>Leer: hier, im Hintergrund. Oder ein Dask-Cluster, wie local:2 oder tcp://HOST:PORT</translation>
    </message>
    <message>
        <location filename="desktop/queue_sheet.py"/>
        <source>Queue a picture of the chosen specimen as it is now</source>
        <translation>Ein Bild der gewählten Probe, wie sie jetzt ist, in die Warteschlange</translation>
    </message>
    <message>
        <location filename="desktop/queue_sheet.py"/>
        <source>Queue a picture of every specimen, into a folder</source>
        <translation>Ein Bild jeder Probe in die Warteschlange, in einen Ordner</translation>
    </message>
    <message>
        <location filename="desktop/queue_sheet.py"/>
        <source>Render every specimen into</source>
        <translation>Jede Probe rendern nach</translation>
    </message>
    <message>
        <location filename="desktop/queue_sheet.py"/>
        <source>noise {0} %</source>
        <translation>Rauschen {0} %</translation>
    </message>
    <message>
        <location filename="desktop/queue_sheet.py"/>
        <source>noise not known yet</source>
        <translation>Rauschen noch nicht bekannt</translation>
    </message>
    <message>
        <location filename="desktop/queue_sheet.py"/>
        <source>step {0} of {1}, </source>
        <translation>Stufe {0} von {1}, </translation>
    </message>
    <message>
        <location filename="desktop/queue_sheet.py"/>
        <source>{0} rendering, {1} waiting</source>
        <translation>{0} rendern, {1} warten</translation>
    </message>
    <message>
        <location filename="desktop/queue_sheet.py"/>
        <source>nothing waits</source>
        <translation>nichts wartet</translation>
    </message>
    <message>
        <location filename="desktop/queue_sheet.py"/>
        <source>Add this…</source>
        <translation>Dies hinzu…</translation>
    </message>
    <message>
        <location filename="desktop/queue_sheet.py"/>
        <source>Add all…</source>
        <translation>Alle hinzu…</translation>
    </message>
    <message>
        <location filename="desktop/queue_sheet.py"/>
        <source>in {0}</source>
        <translation>in {0}</translation>
    </message>
    <message>
        <location filename="desktop/queue_sheet.py"/>
        <source>Go on</source>
        <translation>Weiter</translation>
    </message>
    <message>
        <location filename="desktop/queue_sheet.py"/>
        <source>{0}, paused</source>
        <translation>{0}, angehalten</translation>
    </message>
    <message>
        <location filename="desktop/queue_sheet.py"/>
        <source>what was done is kept</source>
        <translation>was getan wurde, bleibt</translation>
    </message>
    <message>
        <location filename="desktop/queue_sheet.py"/>
        <source>on</source>
        <translation>auf</translation>
    </message>
    <message>
        <location filename="desktop/range_track.py"/>
        <source>mean</source>
        <translation>Mittel</translation>
    </message>
    <message>
        <location filename="desktop/range_track.py"/>
        <source>reading the map…</source>
        <translation>die Textur wird gelesen…</translation>
    </message>
    <message>
        <location filename="desktop/reading_form.py"/>
        <source>Name</source>
        <translation>Name</translation>
    </message>
    <message>
        <location filename="desktop/reading_form.py"/>
        <source>What this reading is called</source>
        <translation>Wie diese Messung heißt</translation>
    </message>
    <message>
        <location filename="desktop/reading_form.py"/>
        <source>How the light comes and is looked at: diffuse and 8°, mirror part in or out; 45° and 0°</source>
        <translation>Wie das Licht kommt und wie hingesehen wird: diffus und 8°, Glanz ein- oder ausgeschlossen; 45° und 0°</translation>
    </message>
    <message>
        <location filename="desktop/reading_form.py"/>
        <source>Of the slab that was read, in mm</source>
        <translation>Der gemessenen Platte, in mm</translation>
    </message>
    <message>
        <location filename="desktop/reading_form.py"/>
        <source>Uncertainty</source>
        <translation>Unsicherheit</translation>
    </message>
    <message>
        <location filename="desktop/reading_form.py"/>
        <source>One standard uncertainty of every value, as 2 %, as 0.002, or as 2 % + 0.002</source>
        <translation>Eine Standardunsicherheit jedes Werts, als 2 %, als 0.002 oder als 2 % + 0.002</translation>
    </message>
    <message>
        <location filename="desktop/reading_form.py"/>
        <source>Systematic</source>
        <translation>Systematisch</translation>
    </message>
    <message>
        <location filename="desktop/reading_form.py"/>
        <source>What all its values share, one standard uncertainty each: gain 1 %, offset 0.001, thickness 0.05 mm, angle 0.1°; or none</source>
        <translation>Was alle Werte gemeinsam haben, je eine Standardunsicherheit: gain 1 %, offset 0.001, thickness 0.05 mm, angle 0.1°; oder none</translation>
    </message>
    <message>
        <location filename="desktop/reading_form.py"/>
        <source>Band-pass</source>
        <translation>Bandbreite</translation>
    </message>
    <message>
        <location filename="desktop/reading_form.py"/>
        <source>Full width at half maximum of what the instrument takes for one wavelength, in nm</source>
        <translation>Halbwertsbreite dessen, was das Gerät für eine Wellenlänge nimmt, in nm</translation>
    </message>
    <message>
        <location filename="desktop/reading_form.py"/>
        <source>Illuminated</source>
        <translation>Beleuchtet</translation>
    </message>
    <message>
        <location filename="desktop/reading_form.py"/>
        <source>Diameter of the area that is lit, in mm; empty where it is wide</source>
        <translation>Durchmesser der beleuchteten Fläche, in mm; leer, wo sie groß ist</translation>
    </message>
    <message>
        <location filename="desktop/reading_form.py"/>
        <source>Collected</source>
        <translation>Gesammelt</translation>
    </message>
    <message>
        <location filename="desktop/reading_form.py"/>
        <source>Diameter of the area that is looked at, in mm; empty where it is wide</source>
        <translation>Durchmesser der betrachteten Fläche, in mm; leer, wo sie groß ist</translation>
    </message>
    <message>
        <location filename="desktop/reading_form.py"/>
        <source>Place</source>
        <translation>Ort</translation>
    </message>
    <message>
        <location filename="desktop/reading_form.py"/>
        <source>Where on a specimen that varies it was taken: x y z and a diameter in mm, as 0 55 18, 8 mm; empty for all of it</source>
        <translation>Wo auf einer Probe, die sich ändert, gemessen wurde: x y z und ein Durchmesser in mm, wie 0 55 18, 8 mm; leer für die ganze</translation>
    </message>
    <message>
        <location filename="desktop/reading_form.py"/>
        <source>Tolerance</source>
        <translation>Toleranz</translation>
    </message>
    <message>
        <location filename="desktop/reading_form.py"/>
        <source>How far the model may be, in the measure this kind is told in</source>
        <translation>Wie weit das Modell abweichen darf, in dem Maß, in dem diese Art beurteilt wird</translation>
    </message>
    <message>
        <location filename="desktop/reading_form.py"/>
        <source>Light under which the colour is told: a CIE illuminant, a lamp, or a spectrum from a file</source>
        <translation>Licht, unter dem die Farbe gilt: eine CIE-Lichtart, eine Lampe oder ein Spektrum aus einer Datei</translation>
    </message>
    <message>
        <location filename="desktop/reading_form.py"/>
        <source>CIE 1931 2° or CIE 1964 10°</source>
        <translation>CIE 1931 2° oder CIE 1964 10°</translation>
    </message>
    <message>
        <location filename="desktop/reading_form.py"/>
        <source>Who or what read it</source>
        <translation>Wer oder was gemessen hat</translation>
    </message>
    <message>
        <location filename="desktop/reading_form.py"/>
        <source>Date</source>
        <translation>Datum</translation>
    </message>
    <message>
        <location filename="desktop/reading_form.py"/>
        <source>When it was read</source>
        <translation>Wann gemessen wurde</translation>
    </message>
    <message>
        <location filename="desktop/reading_form.py"/>
        <source>Notes</source>
        <translation>Notizen</translation>
    </message>
    <message>
        <location filename="desktop/reading_form.py"/>
        <source>Whatever else should be known</source>
        <translation>Was sonst zu wissen ist</translation>
    </message>
    <message>
        <location filename="desktop/reading_form.py"/>
        <source>as it came; usual {0}</source>
        <translation>wie sie kam; üblich {0}</translation>
    </message>
    <message>
        <location filename="desktop/reading_form.py"/>
        <source>Spectrum of the light</source>
        <translation>Spektrum des Lichts</translation>
    </message>
    <message>
        <location filename="desktop/reading_form.py"/>
        <source>'{0}' is not a number</source>
        <translation>'{0}' ist keine Zahl</translation>
    </message>
    <message>
        <location filename="desktop/reading_sheet.py"/>
        <source>Step</source>
        <translation>Schritt</translation>
    </message>
    <message>
        <location filename="desktop/reading_sheet.py"/>
        <source>Step of the new places, in the unit of the reading's axis</source>
        <translation>Schritt der neuen Stellen, in der Einheit der Achse</translation>
    </message>
    <message>
        <location filename="desktop/reading_sheet.py"/>
        <source>Its points</source>
        <translation>Ihre Punkte</translation>
    </message>
    <message>
        <location filename="desktop/reading_sheet.py"/>
        <source>illuminant of a reading</source>
        <translation>Lichtart einer Messung</translation>
    </message>
    <message>
        <location filename="desktop/reading_sheet.py"/>
        <source>count all points</source>
        <translation>alle Punkte zählen</translation>
    </message>
    <message>
        <location filename="desktop/reading_sheet.py"/>
        <source>average repeats</source>
        <translation>Wiederholungen mitteln</translation>
    </message>
    <message>
        <location filename="desktop/reading_sheet.py"/>
        <source>resample a reading</source>
        <translation>Messung neu abtasten</translation>
    </message>
    <message>
        <location filename="desktop/reading_sheet.py"/>
        <source>count a reading or not</source>
        <translation>Messung zählen oder nicht</translation>
    </message>
    <message>
        <location filename="desktop/reading_sheet.py"/>
        <source>Export the reading</source>
        <translation>Messung exportieren</translation>
    </message>
    <message>
        <location filename="desktop/reading_sheet.py"/>
        <source>CSV (*.csv);;CGATS.17 text (*.txt)</source>
        <translation>CSV (*.csv);;CGATS.17-Text (*.txt)</translation>
    </message>
    <message>
        <location filename="desktop/reading_sheet.py"/>
        <source>Count all points</source>
        <translation>Alle Punkte zählen</translation>
    </message>
    <message>
        <location filename="desktop/reading_sheet.py"/>
        <source>Count every point again that was left out</source>
        <translation>Jeden ausgelassenen Punkt wieder zählen</translation>
    </message>
    <message>
        <location filename="desktop/reading_sheet.py"/>
        <source>Average repeats</source>
        <translation>Wiederholungen mitteln</translation>
    </message>
    <message>
        <location filename="desktop/reading_sheet.py"/>
        <source>Make one point of those that read the same place</source>
        <translation>Aus Punkten derselben Stelle einen machen</translation>
    </message>
    <message>
        <location filename="desktop/reading_sheet.py"/>
        <source>Resample</source>
        <translation>Neu abtasten</translation>
    </message>
    <message>
        <location filename="desktop/reading_sheet.py"/>
        <source>Put the points at even steps, coarser than now</source>
        <translation>Die Punkte auf gleichmäßige Schritte setzen, gröber als jetzt</translation>
    </message>
    <message>
        <location filename="desktop/reading_sheet.py"/>
        <source>Write the reading as CSV, or as CGATS.17 text</source>
        <translation>Die Messung als CSV schreiben oder als CGATS.17-Text</translation>
    </message>
    <message>
        <location filename="desktop/reading_sheet.py"/>
        <source>Whether solves and verdicts count this reading</source>
        <translation>Ob Lösungen und Urteile diese Messung zählen</translation>
    </message>
    <message>
        <location filename="desktop/reading_sheet.py"/>
        <source>Take the reading out of the study</source>
        <translation>Die Messung aus der Studie nehmen</translation>
    </message>
    <message>
        <location filename="desktop/reading_sheet.py"/>
        <source>. Click a mark below to leave it out. Steps are in {0}.</source>
        <translation>. Eine Marke unten anklicken, um sie auszulassen. Schritte sind in {0}.</translation>
    </message>
    <message>
        <location filename="desktop/reading_sheet.py"/>
        <source>uncertainty of a reading</source>
        <translation>Unsicherheit einer Messung</translation>
    </message>
    <message>
        <location filename="desktop/reading_sheet.py"/>
        <source>{0} of a reading</source>
        <translation>{0} einer Messung</translation>
    </message>
    <message>
        <location filename="desktop/reading_sheet.py"/>
        <source>{0} points</source>
        <translation>{0} Punkte</translation>
    </message>
    <message>
        <location filename="desktop/reading_sheet.py"/>
        <source>{0}: cannot be written ({1})</source>
        <translation>{0}: nicht schreibbar ({1})</translation>
    </message>
    <message>
        <location filename="desktop/reading_sheet.py"/>
        <source>, {0} left out</source>
        <translation>, {0} ausgelassen</translation>
    </message>
    <message>
        <location filename="desktop/reading_sheet.py"/>
        <source>'{0}' is not a step</source>
        <translation>'{0}' ist kein Schritt</translation>
    </message>
    <message>
        <location filename="desktop/readouts.py"/>
        <source>at the pointer</source>
        <translation>beim Zeiger</translation>
    </message>
    <message>
        <location filename="desktop/readying.py"/>
        <source>The renderer is being compiled for this machine.
This happens once and takes two or three minutes; {0} s so far.</source>
        <translation>Der Renderer wird für diesen Rechner kompiliert.
Das geschieht einmal und dauert zwei bis drei Minuten; bisher {0} s.</translation>
    </message>
    <message>
        <location filename="desktop/readying.py"/>
        <source>The renderer is ready</source>
        <translation>Der Renderer ist bereit</translation>
    </message>
    <message>
        <location filename="desktop/rendering.py"/>
        <source>{0}; it is shown as rendered</source>
        <translation>{0}; es wird gezeigt, wie es gerendert ist</translation>
    </message>
    <message>
        <location filename="desktop/roughness_row.py"/>
        <source>roughness row</source>
        <translation>Rauheitsreihe</translation>
    </message>
    <message>
        <location filename="desktop/roughness_row.py"/>
        <source>Roughness by eye</source>
        <translation>Rauheit nach Augenmaß</translation>
    </message>
    <message>
        <location filename="desktop/roughness_row.py"/>
        <source>The specimen at other roughnesses, evenly spaced to the eye. Click one to take it.</source>
        <translation>Die Probe mit anderen Rauheiten, für das Auge in gleichen Schritten. Eine anklicken, um sie zu nehmen.</translation>
    </message>
    <message>
        <location filename="desktop/roughness_row.py"/>
        <source>by eye</source>
        <translation>nach Augenmaß</translation>
    </message>
    <message>
        <location filename="desktop/roughness_row.py"/>
        <source>by eye: being rendered for this surface…</source>
        <translation>nach Augenmaß: wird für diese Oberfläche gerendert…</translation>
    </message>
    <message>
        <location filename="desktop/route.py"/>
        <source>Light</source>
        <translation>Licht</translation>
    </message>
    <message>
        <location filename="desktop/route.py"/>
        <source>Finish</source>
        <translation>Finish</translation>
    </message>
    <message>
        <location filename="desktop/route.py"/>
        <source>Layers</source>
        <translation>Schichten</translation>
    </message>
    <message>
        <location filename="desktop/route.py"/>
        <source>Hand-over</source>
        <translation>Übergabe</translation>
    </message>
    <message>
        <location filename="desktop/route.py"/>
        <source>not balanced</source>
        <translation>nicht abgeglichen</translation>
    </message>
    <message>
        <location filename="desktop/route.py"/>
        <source>{0} to mend</source>
        <translation>{0} zu richten</translation>
    </message>
    <message>
        <location filename="desktop/route.py"/>
        <source>solved</source>
        <translation>gelöst</translation>
    </message>
    <message>
        <location filename="desktop/route.py"/>
        <source>not solved yet</source>
        <translation>noch nicht gelöst</translation>
    </message>
    <message>
        <location filename="desktop/route.py"/>
        <source>, not solved</source>
        <translation>, nicht gelöst</translation>
    </message>
    <message>
        <location filename="desktop/route.py"/>
        <source>bare</source>
        <translation>bloß</translation>
    </message>
    <message>
        <location filename="desktop/route.py"/>
        <source>saved</source>
        <translation>gespeichert</translation>
    </message>
    <message>
        <location filename="desktop/route.py"/>
        <source>not saved</source>
        <translation>nicht gespeichert</translation>
    </message>
    <message>
        <location filename="desktop/route.py"/>
        <source>no reading yet</source>
        <translation>noch keine Messung</translation>
    </message>
    <message>
        <location filename="desktop/route.py"/>
        <source>by numbers</source>
        <translation>nach Zahlen</translation>
    </message>
    <message>
        <location filename="desktop/route.py"/>
        <source> and </source>
        <translation> und </translation>
    </message>
    <message>
        <location filename="desktop/route.py"/>
        <source>nothing to compare</source>
        <translation>nichts zu vergleichen</translation>
    </message>
    <message>
        <location filename="desktop/route.py"/>
        <source>{0} out</source>
        <translation>{0} außerhalb</translation>
    </message>
    <message>
        <location filename="desktop/route.py"/>
        <source>all within</source>
        <translation>alle innerhalb</translation>
    </message>
    <message>
        <location filename="desktop/route.py"/>
        <source>no specimen yet</source>
        <translation>noch keine Probe</translation>
    </message>
    <message>
        <location filename="desktop/section.py"/>
        <source>coat {0} µm</source>
        <translation>Lack {0} µm</translation>
    </message>
    <message>
        <location filename="desktop/section.py"/>
        <source>interior: closed; transmission would open it</source>
        <translation>Inneres: geschlossen; Transmission würde es öffnen</translation>
    </message>
    <message>
        <location filename="desktop/section.py"/>
        <source>Section of the surface</source>
        <translation>Schnitt durch die Oberfläche</translation>
    </message>
    <message>
        <location filename="desktop/section.py"/>
        <source>The surface cut open. Drag the lamp to turn the ray; click a stratum to see its gauges.</source>
        <translation>Die Oberfläche aufgeschnitten. An der Lampe ziehen, um den Strahl zu drehen; eine Schicht anklicken, um ihre Regler zu sehen.</translation>
    </message>
    <message>
        <location filename="desktop/section.py"/>
        <source>sheen, {0} %</source>
        <translation>Fasern, {0} %</translation>
    </message>
    <message>
        <location filename="desktop/section.py"/>
        <source>no sheen</source>
        <translation>keine Fasern</translation>
    </message>
    <message>
        <location filename="desktop/section.py"/>
        <source>no back side</source>
        <translation>keine Rückseite</translation>
    </message>
    <message>
        <location filename="desktop/section.py"/>
        <source>no back side: a solid; translucency would let light through</source>
        <translation>keine Rückseite: massiv; Transluzenz ließe Licht hindurch</translation>
    </message>
    <message>
        <location filename="desktop/section.py"/>
        <source>no coat</source>
        <translation>kein Lack</translation>
    </message>
    <message>
        <location filename="desktop/section.py"/>
        <source>no film</source>
        <translation>kein Dünnfilm</translation>
    </message>
    <message>
        <location filename="desktop/section.py"/>
        <source>film {0} nm</source>
        <translation>Dünnfilm {0} nm</translation>
    </message>
    <message>
        <location filename="desktop/section.py"/>
        <source>metal and dielectric, mixed</source>
        <translation>Metall und Dielektrikum gemischt</translation>
    </message>
    <message>
        <location filename="desktop/section.py"/>
        <source>interface</source>
        <translation>Grenzfläche</translation>
    </message>
    <message>
        <location filename="desktop/section.py"/>
        <source>no interior: a metal lets no light through</source>
        <translation>kein Inneres: ein Metall lässt kein Licht durch</translation>
    </message>
    <message>
        <location filename="desktop/section.py"/>
        <source>wall {0} mm</source>
        <translation>Wand {0} mm</translation>
    </message>
    <message>
        <location filename="desktop/section.py"/>
        <source>interior: scattering</source>
        <translation>Inneres: streuend</translation>
    </message>
    <message>
        <location filename="desktop/section.py"/>
        <source>metal: {0}</source>
        <translation>Metall: {0}</translation>
    </message>
    <message>
        <location filename="desktop/section_light.py"/>
        <source>{0} reflected</source>
        <translation>{0} reflektiert</translation>
    </message>
    <message>
        <location filename="desktop/section_light.py"/>
        <source>{0} through to the back side</source>
        <translation>{0} hindurch zur Rückseite</translation>
    </message>
    <message>
        <location filename="desktop/section_light.py"/>
        <source>total internal reflection: beyond {0}° nothing leaves</source>
        <translation>Totalreflexion: jenseits von {0}° tritt nichts aus</translation>
    </message>
    <message>
        <location filename="desktop/section_light.py"/>
        <source>{0} leaves at {1}°</source>
        <translation>{0} tritt bei {1}° aus</translation>
    </message>
    <message>
        <location filename="desktop/section_light.py"/>
        <source>; nothing beyond {0}°</source>
        <translation>; nichts jenseits von {0}°</translation>
    </message>
    <message>
        <location filename="desktop/section_light.py"/>
        <source>{0} internally reflected</source>
        <translation>{0} innen reflektiert</translation>
    </message>
    <message>
        <location filename="desktop/section_light.py"/>
        <source>, {0} of it haze</source>
        <translation>, davon {0} Glanzschleier</translation>
    </message>
    <message>
        <location filename="desktop/section_light.py"/>
        <source>path {0} mm</source>
        <translation>Weg {0} mm</translation>
    </message>
    <message>
        <location filename="desktop/section_light.py"/>
        <source>{0} absorbed</source>
        <translation>{0} absorbiert</translation>
    </message>
    <message>
        <location filename="desktop/section_light.py"/>
        <source>mean free path {0} mm</source>
        <translation>mittlere freie Weglänge {0} mm</translation>
    </message>
    <message>
        <location filename="desktop/section_light.py"/>
        <source>{0} back out of the body</source>
        <translation>{0} wieder aus dem Körper</translation>
    </message>
    <message>
        <location filename="desktop/section_light.py"/>
        <source>; spread {0}°, drawn × {1}</source>
        <translation>; Breite {0}°, gezeichnet × {1}</translation>
    </message>
    <message>
        <location filename="desktop/section_light.py"/>
        <source>{0} leaves, {1} internally reflected</source>
        <translation>{0} tritt aus, {1} innen reflektiert</translation>
    </message>
    <message>
        <location filename="desktop/session.py"/>
        <source>turn the light</source>
        <translation>Licht drehen</translation>
    </message>
    <message>
        <location filename="desktop/session.py"/>
        <source>strength of the light</source>
        <translation>Stärke des Lichts</translation>
    </message>
    <message>
        <location filename="desktop/session.py"/>
        <source>go round the specimen</source>
        <translation>um die Probe gehen</translation>
    </message>
    <message>
        <location filename="desktop/session.py"/>
        <source>region that is rendered</source>
        <translation>gerenderter Ausschnitt</translation>
    </message>
    <message>
        <location filename="desktop/session.py"/>
        <source>add a pin</source>
        <translation>Messpunkt setzen</translation>
    </message>
    <message>
        <location filename="desktop/session.py"/>
        <source>free {0}</source>
        <translation>{0} freigeben</translation>
    </message>
    <message>
        <location filename="desktop/session.py"/>
        <source>hold {0}</source>
        <translation>{0} festhalten</translation>
    </message>
    <message>
        <location filename="desktop/session.py"/>
        <source>bounds of {0}</source>
        <translation>Grenzen von {0}</translation>
    </message>
    <message>
        <location filename="desktop/session.py"/>
        <source>note on a proof</source>
        <translation>Notiz zu einem Abzug</translation>
    </message>
    <message>
        <location filename="desktop/session.py"/>
        <source>bring a proof back</source>
        <translation>Abzug zurückholen</translation>
    </message>
    <message>
        <location filename="desktop/session.py"/>
        <source>solve</source>
        <translation>Lösen</translation>
    </message>
    <message>
        <location filename="desktop/session.py"/>
        <source>Add a specimen first.</source>
        <translation>Zuerst eine Probe hinzufügen.</translation>
    </message>
    <message>
        <location filename="desktop/session.py"/>
        <source>follow in the {0}</source>
        <translation>in {0} folgen</translation>
    </message>
    <message>
        <location filename="desktop/session.py"/>
        <source>unlink the {0}</source>
        <translation>{0} von der Verknüpfung lösen</translation>
    </message>
    <message>
        <location filename="desktop/session.py"/>
        <source>keep a proof</source>
        <translation>Abzug behalten</translation>
    </message>
    <message>
        <location filename="desktop/sheet.py"/>
        <source>Back to the picture (Escape)</source>
        <translation>Zurück zum Bild (Escape)</translation>
    </message>
    <message>
        <location filename="desktop/sheet.py"/>
        <source>Back to the picture</source>
        <translation>Zurück zum Bild</translation>
    </message>
    <message>
        <location filename="desktop/shelf_sheet.py"/>
        <source>gloss at 20, 60 and 85°</source>
        <translation>Glanz bei 20, 60 und 85°</translation>
    </message>
    <message>
        <location filename="desktop/shelf_sheet.py"/>
        <source>reflectance by wavelength</source>
        <translation>Reflexionsgrad nach Wellenlänge</translation>
    </message>
    <message>
        <location filename="desktop/shelf_sheet.py"/>
        <source>index at six lines</source>
        <translation>Brechzahl bei sechs Linien</translation>
    </message>
    <message>
        <location filename="desktop/shelf_sheet.py"/>
        <source>the lobe in the plane of incidence</source>
        <translation>die Keule in der Einfallsebene</translation>
    </message>
    <message>
        <location filename="desktop/shelf_sheet.py"/>
        <source>transmittance, straight on and in all</source>
        <translation>Transmissionsgrad, gerade und gesamt</translation>
    </message>
    <message>
        <location filename="desktop/shelf_sheet.py"/>
        <source>psi and delta at 65° and 75°</source>
        <translation>Psi und Delta bei 65° und 75°</translation>
    </message>
    <message>
        <location filename="desktop/shelf_sheet.py"/>
        <source>how far light scatters inside</source>
        <translation>wie weit Licht innen streut</translation>
    </message>
    <message>
        <location filename="desktop/shelf_sheet.py"/>
        <source>Instrument shelf</source>
        <translation>Geräteregal</translation>
    </message>
    <message>
        <location filename="desktop/shelf_sheet.py"/>
        <source>Piece on the bench</source>
        <translation>Stück auf dem Tisch</translation>
    </message>
    <message>
        <location filename="desktop/shelf_sheet.py"/>
        <source>What lies under the device: a piece whose surface nobody is told</source>
        <translation>Was unter dem Gerät liegt: ein Stück, dessen Oberfläche niemandem gesagt wird</translation>
    </message>
    <message>
        <location filename="desktop/shelf_sheet.py"/>
        <source>Switch on</source>
        <translation>Einschalten</translation>
    </message>
    <message>
        <location filename="desktop/shelf_sheet.py"/>
        <source>Repeats</source>
        <translation>Wiederholungen</translation>
    </message>
    <message>
        <location filename="desktop/shelf_sheet.py"/>
        <source>How many times it reads; their mean is kept</source>
        <translation>Wie oft es misst; das Mittel wird behalten</translation>
    </message>
    <message>
        <location filename="desktop/shelf_sheet.py"/>
        <source>Measure</source>
        <translation>Messen</translation>
    </message>
    <message>
        <location filename="desktop/shelf_sheet.py"/>
        <source>Read the piece, and add the reading to the chosen specimen</source>
        <translation>Das Stück messen und die Messung zur gewählten Probe geben</translation>
    </message>
    <message>
        <location filename="desktop/shelf_sheet.py"/>
        <source>The reading that was taken</source>
        <translation>Die genommene Messung</translation>
    </message>
    <message>
        <location filename="desktop/shelf_sheet.py"/>
        <source>Measuring…</source>
        <translation>Es wird gemessen…</translation>
    </message>
    <message>
        <location filename="desktop/shelf_sheet.py"/>
        <source>Taken: {0}, {1} rows. It is with the chosen specimen now.</source>
        <translation>Gemessen: {0}, {1} Zeilen. Sie liegt jetzt bei der gewählten Probe.</translation>
    </message>
    <message>
        <location filename="desktop/shelf_sheet.py"/>
        <source>warming up, {0} s more</source>
        <translation>wärmt auf, noch {0} s</translation>
    </message>
    <message>
        <location filename="desktop/shelf_sheet.py"/>
        <source>on, steady</source>
        <translation>an, stabil</translation>
    </message>
    <message>
        <location filename="desktop/shelf_sheet.py"/>
        <source>bench clock {0}:{1}  ·  runs {2} times faster than yours</source>
        <translation>Tischuhr {0}:{1}  ·  läuft {2}-mal schneller als deine</translation>
    </message>
    <message>
        <location filename="desktop/shelf_sheet.py"/>
        <source>warming</source>
        <translation>wärmt auf</translation>
    </message>
    <message>
        <location filename="desktop/shelf_sheet.py"/>
        <source>a piece of the {0}</source>
        <translation>ein Stück von {0}</translation>
    </message>
    <message>
        <location filename="desktop/shelf_sheet.py"/>
        <source>On the bench</source>
        <translation>Auf dem Tisch</translation>
    </message>
    <message>
        <location filename="desktop/shelf_sheet.py"/>
        <source>Lamp</source>
        <translation>Lampe</translation>
    </message>
    <message>
        <location filename="desktop/shelf_sheet.py"/>
        <source>Calibrate with</source>
        <translation>Kalibrieren mit</translation>
    </message>
    <message>
        <location filename="desktop/shelf_sheet.py"/>
        <source>Mean of</source>
        <translation>Mittel aus</translation>
    </message>
    <message>
        <location filename="desktop/shelf_sheet.py"/>
        <source>The {0} is read.</source>
        <translation>{0} ist gemessen.</translation>
    </message>
    <message>
        <location filename="desktop/shelf_sheet.py"/>
        <source>Add a specimen first; a reading belongs to one.</source>
        <translation>Zuerst eine Probe hinzufügen; eine Messung gehört zu einer.</translation>
    </message>
    <message>
        <location filename="desktop/shelf_sheet.py"/>
        <source>to be calibrated</source>
        <translation>zu kalibrieren</translation>
    </message>
    <message>
        <location filename="desktop/shelf_sheet.py"/>
        <source>ready</source>
        <translation>bereit</translation>
    </message>
    <message>
        <location filename="desktop/shortcuts.py"/>
        <source>Keyboard shortcuts</source>
        <translation>Tastenkürzel</translation>
    </message>
    <message>
        <location filename="desktop/shortcuts.py"/>
        <source>find a command</source>
        <translation>Befehl suchen</translation>
    </message>
    <message>
        <location filename="desktop/shortcuts.py"/>
        <source>Commands and their keys</source>
        <translation>Befehle und ihre Tasten</translation>
    </message>
    <message>
        <location filename="desktop/shortcuts.py"/>
        <source>New key</source>
        <translation>Neue Taste</translation>
    </message>
    <message>
        <location filename="desktop/shortcuts.py"/>
        <source>No key</source>
        <translation>Keine Taste</translation>
    </message>
    <message>
        <location filename="desktop/shortcuts.py"/>
        <source>The key that this command had at first</source>
        <translation>Die Taste, die dieser Befehl zuerst hatte</translation>
    </message>
    <message>
        <location filename="desktop/shortcuts.py"/>
        <source>Restore all</source>
        <translation>Alle zurücksetzen</translation>
    </message>
    <message>
        <location filename="desktop/shortcuts.py"/>
        <source>command</source>
        <translation>Befehl</translation>
    </message>
    <message>
        <location filename="desktop/shortcuts.py"/>
        <source>key</source>
        <translation>Taste</translation>
    </message>
    <message>
        <location filename="desktop/shortcuts.py"/>
        <source>{0} belongs to '{1}'; give that another key first.</source>
        <translation>{0} gehört zu '{1}'; diesem zuerst eine andere Taste geben.</translation>
    </message>
    <message>
        <location filename="desktop/sight.py"/>
        <source>The light around the booth</source>
        <translation>Das Licht um die Kabine</translation>
    </message>
    <message>
        <location filename="desktop/sight.py"/>
        <source>Environment</source>
        <translation>Umgebung</translation>
    </message>
    <message>
        <location filename="desktop/sight.py"/>
        <source>Azimuth of the environment, in degrees</source>
        <translation>Azimut der Umgebung, in Grad</translation>
    </message>
    <message>
        <location filename="desktop/sight.py"/>
        <source>intensity</source>
        <translation>Stärke</translation>
    </message>
    <message>
        <location filename="desktop/sight.py"/>
        <source>Intensity of the environment, a factor</source>
        <translation>Stärke der Umgebung, ein Faktor</translation>
    </message>
    <message>
        <location filename="desktop/sight.py"/>
        <source>Booth</source>
        <translation>Kabine</translation>
    </message>
    <message>
        <location filename="desktop/sight.py"/>
        <source>Shape, camera, lamps and rendering (B)</source>
        <translation>Form, Kamera, Lampen und Rendern (B)</translation>
    </message>
    <message>
        <location filename="desktop/sight.py"/>
        <source>compare with</source>
        <translation>vergleichen mit</translation>
    </message>
    <message>
        <location filename="desktop/sight.py"/>
        <source>{0} (missing)</source>
        <translation>{0} (fehlt)</translation>
    </message>
    <message>
        <location filename="desktop/sight.py"/>
        <source>distance of the camera</source>
        <translation>Abstand der Kamera</translation>
    </message>
    <message>
        <location filename="desktop/sight.py"/>
        <source>ΔE2000 of one standard error</source>
        <translation>ΔE2000 eines Standardfehlers</translation>
    </message>
    <message>
        <location filename="desktop/sight.py"/>
        <source>That region is too small; drag a larger rectangle</source>
        <translation>Dieser Bereich ist zu klein; ein größeres Rechteck ziehen</translation>
    </message>
    <message>
        <location filename="desktop/sight.py"/>
        <source>whole picture</source>
        <translation>ganzes Bild</translation>
    </message>
    <message>
        <location filename="desktop/sight.py"/>
        <source>expose for white</source>
        <translation>auf Weiß belichten</translation>
    </message>
    <message>
        <location filename="desktop/sight.py"/>
        <source>That {0} is too small; press, drag and release</source>
        <translation>{0}: zu klein; drücken, ziehen und loslassen</translation>
    </message>
    <message>
        <location filename="desktop/sight.py"/>
        <source>that place is too dark to balance on; choose a lighter grey</source>
        <translation>diese Stelle ist zu dunkel zum Abgleichen; ein helleres Grau wählen</translation>
    </message>
    <message>
        <location filename="desktop/solve_report.py"/>
        <source>{0}. Middle 68 %, with the error bar below:</source>
        <translation>{0}. Mittlere 68 %, darunter der Fehlerbalken:</translation>
    </message>
    <message>
        <location filename="desktop/solve_report.py"/>
        <source>{0}  ({1} to {2}){3}</source>
        <translation>{0}  ({1} bis {2}){3}</translation>
    </message>
    <message>
        <location filename="desktop/solve_report.py"/>
        <source>Correlations, in hundredths</source>
        <translation>Korrelationen, in Hundertsteln</translation>
    </message>
    <message>
        <location filename="desktop/solve_report.py"/>
        <source>Posterior of {0}: {1}</source>
        <translation>A-posteriori-Verteilung von {0}: {1}</translation>
    </message>
    <message>
        <location filename="desktop/solve_report.py"/>
        <source>at its bound</source>
        <translation>an der Grenze</translation>
    </message>
    <message>
        <location filename="desktop/solve_report.py"/>
        <source>± {0} each</source>
        <translation>je ± {0}</translation>
    </message>
    <message>
        <location filename="desktop/solve_report.py"/>
        <source>not determined</source>
        <translation>nicht bestimmt</translation>
    </message>
    <message>
        <location filename="desktop/solve_report.py"/>
        <source>Instrument errors, solved together with the surface:</source>
        <translation>Gerätefehler, zusammen mit der Oberfläche gelöst:</translation>
    </message>
    <message>
        <location filename="desktop/solve_report.py"/>
        <source>Stated before: {0}. Each is an unknown with that as its prior, and widens the error bars</source>
        <translation>Vorher angegeben: {0}. Jeder ist eine Unbekannte mit dieser Vorgabe und verbreitert die Fehlerbalken</translation>
    </message>
    <message>
        <location filename="desktop/solve_report.py"/>
        <source>Most correlated: {0} and {1}, {2}</source>
        <translation>Am stärksten korreliert: {0} und {1}, {2}</translation>
    </message>
    <message>
        <location filename="desktop/solve_report.py"/>
        <source>{0} is solved by wavelength: red, green and blue could not follow. In sRGB {1}.</source>
        <translation>{0} ist nach Wellenlängen gelöst: Rot, Grün und Blau konnten nicht folgen. In sRGB {1}.</translation>
    </message>
    <message>
        <location filename="desktop/solve_report.py"/>
        <source>{0}, by wavelength</source>
        <translation>{0}, nach Wellenlängen</translation>
    </message>
    <message>
        <location filename="desktop/solve_report.py"/>
        <source>{0} values, {1}</source>
        <translation>{0} Werte, {1}</translation>
    </message>
    <message>
        <location filename="desktop/solve_report.py"/>
        <source>of {0}</source>
        <translation>von {0}</translation>
    </message>
    <message>
        <location filename="desktop/solve_report.py"/>
        <source>The error bars below say how far the values are tied, not how true they are.</source>
        <translation>Die Fehlerbalken unten sagen, wie eng die Werte gebunden sind, nicht wie wahr sie sind.</translation>
    </message>
    <message>
        <location filename="desktop/solve_report.py"/>
        <source>What would help: {0}.</source>
        <translation>Was helfen würde: {0}.</translation>
    </message>
    <message>
        <location filename="desktop/solve_report.py"/>
        <source>{0} and {1}: correlation {2}</source>
        <translation>{0} und {1}: Korrelation {2}</translation>
    </message>
    <message>
        <location filename="desktop/solve_sheet.py"/>
        <source>{0} points, {1} evaluations, {2} s</source>
        <translation>{0} Punkte, {1} Auswertungen, {2} s</translation>
    </message>
    <message>
        <location filename="desktop/solve_sheet.py"/>
        <source>reduced χ² {0}  ·  {1}  ·  Ctrl+Z undoes it</source>
        <translation>reduziertes χ² {0}  ·  {1}  ·  Strg+Z nimmt es zurück</translation>
    </message>
    <message>
        <location filename="desktop/solve_sheet.py"/>
        <source>misfit (log) against evaluations</source>
        <translation>Abweichung (log) über den Auswertungen</translation>
    </message>
    <message>
        <location filename="desktop/solve_sheet.py"/>
        <source>Solve</source>
        <translation>Lösen</translation>
    </message>
    <message>
        <location filename="desktop/solve_sheet.py"/>
        <source>What next?</source>
        <translation>Wie weiter?</translation>
    </message>
    <message>
        <location filename="desktop/solve_sheet.py"/>
        <source>Which reading depends on what, and which further one would say most (Ctrl+K)</source>
        <translation>Welche Messung wovon abhängt und welche weitere am meisten sagen würde (Strg+K)</translation>
    </message>
    <message>
        <location filename="desktop/solve_sheet.py"/>
        <source>See the error</source>
        <translation>Fehler zeigen</translation>
    </message>
    <message>
        <location filename="desktop/solve_sheet.py"/>
        <source>How far the picture may be off by the evidence alone: ΔE of one standard error</source>
        <translation>Wie weit das Bild allein nach den Messungen abweichen kann: ΔE eines Standardfehlers</translation>
    </message>
    <message>
        <location filename="desktop/solve_sheet.py"/>
        <source>Sample</source>
        <translation>Ziehen</translation>
    </message>
    <message>
        <location filename="desktop/solve_sheet.py"/>
        <source>Sample the posterior: what the evidence leaves, also where it is not as even as error bars are</source>
        <translation>Die A-posteriori-Verteilung ziehen: was die Messungen offen lassen, auch wo es nicht so gleichmäßig ist wie Fehlerbalken</translation>
    </message>
    <message>
        <location filename="desktop/solve_sheet.py"/>
        <source>A ladder of surfaces that the evidence tells no further apart than its error bars</source>
        <translation>Eine Stufenreihe von Oberflächen, die die Messungen nicht weiter auseinanderhalten als ihre Fehlerbalken</translation>
    </message>
    <message>
        <location filename="desktop/solve_sheet.py"/>
        <source>Solving for the {0}</source>
        <translation>Gelöst wird für {0}</translation>
    </message>
    <message>
        <location filename="desktop/solve_sheet.py"/>
        <source> of {0} M paths</source>
        <translation> von {0} M Pfaden</translation>
    </message>
    <message>
        <location filename="desktop/solve_sheet.py"/>
        <source>{0} s, {1} evaluations{2}, misfit {3}</source>
        <translation>{0} s, {1} Auswertungen{2}, Abweichung {3}</translation>
    </message>
    <message>
        <location filename="desktop/solve_sheet.py"/>
        <source>Not solved</source>
        <translation>Nicht gelöst</translation>
    </message>
    <message>
        <location filename="desktop/solve_sheet.py"/>
        <source>Solved</source>
        <translation>Gelöst</translation>
    </message>
    <message>
        <location filename="desktop/solve_sheet.py"/>
        <source>sampling, round {0} of at most {1}: worth {2} draws</source>
        <translation>Ziehen, Runde {0} von höchstens {1}: so viel wert wie {2} Züge</translation>
    </message>
    <message>
        <location filename="desktop/solve_sheet.py"/>
        <source>set the light as solved</source>
        <translation>Licht setzen, wie gelöst</translation>
    </message>
    <message>
        <location filename="desktop/solve_sheet.py"/>
        <source>Stopped; nothing was changed.</source>
        <translation>Angehalten; nichts wurde geändert.</translation>
    </message>
    <message>
        <location filename="desktop/solve_sheet.py"/>
        <source>Sampling was stopped.</source>
        <translation>Das Ziehen wurde angehalten.</translation>
    </message>
    <message>
        <location filename="desktop/solve_sheet.py"/>
        <source>Solving for the {0}, together with {1}</source>
        <translation>Gelöst wird für {0}, zusammen mit {1}</translation>
    </message>
    <message>
        <location filename="desktop/solve_sheet.py"/>
        <source>The specimen was changed meanwhile; nothing was changed by the solve. Solve again.</source>
        <translation>Die Probe wurde inzwischen geändert; das Lösen hat nichts geändert. Noch einmal lösen.</translation>
    </message>
    <message>
        <location filename="desktop/solve_sheet.py"/>
        <source>Does not fit</source>
        <translation>Passt nicht</translation>
    </message>
    <message>
        <location filename="desktop/solve_sheet.py"/>
        <source>Stopped before it settled</source>
        <translation>Vor dem Ende angehalten</translation>
    </message>
    <message>
        <location filename="desktop/solve_sheet.py"/>
        <source>The surface is no longer the one that was solved; solve again before sampling.</source>
        <translation>Die Oberfläche ist nicht mehr die gelöste; vor dem Ziehen noch einmal lösen.</translation>
    </message>
    <message>
        <location filename="desktop/solve_sheet.py"/>
        <source>The surface is no longer the one that was solved; solve again to see its error.</source>
        <translation>Die Oberfläche ist nicht mehr die gelöste; noch einmal lösen, um ihren Fehler zu sehen.</translation>
    </message>
    <message>
        <location filename="desktop/solve_sheet.py"/>
        <source>Set the light so</source>
        <translation>Licht so setzen</translation>
    </message>
    <message>
        <location filename="desktop/solve_sheet.py"/>
        <source>Booth and photograph take on the light that the solve found; undo with Ctrl+Z</source>
        <translation>Kabine und Fotografie übernehmen das Licht, das das Lösen fand; Strg+Z nimmt es zurück</translation>
    </message>
    <message>
        <location filename="desktop/solve_sheet.py"/>
        <source>The specimen or its photograph was removed meanwhile; nothing was changed.</source>
        <translation>Die Probe oder ihre Fotografie wurde inzwischen entfernt; nichts wurde geändert.</translation>
    </message>
    <message>
        <location filename="desktop/solve_sheet.py"/>
        <source>These fit too; click to try one:</source>
        <translation>Auch diese passen; anklicken, um eine zu versuchen:</translation>
    </message>
    <message>
        <location filename="desktop/solve_sheet.py"/>
        <source>Try it: {0}, reduced χ² {1} instead of {2}. Ctrl+Z undoes it</source>
        <translation>Versuchen: {0}, reduziertes χ² {1} statt {2}. Strg+Z nimmt es zurück</translation>
    </message>
    <message>
        <location filename="desktop/solve_sheet.py"/>
        <source>try {0}</source>
        <translation>{0} versuchen</translation>
    </message>
    <message>
        <location filename="desktop/solve_sheet.py"/>
        <source>rendering {0} of {1}…</source>
        <translation>rendert {0} von {1}…</translation>
    </message>
    <message>
        <location filename="desktop/solve_sheet.py"/>
        <source>The specimen was removed meanwhile; nothing was changed.</source>
        <translation>Die Probe wurde inzwischen entfernt; nichts wurde geändert.</translation>
    </message>
    <message>
        <location filename="desktop/spectrum_strip.py"/>
        <source>Draw the spectrum; arrow keys choose a point and move it</source>
        <translation>Das Spektrum zeichnen; Pfeiltasten wählen einen Punkt und bewegen ihn</translation>
    </message>
    <message>
        <location filename="desktop/strata_panel.py"/>
        <source>from the reading</source>
        <translation>aus der Messung</translation>
    </message>
    <message>
        <location filename="desktop/strata_panel.py"/>
        <source>from a Drude–Lorentz model</source>
        <translation>aus einem Drude-Lorentz-Modell</translation>
    </message>
    <message>
        <location filename="desktop/strata_panel.py"/>
        <source>reading (missing)</source>
        <translation>Messung (fehlt)</translation>
    </message>
    <message>
        <location filename="desktop/strata_panel.py"/>
        <source>Unlink</source>
        <translation>Verknüpfung lösen</translation>
    </message>
    <message>
        <location filename="desktop/strata_panel.py"/>
        <source>Let this specimen stand by itself here; it keeps the values</source>
        <translation>Diese Probe hier für sich stehen lassen; sie behält die Werte</translation>
    </message>
    <message>
        <location filename="desktop/strata_panel.py"/>
        <source>No specimen yet. Add one, or drop its reading on the window.</source>
        <translation>Noch keine Probe. Eine anlegen, oder ihre Messung auf das Fenster ziehen.</translation>
    </message>
    <message>
        <location filename="desktop/strata_panel.py"/>
        <source>Known media…</source>
        <translation>Bekannte Medien…</translation>
    </message>
    <message>
        <location filename="desktop/strata_panel.py"/>
        <source>Take a measured medium, in a clear interior or as the subsurface</source>
        <translation>Ein gemessenes Medium nehmen, als klares Inneres oder als Volumenstreuung</translation>
    </message>
    <message>
        <location filename="desktop/strata_panel.py"/>
        <source>Bounds</source>
        <translation>Grenzen</translation>
    </message>
    <message>
        <location filename="desktop/strata_panel.py"/>
        <source>{0}: lowest and highest a solve may find{1}; empty for none</source>
        <translation>{0}: kleinster und größter Wert, den ein Lösen finden darf{1}; leer für keine</translation>
    </message>
    <message>
        <location filename="desktop/strata_panel.py"/>
        <source>clear the constants</source>
        <translation>Konstanten löschen</translation>
    </message>
    <message>
        <location filename="desktop/strata_panel.py"/>
        <source>{0} free; {1} count</source>
        <translation>{0} frei; es zählen {1}</translation>
    </message>
    <message>
        <location filename="desktop/strata_panel.py"/>
        <source>In a clear interior</source>
        <translation>Als klares Inneres</translation>
    </message>
    <message>
        <location filename="desktop/strata_panel.py"/>
        <source>As the subsurface</source>
        <translation>Als Volumenstreuung</translation>
    </message>
    <message>
        <location filename="desktop/strata_panel.py"/>
        <source>By face and edge colour it reflects within {0} % of its table</source>
        <translation>Mit Farbe senkrecht und streifend reflektiert es bis auf {0} % wie seine Tabelle</translation>
    </message>
    <message>
        <location filename="desktop/strata_panel.py"/>
        <source>follows {0}</source>
        <translation>folgt {0}</translation>
    </message>
    <message>
        <location filename="desktop/strata_panel.py"/>
        <source>{0} pin</source>
        <translation>{0} Messpunkt</translation>
    </message>
    <message>
        <location filename="desktop/strata_panel.py"/>
        <source>{0} pins</source>
        <translation>{0} Messpunkte</translation>
    </message>
    <message>
        <location filename="desktop/strip_chart.py"/>
        <source>being worked out for this surface…</source>
        <translation>wird für diese Oberfläche berechnet…</translation>
    </message>
    <message>
        <location filename="desktop/tile_view.py"/>
        <source>The map, flat</source>
        <translation>Die Textur, flach</translation>
    </message>
    <message>
        <location filename="desktop/tile_view.py"/>
        <source>The map's tile, true to size.&lt;br&gt;Wheel: nearer. Drag: move. Double-click: all of it.</source>
        <translation>Die Kachel der Textur, maßstäblich.&lt;br&gt;Rad: näher. Ziehen: bewegen. Doppelklick: alles.</translation>
    </message>
    <message>
        <location filename="desktop/tile_view.py"/>
        <source>map tile</source>
        <translation>Texturkachel</translation>
    </message>
    <message>
        <location filename="desktop/tile_view.py"/>
        <source>level 0</source>
        <translation>Pegel 0</translation>
    </message>
    <message>
        <location filename="desktop/workers.py"/>
        <source>something went wrong inside ({0}: {1}); the trace is in {2}</source>
        <translation>innen ging etwas schief ({0}: {1}); die Ablaufspur liegt in {2}</translation>
    </message>
    <message>
        <location filename="disk.py"/>
        <source>{0}: this is a folder; give a file</source>
        <translation>{0}: das ist ein Ordner; eine Datei angeben</translation>
    </message>
    <message>
        <location filename="disk.py"/>
        <source>{0}: this is a device or a pipe; give a file</source>
        <translation>{0}: das ist ein Gerät oder eine Pipe; eine Datei angeben</translation>
    </message>
    <message>
        <location filename="disk.py"/>
        <source>{0}: the file is larger than {1} MB, the most that is read of this kind</source>
        <translation>{0}: die Datei ist größer als {1} MB, das meiste, was von dieser Art gelesen wird</translation>
    </message>
    <message>
        <location filename="disk.py"/>
        <source>there is no such file</source>
        <translation>es gibt keine solche Datei</translation>
    </message>
    <message>
        <location filename="disk.py"/>
        <source>cannot be read ({0})</source>
        <translation>nicht lesbar ({0})</translation>
    </message>
    <message>
        <location filename="disk.py"/>
        <source>{0}: could not be written ({1})</source>
        <translation>{0}: konnte nicht geschrieben werden ({1})</translation>
    </message>
    <message>
        <location filename="disk.py"/>
        <source>{0}: this is no ordinary file; write to another name</source>
        <translation>{0}: das ist keine gewöhnliche Datei; unter anderem Namen schreiben</translation>
    </message>
    <message>
        <location filename="disk.py"/>
        <source>{0}: the file is protected against writing; write to another name</source>
        <translation>{0}: die Datei ist schreibgeschützt; unter anderem Namen schreiben</translation>
    </message>
    <message>
        <location filename="disk.py"/>
        <source>{0}: cannot write here ({1})</source>
        <translation>{0}: hier kann nicht geschrieben werden ({1})</translation>
    </message>
    <message>
        <location filename="disk.py"/>
        <source>{0}: the disk did not keep what was written; write to another one</source>
        <translation>{0}: der Datenträger behielt nicht, was geschrieben wurde; auf einen anderen schreiben</translation>
    </message>
    <message>
        <location filename="exchange/__init__.py"/>
        <source>{0}: materials come from {1}</source>
        <translation>{0}: Materialien kommen aus {1}</translation>
    </message>
    <message>
        <location filename="exchange/carried.py"/>
        <source>exact</source>
        <translation>genau</translation>
    </message>
    <message>
        <location filename="exchange/carried.py"/>
        <source>as one value</source>
        <translation>als ein Wert</translation>
    </message>
    <message>
        <location filename="exchange/carried.py"/>
        <source>cannot be carried</source>
        <translation>nicht übertragbar</translation>
    </message>
    <message>
        <location filename="exchange/carried.py"/>
        <source>within ΔE {0}</source>
        <translation>auf ΔE {0}</translation>
    </message>
    <message>
        <location filename="exchange/coming_in.py"/>
        <source>the picture of normals: carried as heights with those slopes, {0} {1} µm on a ball of {2} mm; on another shape, set its range again</source>
        <translation>das Bild von Normalen: als Höhen mit diesen Neigungen übernommen, {0} {1} µm auf einer Kugel von {2} mm; auf einer anderen Form den Bereich neu setzen</translation>
    </message>
    <message>
        <location filename="exchange/coming_in.py"/>
        <source>the picture of how strongly it reflects: carried as its mean</source>
        <translation>das Bild der Stärke der Reflexion: als sein Mittel übernommen</translation>
    </message>
    <message>
        <location filename="exchange/coming_in.py"/>
        <source>the light that it gives by itself: nothing here glows</source>
        <translation>das Licht, das es selbst gibt: hier leuchtet nichts</translation>
    </message>
    <message>
        <location filename="exchange/coming_in.py"/>
        <source>the coat's darkening: here it is what the coat's index makes it</source>
        <translation>die Abdunklung durch den Lack: hier ist sie, was seine Brechzahl ergibt</translation>
    </message>
    <message>
        <location filename="exchange/coming_in.py"/>
        <source>the picture of normals: give the parameter {0} a map of it by hand</source>
        <translation>das Bild von Normalen: dem Parameter {0} von Hand eine Textur daraus geben</translation>
    </message>
    <message>
        <location filename="exchange/coming_in.py"/>
        <source>the picture of {0}: carried as its mean, as {1} cannot vary here</source>
        <translation>das Bild von {0}: als sein Mittel übernommen, da {1} sich hier nicht ändern kann</translation>
    </message>
    <message>
        <location filename="exchange/coming_in.py"/>
        <source>the surface cannot be taken in: {0}</source>
        <translation>die Oberfläche lässt sich nicht übernehmen: {0}</translation>
    </message>
    <message>
        <location filename="exchange/coming_in.py"/>
        <source>the picture of the metal's tint at the edge: carried as its mean</source>
        <translation>das Bild der Randfärbung des Metalls: als sein Mittel übernommen</translation>
    </message>
    <message>
        <location filename="exchange/coming_in.py"/>
        <source>the tint of a dielectric's reflection: nature has none</source>
        <translation>die Färbung der Reflexion eines Dielektrikums: in der Natur gibt es keine</translation>
    </message>
    <message>
        <location filename="exchange/coming_in.py"/>
        <source>the anisotropy of the subsurface: its mean free path counts for even scattering here</source>
        <translation>die Anisotropie der Volumenstreuung: ihre mittlere freie Weglänge gilt hier für gleichmäßige Streuung</translation>
    </message>
    <message>
        <location filename="exchange/coming_in.py"/>
        <source>a tint of what goes through, without a depth: taken as the colour at {0} mm</source>
        <translation>eine Färbung des Durchgelassenen ohne Tiefe: als Farbe bei {0} mm genommen</translation>
    </message>
    <message>
        <location filename="exchange/conventions.py"/>
        <source>outside Rec.709: what only takes 0 to 1 changes it</source>
        <translation>außerhalb von Rec.709: was nur 0 bis 1 annimmt, ändert es</translation>
    </message>
    <message>
        <location filename="exchange/conventions.py"/>
        <source>outside ACEScg as well</source>
        <translation>auch außerhalb von ACEScg</translation>
    </message>
    <message>
        <location filename="exchange/conventions.py"/>
        <source>clipped to Rec.709</source>
        <translation>auf Rec.709 beschnitten</translation>
    </message>
    <message>
        <location filename="exchange/conventions.py"/>
        <source>Coat roughness</source>
        <translation>Lackrauheit</translation>
    </message>
    <message>
        <location filename="exchange/conventions.py"/>
        <source>Roughness</source>
        <translation>Rauheit</translation>
    </message>
    <message>
        <location filename="exchange/conventions.py"/>
        <source>linear Rec.709</source>
        <translation>Rec.709 linear</translation>
    </message>
    <message>
        <location filename="exchange/conventions.py"/>
        <source>sRGB, encoded</source>
        <translation>sRGB, kodiert</translation>
    </message>
    <message>
        <location filename="exchange/conventions.py"/>
        <source>sRGB, 8 bits</source>
        <translation>sRGB, 8 Bit</translation>
    </message>
    <message>
        <location filename="exchange/conventions.py"/>
        <source>there is no unit '{0}'; give one of {1}</source>
        <translation>es gibt keine Einheit '{0}'; eine von {1} angeben</translation>
    </message>
    <message>
        <location filename="exchange/conventions.py"/>
        <source>Reflectance at normal incidence (F0)</source>
        <translation>Reflexionsgrad bei senkrechtem Einfall (F0)</translation>
    </message>
    <message>
        <location filename="exchange/conventions.py"/>
        <source>Coat</source>
        <translation>Lack</translation>
    </message>
    <message>
        <location filename="exchange/conventions.py"/>
        <source>Coat colour at 50 µm</source>
        <translation>Farbe des Lacks bei 50 µm</translation>
    </message>
    <message>
        <location filename="exchange/conventions.py"/>
        <source>Sheen colour</source>
        <translation>Faserfarbe</translation>
    </message>
    <message>
        <location filename="exchange/conventions.py"/>
        <source>roughness, √α</source>
        <translation>Rauheit, √α</translation>
    </message>
    <message>
        <location filename="exchange/conventions.py"/>
        <source>α, slope width</source>
        <translation>α, Neigungsbreite</translation>
    </message>
    <message>
        <location filename="exchange/conventions.py"/>
        <source>glossiness, 1 − roughness</source>
        <translation>Glätte, 1 − Rauheit</translation>
    </message>
    <message>
        <location filename="exchange/conventions.py"/>
        <source>{0} index</source>
        <translation>{0}: Brechzahl</translation>
    </message>
    <message>
        <location filename="exchange/conventions.py"/>
        <source>IOR at 589.3 nm</source>
        <translation>Brechzahl bei 589,3 nm</translation>
    </message>
    <message>
        <location filename="exchange/conventions.py"/>
        <source>{0} reflectance at normal incidence</source>
        <translation>{0}: Reflexionsgrad bei senkrechtem Einfall</translation>
    </message>
    <message>
        <location filename="exchange/conventions.py"/>
        <source>{0} specular level</source>
        <translation>{0}: Spiegelungspegel</translation>
    </message>
    <message>
        <location filename="exchange/conventions.py"/>
        <source>Body</source>
        <translation>Körper</translation>
    </message>
    <message>
        <location filename="exchange/conventions.py"/>
        <source>Body index</source>
        <translation>Brechzahl des Körpers</translation>
    </message>
    <message>
        <location filename="exchange/conventions.py"/>
        <source>n_d, at 587.6 nm</source>
        <translation>n_d, bei 587,6 nm</translation>
    </message>
    <message>
        <location filename="exchange/conventions.py"/>
        <source>Reflectance near grazing, 82° (F82)</source>
        <translation>Reflexionsgrad streifend, 82° (F82)</translation>
    </message>
    <message>
        <location filename="exchange/conventions.py"/>
        <source>Coat weight</source>
        <translation>Lackgewicht</translation>
    </message>
    <message>
        <location filename="exchange/conventions.py"/>
        <source>0 to 1</source>
        <translation>0 bis 1</translation>
    </message>
    <message>
        <location filename="exchange/conventions.py"/>
        <source>Coat thickness</source>
        <translation>Lackdicke</translation>
    </message>
    <message>
        <location filename="exchange/conventions.py"/>
        <source>Film thickness</source>
        <translation>Dünnfilmdicke</translation>
    </message>
    <message>
        <location filename="exchange/conventions.py"/>
        <source>Sheen weight</source>
        <translation>Gewicht der Fasern</translation>
    </message>
    <message>
        <location filename="exchange/conventions.py"/>
        <source>{0} anisotropy</source>
        <translation>{0}: Anisotropie</translation>
    </message>
    <message>
        <location filename="exchange/conventions.py"/>
        <source>Dispersion</source>
        <translation>Dispersion</translation>
    </message>
    <message>
        <location filename="exchange/conventions.py"/>
        <source>Abbe number V_d</source>
        <translation>Abbe-Zahl V_d</translation>
    </message>
    <message>
        <location filename="exchange/conventions.py"/>
        <source>Body colour, as it leaves</source>
        <translation>Farbe des Körpers, wie sie austritt</translation>
    </message>
    <message>
        <location filename="exchange/conventions.py"/>
        <source>Body colour, below the interface</source>
        <translation>Farbe des Körpers, unter der Grenzfläche</translation>
    </message>
    <message>
        <location filename="exchange/conventions.py"/>
        <source>Subsurface colour, below the interface</source>
        <translation>Farbe der Volumenstreuung, unter der Grenzfläche</translation>
    </message>
    <message>
        <location filename="exchange/conventions.py"/>
        <source>Mean free path</source>
        <translation>Freie Weglänge</translation>
    </message>
    <message>
        <location filename="exchange/conventions.py"/>
        <source>Film index</source>
        <translation>Dünnfilmbrechzahl</translation>
    </message>
    <message>
        <location filename="exchange/conventions.py"/>
        <source>Transmission colour at {0} {1}</source>
        <translation>Transmissionsfarbe bei {0} {1}</translation>
    </message>
    <message>
        <location filename="exchange/conventions.py"/>
        <source>Absorption coefficient</source>
        <translation>Absorptionskoeffizient</translation>
    </message>
    <message>
        <location filename="exchange/conventions.py"/>
        <source>per {0}</source>
        <translation>je {0}</translation>
    </message>
    <message>
        <location filename="exchange/conventions.py"/>
        <source>from the colour at that depth, by channel</source>
        <translation>aus der Farbe bei dieser Tiefe, nach Kanälen</translation>
    </message>
    <message>
        <location filename="exchange/conventions.py"/>
        <source>Scattering coefficient</source>
        <translation>Streukoeffizient</translation>
    </message>
    <message>
        <location filename="exchange/conventions.py"/>
        <source>n and k at {0} nm</source>
        <translation>n und k bei {0} nm</translation>
    </message>
    <message>
        <location filename="exchange/conventions.py"/>
        <source>complex index</source>
        <translation>komplexe Brechzahl</translation>
    </message>
    <message>
        <location filename="exchange/gltf.py"/>
        <source>the map of {0}: carried as one value</source>
        <translation>die Textur von {0}: als ein Wert übertragen</translation>
    </message>
    <message>
        <location filename="exchange/gltf.py"/>
        <source>{0}: there is no material in this file</source>
        <translation>{0}: in dieser Datei ist kein Material</translation>
    </message>
    <message>
        <location filename="exchange/gltf.py"/>
        <source>the extension {0}: not understood</source>
        <translation>die Erweiterung {0}: nicht verstanden</translation>
    </message>
    <message>
        <location filename="exchange/gltf.py"/>
        <source>{0}: this is not a glTF file, or a damaged one</source>
        <translation>{0}: das ist keine glTF-Datei oder eine beschädigte</translation>
    </message>
    <message>
        <location filename="exchange/gltf.py"/>
        <source>{0}: a material in it is not as the standard wants it ({1})</source>
        <translation>{0}: ein Material darin ist nicht, wie der Standard es will ({1})</translation>
    </message>
    <message>
        <location filename="exchange/gltf.py"/>
        <source>Material {0}</source>
        <translation>Material {0}</translation>
    </message>
    <message>
        <location filename="exchange/gltf_pictures.py"/>
        <source>the directions of anisotropy: carried as one, along the UVs</source>
        <translation>die Richtungen der Anisotropie: als eine übernommen, entlang der UVs</translation>
    </message>
    <message>
        <location filename="exchange/gltf_pictures.py"/>
        <source>the picture of alpha</source>
        <translation>das Bild des Alphakanals</translation>
    </message>
    <message>
        <location filename="exchange/gltf_pictures.py"/>
        <source>the picture of the film's thickness</source>
        <translation>das Bild der Dicke des Dünnfilms</translation>
    </message>
    <message>
        <location filename="exchange/gltf_pictures.py"/>
        <source>the picture of {0}</source>
        <translation>das Bild von {0}</translation>
    </message>
    <message>
        <location filename="exchange/gltf_pictures.py"/>
        <source>{0}: turned, or repeated by other than whole times; taken as it lies</source>
        <translation>{0}: gedreht oder nicht ganzzahlig wiederholt; genommen, wie es liegt</translation>
    </message>
    <message>
        <location filename="exchange/gltf_pictures.py"/>
        <source>the file '{0}' is not there; put it beside the document</source>
        <translation>die Datei '{0}' ist nicht da; sie neben das Dokument legen</translation>
    </message>
    <message>
        <location filename="exchange/gltf_pictures.py"/>
        <source>{0}: it lies by a second set of UVs; taken by the first</source>
        <translation>{0}: es liegt nach einem zweiten Satz UVs; nach dem ersten genommen</translation>
    </message>
    <message>
        <location filename="exchange/gltf_pictures.py"/>
        <source>{0}: the file does not hold it</source>
        <translation>{0}: die Datei enthält es nicht</translation>
    </message>
    <message>
        <location filename="exchange/graph.py"/>
        <source>{0}: its graph is too deep; not carried</source>
        <translation>{0}: sein Graph ist zu tief; nicht übernommen</translation>
    </message>
    <message>
        <location filename="exchange/graph.py"/>
        <source>{0}: its graph goes round in a circle; not carried</source>
        <translation>{0}: sein Graph läuft im Kreis; nicht übernommen</translation>
    </message>
    <message>
        <location filename="exchange/graph.py"/>
        <source>{0}: a node '{1}' is not understood; not carried</source>
        <translation>{0}: ein Knoten '{1}' wird nicht verstanden; nicht übernommen</translation>
    </message>
    <message>
        <location filename="exchange/graph.py"/>
        <source>the picture '{0}' is not there; put it beside the document</source>
        <translation>das Bild '{0}' ist nicht da; es neben das Dokument legen</translation>
    </message>
    <message>
        <location filename="exchange/graph.py"/>
        <source>{0}: repeated by other than 1 to 16 whole times; carried once</source>
        <translation>{0}: anders als 1- bis 16-mal ganz wiederholt; einmal übernommen</translation>
    </message>
    <message>
        <location filename="exchange/graph.py"/>
        <source>{0}: a picture of {1} × {2} is too large to take in</source>
        <translation>{0}: ein Bild von {1} × {2} ist zu groß, um übernommen zu werden</translation>
    </message>
    <message>
        <location filename="exchange/graph.py"/>
        <source>the colour space '{0}' of {1} is not known; taken as linear Rec.709</source>
        <translation>der Farbraum '{0}' von {1} ist nicht bekannt; als lineares Rec.709 genommen</translation>
    </message>
    <message>
        <location filename="exchange/graph.py"/>
        <source>{0}: the picture is turned by its coordinates; carried upright</source>
        <translation>{0}: das Bild ist durch seine Koordinaten gedreht; aufrecht übernommen</translation>
    </message>
    <message>
        <location filename="exchange/loss.py"/>
        <source>{0} % rms by angle</source>
        <translation>{0} % rms nach Winkel</translation>
    </message>
    <message>
        <location filename="exchange/loss.py"/>
        <source>by the standard's own equations off by {0} and {1}</source>
        <translation>nach den Gleichungen des Standards um {0} und {1} daneben</translation>
    </message>
    <message>
        <location filename="exchange/loss.py"/>
        <source>{0} ({1} fitted; by renaming alone {2})</source>
        <translation>{0} ({1} angepasst; durch Umbenennen allein {2})</translation>
    </message>
    <message>
        <location filename="exchange/loss.py"/>
        <source>ΔE {0}, {1} gloss units</source>
        <translation>ΔE {0}, {1} Glanzeinheiten</translation>
    </message>
    <message>
        <location filename="exchange/loss.py"/>
        <source>differs from its own equations by {0}</source>
        <translation>unterscheidet sich von seinen eigenen Gleichungen um {0}</translation>
    </message>
    <message>
        <location filename="exchange/loss.py"/>
        <source>{0} ({1} fitted; as written {2})</source>
        <translation>{0} ({1} angepasst; wie geschrieben {2})</translation>
    </message>
    <message>
        <location filename="exchange/materialx.py"/>
        <source>the map of {0}: carried as one value, half-way along its range</source>
        <translation>die Textur von {0}: übertragen als ein Wert, die Mitte ihres Bereichs</translation>
    </message>
    <message>
        <location filename="exchange/materialx.py"/>
        <source>the exact mixture of metal and dielectric, whose colours OpenPBR ties together</source>
        <translation>die genaue Mischung von Metall und Dielektrikum, deren Farben OpenPBR aneinander bindet</translation>
    </message>
    <message>
        <location filename="exchange/materialx.py"/>
        <source>the rotation of the strokes: it needs the renderer's own tangents</source>
        <translation>die Drehung der Schliffrichtung: sie braucht die Tangenten des Renderers</translation>
    </message>
    <message>
        <location filename="exchange/materialx.py"/>
        <source>the part of a colour outside Rec.709</source>
        <translation>der Teil einer Farbe außerhalb von Rec.709</translation>
    </message>
    <message>
        <location filename="exchange/materialx.py"/>
        <source>a colour of its own on each side: OpenPBR has one for what goes through</source>
        <translation>eine eigene Farbe auf jeder Seite: OpenPBR hat eine für das Durchgelassene</translation>
    </message>
    <message>
        <location filename="exchange/materialx.py"/>
        <source>the thickness of the wall</source>
        <translation>die Dicke der Wand</translation>
    </message>
    <message>
        <location filename="exchange/materialx.py"/>
        <source>the spectrum of the absorption: carried as a colour at depth</source>
        <translation>das Spektrum der Absorption: übertragen als Farbe in einer Tiefe</translation>
    </message>
    <message>
        <location filename="exchange/materialx.py"/>
        <source>the table's index by wavelength: carried as an index and an Abbe number</source>
        <translation>die Brechzahl der Tabelle nach Wellenlänge: übertragen als Brechzahl und Abbe-Zahl</translation>
    </message>
    <message>
        <location filename="exchange/materialx.py"/>
        <source>{0}: the document did not come out valid ({1})</source>
        <translation>{0}: das Dokument wurde nicht gültig ({1})</translation>
    </message>
    <message>
        <location filename="exchange/materialx.py"/>
        <source>the optical constants by wavelength: carried as colour facing us and at 82 degrees</source>
        <translation>die optischen Konstanten nach Wellenlänge: übertragen als Farbe senkrecht und bei 82 Grad</translation>
    </message>
    <message>
        <location filename="exchange/materialx.py"/>
        <source>the colour of the dielectric part of a mixture</source>
        <translation>die Farbe des dielektrischen Anteils einer Mischung</translation>
    </message>
    <message>
        <location filename="exchange/materialx.py"/>
        <source>haze: OpenPBR has a single lobe, written with the finish's own roughness</source>
        <translation>Glanzschleier: OpenPBR hat eine einzige Keule, geschrieben mit der Rauheit des Finishs</translation>
    </message>
    <message>
        <location filename="exchange/materialx.py"/>
        <source>the dispersion of the film's table: carried as its index at 589.3 nm</source>
        <translation>die Dispersion der Dünnfilmtabelle: übertragen als ihre Brechzahl bei 589,3 nm</translation>
    </message>
    <message>
        <location filename="exchange/materialx.py"/>
        <source>the absorption of the film's table</source>
        <translation>die Absorption der Dünnfilmtabelle</translation>
    </message>
    <message>
        <location filename="exchange/materialx.py"/>
        <source>the film's dispersion: OpenPBR has one index for it</source>
        <translation>die Dispersion des Dünnfilms: OpenPBR hat eine Brechzahl für ihn</translation>
    </message>
    <message>
        <location filename="exchange/materialx.py"/>
        <source>the map of {0}: {1} has no input for it, carried as one value</source>
        <translation>die Textur von {0}: {1} hat keinen Eingang dafür, übertragen als ein Wert</translation>
    </message>
    <message>
        <location filename="exchange/materialx.py"/>
        <source>the shallow and deep matter of the subsurface: carried as one colour</source>
        <translation>die flache und tiefe Schicht der Volumenstreuung: übertragen als eine Farbe</translation>
    </message>
    <message>
        <location filename="exchange/models.py"/>
        <source>the mean free path of subsurface scattering: glTF has none; its colour is carried</source>
        <translation>die mittlere freie Weglänge der Volumenstreuung: glTF hat keine; ihre Farbe wird übertragen</translation>
    </message>
    <message>
        <location filename="exchange/models.py"/>
        <source>the tint of a metal at the edge: glTF's reflectance rises to white</source>
        <translation>die Färbung eines Metalls am Rand: glTFs Reflexion steigt zu Weiß</translation>
    </message>
    <message>
        <location filename="exchange/models.py"/>
        <source>the diffuse roughness: glTF's body is Lambert's</source>
        <translation>die diffuse Rauheit: glTFs Körper ist der von Lambert</translation>
    </message>
    <message>
        <location filename="exchange/models.py"/>
        <source>a reflectance facing us by colour: carried as an index of refraction</source>
        <translation>ein farbiger Reflexionsgrad bei senkrechtem Einfall: übernommen als Brechzahl</translation>
    </message>
    <message>
        <location filename="exchange/models.py"/>
        <source>what goes through: UsdPreviewSurface fades instead</source>
        <translation>was hindurchgeht: UsdPreviewSurface blendet stattdessen aus</translation>
    </message>
    <message>
        <location filename="exchange/models.py"/>
        <source>scattering within: glTF's volume only absorbs</source>
        <translation>Streuung im Inneren: glTFs Volumen absorbiert nur</translation>
    </message>
    <message>
        <location filename="exchange/models.py"/>
        <source>the coat's colour: glTF's clear coat has none</source>
        <translation>die Farbe des Lacks: glTFs Klarlack hat keine</translation>
    </message>
    <message>
        <location filename="exchange/models.py"/>
        <source>the coat's index: glTF has 1.5 for all</source>
        <translation>die Brechzahl des Lacks: glTF hat 1,5 für alle</translation>
    </message>
    <message>
        <location filename="exchange/reading.py"/>
        <source>'{0}' is a {1}</source>
        <translation>'{0}' ist {1}</translation>
    </message>
    <message>
        <location filename="exchange/reading.py"/>
        <source>{0}: a document with entities of its own is not opened</source>
        <translation>{0}: ein Dokument mit eigenen Entitäten wird nicht geöffnet</translation>
    </message>
    <message>
        <location filename="exchange/reading.py"/>
        <source>{0}: there is no material in this document</source>
        <translation>{0}: in diesem Dokument ist kein Material</translation>
    </message>
    <message>
        <location filename="exchange/reading.py"/>
        <source>{0}: {1} materials are more than can be taken in at once; split it</source>
        <translation>{0}: {1} Materialien sind mehr, als auf einmal übernommen werden; das Dokument teilen</translation>
    </message>
    <message>
        <location filename="exchange/reading.py"/>
        <source>{0}: {1}: none of the models that MaterialX itself defines</source>
        <translation>{0}: {1}: keines der Modelle, die MaterialX selbst definiert</translation>
    </message>
    <message>
        <location filename="exchange/reading.py"/>
        <source>the document does not say how long its unit is: taken as 1 mm</source>
        <translation>das Dokument sagt nicht, wie lang seine Einheit ist: als 1 mm genommen</translation>
    </message>
    <message>
        <location filename="exchange/reading.py"/>
        <source>a mix of two surfaces, which differ in {0}: the one that counts more is carried</source>
        <translation>eine Mischung zweier Oberflächen, die sich in {0} unterscheiden: die stärkere wird übernommen</translation>
    </message>
    <message>
        <location filename="exchange/reading.py"/>
        <source>{0}: this is not a MaterialX document ({1})</source>
        <translation>{0}: das ist kein MaterialX-Dokument ({1})</translation>
    </message>
    <message>
        <location filename="exchange/reading.py"/>
        <source>{0}: it is of a version of MaterialX that is not understood</source>
        <translation>{0}: es ist von einer Version von MaterialX, die nicht verstanden wird</translation>
    </message>
    <message>
        <location filename="exchange/reading.py"/>
        <source>{0}, which is not understood</source>
        <translation>{0}, was nicht verstanden wird</translation>
    </message>
    <message>
        <location filename="exchange/usd_stage.py"/>
        <source>{0}: there is no such file</source>
        <translation>{0}: es gibt keine solche Datei</translation>
    </message>
    <message>
        <location filename="exchange/usd_stage.py"/>
        <source> (of {0})</source>
        <translation> (von {0})</translation>
    </message>
    <message>
        <location filename="exchange/usd_stage.py"/>
        <source>{0}: there is no material of OpenPBR or {1} in this stage{2}</source>
        <translation>{0}: in dieser Stage ist kein Material von OpenPBR oder {1}{2}</translation>
    </message>
    <message>
        <location filename="exchange/usd_stage.py"/>
        <source>the graph at {0}: carried as the standard's own value</source>
        <translation>der Graph bei {0}: übernommen als der Wert des Standards</translation>
    </message>
    <message>
        <location filename="exchange/usd_stage.py"/>
        <source>{0}: this is not a USD stage, or a damaged one</source>
        <translation>{0}: das ist keine USD-Stage oder eine beschädigte</translation>
    </message>
    <message>
        <location filename="farm/cluster.py"/>
        <source>--cluster needs the package distributed: pip install 'photometra[farm]'</source>
        <translation>--cluster braucht das Paket distributed: pip install 'photometra[farm]'</translation>
    </message>
    <message>
        <location filename="farm/cluster.py"/>
        <source>the cluster {0} cannot be reached ({1}); is it running?</source>
        <translation>der Cluster {0} ist nicht erreichbar ({1}); läuft er?</translation>
    </message>
    <message>
        <location filename="farm/cluster.py"/>
        <source>the cluster {0} was lost on the way ({1})</source>
        <translation>der Cluster {0} ging unterwegs verloren ({1})</translation>
    </message>
    <message>
        <location filename="farm/cluster.py"/>
        <source>the cluster {0} was lost on the way</source>
        <translation>der Cluster {0} ging unterwegs verloren</translation>
    </message>
    <message>
        <location filename="farm/cluster.py"/>
        <source>--cluster '{0}' is not known; give local:N, tcp://HOST:PORT or file:SCHEDULER.json</source>
        <translation>--cluster '{0}' ist nicht bekannt; local:N, tcp://HOST:PORT oder file:SCHEDULER.json angeben</translation>
    </message>
    <message>
        <location filename="farm/cluster.py"/>
        <source>the cluster {0} has had no worker for {1} s</source>
        <translation>der Cluster {0} hat seit {1} s keinen Arbeiter</translation>
    </message>
    <message>
        <location filename="farm/work.py"/>
        <source>a worker has Photometra {0}, and {1} is asked for; install the same on all</source>
        <translation>ein Arbeiter hat Photometra {0}, verlangt ist {1}; auf allen dasselbe installieren</translation>
    </message>
    <message>
        <location filename="fitting/bootstrap.py"/>
        <source>{0} studies tell nothing of a scatter; give at least {1}</source>
        <translation>{0} Studien sagen nichts über eine Streuung; mindestens {1} angeben</translation>
    </message>
    <message>
        <location filename="fitting/effects.py"/>
        <source>the photograph</source>
        <translation>die Fotografie</translation>
    </message>
    <message>
        <location filename="fitting/effects.py"/>
        <source>gain</source>
        <translation>Verstärkung</translation>
    </message>
    <message>
        <location filename="fitting/effects.py"/>
        <source>offset</source>
        <translation>Nullpunkt</translation>
    </message>
    <message>
        <location filename="fitting/effects.py"/>
        <source>thickness</source>
        <translation>Dicke</translation>
    </message>
    <message>
        <location filename="fitting/effects.py"/>
        <source>azimuth of the light</source>
        <translation>Azimut des Lichts</translation>
    </message>
    <message>
        <location filename="fitting/effects.py"/>
        <source>strength of the environment</source>
        <translation>Stärke der Umgebung</translation>
    </message>
    <message>
        <location filename="fitting/joint.py"/>
        <source>no parameter is free that does anything on these surfaces; free at least one</source>
        <translation>kein Parameter ist frei, der auf diesen Oberflächen etwas bewirkt; mindestens einen frei geben</translation>
    </message>
    <message>
        <location filename="fitting/joint.py"/>
        <source>there is no active reading to solve from; import or activate one</source>
        <translation>es gibt keine aktive Messung, aus der zu lösen wäre; eine importieren oder aktivieren</translation>
    </message>
    <message>
        <location filename="fitting/posterior.py"/>
        <source>{0} draws, worth {1}, in {2} s</source>
        <translation>{0} Züge, so viel wert wie {1}, in {2} s</translation>
    </message>
    <message>
        <location filename="fitting/posterior.py"/>
        <source>Posterior, rough: too few draws met the evidence to be sure of the ends ({0})</source>
        <translation>A-posteriori-Verteilung, grob: zu wenige Züge trafen die Messungen, um der Enden sicher zu sein ({0})</translation>
    </message>
    <message>
        <location filename="fitting/posterior.py"/>
        <source>Posterior: {0}</source>
        <translation>A-posteriori-Verteilung: {0}</translation>
    </message>
    <message>
        <location filename="fitting/posterior.py"/>
        <source>there is nothing to sample: free a parameter, and have an active reading</source>
        <translation>es gibt nichts zu ziehen: einen Parameter frei geben und eine aktive Messung haben</translation>
    </message>
    <message>
        <location filename="fitting/posterior.py"/>
        <source>{0} values are free, and at most {1} can be sampled: hold some, or keep colours red, green and blue</source>
        <translation>{0} Werte sind frei, und höchstens {1} lassen sich ziehen: einige festhalten oder Farben als Rot, Grün und Blau lassen</translation>
    </message>
    <message>
        <location filename="fitting/posterior.py"/>
        <source>no draw met the evidence; solve again, and sample from there</source>
        <translation>kein Zug traf die Messungen; noch einmal lösen und von dort ziehen</translation>
    </message>
    <message>
        <location filename="fitting/problem.py"/>
        <source>{0}: the lower bound must be below the upper one</source>
        <translation>{0}: die untere Grenze muss unter der oberen liegen</translation>
    </message>
    <message>
        <location filename="fitting/problem.py"/>
        <source>{0} cannot be solved for; set it by hand</source>
        <translation>nach {0} kann nicht gelöst werden; von Hand setzen</translation>
    </message>
    <message>
        <location filename="fitting/problem.py"/>
        <source>{0} does nothing on this surface as it stands; hold it</source>
        <translation>{0} bewirkt auf dieser Oberfläche nichts, wie sie ist; festhalten</translation>
    </message>
    <message>
        <location filename="fitting/sense.py"/>
        <source>{0} has the metal's optical constants, and this surface goes by face and edge colour.</source>
        <translation>{0} enthält die optischen Konstanten des Metalls; diese Oberfläche hat stattdessen Farben senkrecht und streifend.</translation>
    </message>
    <message>
        <location filename="fitting/sense.py"/>
        <source>by {0} the extinction coefficient is up to {1}</source>
        <translation>nach {0} beträgt der Extinktionskoeffizient bis zu {1}</translation>
    </message>
    <message>
        <location filename="fitting/sense.py"/>
        <source>{0} has {1}{2} at {3}°; the face of what is no metal sends back {4}{2} at the most</source>
        <translation>{0} hat {1}{2} bei {3}°; die Oberfläche eines Nichtmetalls wirft höchstens {4}{2} zurück</translation>
    </message>
    <message>
        <location filename="fitting/sense.py"/>
        <source>is it a metal?</source>
        <translation>ist es ein Metall?</translation>
    </message>
    <message>
        <location filename="fitting/sense.py"/>
        <source>A metal</source>
        <translation>Ein Metall</translation>
    </message>
    <message>
        <location filename="fitting/sense.py"/>
        <source>is it clear?</source>
        <translation>ist es durchsichtig?</translation>
    </message>
    <message>
        <location filename="fitting/sense.py"/>
        <source>A clear body</source>
        <translation>Ein klarer Körper</translation>
    </message>
    <message>
        <location filename="fitting/sense.py"/>
        <source>{0} does not say how wide it lights and looks, and light scatters up to {1} mm here: behind less than some {2} mm it would read too dark. State what is illuminated and collected.</source>
        <translation>{0} sagt nicht, wie weit beleuchtet und betrachtet wird, und Licht streut hier bis zu {1} mm: hinter weniger als etwa {2} mm würde zu dunkel gelesen. Angeben, was beleuchtet und gesammelt wird.</translation>
    </message>
    <message>
        <location filename="fitting/sense.py"/>
        <source>{0} times as far as</source>
        <translation>{0}-mal so weit</translation>
    </message>
    <message>
        <location filename="fitting/sense.py"/>
        <source>only {0} times as far as</source>
        <translation>nur {0}-mal so weit</translation>
    </message>
    <message>
        <location filename="fitting/sense.py"/>
        <source>by {0} up to {1} % of the light passes, and this surface lets none through</source>
        <translation>nach {0} gehen bis zu {1} % des Lichts hindurch, und diese Oberfläche lässt keines durch</translation>
    </message>
    <message>
        <location filename="fitting/sense.py"/>
        <source>Use them</source>
        <translation>Übernehmen</translation>
    </message>
    <message>
        <location filename="fitting/sense.py"/>
        <source>{0} covers {1}–{2} nm only; its end values are held beyond.</source>
        <translation>{0} reicht nur von {1} bis {2} nm; darüber hinaus gelten die Endwerte.</translation>
    </message>
    <message>
        <location filename="fitting/sense.py"/>
        <source>By {0} light reaches {1} on this surface: is a length in another unit?</source>
        <translation>Nach {0} reicht Licht {1} auf dieser Oberfläche: ist eine Länge in anderer Einheit?</translation>
    </message>
    <message>
        <location filename="fitting/sense.py"/>
        <source>Scale it</source>
        <translation>Umrechnen</translation>
    </message>
    <message>
        <location filename="fitting/solver.py"/>
        <source>no parameter is free that does anything on this surface; free at least one</source>
        <translation>kein Parameter ist frei, der auf dieser Oberfläche etwas bewirkt; mindestens einen frei geben</translation>
    </message>
    <message>
        <location filename="fitting/uncertainty.py"/>
        <source>the evidence knows only the mean of {0} over the map: a smaller spot at two places of the specimen would tell its low from its high</source>
        <translation>die Messungen kennen nur das Mittel von {0} über die Textur: ein kleinerer Messfleck an zwei Stellen der Probe würde unten und oben trennen</translation>
    </message>
    <message>
        <location filename="fitting/uncertainty.py"/>
        <source>the evidence cannot tell {0} apart: they only appear together</source>
        <translation>die Messungen können {0} nicht unterscheiden: sie kommen nur zusammen vor</translation>
    </message>
    <message>
        <location filename="fitting/uncertainty.py"/>
        <source>{0} trade against each other: a further reading should tell them apart</source>
        <translation>{0} wirken gegeneinander: eine weitere Messung sollte sie trennen</translation>
    </message>
    <message>
        <location filename="fitting/uncertainty.py"/>
        <source>no active reading depends on {0}</source>
        <translation>keine aktive Messung hängt von {0} ab</translation>
    </message>
    <message>
        <location filename="fitting/uncertainty.py"/>
        <source>the evidence hardly limits {0}</source>
        <translation>die Messungen grenzen {0} kaum ein</translation>
    </message>
    <message>
        <location filename="fitting/verdict.py"/>
        <source>Converged</source>
        <translation>Konvergiert</translation>
    </message>
    <message>
        <location filename="fitting/verdict.py"/>
        <source>at </source>
        <translation>bei </translation>
    </message>
    <message>
        <location filename="fitting/verdict.py"/>
        <source>freeing {0} ({1}) would take away {2} % of the misfit</source>
        <translation>{0} frei zu geben ({1}) nähme {2} % der Abweichung</translation>
    </message>
    <message>
        <location filename="fitting/verdict.py"/>
        <source>Does not fit: {0} is missed {1}, by {2} σ on average</source>
        <translation>Passt nicht: {0} wird {1} verfehlt, um {2} σ im Mittel</translation>
    </message>
    <message>
        <location filename="fitting/verdict.py"/>
        <source>Stopped at its limit of steps: the values may not have settled; solve again from here</source>
        <translation>An der Grenze der Schritte angehalten: die Werte sind vielleicht noch nicht zur Ruhe gekommen; von hier noch einmal lösen</translation>
    </message>
    <message>
        <location filename="fitting/verdict.py"/>
        <source>the residuals scatter more than the readings say: χ² is {0} for each degree of freedom, where chance stays below {1} in 999 cases of 1000; the error bars are wider by {2}</source>
        <translation>die Residuen streuen mehr, als die Messungen sagen: χ² ist {0} je Freiheitsgrad, wo der Zufall in 999 von 1000 Fällen unter {1} bleibt; die Fehlerbalken sind um {2} breiter</translation>
    </message>
    <message>
        <location filename="fitting/verdict.py"/>
        <source>at {0} to </source>
        <translation>bei {0} bis </translation>
    </message>
    <message>
        <location filename="fitting/verdict.py"/>
        <source>{0} is solved as red, green and blue; by wavelength it could follow the spectrum</source>
        <translation>{0} ist als Rot, Grün und Blau gelöst; nach Wellenlängen könnte es dem Spektrum folgen</translation>
    </message>
    <message>
        <location filename="fitting/verdict.py"/>
        <source>{0} of 1: {1}</source>
        <translation>{0} von 1: {1}</translation>
    </message>
    <message>
        <location filename="fitting/verdict.py"/>
        <source>no single parameter would mend it: look for another kind of surface, or at the reading itself</source>
        <translation>kein einzelner Parameter würde es richten: eine andere Art von Oberfläche suchen oder die Messung selbst prüfen</translation>
    </message>
    <message>
        <location filename="fitting/verdict.py"/>
        <source>what is left of {0} is no scatter: it changes sign {1} times along the axis, where about {2} would be chance; the model or the reading is off in a way that the bars leave out</source>
        <translation>was von {0} übrig ist, ist keine Streuung: es wechselt {1}-mal das Vorzeichen entlang der Achse, wo etwa {2} Zufall wären; Modell oder Messung weichen so ab, dass die Balken es nicht enthalten</translation>
    </message>
    <message>
        <location filename="fitting/verdict.py"/>
        <source>the {0} of {1} had to be {2} times its stated uncertainty from what it should be: look at the instrument, or state it</source>
        <translation>{0} von {1} musste {2}-mal die angegebene Unsicherheit vom Sollwert abweichen: das Gerät prüfen oder es angeben</translation>
    </message>
    <message>
        <location filename="guide/__init__.py"/>
        <source>
## In Photometra

Reads: {0}. Compared by {1}.</source>
        <translation>
## In Photometra

Misst: {0}. Verglichen nach: {1}.</translation>
    </message>
    <message>
        <location filename="guide/__init__.py"/>
        <source>there is no page '{0}' in the guide: choose from {1}</source>
        <translation>es gibt keine Seite '{0}' im Handbuch: zur Wahl stehen {1}</translation>
    </message>
    <message>
        <location filename="guide/__init__.py"/>
        <source>
## Gauges
</source>
        <translation>
## Regler
</translation>
    </message>
    <message>
        <location filename="guide/__init__.py"/>
        <source>From {0} to {1}{2}.</source>
        <translation>Von {0} bis {1}{2}.</translation>
    </message>
    <message>
        <location filename="guide/__init__.py"/>
        <source>Typical: {0}.</source>
        <translation>Typisch: {0}.</translation>
    </message>
    <message>
        <location filename="guide/__init__.py"/>
        <source>Told by: {0}.</source>
        <translation>Sagen: {0}.</translation>
    </message>
    <message>
        <location filename="guide/__init__.py"/>
        <source>It frees {0}.</source>
        <translation>Frei wird dadurch: {0}.</translation>
    </message>
    <message>
        <location filename="imaging/booths.py"/>
        <source>there is no environment '{0}': choose from {1}</source>
        <translation>es gibt keine Umgebung '{0}': zur Wahl stehen {1}</translation>
    </message>
    <message>
        <location filename="imaging/booths.py"/>
        <source>Its shape has no inside: the picture takes it as a thin wall, the instruments as a solid.</source>
        <translation>Die Form hat kein Inneres: das Bild nimmt sie als dünne Wand, die Geräte als massiv.</translation>
    </message>
    <message>
        <location filename="imaging/booths.py"/>
        <source>Make it a thin wall</source>
        <translation>Zur dünnen Wand machen</translation>
    </message>
    <message>
        <location filename="imaging/booths.py"/>
        <source>'{0}' is not in the study; choose another shape for {1}</source>
        <translation>'{0}' ist nicht in der Studie; eine andere Form für {1} wählen</translation>
    </message>
    <message>
        <location filename="imaging/booths.py"/>
        <source>is made of '{0}'</source>
        <translation>ist aus '{0}'</translation>
    </message>
    <message>
        <location filename="imaging/booths.py"/>
        <source>is called '{0}'</source>
        <translation>heißt '{0}'</translation>
    </message>
    <message>
        <location filename="imaging/booths.py"/>
        <source>{0} and {1} cut through each other: there it is {2}, which was given its surface first.</source>
        <translation>{0} und {1} durchschneiden einander: dort ist es {2}, das seine Oberfläche zuerst bekam.</translation>
    </message>
    <message>
        <location filename="imaging/booths.py"/>
        <source>{0} and {1} may cut through each other: one of them is not closed.</source>
        <translation>{0} und {1} durchschneiden einander vielleicht: eines ist nicht geschlossen.</translation>
    </message>
    <message>
        <location filename="imaging/booths.py"/>
        <source>No part of this shape {0}, which {1} was given to.</source>
        <translation>Kein Teil dieser Form {0}; {1} war ihm gegeben.</translation>
    </message>
    <message>
        <location filename="imaging/booths.py"/>
        <source>'{0}' was given the surface of '{1}', which is not in this study any more.</source>
        <translation>'{0}' bekam die Oberfläche von '{1}', das nicht mehr in dieser Studie ist.</translation>
    </message>
    <message>
        <location filename="imaging/booths.py"/>
        <source>{0} has no surface yet: it is shown in a neutral grey.</source>
        <translation>{0} hat noch keine Oberfläche: es wird in neutralem Grau gezeigt.</translation>
    </message>
    <message>
        <location filename="imaging/camera_profiles.py"/>
        <source>Camera profiles (*.dcp *.dng);;All files (*)</source>
        <translation>Kameraprofile (*.dcp *.dng);;Alle Dateien (*)</translation>
    </message>
    <message>
        <location filename="imaging/camera_profiles.py"/>
        <source>{0}: there is no colour matrix of three channels in this file</source>
        <translation>{0}: in dieser Datei ist keine Farbmatrix mit drei Kanälen</translation>
    </message>
    <message>
        <location filename="imaging/camera_profiles.py"/>
        <source>{0}: it does not say for which light its matrices are</source>
        <translation>{0}: es sagt nicht, für welches Licht seine Matrizen gelten</translation>
    </message>
    <message>
        <location filename="imaging/camera_profiles.py"/>
        <source>{0}: one of its matrices leads to no colour</source>
        <translation>{0}: eine seiner Matrizen führt zu keiner Farbe</translation>
    </message>
    <message>
        <location filename="imaging/camera_profiles.py"/>
        <source>{0}: this is not a camera profile (.dcp) or DNG file, or a damaged one</source>
        <translation>{0}: das ist kein Kameraprofil (.dcp) und keine DNG-Datei, oder sie ist beschädigt</translation>
    </message>
    <message>
        <location filename="imaging/checkpoint.py"/>
        <source>{0}: this is of another picture, or of other settings; remove it, or leave --resume away</source>
        <translation>{0}: das ist von einem anderen Bild oder anderen Einstellungen; entfernen oder --resume weglassen</translation>
    </message>
    <message>
        <location filename="imaging/checkpoint.py"/>
        <source>{0}: this is damaged, or no unfinished picture; remove it, or leave --resume away</source>
        <translation>{0}: das ist beschädigt oder kein unfertiges Bild; entfernen oder --resume weglassen</translation>
    </message>
    <message>
        <location filename="imaging/curves.py"/>
        <source>there is no curve '{0}': choose from {1}</source>
        <translation>es gibt keine Kurve '{0}': zur Wahl stehen {1}</translation>
    </message>
    <message>
        <location filename="imaging/curves.py"/>
        <source>there is no colour profile in the file; choose a curve instead</source>
        <translation>in der Datei ist kein Farbprofil; stattdessen eine Kurve wählen</translation>
    </message>
    <message>
        <location filename="imaging/curves.py"/>
        <source>the colour profile in the file cannot be used; choose a curve instead</source>
        <translation>das Farbprofil in der Datei ist nicht brauchbar; stattdessen eine Kurve wählen</translation>
    </message>
    <message>
        <location filename="imaging/display.py"/>
        <source>there is no view '{0}': choose from {1}</source>
        <translation>es gibt keine Ansicht '{0}': zur Wahl stehen {1}</translation>
    </message>
    <message>
        <location filename="imaging/display.py"/>
        <source>white balance needs a place that is lit in all three channels</source>
        <translation>der Weißabgleich braucht eine Stelle, die in allen drei Kanälen Licht hat</translation>
    </message>
    <message>
        <location filename="imaging/display.py"/>
        <source>that place is too dark to expose for</source>
        <translation>diese Stelle ist zu dunkel, um darauf zu belichten</translation>
    </message>
    <message>
        <location filename="imaging/display.py"/>
        <source>it has no display with a view</source>
        <translation>sie hat kein Display mit einer Ansicht</translation>
    </message>
    <message>
        <location filename="imaging/display.py"/>
        <source>the colour configuration of $OCIO, {0}, cannot be used ({1}); the built-in one is</source>
        <translation>die Farbkonfiguration in $OCIO, {0}, ist nicht brauchbar ({1}); verwendet wird die eingebaute</translation>
    </message>
    <message>
        <location filename="imaging/film.py"/>
        <source>{0}: a film's name ends in {1}</source>
        <translation>{0}: der Name eines Films endet auf {1}</translation>
    </message>
    <message>
        <location filename="imaging/film.py"/>
        <source>{0}: there is no folder {1}</source>
        <translation>{0}: es gibt keinen Ordner {1}</translation>
    </message>
    <message>
        <location filename="imaging/film.py"/>
        <source>a film needs the Python package av: pip install 'photometra[film]'</source>
        <translation>ein Film braucht das Python-Paket av: pip install 'photometra[film]'</translation>
    </message>
    <message>
        <location filename="imaging/film.py"/>
        <source>{0}: the film could not be written ({1})</source>
        <translation>{0}: der Film konnte nicht geschrieben werden ({1})</translation>
    </message>
    <message>
        <location filename="imaging/ladders.py"/>
        <source>Equally good surfaces</source>
        <translation>Gleich gute Oberflächen</translation>
    </message>
    <message>
        <location filename="imaging/ladders.py"/>
        <source>{0} is not a number; step one of the gauges</source>
        <translation>{0} ist keine Zahl; einen der Regler stufen</translation>
    </message>
    <message>
        <location filename="imaging/ladders.py"/>
        <source>a ladder has 2 to {0} steps</source>
        <translation>eine Stufenreihe hat 2 bis {0} Stufen</translation>
    </message>
    <message>
        <location filename="imaging/ladders.py"/>
        <source>{0} can be stepped upwards, within {1} to {2}</source>
        <translation>{0} lässt sich aufwärts stufen, innerhalb von {1} bis {2}</translation>
    </message>
    <message>
        <location filename="imaging/ladders.py"/>
        <source>nothing that was solved has an error bar; equally good surfaces need one</source>
        <translation>nichts Gelöstes hat einen Fehlerbalken; gleich gute Oberflächen brauchen einen</translation>
    </message>
    <message>
        <location filename="imaging/photographed.py"/>
        <source>{0} has no photograph; load one and line it up with the render</source>
        <translation>{0} hat keine Fotografie; eine laden und auf das Render ausrichten</translation>
    </message>
    <message>
        <location filename="imaging/photographed.py"/>
        <source>no pin counts; tick at least one that lies on the specimen</source>
        <translation>kein Messpunkt zählt; mindestens einen ankreuzen, der auf der Probe liegt</translation>
    </message>
    <message>
        <location filename="imaging/photographed.py"/>
        <source>no pin that counts lies on a part of the photograph that is neither cut off nor clipped</source>
        <translation>kein zählender Messpunkt liegt auf einem Teil der Fotografie, der weder abgeschnitten noch übersteuert ist</translation>
    </message>
    <message>
        <location filename="imaging/photographed.py"/>
        <source>exposure and strength of the environment say the same where no lamp is on; hold one of them</source>
        <translation>Belichtung und Stärke der Umgebung sagen dasselbe, wo keine Lampe an ist; eine davon festhalten</translation>
    </message>
    <message>
        <location filename="imaging/references.py"/>
        <source>a chart's values are {0} colours, row by row; there are {1}</source>
        <translation>die Werte einer Tafel sind {0} Farben, Zeile für Zeile; es sind {1}</translation>
    </message>
    <message>
        <location filename="imaging/references.py"/>
        <source>the chart is black where its corners were placed; place them again</source>
        <translation>die Tafel ist schwarz, wo ihre Ecken gesetzt wurden; noch einmal setzen</translation>
    </message>
    <message>
        <location filename="imaging/references.py"/>
        <source>the patches are too alike for a chart; place the four corners on its outer corners</source>
        <translation>die Felder sind einander für eine Tafel zu ähnlich; die vier Ecken auf ihre äußeren Ecken setzen</translation>
    </message>
    <message>
        <location filename="imaging/references.py"/>
        <source>three of the four points lie in one line; place them at the corners</source>
        <translation>drei der vier Punkte liegen auf einer Geraden; sie an die Ecken setzen</translation>
    </message>
    <message>
        <location filename="imaging/rendering.py"/>
        <source>{0}; {1} samples are kept: go on with --resume</source>
        <translation>{0}; {1} Samples sind gesichert: mit --resume fortfahren</translation>
    </message>
    <message>
        <location filename="imaging/visible.py"/>
        <source>The evidence leaves ΔE {0} at most, at the marked place, mostly from {1}; {2} on average over the picture</source>
        <translation>Die Messungen lassen höchstens ΔE {0} offen, an der markierten Stelle, vor allem aus {1}; im Mittel des Bildes {2}</translation>
    </message>
    <message>
        <location filename="instruments/depths.py"/>
        <source>a metal lets nothing through</source>
        <translation>ein Metall lässt nichts durch</translation>
    </message>
    <message>
        <location filename="instruments/derived.py"/>
        <source>Constants of {0}</source>
        <translation>Konstanten von {0}</translation>
    </message>
    <message>
        <location filename="instruments/derived.py"/>
        <source>{0}: a point of it has no constants of a bare surface; leave it out</source>
        <translation>{0}: ein Punkt davon hat keine Konstanten einer bloßen Oberfläche; ihn auslassen</translation>
    </message>
    <message>
        <location filename="instruments/derived.py"/>
        <source>from {0}</source>
        <translation>aus {0}</translation>
    </message>
    <message>
        <location filename="instruments/devices.py"/>
        <source>simulated {0}{1}, {2}</source>
        <translation>simuliertes Gerät, {0}{1}, {2}</translation>
    </message>
    <message>
        <location filename="instruments/devices.py"/>
        <source>gloss tile</source>
        <translation>Glanzfliese</translation>
    </message>
    <message>
        <location filename="instruments/devices.py"/>
        <source>white tile</source>
        <translation>Weißfliese</translation>
    </message>
    <message>
        <location filename="instruments/devices.py"/>
        <source>black trap</source>
        <translation>Lichtfalle</translation>
    </message>
    <message>
        <location filename="instruments/devices.py"/>
        <source>test plate</source>
        <translation>Prüfplatte</translation>
    </message>
    <message>
        <location filename="instruments/devices.py"/>
        <source>open beam</source>
        <translation>freier Strahl</translation>
    </message>
    <message>
        <location filename="instruments/devices.py"/>
        <source>closed shutter</source>
        <translation>geschlossener Verschluss</translation>
    </message>
    <message>
        <location filename="instruments/devices.py"/>
        <source>reference wafer</source>
        <translation>Referenzwafer</translation>
    </message>
    <message>
        <location filename="instruments/devices.py"/>
        <source>dark frame</source>
        <translation>Dunkelbild</translation>
    </message>
    <message>
        <location filename="instruments/devices.py"/>
        <source>, mean of {0}</source>
        <translation>, Mittel aus {0}</translation>
    </message>
    <message>
        <location filename="instruments/devices.py"/>
        <source>the {0} is off; switch it on</source>
        <translation>das Gerät {0} ist aus; einschalten</translation>
    </message>
    <message>
        <location filename="instruments/devices.py"/>
        <source>the lamp is still cold: wait {0} s more</source>
        <translation>die Lampe ist noch kalt: noch {0} s warten</translation>
    </message>
    <message>
        <location filename="instruments/devices.py"/>
        <source>a {0} is calibrated with: {1}</source>
        <translation>das Gerät {0} wird kalibriert mit: {1}</translation>
    </message>
    <message>
        <location filename="instruments/devices.py"/>
        <source>not calibrated</source>
        <translation>nicht kalibriert</translation>
    </message>
    <message>
        <location filename="instruments/devices.py"/>
        <source>calibrated too long ago</source>
        <translation>vor zu langer Zeit kalibriert</translation>
    </message>
    <message>
        <location filename="instruments/devices.py"/>
        <source>the {0} is {1}: read the {2} first</source>
        <translation>das Gerät {0} ist {1}: zuerst messen: {2}</translation>
    </message>
    <message>
        <location filename="instruments/devices.py"/>
        <source>there is nothing under it; place a piece</source>
        <translation>nichts liegt darunter; ein Stück hinlegen</translation>
    </message>
    <message>
        <location filename="instruments/devices.py"/>
        <source>the piece ({0} mm) does not cover the spot ({1} mm); take a larger one</source>
        <translation>das Stück ({0} mm) deckt den Messfleck ({1} mm) nicht; ein größeres nehmen</translation>
    </message>
    <message>
        <location filename="instruments/devices.py"/>
        <source>too little light comes back polarised: the piece is too rough</source>
        <translation>zu wenig Licht kommt polarisiert zurück: das Stück ist zu rau</translation>
    </message>
    <message>
        <location filename="instruments/devices.py"/>
        <source>out of range: the receptor is saturated above 2000 gloss units</source>
        <translation>außer Bereich: der Empfänger ist über 2000 Glanzeinheiten gesättigt</translation>
    </message>
    <message>
        <location filename="instruments/devices.py"/>
        <source>out of range: the prism reads indices of {0} to {1}</source>
        <translation>außer Bereich: das Prisma misst Brechzahlen von {0} bis {1}</translation>
    </message>
    <message>
        <location filename="instruments/devices.py"/>
        <source> and the </source>
        <translation> und </translation>
    </message>
    <message>
        <location filename="instruments/glossmeter.py"/>
        <source>gloss is read at 20, 60 or 85 degrees</source>
        <translation>Glanz wird bei 20, 60 oder 85 Grad gemessen</translation>
    </message>
    <message>
        <location filename="instruments/polarised.py"/>
        <source>an ellipsometer cannot read through a coat; take the coat off</source>
        <translation>ein Ellipsometer misst nicht durch einen Lack; den Lack wegnehmen</translation>
    </message>
    <message>
        <location filename="instruments/polarised.py"/>
        <source>face and edge colour have no phase; choose a table of constants for an ellipsometer to read</source>
        <translation>Farben senkrecht und streifend haben keine Phase; eine Konstantentabelle wählen, damit ein Ellipsometer messen kann</translation>
    </message>
    <message>
        <location filename="instruments/polarised.py"/>
        <source>face and edge colour have no polarisation; choose a table of constants to read s and p</source>
        <translation>Farben senkrecht und streifend haben keine Polarisation; eine Konstantentabelle wählen, um s und p zu messen</translation>
    </message>
    <message>
        <location filename="instruments/scatterprobe.py"/>
        <source>a scatter probe reads what scatters inside; give the surface subsurface or scattering</source>
        <translation>eine Streusonde misst, was innen streut; der Oberfläche Volumenstreuung oder Streuung geben</translation>
    </message>
    <message>
        <location filename="instruments/shelf.py"/>
        <source>virtual {0}</source>
        <translation>virtuelles Gerät, {0}</translation>
    </message>
    <message>
        <location filename="instruments/shelf.py"/>
        <source>this surface has no interior whose coefficients could be read; make it clear or translucent</source>
        <translation>diese Oberfläche hat kein Inneres, dessen Koeffizienten zu messen wären; sie klar oder transluzent machen</translation>
    </message>
    <message>
        <location filename="instruments/shelf.py"/>
        <source>a refractometer reads dielectrics only; this surface is a metal</source>
        <translation>ein Refraktometer misst nur Dielektrika; diese Oberfläche ist ein Metall</translation>
    </message>
    <message>
        <location filename="instruments/shelf.py"/>
        <source>there is no instrument for a reading of kind '{0}'</source>
        <translation>es gibt kein Gerät für eine Messung der Art '{0}'</translation>
    </message>
    <message>
        <location filename="instruments/shelf.py"/>
        <source>face and edge colour have no optical constants; choose a table to compare with</source>
        <translation>Farben senkrecht und streifend haben keine optischen Konstanten; eine Tabelle zum Vergleich wählen</translation>
    </message>
    <message>
        <location filename="instruments/shelf.py"/>
        <source>choose from {0}</source>
        <translation>zur Wahl stehen {0}</translation>
    </message>
    <message>
        <location filename="instruments/shelf.py"/>
        <source>it has none to choose</source>
        <translation>es hat keine zur Wahl</translation>
    </message>
    <message>
        <location filename="instruments/shelf.py"/>
        <source>a {0} has no geometry '{1}': {2}</source>
        <translation>das Gerät {0} hat keine Geometrie '{1}': {2}</translation>
    </message>
    <message>
        <location filename="instruments/shelf.py"/>
        <source>Spectrophotometer</source>
        <translation>Spektralphotometer</translation>
    </message>
    <message>
        <location filename="instruments/shelf.py"/>
        <source>Gloss meter</source>
        <translation>Glanzmessgerät</translation>
    </message>
    <message>
        <location filename="instruments/shelf.py"/>
        <source>Reflectometer</source>
        <translation>Reflektometer</translation>
    </message>
    <message>
        <location filename="instruments/shelf.py"/>
        <source>Goniophotometer</source>
        <translation>Goniophotometer</translation>
    </message>
    <message>
        <location filename="instruments/shelf.py"/>
        <source>Gonioreflectometer</source>
        <translation>Gonioreflektometer</translation>
    </message>
    <message>
        <location filename="instruments/shelf.py"/>
        <source>Ellipsometer</source>
        <translation>Ellipsometer</translation>
    </message>
    <message>
        <location filename="instruments/shelf.py"/>
        <source>Refractometer</source>
        <translation>Refraktometer</translation>
    </message>
    <message>
        <location filename="instruments/shelf.py"/>
        <source>Transmissometer</source>
        <translation>Transmissionsmessgerät</translation>
    </message>
    <message>
        <location filename="instruments/shelf.py"/>
        <source>Scatter probe</source>
        <translation>Streusonde</translation>
    </message>
    <message>
        <location filename="instruments/shelf.py"/>
        <source>Colorimeter</source>
        <translation>Farbmessgerät</translation>
    </message>
    <message>
        <location filename="instruments/shelf.py"/>
        <source>there is no instrument '{0}': choose from {1}</source>
        <translation>es gibt kein Gerät '{0}': zur Wahl stehen {1}</translation>
    </message>
    <message>
        <location filename="instruments/spectrophotometer.py"/>
        <source>a spectrophotometer has no geometry '{0}': choose from di:8, de:8, 45:0, 45as15 …</source>
        <translation>ein Spektralphotometer hat keine Geometrie '{0}': zur Wahl stehen di:8, de:8, 45:0, 45as15 …</translation>
    </message>
    <message>
        <location filename="instruments/transmissometer.py"/>
        <source>a transmissometer reads what lets light through; this surface is a metal</source>
        <translation>ein Transmissionsmessgerät misst, was Licht durchlässt; diese Oberfläche ist ein Metall</translation>
    </message>
    <message>
        <location filename="library/entry.py"/>
        <source>{0}: an entry of a library is a study of one specimen; this one has {1}</source>
        <translation>{0}: ein Bibliothekseintrag ist eine Studie mit einer Probe; diese hat {1}</translation>
    </message>
    <message>
        <location filename="library/entry.py"/>
        <source>{0}: an entry of another name stands there; rename one of the two</source>
        <translation>{0}: dort steht ein Eintrag anderen Namens; einen der beiden umbenennen</translation>
    </message>
    <message>
        <location filename="library/facts.py"/>
        <source>Lightness L*</source>
        <translation>Helligkeit L*</translation>
    </message>
    <message>
        <location filename="library/facts.py"/>
        <source>Reflectance Y, di:8</source>
        <translation>Reflexionsgrad Y, di:8</translation>
    </message>
    <message>
        <location filename="library/facts.py"/>
        <source>Index of refraction</source>
        <translation>Brechzahl</translation>
    </message>
    <message>
        <location filename="library/facts.py"/>
        <source>Mean free path, green</source>
        <translation>Mittlere freie Weglänge, Grün</translation>
    </message>
    <message>
        <location filename="library/facts.py"/>
        <source>Gloss at {0}°</source>
        <translation>Glanz bei {0}°</translation>
    </message>
    <message>
        <location filename="library/folder.py"/>
        <source>nothing like it</source>
        <translation>nichts dergleichen</translation>
    </message>
    <message>
        <location filename="library/folder.py"/>
        <source>there is no entry '{0}' in {1}; there is {2}</source>
        <translation>es gibt keinen Eintrag '{0}' in {1}; es gibt {2}</translation>
    </message>
    <message>
        <location filename="library/folder.py"/>
        <source>the index of the library is busy; try again in a while</source>
        <translation>das Verzeichnis der Bibliothek ist belegt; später noch einmal versuchen</translation>
    </message>
    <message>
        <location filename="library/folder.py"/>
        <source>{0}: there is no such folder</source>
        <translation>{0}: es gibt keinen solchen Ordner</translation>
    </message>
    <message>
        <location filename="library/folder.py"/>
        <source>there is no fact '{0}'; there are {1}</source>
        <translation>es gibt kein Merkmal '{0}'; es gibt {1}</translation>
    </message>
    <message>
        <location filename="library/folder.py"/>
        <source>there is no material '{0}'; there are {1}</source>
        <translation>es gibt kein Material '{0}'; es gibt {1}</translation>
    </message>
    <message>
        <location filename="maps/baking.py"/>
        <source>{0}: the picture holds numbers that are not finite; export it again</source>
        <translation>{0}: das Bild enthält Zahlen, die nicht endlich sind; noch einmal exportieren</translation>
    </message>
    <message>
        <location filename="maps/baking.py"/>
        <source>{0}: the picture has no channel '{1}'; choose another</source>
        <translation>{0}: das Bild hat keinen Kanal '{1}'; einen anderen wählen</translation>
    </message>
    <message>
        <location filename="maps/generators.py"/>
        <source>Density</source>
        <translation>Dichte</translation>
    </message>
    <message>
        <location filename="maps/generators.py"/>
        <source>there is no generator '{0}': choose from {1}</source>
        <translation>es gibt keinen Generator '{0}': zur Wahl stehen {1}</translation>
    </message>
    <message>
        <location filename="maps/generators.py"/>
        <source>Noise</source>
        <translation>Rauschen</translation>
    </message>
    <message>
        <location filename="maps/generators.py"/>
        <source>Even blotches with finer ones in them.</source>
        <translation>Gleichmäßige Flecken mit feineren darin.</translation>
    </message>
    <message>
        <location filename="maps/generators.py"/>
        <source>Scratches</source>
        <translation>Kratzer</translation>
    </message>
    <message>
        <location filename="maps/generators.py"/>
        <source>Fine grooves: 0 beside them, up to 1 in their middle.</source>
        <translation>Feine Rillen: daneben 0, in ihrer Mitte bis 1.</translation>
    </message>
    <message>
        <location filename="maps/generators.py"/>
        <source>Fingerprints</source>
        <translation>Fingerabdrücke</translation>
    </message>
    <message>
        <location filename="maps/generators.py"/>
        <source>Ridges left by fingers, smeared here and there.</source>
        <translation>Rillen, die Finger hinterlassen, hier und da verwischt.</translation>
    </message>
    <message>
        <location filename="maps/generators.py"/>
        <source>Wipe marks</source>
        <translation>Wischspuren</translation>
    </message>
    <message>
        <location filename="maps/generators.py"/>
        <source>Long soft streaks of a cloth.</source>
        <translation>Lange weiche Streifen eines Tuchs.</translation>
    </message>
    <message>
        <location filename="maps/generators.py"/>
        <source>Weave</source>
        <translation>Gewebe</translation>
    </message>
    <message>
        <location filename="maps/generators.py"/>
        <source>1 where the warp (upright) lies on top, 0 where the weft does.</source>
        <translation>1, wo die Kette (aufrecht) oben liegt, 0, wo der Schuss es tut.</translation>
    </message>
    <message>
        <location filename="maps/generators.py"/>
        <source>Wood grain</source>
        <translation>Holzmaserung</translation>
    </message>
    <message>
        <location filename="maps/generators.py"/>
        <source>Growth rings with dense late wood, and pores, along the tile.</source>
        <translation>Jahrringe mit dichtem Spätholz, und Poren, entlang der Kachel.</translation>
    </message>
    <message>
        <location filename="maps/generators.py"/>
        <source>Flakes</source>
        <translation>Flitter</translation>
    </message>
    <message>
        <location filename="maps/generators.py"/>
        <source>Platelets, each with a level of its own; 0 between them.</source>
        <translation>Plättchen, jedes mit eigenem Pegel; 0 dazwischen.</translation>
    </message>
    <message>
        <location filename="maps/generators.py"/>
        <source>Specks</source>
        <translation>Flecken</translation>
    </message>
    <message>
        <location filename="maps/generators.py"/>
        <source>Grains of dust or drops, each a soft disc.</source>
        <translation>Staubkörner oder Tropfen, jedes eine weiche Scheibe.</translation>
    </message>
    <message>
        <location filename="maps/generators.py"/>
        <source>Worn edges</source>
        <translation>Abgenutzte Kanten</translation>
    </message>
    <message>
        <location filename="maps/generators.py"/>
        <source>1 along the edges of a shape and of its parts, 0 where it is flat or hollow; a ball has none. It needs no UVs.</source>
        <translation>1 entlang der Kanten einer Form und ihrer Teile, 0, wo sie flach oder hohl ist; eine Kugel hat keine. Braucht keine UVs.</translation>
    </message>
    <message>
        <location filename="maps/generators.py"/>
        <source>Gradient</source>
        <translation>Verlauf</translation>
    </message>
    <message>
        <location filename="maps/generators.py"/>
        <source>From 0 at the bottom to 1 at the top.</source>
        <translation>Von 0 unten bis 1 oben.</translation>
    </message>
    <message>
        <location filename="maps/generators.py"/>
        <source>Checker</source>
        <translation>Schachbrett</translation>
    </message>
    <message>
        <location filename="maps/generators.py"/>
        <source>Squares of 0 and 1.</source>
        <translation>Quadrate aus 0 und 1.</translation>
    </message>
    <message>
        <location filename="maps/generators.py"/>
        <source>Constant</source>
        <translation>Konstante</translation>
    </message>
    <message>
        <location filename="maps/generators.py"/>
        <source>The same level everywhere.</source>
        <translation>Überall derselbe Pegel.</translation>
    </message>
    <message>
        <location filename="maps/generators.py"/>
        <source>; it has {0}</source>
        <translation>; es gibt {0}</translation>
    </message>
    <message>
        <location filename="maps/generators.py"/>
        <source>{0}: {1} has no setting '{2}'{3}</source>
        <translation>{0}: {1} hat keine Einstellung '{2}'{3}</translation>
    </message>
    <message>
        <location filename="maps/generators.py"/>
        <source>Feature size</source>
        <translation>Merkmalsgröße</translation>
    </message>
    <message>
        <location filename="maps/generators.py"/>
        <source>Octaves</source>
        <translation>Oktaven</translation>
    </message>
    <message>
        <location filename="maps/generators.py"/>
        <source>Length</source>
        <translation>Länge</translation>
    </message>
    <message>
        <location filename="maps/generators.py"/>
        <source>Width</source>
        <translation>Breite</translation>
    </message>
    <message>
        <location filename="maps/generators.py"/>
        <source>Direction</source>
        <translation>Richtung</translation>
    </message>
    <message>
        <location filename="maps/generators.py"/>
        <source>Spread</source>
        <translation>Streuung</translation>
    </message>
    <message>
        <location filename="maps/generators.py"/>
        <source>Ridge spacing</source>
        <translation>Rillenabstand</translation>
    </message>
    <message>
        <location filename="maps/generators.py"/>
        <source>Warp thread</source>
        <translation>Kettfaden</translation>
    </message>
    <message>
        <location filename="maps/generators.py"/>
        <source>Weft thread</source>
        <translation>Schussfaden</translation>
    </message>
    <message>
        <location filename="maps/generators.py"/>
        <source>Floats over</source>
        <translation>Flottierung</translation>
    </message>
    <message>
        <location filename="maps/generators.py"/>
        <source>Ring spacing</source>
        <translation>Ringabstand</translation>
    </message>
    <message>
        <location filename="maps/generators.py"/>
        <source>Cover</source>
        <translation>Deckung</translation>
    </message>
    <message>
        <location filename="maps/generators.py"/>
        <source>Raggedness</source>
        <translation>Zerklüftung</translation>
    </message>
    <message>
        <location filename="maps/generators.py"/>
        <source>Square</source>
        <translation>Quadrat</translation>
    </message>
    <message>
        <location filename="maps/generators.py"/>
        <source>Level</source>
        <translation>Pegel</translation>
    </message>
    <message>
        <location filename="maps/generators.py"/>
        <source>{0}: {1} of {2} must lie between {3} and {4} {5}</source>
        <translation>{0}: {1} von {2} muss zwischen {3} und {4} {5} liegen</translation>
    </message>
    <message>
        <location filename="maps/model.py"/>
        <source>{0}: a map has one to {1} layers</source>
        <translation>{0}: eine Textur hat eine bis {1} Ebenen</translation>
    </message>
    <message>
        <location filename="maps/model.py"/>
        <source>way to combine</source>
        <translation>Verknüpfung</translation>
    </message>
    <message>
        <location filename="maps/model.py"/>
        <source>{0}: black of a map's levels must lie below white; to turn it round, invert it</source>
        <translation>{0}: Schwarz der Pegel einer Textur muss unter Weiß liegen; zum Umdrehen umkehren</translation>
    </message>
    <message>
        <location filename="maps/model.py"/>
        <source>{0}: there is no {1} '{2}': choose from {3}</source>
        <translation>{0}: es gibt '{2}' nicht ({1}): zur Wahl stehen {3}</translation>
    </message>
    <message>
        <location filename="maps/model.py"/>
        <source>{0}: {1} of a map must lie between {2} and {3}, not {4}</source>
        <translation>{0}: {1} einer Textur muss zwischen {2} und {3} liegen, nicht {4}</translation>
    </message>
    <message>
        <location filename="maps/model.py"/>
        <source>{0}: a picture's channel is one of {1}, its encoding of {2}</source>
        <translation>{0}: der Kanal eines Bildes ist einer von {1}, seine Kodierung eine von {2}</translation>
    </message>
    <message>
        <location filename="optics/cachefile.py"/>
        <source>compiled kernels in {0} were damaged; they are compiled anew</source>
        <translation>übersetzte Kernels in {0} waren beschädigt; sie werden neu übersetzt</translation>
    </message>
    <message>
        <location filename="optics/cachefile.py"/>
        <source>compiled kernels cannot be kept in {0} ({1}); each start compiles them anew until there is room</source>
        <translation>übersetzte Kernels können in {0} nicht behalten werden ({1}); jeder Start übersetzt sie neu, bis Platz ist</translation>
    </message>
    <message>
        <location filename="optics/cachefolder.py"/>
        <source>{0} cannot be written ({1}); compiled kernels are kept in {2}</source>
        <translation>{0} ist nicht beschreibbar ({1}); übersetzte Kernels liegen in {2}</translation>
    </message>
    <message>
        <location filename="optics/dispersion.py"/>
        <source>the index of refraction must be at least 1</source>
        <translation>die Brechzahl muss mindestens 1 sein</translation>
    </message>
    <message>
        <location filename="optics/dispersion.py"/>
        <source>the Abbe number must not be negative (0: no dispersion)</source>
        <translation>die Abbe-Zahl darf nicht negativ sein (0: keine Dispersion)</translation>
    </message>
    <message>
        <location filename="optics/dispersion.py"/>
        <source>wavelength_nm must be above 0</source>
        <translation>wavelength_nm muss über 0 liegen</translation>
    </message>
    <message>
        <location filename="optics/dispersion.py"/>
        <source>background and damping must be above 0, the plasma energy not below</source>
        <translation>Hintergrund und Dämpfung müssen über 0 liegen, die Plasmaenergie nicht darunter</translation>
    </message>
    <message>
        <location filename="optics/dispersion.py"/>
        <source>an oscillator's energy and width must be above 0, its strength not below</source>
        <translation>Energie und Breite eines Oszillators müssen über 0 liegen, seine Stärke nicht darunter</translation>
    </message>
    <message>
        <location filename="optics/film.py"/>
        <source>film_thickness_nm must not be negative</source>
        <translation>film_thickness_nm darf nicht negativ sein</translation>
    </message>
    <message>
        <location filename="optics/film.py"/>
        <source>film_n, base_n and outer_n must be above 0</source>
        <translation>film_n, base_n und outer_n müssen über 0 liegen</translation>
    </message>
    <message>
        <location filename="optics/film.py"/>
        <source>an extinction coefficient must not be negative</source>
        <translation>ein Extinktionskoeffizient darf nicht negativ sein</translation>
    </message>
    <message>
        <location filename="optics/fresnel.py"/>
        <source>cos_theta must lie in 0..1: it is measured on the side the light comes from</source>
        <translation>cos_theta muss in 0..1 liegen: er gilt auf der Seite, von der das Licht kommt</translation>
    </message>
    <message>
        <location filename="optics/fresnel.py"/>
        <source>eta, the ratio of the indices, must be above 0</source>
        <translation>eta, das Verhältnis der Brechzahlen, muss über 0 liegen</translation>
    </message>
    <message>
        <location filename="optics/fresnel.py"/>
        <source>n must be above 0 and k must not be negative</source>
        <translation>n muss über 0 liegen und k darf nicht negativ sein</translation>
    </message>
    <message>
        <location filename="optics/jit.py"/>
        <source>nothing can be worked out before the renderer is compiled</source>
        <translation>es kann nichts berechnet werden, bevor der Renderer kompiliert ist</translation>
    </message>
    <message>
        <location filename="optics/media.py"/>
        <source>absorption and thickness must not be negative</source>
        <translation>Absorption und Dicke dürfen nicht negativ sein</translation>
    </message>
    <message>
        <location filename="pictures.py"/>
        <source>the picture is damaged; save it again from where it came from</source>
        <translation>das Bild ist beschädigt; noch einmal von dort speichern, woher es kam</translation>
    </message>
    <message>
        <location filename="pictures.py"/>
        <source>{0}: the file is empty; choose a picture with something in it</source>
        <translation>{0}: die Datei ist leer; ein Bild mit Inhalt wählen</translation>
    </message>
    <message>
        <location filename="pictures.py"/>
        <source>{0}: this is not a picture file that can be read; give EXR, HDR, TIFF, PNG or JPEG</source>
        <translation>{0}: das ist keine lesbare Bilddatei; EXR, HDR, TIFF, PNG oder JPEG angeben</translation>
    </message>
    <message>
        <location filename="pictures.py"/>
        <source>{0}: this is not a picture file that can be read</source>
        <translation>{0}: das ist keine lesbare Bilddatei</translation>
    </message>
    <message>
        <location filename="pictures.py"/>
        <source>{0}: {1} × {2} is not a size that can be used</source>
        <translation>{0}: {1} × {2} ist keine brauchbare Größe</translation>
    </message>
    <message>
        <location filename="pictures.py"/>
        <source>{0}: {1} × {2} in {3} channels is more than can be held; save it smaller, 16384 × 8192 in three channels at the most</source>
        <translation>{0}: {1} × {2} in {3} Kanälen ist mehr, als gehalten werden kann; kleiner speichern, höchstens 16384 × 8192 in drei Kanälen</translation>
    </message>
    <message>
        <location filename="pictures.py"/>
        <source>{0}: the picture could not be written; the disk is full, or limits its files</source>
        <translation>{0}: das Bild konnte nicht geschrieben werden; der Datenträger ist voll oder begrenzt seine Dateien</translation>
    </message>
    <message>
        <location filename="readings/arrivals.py"/>
        <source>{0} files are more than the {1} that are taken at once</source>
        <translation>{0} Dateien sind mehr als die {1}, die auf einmal genommen werden</translation>
    </message>
    <message>
        <location filename="readings/arrivals.py"/>
        <source>{0}, {1} rows</source>
        <translation>{0}, {1} Zeilen</translation>
    </message>
    <message>
        <location filename="readings/cgats.py"/>
        <source>{0}: there is no whole table in this CGATS file (BEGIN_DATA_FORMAT, then BEGIN_DATA)</source>
        <translation>{0}: in dieser CGATS-Datei ist keine vollständige Tabelle (BEGIN_DATA_FORMAT, dann BEGIN_DATA)</translation>
    </message>
    <message>
        <location filename="readings/cgats.py"/>
        <source>{0}: this is of a light, a display or an observer ('{1}'), not of a surface</source>
        <translation>{0}: das ist von einem Licht, einem Bildschirm oder einem Beobachter ('{1}'), nicht von einer Oberfläche</translation>
    </message>
    <message>
        <location filename="readings/cgats.py"/>
        <source>its header says {0} {1}, but its fields say {2}</source>
        <translation>ihr Kopf sagt {0} {1}, ihre Felder aber {2}</translation>
    </message>
    <message>
        <location filename="readings/cgats.py"/>
        <source>{0}, line {1}: {2} values where the table has {3} fields</source>
        <translation>{0}, Zeile {1}: {2} Werte, wo die Tabelle {3} Felder hat</translation>
    </message>
    <message>
        <location filename="readings/cgats.py"/>
        <source>{0}: {1}; the file is not whole, or its header is of another</source>
        <translation>{0}: {1}; die Datei ist nicht vollständig, oder ihr Kopf gehört zu einer anderen</translation>
    </message>
    <message>
        <location filename="readings/cgats.py"/>
        <source>{0}, line {1}: a table of more than {2} fields is none of a reading</source>
        <translation>{0}, Zeile {1}: eine Tabelle mit mehr als {2} Feldern ist keine einer Messung</translation>
    </message>
    <message>
        <location filename="readings/cgats.py"/>
        <source>{0}, line {1}: more than {2} numbers in one file; split it</source>
        <translation>{0}, Zeile {1}: mehr als {2} Zahlen in einer Datei; sie teilen</translation>
    </message>
    <message>
        <location filename="readings/column_units.py"/>
        <source>column '{0}' says no unit</source>
        <translation>die Spalte '{0}' nennt keine Einheit</translation>
    </message>
    <message>
        <location filename="readings/column_units.py"/>
        <source>column '{0}' says no unit: taken as {1}</source>
        <translation>die Spalte '{0}' nennt keine Einheit: als {1} genommen</translation>
    </message>
    <message>
        <location filename="readings/column_units.py"/>
        <source>per cent</source>
        <translation>Prozent</translation>
    </message>
    <message>
        <location filename="readings/column_units.py"/>
        <source>column '{0}' says no unit: taken as {1}, as its values are</source>
        <translation>Spalte '{0}' nennt keine Einheit: genommen als {1}, wie ihre Werte</translation>
    </message>
    <message>
        <location filename="readings/column_units.py"/>
        <source>{0}: taken as per cent</source>
        <translation>{0}: als Prozent genommen</translation>
    </message>
    <message>
        <location filename="readings/column_units.py"/>
        <source>{0}: taken as fractions, 1 is all of the light; if these are per cent, say so</source>
        <translation>{0}: als Bruchteile genommen, 1 ist alles Licht; sind es Prozent, dies angeben</translation>
    </message>
    <message>
        <location filename="readings/columns.py"/>
        <source>wavelength</source>
        <translation>Wellenlänge</translation>
    </message>
    <message>
        <location filename="readings/columns.py"/>
        <source>angle of incidence</source>
        <translation>Einfallswinkel</translation>
    </message>
    <message>
        <location filename="readings/columns.py"/>
        <source>viewing angle</source>
        <translation>Betrachtungswinkel</translation>
    </message>
    <message>
        <location filename="readings/columns.py"/>
        <source>radius</source>
        <translation>Radius</translation>
    </message>
    <message>
        <location filename="readings/columns.py"/>
        <source>polarisation</source>
        <translation>Polarisation</translation>
    </message>
    <message>
        <location filename="readings/columns.py"/>
        <source>patch</source>
        <translation>Feld</translation>
    </message>
    <message>
        <location filename="readings/columns.py"/>
        <source>reflectance</source>
        <translation>Reflexionsgrad</translation>
    </message>
    <message>
        <location filename="readings/columns.py"/>
        <source>gloss</source>
        <translation>Glanz</translation>
    </message>
    <message>
        <location filename="readings/columns.py"/>
        <source>regular transmittance</source>
        <translation>gerichteter Transmissionsgrad</translation>
    </message>
    <message>
        <location filename="readings/columns.py"/>
        <source>total transmittance</source>
        <translation>Gesamttransmissionsgrad</translation>
    </message>
    <message>
        <location filename="readings/columns.py"/>
        <source>exitance</source>
        <translation>spezifische Ausstrahlung</translation>
    </message>
    <message>
        <location filename="readings/columns.py"/>
        <source>absorption</source>
        <translation>Absorption</translation>
    </message>
    <message>
        <location filename="readings/columns.py"/>
        <source>scattering</source>
        <translation>Streuung</translation>
    </message>
    <message>
        <location filename="readings/columns.py"/>
        <source>reduced scattering</source>
        <translation>reduzierte Streuung</translation>
    </message>
    <message>
        <location filename="readings/columns.py"/>
        <source>masked</source>
        <translation>ausgenommen</translation>
    </message>
    <message>
        <location filename="readings/documents.py"/>
        <source>{0}: there is no reflectance spectrum and no Lab value in this CxF document</source>
        <translation>{0}: in diesem CxF-Dokument ist weder ein Reflexionsspektrum noch ein Lab-Wert</translation>
    </message>
    <message>
        <location filename="readings/documents.py"/>
        <source>{0}: the YAML of optical constants cannot be read; save it again</source>
        <translation>{0}: das YAML der optischen Konstanten ist nicht lesbar; noch einmal speichern</translation>
    </message>
    <message>
        <location filename="readings/documents.py"/>
        <source>{0}: there is no index of refraction in it (tabulated nk, tabulated n, or a formula)</source>
        <translation>{0}: darin ist keine Brechzahl (tabulated nk, tabulated n oder eine Formel)</translation>
    </message>
    <message>
        <location filename="readings/documents.py"/>
        <source>{0}: it says nothing of light between {1} and {2} nm</source>
        <translation>{0}: es sagt nichts über Licht zwischen {1} und {2} nm</translation>
    </message>
    <message>
        <location filename="readings/documents.py"/>
        <source>only what lies between {0} and {1} nm is taken</source>
        <translation>nur was zwischen {0} und {1} nm liegt, wird genommen</translation>
    </message>
    <message>
        <location filename="readings/documents.py"/>
        <source>{0}: '{1}' does not say at which wavelengths its spectrum is</source>
        <translation>{0}: '{1}' sagt nicht, bei welchen Wellenlängen sein Spektrum ist</translation>
    </message>
    <message>
        <location filename="readings/documents.py"/>
        <source>{0}: this is not a whole {1} document ({2})</source>
        <translation>{0}: das ist kein vollständiges {1}-Dokument ({2})</translation>
    </message>
    <message>
        <location filename="readings/documents.py"/>
        <source>{0}: more than {1} samples in one file; split it</source>
        <translation>{0}: mehr als {1} Muster in einer Datei; sie teilen</translation>
    </message>
    <message>
        <location filename="readings/documents.py"/>
        <source>{0}: the entry '{1}' of its DATA is not whole</source>
        <translation>{0}: der Eintrag '{1}' in DATA ist nicht vollständig</translation>
    </message>
    <message>
        <location filename="readings/documents.py"/>
        <source>{0}: more than {1} numbers in one file; split it</source>
        <translation>{0}: mehr als {1} Zahlen in einer Datei; sie teilen</translation>
    </message>
    <message>
        <location filename="readings/edits.py"/>
        <source>at least one point must be left; take the whole reading out instead</source>
        <translation>mindestens ein Punkt muss bleiben; stattdessen die ganze Messung entfernen</translation>
    </message>
    <message>
        <location filename="readings/edits.py"/>
        <source>only a reading along one axis can be resampled</source>
        <translation>nur eine Messung entlang einer Achse lässt sich neu abtasten</translation>
    </message>
    <message>
        <location filename="readings/edits.py"/>
        <source>a reading can only be resampled to a coarser step than its own</source>
        <translation>eine Messung lässt sich nur gröber abtasten, als sie ist</translation>
    </message>
    <message>
        <location filename="readings/edits.py"/>
        <source>no place is left at that step</source>
        <translation>bei diesem Schritt bleibt keine Stelle</translation>
    </message>
    <message>
        <location filename="readings/files.py"/>
        <source>{0}: this is not a text file; export the reading as CSV</source>
        <translation>{0}: das ist keine Textdatei; die Messung als CSV exportieren</translation>
    </message>
    <message>
        <location filename="readings/headers.py"/>
        <source>the {0} '{1}' in its header was left out</source>
        <translation>{0} '{1}' im Kopf wurde ausgelassen</translation>
    </message>
    <message>
        <location filename="readings/headers.py"/>
        <source>the {0} '{1}' in its header is not a number</source>
        <translation>{0} '{1}' im Kopf ist keine Zahl</translation>
    </message>
    <message>
        <location filename="readings/kinds.py"/>
        <source>wavelength / nm</source>
        <translation>Wellenlänge / nm</translation>
    </message>
    <message>
        <location filename="readings/kinds.py"/>
        <source>rms difference of n and k</source>
        <translation>rms-Differenz von n und k</translation>
    </message>
    <message>
        <location filename="readings/kinds.py"/>
        <source>Spectral reflectance</source>
        <translation>Spektraler Reflexionsgrad</translation>
    </message>
    <message>
        <location filename="readings/kinds.py"/>
        <source>Gloss</source>
        <translation>Glanz</translation>
    </message>
    <message>
        <location filename="readings/kinds.py"/>
        <source>largest gloss difference</source>
        <translation>größte Glanzdifferenz</translation>
    </message>
    <message>
        <location filename="readings/kinds.py"/>
        <source>Specular reflectance</source>
        <translation>Gerichteter Reflexionsgrad</translation>
    </message>
    <message>
        <location filename="readings/kinds.py"/>
        <source>rms difference of reflectance</source>
        <translation>rms-Differenz des Reflexionsgrads</translation>
    </message>
    <message>
        <location filename="readings/kinds.py"/>
        <source>In-plane lobe</source>
        <translation>Keule in der Ebene</translation>
    </message>
    <message>
        <location filename="readings/kinds.py"/>
        <source>mean relative difference</source>
        <translation>mittlere relative Differenz</translation>
    </message>
    <message>
        <location filename="readings/kinds.py"/>
        <source>BRDF table</source>
        <translation>BRDF-Tabelle</translation>
    </message>
    <message>
        <location filename="readings/kinds.py"/>
        <source>Ellipsometry</source>
        <translation>Ellipsometrie</translation>
    </message>
    <message>
        <location filename="readings/kinds.py"/>
        <source>rms difference of ψ and Δ</source>
        <translation>rms-Differenz von ψ und Δ</translation>
    </message>
    <message>
        <location filename="readings/kinds.py"/>
        <source>largest index difference</source>
        <translation>größte Differenz der Brechzahl</translation>
    </message>
    <message>
        <location filename="readings/kinds.py"/>
        <source>Transmittance</source>
        <translation>Transmissionsgrad</translation>
    </message>
    <message>
        <location filename="readings/kinds.py"/>
        <source>rms difference of transmittance</source>
        <translation>rms-Differenz des Transmissionsgrads</translation>
    </message>
    <message>
        <location filename="readings/kinds.py"/>
        <source>Scatter profile</source>
        <translation>Streuprofil</translation>
    </message>
    <message>
        <location filename="readings/kinds.py"/>
        <source>Coefficients</source>
        <translation>Koeffizienten</translation>
    </message>
    <message>
        <location filename="readings/kinds.py"/>
        <source>Photograph's patches</source>
        <translation>Felder der Fotografie</translation>
    </message>
    <message>
        <location filename="readings/kinds.py"/>
        <source>there is no kind of reading '{0}': choose from {1}</source>
        <translation>es gibt keine Messung der Art '{0}': zur Wahl stehen {1}</translation>
    </message>
    <message>
        <location filename="readings/kinds.py"/>
        <source>angle / °</source>
        <translation>Winkel / °</translation>
    </message>
    <message>
        <location filename="readings/kinds.py"/>
        <source>gloss / GU</source>
        <translation>Glanz / GU</translation>
    </message>
    <message>
        <location filename="readings/kinds.py"/>
        <source>view angle / °</source>
        <translation>Blickwinkel / °</translation>
    </message>
    <message>
        <location filename="readings/kinds.py"/>
        <source>BRDF / 1/sr</source>
        <translation>BRDF / 1/sr</translation>
    </message>
    <message>
        <location filename="readings/kinds.py"/>
        <source>distance from the beam / mm</source>
        <translation>Abstand vom Strahl / mm</translation>
    </message>
    <message>
        <location filename="readings/kinds.py"/>
        <source>exitance / 1/mm²</source>
        <translation>Ausstrahlung / 1/mm²</translation>
    </message>
    <message>
        <location filename="readings/kinds.py"/>
        <source>coefficient / 1/mm</source>
        <translation>Koeffizient / 1/mm</translation>
    </message>
    <message>
        <location filename="readings/kinds.py"/>
        <source>linear, white is 1</source>
        <translation>linear, Weiß ist 1</translation>
    </message>
    <message>
        <location filename="readings/lamps.py"/>
        <source>Spectra of lamps (*.csv *.txt *.tsv *.sp *.cgats *.spdx *.xml);;All files (*)</source>
        <translation>Lampenspektren (*.csv *.txt *.tsv *.sp *.cgats *.spdx *.xml);;Alle Dateien (*)</translation>
    </message>
    <message>
        <location filename="readings/lamps.py"/>
        <source>{0}: a lamp's spectrum must cover {1} to {2} nm</source>
        <translation>{0}: das Spektrum einer Lampe muss {1} bis {2} nm umfassen</translation>
    </message>
    <message>
        <location filename="readings/lamps.py"/>
        <source>{0}: a wavelength stands twice in it; keep one spectrum in the file</source>
        <translation>{0}: eine Wellenlänge steht zweimal darin; ein Spektrum in der Datei lassen</translation>
    </message>
    <message>
        <location filename="readings/lamps.py"/>
        <source>{0}: a lamp's power is a number of 0 or more at every wavelength, and somewhere above</source>
        <translation>{0}: die Leistung einer Lampe ist bei jeder Wellenlänge eine Zahl von 0 oder mehr, und irgendwo darüber</translation>
    </message>
    <message>
        <location filename="readings/lamps.py"/>
        <source>{0}: there is no SpectralData in this document; a TM-27 file of a lamp has it</source>
        <translation>{0}: in diesem Dokument ist kein SpectralData; die TM-27-Datei einer Lampe hat es</translation>
    </message>
    <message>
        <location filename="readings/lamps.py"/>
        <source>{0}: there is no table in this file</source>
        <translation>{0}: in dieser Datei ist keine Tabelle</translation>
    </message>
    <message>
        <location filename="readings/lamps.py"/>
        <source>'{0}' is</source>
        <translation>'{0}' ist</translation>
    </message>
    <message>
        <location filename="readings/lamps.py"/>
        <source>there is</source>
        <translation>es gibt</translation>
    </message>
    <message>
        <location filename="readings/lamps.py"/>
        <source>{0}: {1} no wavelength with its power; two columns are wanted, nm and power</source>
        <translation>{0}: {1} keine Wellenlänge mit ihrer Leistung; gebraucht werden zwei Spalten, nm und Leistung</translation>
    </message>
    <message>
        <location filename="readings/lamps.py"/>
        <source>{0}: '{1}' is no wavelength with its power</source>
        <translation>{0}: '{1}' ist keine Wellenlänge mit ihrer Leistung</translation>
    </message>
    <message>
        <location filename="readings/lamps.py"/>
        <source>{0}: there are {1} spectra in it; keep the one of the lamp</source>
        <translation>{0}: es sind {1} Spektren darin; das der Lampe lassen</translation>
    </message>
    <message>
        <location filename="readings/layouts.py"/>
        <source>one sample each row</source>
        <translation>ein Muster je Zeile</translation>
    </message>
    <message>
        <location filename="readings/layouts.py"/>
        <source>column '{0}' was left out</source>
        <translation>die Spalte '{0}' wurde ausgelassen</translation>
    </message>
    <message>
        <location filename="readings/layouts.py"/>
        <source>nothing says what the numbers are: taken as reflectance</source>
        <translation>nichts sagt, was die Zahlen sind: als Reflexionsgrad gelesen</translation>
    </message>
    <message>
        <location filename="readings/layouts.py"/>
        <source>of colours under several lights those under {0} are taken, not {1}</source>
        <translation>von Farben unter mehreren Lichtarten gelten die unter {0}, nicht die unter {1}</translation>
    </message>
    <message>
        <location filename="readings/layouts.py"/>
        <source>the mean is taken</source>
        <translation>das Mittel wird genommen</translation>
    </message>
    <message>
        <location filename="readings/layouts.py"/>
        <source>, its deviation as the uncertainty</source>
        <translation>, seine Abweichung als Unsicherheit</translation>
    </message>
    <message>
        <location filename="readings/layouts.py"/>
        <source>column {0}</source>
        <translation>Spalte {0}</translation>
    </message>
    <message>
        <location filename="readings/model.py"/>
        <source>° in</source>
        <translation>° Einfall</translation>
    </message>
    <message>
        <location filename="readings/model.py"/>
        <source>° azimuth</source>
        <translation>° Azimut</translation>
    </message>
    <message>
        <location filename="readings/model.py"/>
        <source>illuminated area</source>
        <translation>beleuchtete Fläche</translation>
    </message>
    <message>
        <location filename="readings/model.py"/>
        <source>collected area</source>
        <translation>gesammelte Fläche</translation>
    </message>
    <message>
        <location filename="readings/model.py"/>
        <source>a mask needs one entry for each row</source>
        <translation>eine Maske braucht einen Eintrag für jede Zeile</translation>
    </message>
    <message>
        <location filename="readings/model.py"/>
        <source>reflectance must lie between 0 and 2, but for a multi-angle geometry</source>
        <translation>der Reflexionsgrad muss zwischen 0 und 2 liegen, außer bei einer Mehrwinkelgeometrie</translation>
    </message>
    <message>
        <location filename="readings/model.py"/>
        <source>a reading of {0} needs the same number of rows, at least one, in every column</source>
        <translation>eine Messung der Art {0} braucht in jeder Spalte gleich viele Zeilen, mindestens eine</translation>
    </message>
    <message>
        <location filename="readings/model.py"/>
        <source>a reading may have {0} rows at the most</source>
        <translation>eine Messung darf höchstens {0} Zeilen haben</translation>
    </message>
    <message>
        <location filename="readings/model.py"/>
        <source>a reading's numbers must be finite</source>
        <translation>die Zahlen einer Messung müssen endlich sein</translation>
    </message>
    <message>
        <location filename="readings/model.py"/>
        <source>every row needs at least one value</source>
        <translation>jede Zeile braucht mindestens einen Wert</translation>
    </message>
    <message>
        <location filename="readings/model.py"/>
        <source>this kind has none</source>
        <translation>diese Art hat keine</translation>
    </message>
    <message>
        <location filename="readings/model.py"/>
        <source>there is no geometry '{0}': {1}</source>
        <translation>es gibt keine Geometrie '{0}': {1}</translation>
    </message>
    <message>
        <location filename="readings/model.py"/>
        <source>a tolerance must be a number above 0</source>
        <translation>eine Toleranz muss eine Zahl über 0 sein</translation>
    </message>
    <message>
        <location filename="readings/model.py"/>
        <source>a thickness must lie between 0 and 10000 mm</source>
        <translation>eine Dicke muss zwischen 0 und 10000 mm liegen</translation>
    </message>
    <message>
        <location filename="readings/model.py"/>
        <source>a reading of {0} has no thickness</source>
        <translation>eine Messung der Art {0} hat keine Dicke</translation>
    </message>
    <message>
        <location filename="readings/model.py"/>
        <source>choose the observer from {0}</source>
        <translation>als Beobachter stehen zur Wahl: {0}</translation>
    </message>
    <message>
        <location filename="readings/model.py"/>
        <source>the power of the light '{0}' must be {1} numbers of 0 and more</source>
        <translation>die Leistung des Lichts '{0}' müssen {1} Zahlen von 0 und mehr sein</translation>
    </message>
    <message>
        <location filename="readings/model.py"/>
        <source>the uncertainty of {0} must be a number above 0 in every row</source>
        <translation>die Unsicherheit von {0} muss in jeder Zeile eine Zahl über 0 sein</translation>
    </message>
    <message>
        <location filename="readings/model.py"/>
        <source>a reading of {0} needs a column {1}</source>
        <translation>eine Messung der Art {0} braucht eine Spalte {1}</translation>
    </message>
    <message>
        <location filename="readings/model.py"/>
        <source>{0} must lie between {1} and {2}; in row {3} it is {4}</source>
        <translation>{0} muss zwischen {1} und {2} liegen; in Zeile {3} ist es {4}</translation>
    </message>
    <message>
        <location filename="readings/model.py"/>
        <source>a {0} must lie between 0 and 1000 {1}</source>
        <translation>{0} muss zwischen 0 und 1000 {1} liegen</translation>
    </message>
    <message>
        <location filename="readings/model.py"/>
        <source>a reading of {0} has no {1}</source>
        <translation>eine Messung der Art {0} hat das nicht: {1}</translation>
    </message>
    <message>
        <location filename="readings/model.py"/>
        <source>a reading of {0} has no systematic {1}</source>
        <translation>eine Messung der Art {0} hat dies nicht als systematische Unsicherheit: {1}</translation>
    </message>
    <message>
        <location filename="readings/model.py"/>
        <source>choose the illuminant from {0}, or a lamp as LED or 4100 K; there is no '{1}'</source>
        <translation>als Lichtart stehen zur Wahl: {0}, oder eine Lampe wie LED oder 4100 K; '{1}' gibt es nicht</translation>
    </message>
    <message>
        <location filename="readings/systematic.py"/>
        <source>write it as gain 1 %, offset 0.001, thickness 0.05 mm, angle 0.1°, or none</source>
        <translation>als gain 1 %, offset 0.001, thickness 0.05 mm, angle 0.1° schreiben, oder none</translation>
    </message>
    <message>
        <location filename="readings/systematic.py"/>
        <source>'{0}' is not a systematic uncertainty; {1}</source>
        <translation>'{0}' ist keine systematische Unsicherheit; {1}</translation>
    </message>
    <message>
        <location filename="readings/systematic.py"/>
        <source>{0} is given twice; {1}</source>
        <translation>{0} ist zweimal angegeben; {1}</translation>
    </message>
    <message>
        <location filename="readings/systematic.py"/>
        <source>a systematic uncertainty of {0} must lie between 0 and {1}</source>
        <translation>eine systematische Unsicherheit von {0} muss zwischen 0 und {1} liegen</translation>
    </message>
    <message>
        <location filename="readings/tables.py"/>
        <source>semicolon</source>
        <translation>Semikolon</translation>
    </message>
    <message>
        <location filename="readings/tables.py"/>
        <source>tab</source>
        <translation>Tabulator</translation>
    </message>
    <message>
        <location filename="readings/tables.py"/>
        <source>spaces</source>
        <translation>Leerzeichen</translation>
    </message>
    <message>
        <location filename="readings/tables.py"/>
        <source>{0}: it has more than {1} lines; a reading has 100000 rows at the most</source>
        <translation>{0}: sie hat mehr als {1} Zeilen; eine Messung hat höchstens 100000</translation>
    </message>
    <message>
        <location filename="readings/tables.py"/>
        <source>{0}, line {1}: '{2}' in column {3} is not a finite number</source>
        <translation>{0}, Zeile {1}: '{2}' in Spalte {3} ist keine endliche Zahl</translation>
    </message>
    <message>
        <location filename="readings/tables.py"/>
        <source>{0}, line {1}: {2} columns are more than the {3} of any reading</source>
        <translation>{0}, Zeile {1}: {2} Spalten sind mehr als die {3} irgendeiner Messung</translation>
    </message>
    <message>
        <location filename="readings/tables.py"/>
        <source>{0}, line {1}: more than {2} numbers in one file; split it into several</source>
        <translation>{0}, Zeile {1}: mehr als {2} Zahlen in einer Datei; auf mehrere verteilen</translation>
    </message>
    <message>
        <location filename="readings/tables.py"/>
        <source>{0}, line {1}: it is longer than a million letters; no table has such rows</source>
        <translation>{0}, Zeile {1}: sie ist länger als eine Million Zeichen; so lange Zeilen hat keine Tabelle</translation>
    </message>
    <message>
        <location filename="readings/tables.py"/>
        <source>{0}, line {1}: this line is no row of a table</source>
        <translation>{0}, Zeile {1}: das ist keine Tabellenzeile</translation>
    </message>
    <message>
        <location filename="readings/tables.py"/>
        <source>{0} line below the table was left out</source>
        <translation>{0} Zeile unter der Tabelle wurde ausgelassen</translation>
    </message>
    <message>
        <location filename="readings/tables.py"/>
        <source>{0} lines below the table were left out</source>
        <translation>{0} Zeilen unter der Tabelle wurden ausgelassen</translation>
    </message>
    <message>
        <location filename="readings/tables.py"/>
        <source>{0}, line {1}: '{2}' in column {3} is not a number; correct it or remove the row</source>
        <translation>{0}, Zeile {1}: '{2}' in Spalte {3} ist keine Zahl; berichtigen oder die Zeile entfernen</translation>
    </message>
    <message>
        <location filename="readings/targets.py"/>
        <source>Target {0}</source>
        <translation>Ziel {0}</translation>
    </message>
    <message>
        <location filename="readings/targets.py"/>
        <source>typed by hand</source>
        <translation>von Hand eingegeben</translation>
    </message>
    <message>
        <location filename="readings/targets.py"/>
        <source>write the coefficients in pairs, B1 C1 B2 C2 B3 C3 (C in µm²), or all B / all C</source>
        <translation>die Koeffizienten paarweise schreiben, B1 C1 B2 C2 B3 C3 (C in µm²), oder alle B / alle C</translation>
    </message>
    <message>
        <location filename="readings/targets.py"/>
        <source>with these coefficients the index is not between 1 and 5 all over 380 to 780 nm; C is in µm²</source>
        <translation>mit diesen Koeffizienten liegt die Brechzahl nicht von 380 bis 780 nm zwischen 1 und 5; C ist in µm²</translation>
    </message>
    <message>
        <location filename="readings/targets.py"/>
        <source>typed by hand: {0}</source>
        <translation>von Hand eingegeben: {0}</translation>
    </message>
    <message>
        <location filename="readings/targets.py"/>
        <source>write three numbers (L*, a*, b*), XYZ and three numbers, #rrggbb, or rgb and 0 to 255</source>
        <translation>drei Zahlen schreiben (L*, a*, b*), XYZ und drei Zahlen, #rrggbb, oder rgb und 0 bis 255</translation>
    </message>
    <message>
        <location filename="readings/uncertainty.py"/>
        <source>the uncertainty '{0}' must be above 0</source>
        <translation>die Unsicherheit '{0}' muss über 0 liegen</translation>
    </message>
    <message>
        <location filename="readings/uncertainty.py"/>
        <source>'{0}' is not an uncertainty; write it as 2 %, as 0.002, or as 2 % + 0.002</source>
        <translation>'{0}' ist keine Unsicherheit; als 2 %, als 0.002 oder als 2 % + 0.002 schreiben</translation>
    </message>
    <message>
        <location filename="readings/understanding.py"/>
        <source>{0}: several tables follow one another; only a table of n followed by one of k can be joined</source>
        <translation>{0}: mehrere Tabellen folgen einander; nur eine Tabelle von n mit einer von k danach lässt sich verbinden</translation>
    </message>
    <message>
        <location filename="readings/understanding.py"/>
        <source>{0}, line {1}: the first row must name the columns, as {2}</source>
        <translation>{0}, Zeile {1}: die erste Zeile muss die Spalten nennen, als {2}</translation>
    </message>
    <message>
        <location filename="readings/understanding.py"/>
        <source>{0}: these columns make no kind of reading; name them as {1}</source>
        <translation>{0}: diese Spalten ergeben keine Art von Messung; sie benennen als {1}</translation>
    </message>
    <message>
        <location filename="readings/understanding.py"/>
        <source>the {0} was left out: a reading of {1} has none</source>
        <translation>{0} wurde ausgelassen: eine Messung der Art {1} hat das nicht</translation>
    </message>
    <message>
        <location filename="readings/understanding.py"/>
        <source>the geometry '{0}' leaves open whether the specular part is in: taken as {1}, with it in</source>
        <translation>die Geometrie '{0}' lässt offen, ob der Glanz eingeschlossen ist: als {1} genommen, mit Glanz</translation>
    </message>
    <message>
        <location filename="readings/understanding.py"/>
        <source>{0}: a reflectance of {1} is more than a surface sends back; name its unit, as in 'reflectance (%)', or take out what is no reflectance</source>
        <translation>{0}: ein Reflexionsgrad von {1} ist mehr, als eine Oberfläche zurückgibt; die Einheit nennen, wie in 'reflectance (%)', oder herausnehmen, was kein Reflexionsgrad ist</translation>
    </message>
    <message>
        <location filename="readings/understanding.py"/>
        <source>{0}, line {1}</source>
        <translation>{0}, Zeile {1}</translation>
    </message>
    <message>
        <location filename="readings/understanding.py"/>
        <source>{0}: a table in this file has no rows</source>
        <translation>{0}: eine Tabelle in dieser Datei hat keine Zeilen</translation>
    </message>
    <message>
        <location filename="readings/understanding.py"/>
        <source>{0}: there is no sample '{1}' in this file</source>
        <translation>{0}: in dieser Datei ist kein Muster '{1}'</translation>
    </message>
    <message>
        <location filename="readings/understanding.py"/>
        <source>{0}, line {1}: every row of this table lacks a value</source>
        <translation>{0}, Zeile {1}: jeder Zeile dieser Tabelle fehlt ein Wert</translation>
    </message>
    <message>
        <location filename="readings/understanding.py"/>
        <source>{0} of {1} rows lack a value and were left out</source>
        <translation>{0} von {1} Zeilen fehlt ein Wert; sie wurden ausgelassen</translation>
    </message>
    <message>
        <location filename="readings/understanding.py"/>
        <source>{0}, line {1}: {2} cells where the table has {3} columns</source>
        <translation>{0}, Zeile {1}: {2} Zellen, wo die Tabelle {3} Spalten hat</translation>
    </message>
    <message>
        <location filename="readings/understanding.py"/>
        <source>the file says no geometry: taken as {0}</source>
        <translation>die Datei nennt keine Geometrie: als {0} genommen</translation>
    </message>
    <message>
        <location filename="readings/understanding.py"/>
        <source>the file says no uncertainty: taken as {0}</source>
        <translation>die Datei nennt keine Unsicherheit: als {0} genommen</translation>
    </message>
    <message>
        <location filename="readings/understanding.py"/>
        <source>the file says no thickness: the specimen's own is taken</source>
        <translation>die Datei nennt keine Dicke: die der Probe wird genommen</translation>
    </message>
    <message>
        <location filename="readings/understanding.py"/>
        <source>it sends most light back to the lamp: here the mirror direction lies at azimuth 180° or a positive view angle; correct the angles if the file counts from the other side</source>
        <translation>sie wirft das meiste Licht zur Lampe zurück: die Spiegelrichtung liegt hier bei Azimut 180° oder einem positiven Blickwinkel; die Winkel berichtigen, falls die Datei von der anderen Seite zählt</translation>
    </message>
    <message>
        <location filename="readings/understanding.py"/>
        <source>the file holds {0} samples; '{1}' is taken</source>
        <translation>die Datei enthält {0} Muster; genommen wird '{1}'</translation>
    </message>
    <message>
        <location filename="readings/understanding.py"/>
        <source>{0} readings of it are taken: {1}</source>
        <translation>{0} Messungen davon werden genommen: {1}</translation>
    </message>
    <message>
        <location filename="readings/understanding.py"/>
        <source>{0}: column '{1}' is not known; name columns as {2}</source>
        <translation>{0}: die Spalte '{1}' ist nicht bekannt; Spalten benennen als {2}</translation>
    </message>
    <message>
        <location filename="readings/understanding.py"/>
        <source>{0}: the columns '{1}' and '{2}' say the same; leave one of them out</source>
        <translation>{0}: die Spalten '{1}' und '{2}' sagen dasselbe; eine von ihnen auslassen</translation>
    </message>
    <message>
        <location filename="readings/understanding.py"/>
        <source>{0} were turned into L*, a*, b* under {1}</source>
        <translation>{0} wurde in L*, a*, b* unter {1} umgerechnet</translation>
    </message>
    <message>
        <location filename="readings/understanding.py"/>
        <source>some places are read more than once; they count as repeats, and can be averaged</source>
        <translation>manche Stellen sind mehrmals gemessen; sie zählen als Wiederholungen und lassen sich mitteln</translation>
    </message>
    <message>
        <location filename="readings/understanding.py"/>
        <source>the place '{0}' in its header was left out</source>
        <translation>der Ort '{0}' im Kopf wurde ausgelassen</translation>
    </message>
    <message>
        <location filename="readings/understanding.py"/>
        <source>{0} values a little below 0 are taken as 0</source>
        <translation>{0} Werte knapp unter 0 sind als 0 genommen</translation>
    </message>
    <message>
        <location filename="report/contents.py"/>
        <source>within tolerance</source>
        <translation>innerhalb der Toleranz</translation>
    </message>
    <message>
        <location filename="report/contents.py"/>
        <source>out of tolerance</source>
        <translation>außerhalb der Toleranz</translation>
    </message>
    <message>
        <location filename="report/contents.py"/>
        <source>Photograph in the frame of the render, {0}, exposure {1} EV.</source>
        <translation>Fotografie im Rahmen des Renders, {0}, Belichtung {1} EV.</translation>
    </message>
    <message>
        <location filename="report/contents.py"/>
        <source>ΔE2000 between the two: {0} on the mean, 99 % of the pixels below {1}; full at </source>
        <translation>ΔE2000 zwischen beiden: {0} im Mittel, 99 % der Pixel unter {1}; voll bei </translation>
    </message>
    <message>
        <location filename="report/contents.py"/>
        <source>{0} mm</source>
        <translation>{0} mm</translation>
    </message>
    <message>
        <location filename="report/contents.py"/>
        <source>σ about {0} % of the value</source>
        <translation>σ etwa {0} % des Werts</translation>
    </message>
    <message>
        <location filename="report/contents.py"/>
        <source>, denoised</source>
        <translation>, entrauscht</translation>
    </message>
    <message>
        <location filename="report/contents.py"/>
        <source>calibrated within ΔE {0}</source>
        <translation>kalibriert auf ΔE {0}</translation>
    </message>
    <message>
        <location filename="report/contents.py"/>
        <source>not calibrated by a chart</source>
        <translation>nicht nach einer Tafel kalibriert</translation>
    </message>
    <message>
        <location filename="report/contents.py"/>
        <source>not answered</source>
        <translation>nicht beantwortet</translation>
    </message>
    <message>
        <location filename="report/contents.py"/>
        <source>rise and fall together</source>
        <translation>steigen und fallen zusammen</translation>
    </message>
    <message>
        <location filename="report/contents.py"/>
        <source>trade against each other: one rises as the other falls</source>
        <translation>wirken gegeneinander: das eine steigt, wenn das andere fällt</translation>
    </message>
    <message>
        <location filename="report/contents.py"/>
        <source>No reading tells of: {0}. These are as they were set.</source>
        <translation>Keine Messung sagt etwas über: {0}. Diese sind, wie sie gesetzt wurden.</translation>
    </message>
    <message>
        <location filename="report/contents.py"/>
        <source>{0}, azimuth {1}°; exposure {2} EV, white {3}, view {4}; {5} samples{6}</source>
        <translation>{0}, Azimut {1}°; Belichtung {2} EV, Weiß {3}, Ansicht {4}; {5} Samples{6}</translation>
    </message>
    <message>
        <location filename="report/contents.py"/>
        <source>MaterialX, OpenPBR</source>
        <translation>MaterialX, OpenPBR</translation>
    </message>
    <message>
        <location filename="report/contents.py"/>
        <source>glTF 2.0</source>
        <translation>glTF 2.0</translation>
    </message>
    <message>
        <location filename="report/contents.py"/>
        <source>{0} (± {1} by itself)</source>
        <translation>{0} (allein ± {1})</translation>
    </message>
    <message>
        <location filename="report/contents.py"/>
        <source>{0}, {1}: {2} of {3} within tolerance. {4}</source>
        <translation>{0}, {1}: {2} von {3} innerhalb der Toleranz. {4}</translation>
    </message>
    <message>
        <location filename="report/contents.py"/>
        <source>{0} {1} (correlation {2}).</source>
        <translation>{0} {1} (Korrelation {2}).</translation>
    </message>
    <message>
        <location filename="report/writing.py"/>
        <source>there is no paper '{0}'; choose {1}</source>
        <translation>es gibt kein Papier '{0}'; zur Wahl stehen {1}</translation>
    </message>
    <message>
        <location filename="report/writing.py"/>
        <source>{0}: a report's name ends in {1}</source>
        <translation>{0}: der Name eines Berichts endet auf {1}</translation>
    </message>
    <message>
        <location filename="report/writing.py"/>
        <source>{0}: a PDF needs the package weasyprint and the library Pango; write an .html</source>
        <translation>{0}: ein PDF braucht das Paket weasyprint und die Bibliothek Pango; ein .html schreiben</translation>
    </message>
    <message>
        <location filename="scripting.py"/>
        <source>this study has no file yet; say where to save it</source>
        <translation>diese Studie hat noch keine Datei; sagen, wohin sie gespeichert wird</translation>
    </message>
    <message>
        <location filename="scripting.py"/>
        <source>{0}: the suffix says the standard: .mtlx, .glb, .usda, .usdc or .usdz</source>
        <translation>{0}: die Endung nennt den Standard: .mtlx, .glb, .usda, .usdc oder .usdz</translation>
    </message>
    <message>
        <location filename="shapes/lying.py"/>
        <source>'{0}' is no place: its numbers are out of range</source>
        <translation>'{0}' ist kein Ort: seine Zahlen sind außer Bereich</translation>
    </message>
    <message>
        <location filename="shapes/lying.py"/>
        <source>'{0}' is no place: write x y z and a diameter in mm, as 12 30 -4, 8 mm</source>
        <translation>'{0}' ist kein Ort: x y z und einen Durchmesser in mm schreiben, wie 12 30 -4, 8 mm</translation>
    </message>
    <message>
        <location filename="shapes/mesh.py"/>
        <source>a mesh needs triangles whose places are finite numbers</source>
        <translation>ein Netz braucht Dreiecke, deren Orte endliche Zahlen sind</translation>
    </message>
    <message>
        <location filename="shapes/mesh.py"/>
        <source>a mesh may have {0} triangles, this one has {1}</source>
        <translation>ein Netz darf {0} Dreiecke haben, dieses hat {1}</translation>
    </message>
    <message>
        <location filename="shapes/mesh.py"/>
        <source>a mesh needs triangles with an area</source>
        <translation>ein Netz braucht Dreiecke mit einer Fläche</translation>
    </message>
    <message>
        <location filename="shapes/meshfiles.py"/>
        <source>{0}: not a mesh that can be read; give {1}</source>
        <translation>{0}: kein lesbares Netz; {1} angeben</translation>
    </message>
    <message>
        <location filename="shapes/meshfiles.py"/>
        <source>{0}: the file is larger than 500 MB; thin the mesh out first</source>
        <translation>{0}: die Datei ist größer als 500 MB; das Netz zuerst ausdünnen</translation>
    </message>
    <message>
        <location filename="shapes/meshfiles.py"/>
        <source>{0}: a vertex needs three numbers; export the mesh again</source>
        <translation>{0}: ein Eckpunkt braucht drei Zahlen; das Netz noch einmal exportieren</translation>
    </message>
    <message>
        <location filename="shapes/meshfiles.py"/>
        <source>{0}: there are no triangles in it</source>
        <translation>{0}: darin sind keine Dreiecke</translation>
    </message>
    <message>
        <location filename="shapes/meshfiles.py"/>
        <source>{0}: {1} triangles are more than the {2} that can be taken</source>
        <translation>{0}: {1} Dreiecke sind mehr als die {2}, die genommen werden können</translation>
    </message>
    <message>
        <location filename="shapes/meshfiles.py"/>
        <source>{0}: {1} mm across is not between 0.1 and 10000 mm</source>
        <translation>{0}: {1} mm Größe liegt nicht zwischen 0,1 und 10000 mm</translation>
    </message>
    <message>
        <location filename="shapes/meshfiles.py"/>
        <source>{0}: the mesh is damaged or is not one (its JSON cannot be read)</source>
        <translation>{0}: das Netz ist beschädigt oder keines (sein JSON ist nicht lesbar)</translation>
    </message>
    <message>
        <location filename="shapes/meshfiles.py"/>
        <source>{0}: it asks for '{1}', outside its own folder; put all its files in one</source>
        <translation>{0}: es verlangt '{1}', außerhalb seines Ordners; alle seine Dateien in einen legen</translation>
    </message>
    <message>
        <location filename="shapes/meshfiles.py"/>
        <source>{0}: there is not enough memory to read it; thin the mesh out first</source>
        <translation>{0}: der Speicher reicht nicht, um es zu lesen; das Netz zuerst ausdünnen</translation>
    </message>
    <message>
        <location filename="shapes/meshfiles.py"/>
        <source>{0}: the mesh is damaged or is not one ({1})</source>
        <translation>{0}: das Netz ist beschädigt oder keines ({1})</translation>
    </message>
    <message>
        <location filename="shapes/meshfiles.py"/>
        <source>{0}: a face names vertex {1}, but there are {2}; export the mesh again</source>
        <translation>{0}: eine Fläche nennt Eckpunkt {1}, es gibt aber {2}; das Netz noch einmal exportieren</translation>
    </message>
    <message>
        <location filename="shapes/meshfiles.py"/>
        <source>{0}: the mesh kept in the study is damaged ({1})</source>
        <translation>{0}: das in der Studie gehaltene Netz ist beschädigt ({1})</translation>
    </message>
    <message>
        <location filename="shapes/standing.py"/>
        <source>there is no shape '{0}': choose from {1}</source>
        <translation>es gibt keine Form '{0}': zur Wahl stehen {1}</translation>
    </message>
    <message>
        <location filename="shapes/usd.py"/>
        <source>{0}: the stage is damaged or is not one; export it again</source>
        <translation>{0}: die Stage ist beschädigt oder keine; noch einmal exportieren</translation>
    </message>
    <message>
        <location filename="shapes/usd.py"/>
        <source>{0}: the faces of {1} do not go with its points; export it again</source>
        <translation>{0}: die Flächen von {1} passen nicht zu seinen Punkten; noch einmal exportieren</translation>
    </message>
    <message>
        <location filename="shapes/usd.py"/>
        <source>{0}: it is composed of more than {1} files; flatten it first</source>
        <translation>{0}: sie ist aus mehr als {1} Dateien zusammengesetzt; zuerst zu einer machen</translation>
    </message>
    <message>
        <location filename="study/journal.py"/>
        <source>Autosave failed, so a crash would lose what is not saved: {0}</source>
        <translation>Die Selbstsicherung schlug fehl; ein Absturz verlöre, was nicht gespeichert ist: {0}</translation>
    </message>
    <message>
        <location filename="study/journal.py"/>
        <source>a study</source>
        <translation>einer Studie</translation>
    </message>
    <message>
        <location filename="study/members.py"/>
        <source>proof '{0}'</source>
        <translation>Abzug '{0}'</translation>
    </message>
    <message>
        <location filename="study/members.py"/>
        <source>specimen '{0}'</source>
        <translation>Probe '{0}'</translation>
    </message>
    <message>
        <location filename="study/members.py"/>
        <source>{0}: this is not a study (its study.json does not say '{1}')</source>
        <translation>{0}: das ist keine Studie (ihr study.json sagt nicht '{1}')</translation>
    </message>
    <message>
        <location filename="study/members.py"/>
        <source>{0}: it was saved by a newer Photometra (format {1}); this one reads {2}</source>
        <translation>{0}: sie wurde von einem neueren Photometra gespeichert (Format {1}); dieses liest {2}</translation>
    </message>
    <message>
        <location filename="study/members.py"/>
        <source>{0}: two specimens have one name</source>
        <translation>{0}: zwei Proben haben einen Namen</translation>
    </message>
    <message>
        <location filename="study/members.py"/>
        <source>the study cannot be saved as it is: {0}; change that first</source>
        <translation>die Studie kann so nicht gespeichert werden: {0}; das zuerst ändern</translation>
    </message>
    <message>
        <location filename="study/members.py"/>
        <source>{0}: study.json, {1}</source>
        <translation>{0}: study.json, {1}</translation>
    </message>
    <message>
        <location filename="study/members.py"/>
        <source>{0}: the picture {1} is missing</source>
        <translation>{0}: das Bild {1} fehlt</translation>
    </message>
    <message>
        <location filename="study/members.py"/>
        <source>{0}: the reading '{1}' of '{2}' is missing ({3})</source>
        <translation>{0}: die Messung '{1}' von '{2}' fehlt ({3})</translation>
    </message>
    <message>
        <location filename="study/members.py"/>
        <source>{0}: specimen '{1}': {2}</source>
        <translation>{0}: Probe '{1}': {2}</translation>
    </message>
    <message>
        <location filename="study/members.py"/>
        <source>{0}: its study.json is damaged; open an earlier copy</source>
        <translation>{0}: ihr study.json ist beschädigt; eine frühere Kopie öffnen</translation>
    </message>
    <message>
        <location filename="study/members.py"/>
        <source>{0}: {1}: not a text file</source>
        <translation>{0}: {1}: keine Textdatei</translation>
    </message>
    <message>
        <location filename="study/model.py"/>
        <source>Untitled</source>
        <translation>Ohne Titel</translation>
    </message>
    <message>
        <location filename="study/model.py"/>
        <source>a specimen's size must lie between 0.1 and 10000 mm</source>
        <translation>die Größe einer Probe muss zwischen 0,1 und 10000 mm liegen</translation>
    </message>
    <message>
        <location filename="study/model.py"/>
        <source>none yet</source>
        <translation>noch keine</translation>
    </message>
    <message>
        <location filename="study/model.py"/>
        <source>there is no specimen '{0}' in this study; there is {1}</source>
        <translation>in dieser Studie ist keine Probe '{0}'; es gibt {1}</translation>
    </message>
    <message>
        <location filename="study/model.py"/>
        <source>name a part, a pattern of parts as frame/*, or a material of the file as @brass</source>
        <translation>ein Teil nennen, ein Muster von Teilen wie frame/* oder ein Material der Datei wie @brass</translation>
    </message>
    <message>
        <location filename="study/model.py"/>
        <source>a specimen needs a name</source>
        <translation>eine Probe braucht einen Namen</translation>
    </message>
    <message>
        <location filename="study/model.py"/>
        <source>a specimen's name may have {0} letters at the most</source>
        <translation>der Name einer Probe darf höchstens {0} Zeichen haben</translation>
    </message>
    <message>
        <location filename="study/model.py"/>
        <source>there is a specimen '{0}' already; choose another name</source>
        <translation>es gibt schon eine Probe '{0}'; einen anderen Namen wählen</translation>
    </message>
    <message>
        <location filename="study/model.py"/>
        <source>{0}: write bounds as a lower number, 'to', and a higher one</source>
        <translation>{0}: Grenzen als kleinere Zahl, 'to' und größere schreiben</translation>
    </message>
    <message>
        <location filename="study/model.py"/>
        <source>{0} follows '{1}' in {2}; change it there, or unlink the {3}</source>
        <translation>{0} folgt '{1}' in {2}; dort ändern oder die Verknüpfung in {3} lösen</translation>
    </message>
    <message>
        <location filename="study/model.py"/>
        <source>'{0}' would follow itself in the {1}; unlink another one first</source>
        <translation>'{0}' würde in {1} sich selbst folgen; zuerst eine andere Verknüpfung lösen</translation>
    </message>
    <message>
        <location filename="study/model.py"/>
        <source>more than {0} specimens in one study; take fewer files at once</source>
        <translation>mehr als {0} Proben in einer Studie; weniger Dateien auf einmal nehmen</translation>
    </message>
    <message>
        <location filename="study/storage.py"/>
        <source>{0}: a study with {1} parts is not one of ours</source>
        <translation>{0}: eine Studie mit {1} Teilen ist keine von unseren</translation>
    </message>
    <message>
        <location filename="study/storage.py"/>
        <source>{0}: unpacked it would be {1} times as large; this is no study</source>
        <translation>{0}: ausgepackt wäre sie {1}-mal so groß; das ist keine Studie</translation>
    </message>
    <message>
        <location filename="study/storage.py"/>
        <source>{0}: it holds two parts of one name; not opened</source>
        <translation>{0}: sie enthält zwei Teile eines Namens; nicht geöffnet</translation>
    </message>
    <message>
        <location filename="study/storage.py"/>
        <source>{0}: this is not a study (it has no study.json)</source>
        <translation>{0}: das ist keine Studie (sie hat kein study.json)</translation>
    </message>
    <message>
        <location filename="study/storage.py"/>
        <source>{0} was changed by another program since it was opened here</source>
        <translation>{0} wurde von einem anderen Programm geändert, seit es hier geöffnet wurde</translation>
    </message>
    <message>
        <location filename="study/storage.py"/>
        <source>{0}: the file is damaged or is not a study; open an earlier copy, or what autosave kept</source>
        <translation>{0}: die Datei ist beschädigt oder keine Studie; eine frühere Kopie öffnen oder was die Selbstsicherung behielt</translation>
    </message>
    <message>
        <location filename="study/storage.py"/>
        <source>{0}: there is not enough memory to open it</source>
        <translation>{0}: der Speicher reicht nicht, um sie zu öffnen</translation>
    </message>
    <message>
        <location filename="study/storage.py"/>
        <source>{0}: it holds a part named '{1}', which no study has; not opened</source>
        <translation>{0}: sie enthält einen Teil namens '{1}', den keine Studie hat; nicht geöffnet</translation>
    </message>
    <message>
        <location filename="study/storage.py"/>
        <source>{0}: its part '{1}' claims {2} bytes, too large to open</source>
        <translation>{0}: ihr Teil '{1}' will {2} Byte groß sein, zu groß zum Öffnen</translation>
    </message>
    <message>
        <location filename="study/storage.py"/>
        <source>{0}: its part '{1}' is packed in a way that no study is; not opened</source>
        <translation>{0}: ihr Teil '{1}' ist gepackt, wie es keine Studie ist; nicht geöffnet</translation>
    </message>
    <message>
        <location filename="study/storage.py"/>
        <source>{0}: its part '{1}' is locked with a password; a study has none</source>
        <translation>{0}: ihr Teil '{1}' ist mit einem Kennwort geschützt; eine Studie hat keines</translation>
    </message>
    <message>
        <location filename="surface/checks.py"/>
        <source>The optical constants are to come from a reading, but no reading of constants is active.</source>
        <translation>Die optischen Konstanten sollen aus einer Messung kommen, aber keine Messung von Konstanten ist aktiv.</translation>
    </message>
    <message>
        <location filename="surface/checks.py"/>
        <source>The table {0} covers {1}–{2} nm only; its end values are held beyond.</source>
        <translation>Die Tabelle {0} reicht nur von {1} bis {2} nm; darüber hinaus gelten ihre Endwerte.</translation>
    </message>
    <message>
        <location filename="surface/checks.py"/>
        <source>The film's table {0} covers {1}–{2} nm only; held beyond.</source>
        <translation>Die Dünnfilmtabelle {0} reicht nur von {1} bis {2} nm; darüber hinaus gelten ihre Endwerte.</translation>
    </message>
    <message>
        <location filename="surface/checks.py"/>
        <source>A film of no thickness shows nothing.</source>
        <translation>Ein Dünnfilm ohne Dicke zeigt nichts.</translation>
    </message>
    <message>
        <location filename="surface/checks.py"/>
        <source>Make it 300 nm</source>
        <translation>300 nm geben</translation>
    </message>
    <message>
        <location filename="surface/checks.py"/>
        <source>A film of the body's own index cannot be seen on it.</source>
        <translation>Ein Dünnfilm mit der Brechzahl des Körpers ist auf ihm nicht zu sehen.</translation>
    </message>
    <message>
        <location filename="surface/checks.py"/>
        <source>Make it {0}</source>
        <translation>{0} geben</translation>
    </message>
    <message>
        <location filename="surface/checks.py"/>
        <source>A coat of index 1 is air: it does nothing.</source>
        <translation>Ein Lack mit Brechzahl 1 ist Luft: er tut nichts.</translation>
    </message>
    <message>
        <location filename="surface/checks.py"/>
        <source>Make it 1.5</source>
        <translation>1,5 geben</translation>
    </message>
    <message>
        <location filename="surface/checks.py"/>
        <source>Transmission does nothing in a metal: no light gets through it.</source>
        <translation>Transmission bewirkt in einem Metall nichts: kein Licht kommt hindurch.</translation>
    </message>
    <message>
        <location filename="surface/checks.py"/>
        <source>Take it away</source>
        <translation>Wegnehmen</translation>
    </message>
    <message>
        <location filename="surface/checks.py"/>
        <source>Metalness between 0 and 1 is a mixture, as of rust or worn plating; a single material is 0 or 1.</source>
        <translation>Ein Metallanteil zwischen 0 und 1 ist eine Mischung, wie Rost oder abgenutzte Beschichtung; ein einzelnes Material ist 0 oder 1.</translation>
    </message>
    <message>
        <location filename="surface/checks.py"/>
        <source>A haze that spreads no wider than the finish cannot be seen.</source>
        <translation>Ein Glanzschleier, der nicht breiter ist als das Finish, ist nicht zu sehen.</translation>
    </message>
    <message>
        <location filename="surface/checks.py"/>
        <source>Spread it</source>
        <translation>Verbreitern</translation>
    </message>
    <message>
        <location filename="surface/checks.py"/>
        <source>A body colour above 0.95 is brighter than fresh snow; pictures will be slow and pale.</source>
        <translation>Eine Körperfarbe über 0,95 ist heller als frischer Schnee; Bilder werden langsam und blass.</translation>
    </message>
    <message>
        <location filename="surface/checks.py"/>
        <source>Bring it to 0.9</source>
        <translation>Auf 0,9 bringen</translation>
    </message>
    <message>
        <location filename="surface/checks.py"/>
        <source>Sheen comes from fibres, which a metal does not have; dust on it would be one.</source>
        <translation>Faserschimmer kommt von Fasern, die ein Metall nicht hat; Staub darauf wäre einer.</translation>
    </message>
    <message>
        <location filename="surface/checks.py"/>
        <source>Fibres on clear glass are dust: from within the glass they are not seen.</source>
        <translation>Fasern auf klarem Glas sind Staub: aus dem Glas heraus sind sie nicht zu sehen.</translation>
    </message>
    <message>
        <location filename="surface/checks.py"/>
        <source>Take them away</source>
        <translation>Wegnehmen</translation>
    </message>
    <message>
        <location filename="surface/checks.py"/>
        <source>A coat of no thickness has no colour.</source>
        <translation>Ein Lack ohne Dicke hat keine Farbe.</translation>
    </message>
    <message>
        <location filename="surface/checks.py"/>
        <source>Make it 50 µm</source>
        <translation>50 µm geben</translation>
    </message>
    <message>
        <location filename="surface/checks.py"/>
        <source>On a mirror a brushing direction cannot be seen.</source>
        <translation>Auf einem Spiegel ist keine Schliffrichtung zu sehen.</translation>
    </message>
    <message>
        <location filename="surface/checks.py"/>
        <source>Roughen it to 0.2</source>
        <translation>Auf 0,2 aufrauen</translation>
    </message>
    <message>
        <location filename="surface/checks.py"/>
        <source>In a sheet there is no depth to scatter in: the subsurface is taken as its body's colour.</source>
        <translation>In einem Blatt ist keine Tiefe zum Streuen: die Volumenstreuung wird als Farbe seines Körpers genommen.</translation>
    </message>
    <message>
        <location filename="surface/checks.py"/>
        <source>Make it the body colour</source>
        <translation>Zur Körperfarbe machen</translation>
    </message>
    <message>
        <location filename="surface/checks.py"/>
        <source>A thin wall does not scatter within; give it translucency instead.</source>
        <translation>Eine dünne Wand streut innen nicht; ihr stattdessen Transluzenz geben.</translation>
    </message>
    <message>
        <location filename="surface/checks.py"/>
        <source>Clear it</source>
        <translation>Leeren</translation>
    </message>
    <message>
        <location filename="surface/checks.py"/>
        <source>Nothing of the surface is there.</source>
        <translation>Von der Oberfläche ist nichts da.</translation>
    </message>
    <message>
        <location filename="surface/checks.py"/>
        <source>Make it whole</source>
        <translation>Ganz machen</translation>
    </message>
    <message>
        <location filename="surface/checks.py"/>
        <source>The bounce limits take {0} % of the light away.</source>
        <translation>Die Grenzen der Pfadlänge nehmen {0} % des Lichts weg.</translation>
    </message>
    <message>
        <location filename="surface/checks.py"/>
        <source>Raise them</source>
        <translation>Anheben</translation>
    </message>
    <message>
        <location filename="surface/checks.py"/>
        <source>Fireflies are clamped at {0}: highlights lose light.</source>
        <translation>Glühpixel werden bei {0} gekappt: Glanzlichter verlieren Licht.</translation>
    </message>
    <message>
        <location filename="surface/checks.py"/>
        <source>Let them</source>
        <translation>Zulassen</translation>
    </message>
    <message>
        <location filename="surface/checks.py"/>
        <source>The shallow and deep shares of the subsurface add up to {0}: both are scaled to 1 together, and nothing is left for the middle.</source>
        <translation>Flacher und tiefer Anteil der Volumenstreuung ergeben zusammen {0}: beide werden zusammen auf 1 gebracht, und für die Mitte bleibt nichts.</translation>
    </message>
    <message>
        <location filename="surface/checks.py"/>
        <source>Scale them</source>
        <translation>Anpassen</translation>
    </message>
    <message>
        <location filename="surface/checks.py"/>
        <source>A mean free path of {0} mm is long against the specimen ({1} mm): light runs through it, and it looks like weak smoke. Is its scale ten times too large?</source>
        <translation>Eine mittlere freie Weglänge von {0} mm ist lang gegen die Probe ({1} mm): Licht läuft hindurch, und sie sieht aus wie dünner Rauch. Ist der Maßstab zehnmal zu groß?</translation>
    </message>
    <message>
        <location filename="surface/checks.py"/>
        <source>Bring it to a tenth of the size</source>
        <translation>Auf ein Zehntel der Größe bringen</translation>
    </message>
    <message>
        <location filename="surface/checks.py"/>
        <source>The map of {0} is without its picture; level 0.5 stands in for it. Find the picture, or use a constant.</source>
        <translation>Der Textur von {0} fehlt ihr Bild; Pegel 0,5 steht für sie. Das Bild suchen oder eine Konstante verwenden.</translation>
    </message>
    <message>
        <location filename="surface/checks.py"/>
        <source>The last layer of the map of {0} is a mask, and masks nothing.</source>
        <translation>Die letzte Ebene der Textur von {0} ist eine Maske und maskiert nichts.</translation>
    </message>
    <message>
        <location filename="surface/checks.py"/>
        <source>Remove it</source>
        <translation>Entfernen</translation>
    </message>
    <message>
        <location filename="surface/checks.py"/>
        <source>Use index and Abbe number</source>
        <translation>Brechzahl und Abbe-Zahl verwenden</translation>
    </message>
    <message>
        <location filename="surface/checks.py"/>
        <source>Use face and edge colour</source>
        <translation>Farben senkrecht und streifend verwenden</translation>
    </message>
    <message>
        <location filename="surface/checks.py"/>
        <source>An index of 1 is that of air: the surface reflects nothing.</source>
        <translation>Eine Brechzahl von 1 ist die der Luft: die Oberfläche reflektiert nichts.</translation>
    </message>
    <message>
        <location filename="surface/checks.py"/>
        <source>An Abbe number below 15 disperses more than any known glass.</source>
        <translation>Eine Abbe-Zahl unter 15 dispergiert mehr als jedes bekannte Glas.</translation>
    </message>
    <message>
        <location filename="surface/checks.py"/>
        <source>Make it 60</source>
        <translation>60 geben</translation>
    </message>
    <message>
        <location filename="surface/checks.py"/>
        <source>The interior absorbs so much that {0} mm of it let less than 0.1 % through: black.</source>
        <translation>Das Innere absorbiert so viel, dass {0} mm davon weniger als 0,1 % durchlassen: schwarz.</translation>
    </message>
    <message>
        <location filename="surface/checks.py"/>
        <source>Give it the specimen's depth</source>
        <translation>Die Tiefe der Probe geben</translation>
    </message>
    <message>
        <location filename="surface/checks.py"/>
        <source>A thin wall that lets nothing through is just a surface.</source>
        <translation>Eine dünne Wand, die nichts durchlässt, ist nur eine Oberfläche.</translation>
    </message>
    <message>
        <location filename="surface/checks.py"/>
        <source>Let light through</source>
        <translation>Licht durchlassen</translation>
    </message>
    <message>
        <location filename="surface/checks.py"/>
        <source>A mean free path of {0} mm is far smaller than a pixel: a plain body colour looks the same.</source>
        <translation>Eine mittlere freie Weglänge von {0} mm ist viel kleiner als ein Pixel: eine einfache Körperfarbe sieht ebenso aus.</translation>
    </message>
    <message>
        <location filename="surface/checks.py"/>
        <source>Make it a body colour</source>
        <translation>Zu einer Körperfarbe machen</translation>
    </message>
    <message>
        <location filename="surface/checks.py"/>
        <source>No light gets through a metal to a back side.</source>
        <translation>Durch ein Metall kommt kein Licht zu einer Rückseite.</translation>
    </message>
    <message>
        <location filename="surface/compile.py"/>
        <source>constants is 'reading', but the specimen has no active reading of optical constants</source>
        <translation>constants ist 'reading', aber die Probe hat keine aktive Messung optischer Konstanten</translation>
    </message>
    <message>
        <location filename="surface/constants.py"/>
        <source>did you mean {0}?</source>
        <translation>war {0} gemeint?</translation>
    </message>
    <message>
        <location filename="surface/constants.py"/>
        <source>see 'photometra constants'</source>
        <translation>siehe 'photometra constants'</translation>
    </message>
    <message>
        <location filename="surface/constants.py"/>
        <source>there is no table of optical constants '{0}': {1}</source>
        <translation>es gibt keine Tabelle optischer Konstanten '{0}': {1}</translation>
    </message>
    <message>
        <location filename="surface/declared/body.py"/>
        <source>How rough the finish is; the slope width alpha is its square.</source>
        <translation>Wie rau das Finish ist; die Neigungsbreite alpha ist das Quadrat davon.</translation>
    </message>
    <message>
        <location filename="surface/declared/body.py"/>
        <source>Anisotropy</source>
        <translation>Anisotropie</translation>
    </message>
    <message>
        <location filename="surface/declared/body.py"/>
        <source>How much narrower the reflection is along the brushing direction than across it.</source>
        <translation>Wie viel schmaler die Reflexion entlang der Schliffrichtung ist als quer dazu.</translation>
    </message>
    <message>
        <location filename="surface/declared/body.py"/>
        <source>Brushing direction</source>
        <translation>Schliffrichtung</translation>
    </message>
    <message>
        <location filename="surface/declared/body.py"/>
        <source>The brushing direction, in degrees from the direction round the shape.</source>
        <translation>Die Schliffrichtung, in Grad von der Richtung um die Form.</translation>
    </message>
    <message>
        <location filename="surface/declared/body.py"/>
        <source>Bump</source>
        <translation>Bump</translation>
    </message>
    <message>
        <location filename="surface/declared/body.py"/>
        <source>Height of the surface where a map drives it: hammer marks, orange peel, weave, knocks. One height everywhere shows nothing. Instruments see what is finer than their spot as roughness.</source>
        <translation>Höhe der Oberfläche, wo eine Textur sie treibt: Hammerschlag, Orangenhaut, Gewebe, Dellen. Überall dieselbe Höhe zeigt nichts. Geräte sehen, was feiner ist als ihr Messfleck, als Rauheit.</translation>
    </message>
    <message>
        <location filename="surface/declared/body.py"/>
        <source>Displacement</source>
        <translation>Displacement</translation>
    </message>
    <message>
        <location filename="surface/declared/body.py"/>
        <source>How far the shape itself is moved out where a map drives it: relief that has an outline and throws shadows. For the picture alone: instruments read a flat sample.</source>
        <translation>Wie weit die Form selbst hinausgerückt wird, wo eine Textur sie treibt: ein Relief mit Umriss und Schatten. Nur für das Bild: Geräte lesen eine flache Probe.</translation>
    </message>
    <message>
        <location filename="surface/declared/body.py"/>
        <source>Haze</source>
        <translation>Glanzschleier</translation>
    </message>
    <message>
        <location filename="surface/declared/body.py"/>
        <source>Share of the reflection that micro-scratches spread into a wider lobe.</source>
        <translation>Anteil der Reflexion, den Mikrokratzer in eine breitere Keule streuen.</translation>
    </message>
    <message>
        <location filename="surface/declared/body.py"/>
        <source>Haze spread</source>
        <translation>Schleierbreite</translation>
    </message>
    <message>
        <location filename="surface/declared/body.py"/>
        <source>How much wider the haze is: 0 as narrow as the finish, 1 fully rough.</source>
        <translation>Wie viel breiter der Glanzschleier ist: 0 so schmal wie das Finish, 1 ganz rau.</translation>
    </message>
    <message>
        <location filename="surface/declared/body.py"/>
        <source>Metalness</source>
        <translation>Metallanteil</translation>
    </message>
    <message>
        <location filename="surface/declared/body.py"/>
        <source>0 a dielectric body, 1 a metal; between, a mixture.</source>
        <translation>0 ein dielektrischer Körper, 1 ein Metall; dazwischen eine Mischung.</translation>
    </message>
    <message>
        <location filename="surface/declared/body.py"/>
        <source>Measured n and k by wavelength: a built-in table, or the specimen's own reading.</source>
        <translation>Gemessene n und k nach Wellenlänge: eine eingebaute Tabelle oder die eigene Messung der Probe.</translation>
    </message>
    <message>
        <location filename="surface/declared/body.py"/>
        <source>Background</source>
        <translation>Hintergrund</translation>
    </message>
    <message>
        <location filename="surface/declared/body.py"/>
        <source>Permittivity that the Drude–Lorentz model tends to at short wavelengths.</source>
        <translation>Permittivität, auf die das Drude-Lorentz-Modell bei kurzen Wellenlängen zugeht.</translation>
    </message>
    <message>
        <location filename="surface/declared/body.py"/>
        <source>Plasma energy</source>
        <translation>Plasmaenergie</translation>
    </message>
    <message>
        <location filename="surface/declared/body.py"/>
        <source>Plasma energy of the free electrons, the Drude term; 0 for none.</source>
        <translation>Plasmaenergie der freien Elektronen, der Drude-Term; 0 für keinen.</translation>
    </message>
    <message>
        <location filename="surface/declared/body.py"/>
        <source>Damping</source>
        <translation>Dämpfung</translation>
    </message>
    <message>
        <location filename="surface/declared/body.py"/>
        <source>Damping of the free electrons: the width of the Drude term.</source>
        <translation>Dämpfung der freien Elektronen: die Breite des Drude-Terms.</translation>
    </message>
    <message>
        <location filename="surface/declared/body.py"/>
        <source>First oscillator</source>
        <translation>Erster Oszillator</translation>
    </message>
    <message>
        <location filename="surface/declared/body.py"/>
        <source>Strength of the first oscillator of bound electrons: what it adds to the permittivity at long wavelengths.</source>
        <translation>Stärke des ersten Oszillators gebundener Elektronen: was er bei langen Wellenlängen zur Permittivität beiträgt.</translation>
    </message>
    <message>
        <location filename="surface/declared/body.py"/>
        <source>First energy</source>
        <translation>Erste Energie</translation>
    </message>
    <message>
        <location filename="surface/declared/body.py"/>
        <source>Photon energy at which the first oscillator absorbs most.</source>
        <translation>Photonenenergie, bei der der erste Oszillator am meisten absorbiert.</translation>
    </message>
    <message>
        <location filename="surface/declared/body.py"/>
        <source>First width</source>
        <translation>Erste Breite</translation>
    </message>
    <message>
        <location filename="surface/declared/body.py"/>
        <source>How broad the first oscillator's absorption is.</source>
        <translation>Wie breit die Absorption des ersten Oszillators ist.</translation>
    </message>
    <message>
        <location filename="surface/declared/body.py"/>
        <source>Second oscillator</source>
        <translation>Zweiter Oszillator</translation>
    </message>
    <message>
        <location filename="surface/declared/body.py"/>
        <source>Strength of the second oscillator of bound electrons: what it adds to the permittivity at long wavelengths.</source>
        <translation>Stärke des zweiten Oszillators gebundener Elektronen: was er bei langen Wellenlängen zur Permittivität beiträgt.</translation>
    </message>
    <message>
        <location filename="surface/declared/body.py"/>
        <source>Second energy</source>
        <translation>Zweite Energie</translation>
    </message>
    <message>
        <location filename="surface/declared/body.py"/>
        <source>Photon energy at which the second oscillator absorbs most.</source>
        <translation>Photonenenergie, bei der der zweite Oszillator am meisten absorbiert.</translation>
    </message>
    <message>
        <location filename="surface/declared/body.py"/>
        <source>Second width</source>
        <translation>Zweite Breite</translation>
    </message>
    <message>
        <location filename="surface/declared/body.py"/>
        <source>How broad the second oscillator's absorption is.</source>
        <translation>Wie breit die Absorption des zweiten Oszillators ist.</translation>
    </message>
    <message>
        <location filename="surface/declared/body.py"/>
        <source>Normal reflectance</source>
        <translation>Reflexion senkrecht</translation>
    </message>
    <message>
        <location filename="surface/declared/body.py"/>
        <source>A metal's reflectance at normal incidence (F0), where no constants are chosen.</source>
        <translation>Reflexionsgrad eines Metalls bei senkrechtem Einfall (F0), wo keine Konstanten gewählt sind.</translation>
    </message>
    <message>
        <location filename="surface/declared/body.py"/>
        <source>Grazing reflectance</source>
        <translation>Reflexion streifend</translation>
    </message>
    <message>
        <location filename="surface/declared/body.py"/>
        <source>A metal's reflectance near grazing, 82° from the normal (F82), where no constants are chosen.</source>
        <translation>Reflexionsgrad eines Metalls bei streifendem Einfall, 82° von der Normalen (F82), wo keine Konstanten gewählt sind.</translation>
    </message>
    <message>
        <location filename="surface/declared/body.py"/>
        <source>Tint</source>
        <translation>Färbung</translation>
    </message>
    <message>
        <location filename="surface/declared/body.py"/>
        <source>Multiplies a metal's reflectance, whether from constants or from colours.</source>
        <translation>Multipliziert den Reflexionsgrad eines Metalls, ob aus Konstanten oder Farben.</translation>
    </message>
    <message>
        <location filename="surface/declared/body.py"/>
        <source>Index of refraction of a dielectric at 589.3 nm (nD; nd, at 587.6 nm, is up to 0.0003 higher).</source>
        <translation>Brechzahl eines Dielektrikums bei 589,3 nm (nD; nd, bei 587,6 nm, ist bis zu 0,0003 höher).</translation>
    </message>
    <message>
        <location filename="surface/declared/body.py"/>
        <source>Abbe number</source>
        <translation>Abbe-Zahl</translation>
    </message>
    <message>
        <location filename="surface/declared/body.py"/>
        <source>How little the index changes with wavelength; 0 means not at all.</source>
        <translation>Wie wenig sich die Brechzahl mit der Wellenlänge ändert; 0 heißt gar nicht.</translation>
    </message>
    <message>
        <location filename="surface/declared/body.py"/>
        <source>Body colour</source>
        <translation>Körperfarbe</translation>
    </message>
    <message>
        <location filename="surface/declared/body.py"/>
        <source>Reflectance of the body below its interface; what leaves is darker and deeper.</source>
        <translation>Reflexionsgrad des Körpers unter seiner Grenzfläche; was austritt, ist dunkler und tiefer.</translation>
    </message>
    <message>
        <location filename="surface/declared/body.py"/>
        <source>Diffuse roughness</source>
        <translation>Diffuse Rauheit</translation>
    </message>
    <message>
        <location filename="surface/declared/body.py"/>
        <source>How flat and chalky the body looks: 0 even, 1 like dry clay.</source>
        <translation>Wie flach und kreidig der Körper wirkt: 0 gleichmäßig, 1 wie trockener Ton.</translation>
    </message>
    <message>
        <location filename="surface/declared/body.py"/>
        <source>Opacity</source>
        <translation>Deckung</translation>
    </message>
    <message>
        <location filename="surface/declared/body.py"/>
        <source>Share of the surface that is there at all: less than 1 for gauze, mesh and torn cloth.</source>
        <translation>Anteil der Oberfläche, der überhaupt da ist: unter 1 für Gaze, Netz und zerrissenes Tuch.</translation>
    </message>
    <message>
        <location filename="surface/declared/body.py"/>
        <source>mirror</source>
        <translation>Spiegel</translation>
    </message>
    <message>
        <location filename="surface/declared/body.py"/>
        <source>polished</source>
        <translation>poliert</translation>
    </message>
    <message>
        <location filename="surface/declared/body.py"/>
        <source>satin</source>
        <translation>seidenmatt</translation>
    </message>
    <message>
        <location filename="surface/declared/body.py"/>
        <source>brushed</source>
        <translation>gebürstet</translation>
    </message>
    <message>
        <location filename="surface/declared/body.py"/>
        <source>matt</source>
        <translation>matt</translation>
    </message>
    <message>
        <location filename="surface/declared/body.py"/>
        <source>even</source>
        <translation>gleichmäßig</translation>
    </message>
    <message>
        <location filename="surface/declared/body.py"/>
        <source>grooved</source>
        <translation>gerillt</translation>
    </message>
    <message>
        <location filename="surface/declared/body.py"/>
        <source>across</source>
        <translation>quer</translation>
    </message>
    <message>
        <location filename="surface/declared/body.py"/>
        <source>round</source>
        <translation>rundum</translation>
    </message>
    <message>
        <location filename="surface/declared/body.py"/>
        <source>handled</source>
        <translation>berührt</translation>
    </message>
    <message>
        <location filename="surface/declared/body.py"/>
        <source>wiped</source>
        <translation>gewischt</translation>
    </message>
    <message>
        <location filename="surface/declared/body.py"/>
        <source>bloom</source>
        <translation>Hauch</translation>
    </message>
    <message>
        <location filename="surface/declared/body.py"/>
        <source>veil</source>
        <translation>Schleier</translation>
    </message>
    <message>
        <location filename="surface/declared/body.py"/>
        <source>milky</source>
        <translation>milchig</translation>
    </message>
    <message>
        <location filename="surface/declared/body.py"/>
        <source>gold</source>
        <translation>Gold</translation>
    </message>
    <message>
        <location filename="surface/declared/body.py"/>
        <source>aluminium</source>
        <translation>Aluminium</translation>
    </message>
    <message>
        <location filename="surface/declared/body.py"/>
        <source>water</source>
        <translation>Wasser</translation>
    </message>
    <message>
        <location filename="surface/declared/body.py"/>
        <source>crown glass</source>
        <translation>Kronglas</translation>
    </message>
    <message>
        <location filename="surface/declared/body.py"/>
        <source>sapphire</source>
        <translation>Saphir</translation>
    </message>
    <message>
        <location filename="surface/declared/body.py"/>
        <source>diamond</source>
        <translation>Diamant</translation>
    </message>
    <message>
        <location filename="surface/declared/body.py"/>
        <source>dense flint</source>
        <translation>Schwerflint</translation>
    </message>
    <message>
        <location filename="surface/declared/body.py"/>
        <source>crown</source>
        <translation>Kron</translation>
    </message>
    <message>
        <location filename="surface/declared/body.py"/>
        <source>fluorite</source>
        <translation>Fluorit</translation>
    </message>
    <message>
        <location filename="surface/declared/body.py"/>
        <source>paper</source>
        <translation>Papier</translation>
    </message>
    <message>
        <location filename="surface/declared/body.py"/>
        <source>clay</source>
        <translation>Ton</translation>
    </message>
    <message>
        <location filename="surface/declared/body.py"/>
        <source>nothing</source>
        <translation>nichts</translation>
    </message>
    <message>
        <location filename="surface/declared/body.py"/>
        <source>gauze</source>
        <translation>Gaze</translation>
    </message>
    <message>
        <location filename="surface/declared/body.py"/>
        <source>whole</source>
        <translation>ganz</translation>
    </message>
    <message>
        <location filename="surface/declared/interior.py"/>
        <source>Transmission</source>
        <translation>Transmission</translation>
    </message>
    <message>
        <location filename="surface/declared/interior.py"/>
        <source>Share of the light let in that passes through a clear interior.</source>
        <translation>Anteil des eingelassenen Lichts, der durch ein klares Inneres geht.</translation>
    </message>
    <message>
        <location filename="surface/declared/interior.py"/>
        <source>Colour at depth</source>
        <translation>Farbe in der Tiefe</translation>
    </message>
    <message>
        <location filename="surface/declared/interior.py"/>
        <source>What white becomes after the depth beside it.</source>
        <translation>Was aus Weiß wird nach der Tiefe daneben.</translation>
    </message>
    <message>
        <location filename="surface/declared/interior.py"/>
        <source>Depth</source>
        <translation>Tiefe</translation>
    </message>
    <message>
        <location filename="surface/declared/interior.py"/>
        <source>The path at which the interior has its colour.</source>
        <translation>Der Weg, nach dem das Innere seine Farbe hat.</translation>
    </message>
    <message>
        <location filename="surface/declared/interior.py"/>
        <source>Absorption</source>
        <translation>Absorption</translation>
    </message>
    <message>
        <location filename="surface/declared/interior.py"/>
        <source>Further absorption coefficient, red, green and blue.</source>
        <translation>Weiterer Absorptionskoeffizient, Rot, Grün und Blau.</translation>
    </message>
    <message>
        <location filename="surface/declared/interior.py"/>
        <source>Scattering</source>
        <translation>Streuung</translation>
    </message>
    <message>
        <location filename="surface/declared/interior.py"/>
        <source>Scattering coefficient of a milky or smoky interior, red, green and blue.</source>
        <translation>Streukoeffizient eines milchigen oder rauchigen Inneren, Rot, Grün und Blau.</translation>
    </message>
    <message>
        <location filename="surface/declared/interior.py"/>
        <source>Asymmetry</source>
        <translation>Asymmetrie</translation>
    </message>
    <message>
        <location filename="surface/declared/interior.py"/>
        <source>Anisotropy g of single scattering: -1 back, 0 isotropic, 1 forward.</source>
        <translation>Anisotropie g der Einfachstreuung: -1 zurück, 0 isotrop, 1 vorwärts.</translation>
    </message>
    <message>
        <location filename="surface/declared/interior.py"/>
        <source>Subsurface</source>
        <translation>Volumenstreuung</translation>
    </message>
    <message>
        <location filename="surface/declared/interior.py"/>
        <source>Share of the body in which light scatters below the surface before it leaves: wax, skin, marble.</source>
        <translation>Anteil des Körpers, in dem Licht unter der Oberfläche streut, bevor es austritt: Wachs, Haut, Marmor.</translation>
    </message>
    <message>
        <location filename="surface/declared/interior.py"/>
        <source>Subsurface colour</source>
        <translation>Streufarbe</translation>
    </message>
    <message>
        <location filename="surface/declared/interior.py"/>
        <source>What a deep block of it reflects below its interface.</source>
        <translation>Was ein tiefer Block davon unter seiner Grenzfläche reflektiert.</translation>
    </message>
    <message>
        <location filename="surface/declared/interior.py"/>
        <source>How far light travels between two scattering events, red, green and blue.</source>
        <translation>Wie weit Licht zwischen zwei Streuungen läuft, Rot, Grün und Blau.</translation>
    </message>
    <message>
        <location filename="surface/declared/interior.py"/>
        <source>Subsurface scale</source>
        <translation>Streumaßstab</translation>
    </message>
    <message>
        <location filename="surface/declared/interior.py"/>
        <source>Multiplies the mean free path, where a whole specimen's scale is off.</source>
        <translation>Multipliziert die mittlere freie Weglänge, wo der Maßstab einer ganzen Probe nicht stimmt.</translation>
    </message>
    <message>
        <location filename="surface/declared/interior.py"/>
        <source>Shallow share</source>
        <translation>Flacher Anteil</translation>
    </message>
    <message>
        <location filename="surface/declared/interior.py"/>
        <source>Share of the subsurface light that scatters in a shallow layer of its own, as of skin.</source>
        <translation>Anteil des Volumenstreulichts, das in einer eigenen flachen Schicht streut, wie in Haut.</translation>
    </message>
    <message>
        <location filename="surface/declared/interior.py"/>
        <source>Shallow colour</source>
        <translation>Flache Farbe</translation>
    </message>
    <message>
        <location filename="surface/declared/interior.py"/>
        <source>What a deep block of the shallow layer reflects below its interface.</source>
        <translation>Was ein tiefer Block der flachen Schicht unter seiner Grenzfläche reflektiert.</translation>
    </message>
    <message>
        <location filename="surface/declared/interior.py"/>
        <source>Shallow free path</source>
        <translation>Flacher freier Weg</translation>
    </message>
    <message>
        <location filename="surface/declared/interior.py"/>
        <source>How far light goes between two scattering events in the shallow layer.</source>
        <translation>Wie weit Licht in der flachen Schicht zwischen zwei Streuungen läuft.</translation>
    </message>
    <message>
        <location filename="surface/declared/interior.py"/>
        <source>Deep share</source>
        <translation>Tiefer Anteil</translation>
    </message>
    <message>
        <location filename="surface/declared/interior.py"/>
        <source>Share of the subsurface light that scatters in a deep layer of its own.</source>
        <translation>Anteil des Volumenstreulichts, das in einer eigenen tiefen Schicht streut.</translation>
    </message>
    <message>
        <location filename="surface/declared/interior.py"/>
        <source>Deep colour</source>
        <translation>Tiefe Farbe</translation>
    </message>
    <message>
        <location filename="surface/declared/interior.py"/>
        <source>What a deep block of the deep layer reflects below its interface.</source>
        <translation>Was ein tiefer Block der tiefen Schicht unter seiner Grenzfläche reflektiert.</translation>
    </message>
    <message>
        <location filename="surface/declared/interior.py"/>
        <source>Deep free path</source>
        <translation>Tiefer freier Weg</translation>
    </message>
    <message>
        <location filename="surface/declared/interior.py"/>
        <source>How far light goes between two scattering events in the deep layer.</source>
        <translation>Wie weit Licht in der tiefen Schicht zwischen zwei Streuungen läuft.</translation>
    </message>
    <message>
        <location filename="surface/declared/interior.py"/>
        <source>Thin-walled</source>
        <translation>Dünnwandig</translation>
    </message>
    <message>
        <location filename="surface/declared/interior.py"/>
        <source>A sheet or a bubble: light passes straight through, without refraction.</source>
        <translation>Ein Blatt oder eine Blase: Licht geht gerade hindurch, ohne Brechung.</translation>
    </message>
    <message>
        <location filename="surface/declared/interior.py"/>
        <source>Wall</source>
        <translation>Wand</translation>
    </message>
    <message>
        <location filename="surface/declared/interior.py"/>
        <source>Thickness of the wall of a thin-walled body; its colour deepens with it.</source>
        <translation>Dicke der Wand eines dünnwandigen Körpers; seine Farbe wird mit ihr tiefer.</translation>
    </message>
    <message>
        <location filename="surface/declared/interior.py"/>
        <source>Translucency</source>
        <translation>Transluzenz</translation>
    </message>
    <message>
        <location filename="surface/declared/interior.py"/>
        <source>Share of the body's light that leaves at the back: cloth, leaf, paper.</source>
        <translation>Anteil des Lichts aus dem Körper, das hinten austritt: Tuch, Blatt, Papier.</translation>
    </message>
    <message>
        <location filename="surface/declared/interior.py"/>
        <source>Back colour</source>
        <translation>Rückseitenfarbe</translation>
    </message>
    <message>
        <location filename="surface/declared/interior.py"/>
        <source>The body's colour seen from the back; light that comes through has passed both colours.</source>
        <translation>Die Farbe des Körpers von hinten gesehen; durchgegangenes Licht hat beide Farben durchlaufen.</translation>
    </message>
    <message>
        <location filename="surface/declared/interior.py"/>
        <source>pane</source>
        <translation>Scheibe</translation>
    </message>
    <message>
        <location filename="surface/declared/interior.py"/>
        <source>prism</source>
        <translation>Prisma</translation>
    </message>
    <message>
        <location filename="surface/declared/interior.py"/>
        <source>block</source>
        <translation>Block</translation>
    </message>
    <message>
        <location filename="surface/declared/interior.py"/>
        <source>back</source>
        <translation>zurück</translation>
    </message>
    <message>
        <location filename="surface/declared/interior.py"/>
        <source>milk</source>
        <translation>Milch</translation>
    </message>
    <message>
        <location filename="surface/declared/interior.py"/>
        <source>skin</source>
        <translation>Haut</translation>
    </message>
    <message>
        <location filename="surface/declared/interior.py"/>
        <source>true</source>
        <translation>wahr</translation>
    </message>
    <message>
        <location filename="surface/declared/interior.py"/>
        <source>foil</source>
        <translation>Folie</translation>
    </message>
    <message>
        <location filename="surface/declared/interior.py"/>
        <source>canvas</source>
        <translation>Segeltuch</translation>
    </message>
    <message>
        <location filename="surface/declared/interior.py"/>
        <source>leaf</source>
        <translation>Blatt</translation>
    </message>
    <message>
        <location filename="surface/declared/layers.py"/>
        <source>Sheen</source>
        <translation>Fasern</translation>
    </message>
    <message>
        <location filename="surface/declared/layers.py"/>
        <source>How much of the surface upright fibres cover: felt, velvet, dust; they brighten towards grazing.</source>
        <translation>Wie viel der Oberfläche aufrechte Fasern decken: Filz, Samt, Staub; sie werden streifend heller.</translation>
    </message>
    <message>
        <location filename="surface/declared/layers.py"/>
        <source>Reflectance of a single fibre.</source>
        <translation>Reflexionsgrad einer einzelnen Faser.</translation>
    </message>
    <message>
        <location filename="surface/declared/layers.py"/>
        <source>Sheen roughness</source>
        <translation>Faserrauheit</translation>
    </message>
    <message>
        <location filename="surface/declared/layers.py"/>
        <source>How far the fibres stray from upright: 0 combed velvet, 1 a tangle.</source>
        <translation>Wie weit die Fasern von der Senkrechten abweichen: 0 gekämmter Samt, 1 ein Gewirr.</translation>
    </message>
    <message>
        <location filename="surface/declared/layers.py"/>
        <source>Share of the surface that a clear coat covers: varnish, lacquer, glaze.</source>
        <translation>Anteil der Oberfläche, den ein klarer Lack deckt: Firnis, Klarlack, Glasur.</translation>
    </message>
    <message>
        <location filename="surface/declared/layers.py"/>
        <source>Coat index</source>
        <translation>Lackbrechzahl</translation>
    </message>
    <message>
        <location filename="surface/declared/layers.py"/>
        <source>Index of refraction of the coat.</source>
        <translation>Brechzahl des Lacks.</translation>
    </message>
    <message>
        <location filename="surface/declared/layers.py"/>
        <source>How rough the coat's own face is; the slope width alpha is its square. Above 0.3 the highlight of a near mirror below is up to 15 % too high, of other finishes within 18 %; the reflectance is within 3 %.</source>
        <translation>Wie rau die Fläche des Lacks selbst ist; die Neigungsbreite alpha ist das Quadrat davon. Über 0,3 ist das Glanzlicht eines Beinahe-Spiegels darunter bis zu 15 % zu hoch, anderer Finishs auf 18 % genau; der Reflexionsgrad stimmt auf 3 %.</translation>
    </message>
    <message>
        <location filename="surface/declared/layers.py"/>
        <source>Coat anisotropy</source>
        <translation>Lackanisotropie</translation>
    </message>
    <message>
        <location filename="surface/declared/layers.py"/>
        <source>How much narrower the coat's reflection is along the brushing direction than across it.</source>
        <translation>Wie viel schmaler die Reflexion des Lacks entlang der Schliffrichtung ist als quer dazu.</translation>
    </message>
    <message>
        <location filename="surface/declared/layers.py"/>
        <source>Coat bump</source>
        <translation>Lackbump</translation>
    </message>
    <message>
        <location filename="surface/declared/layers.py"/>
        <source>Height of the coat's own face where a map drives it, over what lies below: orange peel, brush marks, runs. One height everywhere shows nothing. Instruments see what is finer than their spot as coat roughness.</source>
        <translation>Höhe der Fläche des Lacks selbst, wo eine Textur sie treibt, über dem, was darunter liegt: Orangenhaut, Pinselspuren, Läufer. Überall dieselbe Höhe zeigt nichts. Geräte sehen, was feiner ist als ihr Messfleck, als Rauheit des Lacks.</translation>
    </message>
    <message>
        <location filename="surface/declared/layers.py"/>
        <source>Coat levelling</source>
        <translation>Lackverlauf</translation>
    </message>
    <message>
        <location filename="surface/declared/layers.py"/>
        <source>How far the coat's face levels out the bump of what it lies on: 0 follows it, 1 is smooth.</source>
        <translation>Wie weit die Fläche des Lacks den Bump darunter ausgleicht: 0 folgt ihm, 1 ist glatt.</translation>
    </message>
    <message>
        <location filename="surface/declared/layers.py"/>
        <source>Thickness of the coat; its colour deepens with it.</source>
        <translation>Dicke des Lacks; seine Farbe wird mit ihr tiefer.</translation>
    </message>
    <message>
        <location filename="surface/declared/layers.py"/>
        <source>Coat colour</source>
        <translation>Lackfarbe</translation>
    </message>
    <message>
        <location filename="surface/declared/layers.py"/>
        <source>What white becomes after one pass down and up through 50 µm of coat; it deepens towards grazing.</source>
        <translation>Was aus Weiß wird nach einem Weg hinab und hinauf durch 50 µm Lack; streifend wird es tiefer.</translation>
    </message>
    <message>
        <location filename="surface/declared/layers.py"/>
        <source>Film</source>
        <translation>Film</translation>
    </message>
    <message>
        <location filename="surface/declared/layers.py"/>
        <source>Share of the surface that a thin film covers.</source>
        <translation>Anteil der Oberfläche, den ein Dünnfilm deckt.</translation>
    </message>
    <message>
        <location filename="surface/declared/layers.py"/>
        <source>Thickness of the film, whose two faces interfere: a few hundred nanometres give colours.</source>
        <translation>Dicke des Dünnfilms, dessen beide Flächen interferieren: einige hundert Nanometer geben Farben.</translation>
    </message>
    <message>
        <location filename="surface/declared/layers.py"/>
        <source>Index of refraction of the film.</source>
        <translation>Brechzahl des Dünnfilms.</translation>
    </message>
    <message>
        <location filename="surface/declared/layers.py"/>
        <source>Film Abbe number</source>
        <translation>Dünnfilm-Abbe-Zahl</translation>
    </message>
    <message>
        <location filename="surface/declared/layers.py"/>
        <source>How little the film's index changes with wavelength; 0 means not at all.</source>
        <translation>Wie wenig sich die Brechzahl des Dünnfilms mit der Wellenlänge ändert; 0 heißt gar nicht.</translation>
    </message>
    <message>
        <location filename="surface/declared/layers.py"/>
        <source>Film constants</source>
        <translation>Dünnfilmkonstanten</translation>
    </message>
    <message>
        <location filename="surface/declared/layers.py"/>
        <source>Measured n and k of the film by wavelength, from a built-in table, instead of its index.</source>
        <translation>Gemessene n und k des Dünnfilms nach Wellenlänge, aus einer eingebauten Tabelle, statt seiner Brechzahl.</translation>
    </message>
    <message>
        <location filename="surface/declared/layers.py"/>
        <source>dusty</source>
        <translation>staubig</translation>
    </message>
    <message>
        <location filename="surface/declared/layers.py"/>
        <source>felt</source>
        <translation>Filz</translation>
    </message>
    <message>
        <location filename="surface/declared/layers.py"/>
        <source>velvet</source>
        <translation>Samt</translation>
    </message>
    <message>
        <location filename="surface/declared/layers.py"/>
        <source>dust</source>
        <translation>Staub</translation>
    </message>
    <message>
        <location filename="surface/declared/layers.py"/>
        <source>worn</source>
        <translation>abgenutzt</translation>
    </message>
    <message>
        <location filename="surface/declared/layers.py"/>
        <source>varnish</source>
        <translation>Firnis</translation>
    </message>
    <message>
        <location filename="surface/declared/layers.py"/>
        <source>glaze</source>
        <translation>Glasur</translation>
    </message>
    <message>
        <location filename="surface/declared/layers.py"/>
        <source>brushed on</source>
        <translation>gestrichen</translation>
    </message>
    <message>
        <location filename="surface/declared/layers.py"/>
        <source>follows</source>
        <translation>folgt</translation>
    </message>
    <message>
        <location filename="surface/declared/layers.py"/>
        <source>dipped</source>
        <translation>getaucht</translation>
    </message>
    <message>
        <location filename="surface/declared/layers.py"/>
        <source>poured</source>
        <translation>gegossen</translation>
    </message>
    <message>
        <location filename="surface/declared/layers.py"/>
        <source>lacquer</source>
        <translation>Zaponlack</translation>
    </message>
    <message>
        <location filename="surface/declared/layers.py"/>
        <source>patchy</source>
        <translation>fleckig</translation>
    </message>
    <message>
        <location filename="surface/declared/layers.py"/>
        <source>straw</source>
        <translation>strohgelb</translation>
    </message>
    <message>
        <location filename="surface/declared/layers.py"/>
        <source>lens coating</source>
        <translation>Vergütung</translation>
    </message>
    <message>
        <location filename="surface/declared/layers.py"/>
        <source>soap</source>
        <translation>Seife</translation>
    </message>
    <message>
        <location filename="surface/declared/layers.py"/>
        <source>oil</source>
        <translation>Öl</translation>
    </message>
    <message>
        <location filename="surface/declared/layers.py"/>
        <source>silica</source>
        <translation>Quarz</translation>
    </message>
    <message>
        <location filename="surface/declared/layers.py"/>
        <source>nitride</source>
        <translation>Nitrid</translation>
    </message>
    <message>
        <location filename="surface/declared/layers.py"/>
        <source>titania</source>
        <translation>Titandioxid</translation>
    </message>
    <message>
        <location filename="surface/inputs.py"/>
        <source>{0}: a set of tiles is kept in the study; leave 'link' away</source>
        <translation>{0}: ein Kachelsatz wird in der Studie gehalten; 'link' weglassen</translation>
    </message>
    <message>
        <location filename="surface/inputs.py"/>
        <source>{0}: a mask says how much of the next layer is taken; put a layer after it</source>
        <translation>{0}: eine Maske sagt, wie viel von der nächsten Ebene genommen wird; eine Ebene danach setzen</translation>
    </message>
    <message>
        <location filename="surface/inputs.py"/>
        <source>a map needs a source: a picture's path, or one of {0}</source>
        <translation>eine Textur braucht eine Quelle: den Pfad eines Bildes oder eines von {0}</translation>
    </message>
    <message>
        <location filename="surface/inputs.py"/>
        <source>{0}: '{1}' is not a length or two, as 20mm or 20x30mm</source>
        <translation>{0}: '{1}' ist weder eine Länge noch zwei, wie 20mm oder 20x30mm</translation>
    </message>
    <message>
        <location filename="surface/inputs.py"/>
        <source>{0}: a further layer begins with {1} and a colon, not '{2}'</source>
        <translation>{0}: eine weitere Ebene beginnt mit {1} und einem Doppelpunkt, nicht mit '{2}'</translation>
    </message>
    <message>
        <location filename="surface/inputs.py"/>
        <source>{0}: {1} belong to the whole map; write them in its first layer</source>
        <translation>{0}: {1} gehören zur ganzen Textur; in die erste Ebene schreiben</translation>
    </message>
    <message>
        <location filename="surface/inputs.py"/>
        <source>{0}: there is no generator '{1}': choose from {2}, or a picture</source>
        <translation>{0}: es gibt keinen Generator '{1}': zur Wahl stehen {2} oder ein Bild</translation>
    </message>
    <message>
        <location filename="surface/inputs.py"/>
        <source>{0}: {1}={2} is not a number</source>
        <translation>{0}: {1}={2} ist keine Zahl</translation>
    </message>
    <message>
        <location filename="surface/inputs.py"/>
        <source>{0} of {1}: '{2}' is not a number</source>
        <translation>{0} von {1}: '{2}' ist keine Zahl</translation>
    </message>
    <message>
        <location filename="surface/inputs.py"/>
        <source>{0}: {1} is taken as a picture of gloss, and inverted</source>
        <translation>{0}: {1} wird als Bild des Glanzes genommen und umgekehrt</translation>
    </message>
    <message>
        <location filename="surface/inputs.py"/>
        <source>{0}: '{1}' is not understood in a map; known are {2}{3}, {4}, {5}</source>
        <translation>{0}: '{1}' wird in einer Textur nicht verstanden; bekannt sind {2}{3}, {4}, {5}</translation>
    </message>
    <message>
        <location filename="surface/model.py"/>
        <source>there is no stratum '{0}'</source>
        <translation>es gibt keine Schicht '{0}'</translation>
    </message>
    <message>
        <location filename="surface/model.py"/>
        <source>{0}: {1} does not vary over this surface; it has one value</source>
        <translation>{0}: {1} ändert sich nicht über diese Oberfläche; es hat einen Wert</translation>
    </message>
    <message>
        <location filename="surface/model.py"/>
        <source>{0}: {1} varies; say {2}.low or {3}.high</source>
        <translation>{0}: {1} ändert sich; {2}.low oder {3}.high sagen</translation>
    </message>
    <message>
        <location filename="surface/parameters.py"/>
        <source>Interior</source>
        <translation>Inneres</translation>
    </message>
    <message>
        <location filename="surface/parameters.py"/>
        <source>Back side</source>
        <translation>Rückseite</translation>
    </message>
    <message>
        <location filename="surface/parameters.py"/>
        <source>there is no parameter '{0}': did you mean {1}?</source>
        <translation>es gibt keinen Parameter '{0}': war {1} gemeint?</translation>
    </message>
    <message>
        <location filename="surface/scale.py"/>
        <source>a scale needs a low end below its high end</source>
        <translation>eine Skala braucht ein unteres Ende unter ihrem oberen</translation>
    </message>
    <message>
        <location filename="surface/udim.py"/>
        <source>{0}: it is not of the size and depth of {1}; save the set alike</source>
        <translation>{0}: nicht von Größe und Tiefe wie {1}; den Satz gleich speichern</translation>
    </message>
    <message>
        <location filename="surface/udim.py"/>
        <source>{0}: the set is {1} × {2} tiles of {3} × {4}; save them smaller</source>
        <translation>{0}: der Satz sind {1} × {2} Kacheln von {3} × {4}; kleiner speichern</translation>
    </message>
    <message>
        <location filename="surface/values.py"/>
        <source>a colour; write #rrggbb, r,g,b (linear, each 0 to 1), rgb and three numbers up to 255, or acescg r,g,b</source>
        <translation>eine Farbe; #rrggbb, r,g,b (linear, je 0 bis 1), rgb und drei Zahlen bis 255, oder acescg r,g,b schreiben</translation>
    </message>
    <message>
        <location filename="surface/values.py"/>
        <source>one number, nor three for red, green and blue</source>
        <translation>eine Zahl, auch nicht drei für Rot, Grün und Blau</translation>
    </message>
    <message>
        <location filename="surface/values.py"/>
        <source>a value in {0}</source>
        <translation>ein Wert in {0}</translation>
    </message>
    <message>
        <location filename="surface/values.py"/>
        <source>a plain number or %</source>
        <translation>eine bloße Zahl oder %</translation>
    </message>
    <message>
        <location filename="surface/values.py"/>
        <source>{0}: '{1}' is not a unit it takes; give {2}</source>
        <translation>{0}: '{1}' ist keine Einheit dafür; angeben: {2}</translation>
    </message>
    <message>
        <location filename="surface/values.py"/>
        <source>{0}: {1}{2} is outside {3} to {4}{5}</source>
        <translation>{0}: {1}{2} liegt außerhalb von {3} bis {4}{5}</translation>
    </message>
    <message>
        <location filename="surface/values.py"/>
        <source>{0}: '{1}' is not a number</source>
        <translation>{0}: '{1}' ist keine Zahl</translation>
    </message>
    <message>
        <location filename="surface/values.py"/>
        <source>{0}: 'gloss' is 1 minus the roughness here, from 0 to 1; {1} gloss units are what a gloss meter reads: take them as a reading of gloss, and solve</source>
        <translation>{0}: 'gloss' ist hier 1 minus die Rauheit, von 0 bis 1; {1} Glanzeinheiten liest ein Glanzmessgerät: sie als Messung des Glanzes nehmen und lösen</translation>
    </message>
    <message>
        <location filename="surface/values.py"/>
        <source>{0}: an albedo of {1} cannot leave an index of {2}; {3} is the most</source>
        <translation>{0}: eine Albedo von {1} kann eine Brechzahl von {2} nicht verlassen; {3} ist das meiste</translation>
    </message>
    <message>
        <location filename="surface/values.py"/>
        <source>{0}: '{1}' is not the name of a table</source>
        <translation>{0}: '{1}' ist nicht der Name einer Tabelle</translation>
    </message>
    <message>
        <location filename="surface/values.py"/>
        <source>{0}: a reading or a model is of the body; choose a built-in table</source>
        <translation>{0}: eine Messung oder ein Modell gilt dem Körper; eine eingebaute Tabelle wählen</translation>
    </message>
    <message>
        <location filename="surface/values.py"/>
        <source>spectrum, {0}–{1}</source>
        <translation>Spektrum, {0}–{1}</translation>
    </message>
    <message>
        <location filename="surface/values.py"/>
        <source>; it takes {0}</source>
        <translation>; möglich ist {0}</translation>
    </message>
    <message>
        <location filename="surface/values.py"/>
        <source>{0}: '{1}' is not a convention it knows{2}</source>
        <translation>{0}: '{1}' ist keine bekannte Konvention{2}</translation>
    </message>
    <message>
        <location filename="surface/values.py"/>
        <source>{0}: 'albedo' is not a convention it knows</source>
        <translation>{0}: 'albedo' ist hier keine bekannte Konvention</translation>
    </message>
    <message>
        <location filename="surface/values.py"/>
        <source>{0}: an albedo is given as linear red, green and blue, or as sRGB</source>
        <translation>{0}: eine Albedo wird als lineares Rot, Grün und Blau angegeben oder als sRGB</translation>
    </message>
    <message>
        <location filename="surface/values.py"/>
        <source>{0}: '{1}' is not {2}</source>
        <translation>{0}: '{1}' ist nicht {2}</translation>
    </message>
    <message>
        <location filename="surface/values.py"/>
        <source>{0}: '{1}' needs three numbers, as {2} 0.5, 0.2, 0.1</source>
        <translation>{0}: '{1}' braucht drei Zahlen, wie {2} 0.5, 0.2, 0.1</translation>
    </message>
    <message>
        <location filename="surface/values.py"/>
        <source>{0}: no reflectance is as saturated as {1}; the nearest is taken, ΔE {2} from it</source>
        <translation>{0}: kein Reflexionsgrad ist so gesättigt wie {1}; der nächste wird genommen, ΔE {2} davon</translation>
    </message>
    <message>
        <location filename="surface/values.py"/>
        <source>{0}: '{1}' is neither true nor false</source>
        <translation>{0}: '{1}' ist weder wahr noch falsch (true, false)</translation>
    </message>
    <message>
        <location filename="surface/values.py"/>
        <source>{0} is the same all over a specimen; no map can drive it</source>
        <translation>{0} ist über die ganze Probe gleich; keine Textur kann es treiben</translation>
    </message>
    <message>
        <location filename="surface/values.py"/>
        <source>{0} cannot be driven by normals; give them to a bump</source>
        <translation>{0} lässt sich nicht von Normalen treiben; sie einem Bump geben</translation>
    </message>
    <message>
        <location filename="surface/values.py"/>
        <source>{0}: a colour needs three numbers, or {1} for a spectrum</source>
        <translation>{0}: eine Farbe braucht drei Zahlen, oder {1} für ein Spektrum</translation>
    </message>
    <message>
        <location filename="surface/values.py"/>
        <source>{0} is one number; take one channel of the picture, or its luminance</source>
        <translation>{0} ist eine Zahl; einen Kanal des Bildes nehmen oder seine Helligkeit</translation>
    </message>
    <message>
        <location filename="tracing/environment.py"/>
        <source>an environment must be a picture of three channels</source>
        <translation>eine Umgebung muss ein Bild mit drei Kanälen sein</translation>
    </message>
    <message>
        <location filename="tracing/warm.py"/>
        <source>gloss meter</source>
        <translation>Glanzmessgerät</translation>
    </message>
    <message>
        <location filename="tracing/warm.py"/>
        <source>scatter probe</source>
        <translation>Streusonde</translation>
    </message>
    <message>
        <location filename="tracing/warm.py"/>
        <source>sheets and shapes</source>
        <translation>Blätter und Formen</translation>
    </message>
    <message>
        <location filename="tracing/warm.py"/>
        <source>kernels are warm</source>
        <translation>die Kernels sind bereit</translation>
    </message>
    <message>
        <location filename="tracing/warm.py"/>
        <source>compiling kernels {0}/{1}: {2}</source>
        <translation>Kernels werden übersetzt {0}/{1}: {2}</translation>
    </message>
    <message>
        <location filename="report/template.html"/>
        <source>of</source>
        <translation>von</translation>
    </message>
    <message>
        <location filename="report/template.html"/>
        <source>study digest</source>
        <translation>Prüfsumme der Studie</translation>
    </message>
    <message>
        <location filename="report/template.html"/>
        <source>readings within tolerance</source>
        <translation>Messungen innerhalb der Toleranz</translation>
    </message>
    <message>
        <location filename="report/template.html"/>
        <source>{0} of {1}</source>
        <translation>{0} von {1}</translation>
    </message>
    <message>
        <location filename="report/template.html"/>
        <source>no reading counts</source>
        <translation>keine Messung zählt</translation>
    </message>
    <message>
        <location filename="report/template.html"/>
        <source>reading</source>
        <translation>Messung</translation>
    </message>
    <message>
        <location filename="report/template.html"/>
        <source>kind</source>
        <translation>Art</translation>
    </message>
    <message>
        <location filename="report/template.html"/>
        <source>source</source>
        <translation>Quelle</translation>
    </message>
    <message>
        <location filename="report/template.html"/>
        <source>off by</source>
        <translation>weicht ab</translation>
    </message>
    <message>
        <location filename="report/template.html"/>
        <source>tolerance</source>
        <translation>Toleranz</translation>
    </message>
    <message>
        <location filename="report/template.html"/>
        <source>verdict</source>
        <translation>Urteil</translation>
    </message>
    <message>
        <location filename="report/template.html"/>
        <source>(excluded)</source>
        <translation>(ausgeschlossen)</translation>
    </message>
    <message>
        <location filename="report/template.html"/>
        <source>None.</source>
        <translation>Keine.</translation>
    </message>
    <message>
        <location filename="report/template.html"/>
        <source>Parameters</source>
        <translation>Parameter</translation>
    </message>
    <message>
        <location filename="report/template.html"/>
        <source>parameter</source>
        <translation>Parameter</translation>
    </message>
    <message>
        <location filename="report/template.html"/>
        <source>value</source>
        <translation>Wert</translation>
    </message>
    <message>
        <location filename="report/template.html"/>
        <source>standard error</source>
        <translation>Standardfehler</translation>
    </message>
    <message>
        <location filename="report/template.html"/>
        <source>in the solve</source>
        <translation>beim Lösen</translation>
    </message>
    <message>
        <location filename="report/template.html"/>
        <source>best told by</source>
        <translation>am besten bestimmt durch</translation>
    </message>
    <message>
        <location filename="report/template.html"/>
        <source>A standard error belongs to the last solve; a value without one was set by hand.</source>
        <translation>Ein Standardfehler gehört zum letzten Lösen; ein Wert ohne einen wurde von Hand gesetzt.</translation>
    </message>
    <message>
        <location filename="report/template.html"/>
        <source>What trades against what</source>
        <translation>Was gegen was wirkt</translation>
    </message>
    <message>
        <location filename="report/template.html"/>
        <source>Of the free parameters as they stand: the error bars count it, but a change of one calls for the other.</source>
        <translation>Von den freien Parametern, wie sie stehen: die Fehlerbalken enthalten es, doch eine Änderung des einen verlangt die des anderen.</translation>
    </message>
    <message>
        <location filename="report/template.html"/>
        <source>What the evidence cannot tell</source>
        <translation>Was die Messungen nicht sagen können</translation>
    </message>
    <message>
        <location filename="report/template.html"/>
        <source>Nothing that is free is left untold.</source>
        <translation>Nichts Freies bleibt unbestimmt.</translation>
    </message>
    <message>
        <location filename="report/template.html"/>
        <source>What an export loses</source>
        <translation>Was ein Export verliert</translation>
    </message>
    <message>
        <location filename="guide/pictures/body.svg"/>
        <source>Left, a metal: all that is not absorbed is reflected at the interface. Right, a dielectric: a little is reflected, the rest scatters below and comes out as the body colour.</source>
        <translation>Links ein Metall: alles, was nicht absorbiert wird, reflektiert die Grenzfläche. Rechts ein Dielektrikum: ein wenig wird reflektiert, der Rest streut darunter und kommt als Körperfarbe heraus.</translation>
    </message>
    <message>
        <location filename="guide/pictures/body.svg"/>
        <source>F0: its colour</source>
        <translation>F0: seine Farbe</translation>
    </message>
    <message>
        <location filename="guide/pictures/coat.svg"/>
        <source>The coat reflects at its own interface, bends what passes, absorbs it twice, and throws some of it back down.</source>
        <translation>Der Lack reflektiert an seiner Grenzfläche, bricht, was hindurchgeht, absorbiert es zweimal und wirft etwas davon zurück.</translation>
    </message>
    <message>
        <location filename="guide/pictures/coat.svg"/>
        <source>base</source>
        <translation>Grund</translation>
    </message>
    <message>
        <location filename="guide/pictures/coat.svg"/>
        <source>thrown back and forth</source>
        <translation>hin und her geworfen</translation>
    </message>
    <message>
        <location filename="guide/pictures/colorimeter.svg"/>
        <source>A spectrum seen through three curves, those of the standard observer, becomes three numbers.</source>
        <translation>Ein Spektrum, durch drei Kurven gesehen, die des Normalbeobachters, wird zu drei Zahlen.</translation>
    </message>
    <message>
        <location filename="guide/pictures/colorimeter.svg"/>
        <source>x, y, z of the observer</source>
        <translation>x, y, z des Beobachters</translation>
    </message>
    <message>
        <location filename="guide/pictures/colorimeter.svg"/>
        <source>L*</source>
        <translation>L*</translation>
    </message>
    <message>
        <location filename="guide/pictures/colorimeter.svg"/>
        <source>a*</source>
        <translation>a*</translation>
    </message>
    <message>
        <location filename="guide/pictures/colorimeter.svg"/>
        <source>b*</source>
        <translation>b*</translation>
    </message>
    <message>
        <location filename="guide/pictures/ellipsometer.svg"/>
        <source>Polarised light is reflected aslant; an analyser finds how p and s have changed against each other.</source>
        <translation>Polarisiertes Licht wird schräg reflektiert; ein Analysator findet, wie sich p und s gegeneinander geändert haben.</translation>
    </message>
    <message>
        <location filename="guide/pictures/ellipsometer.svg"/>
        <source>polariser</source>
        <translation>Polarisator</translation>
    </message>
    <message>
        <location filename="guide/pictures/ellipsometer.svg"/>
        <source>analyser</source>
        <translation>Analysator</translation>
    </message>
    <message>
        <location filename="guide/pictures/ellipsometer.svg"/>
        <source>p</source>
        <translation>p</translation>
    </message>
    <message>
        <location filename="guide/pictures/ellipsometer.svg"/>
        <source>s</source>
        <translation>s</translation>
    </message>
    <message>
        <location filename="guide/pictures/ellipsometer.svg"/>
        <source>ψ: how much of p against s is left.  Δ: by how far p has fallen behind.</source>
        <translation>ψ: wie viel von p gegen s bleibt.  Δ: wie weit p zurückgeblieben ist.</translation>
    </message>
    <message>
        <location filename="guide/pictures/film.svg"/>
        <source>Both faces of a film reflect; the two add up or cancel as the way through the film is long against the wavelength.</source>
        <translation>Beide Flächen eines Films reflektieren; sie verstärken oder löschen sich, je nachdem, wie lang der Weg durch den Film gegen die Wellenlänge ist.</translation>
    </message>
    <message>
        <location filename="guide/pictures/film.svg"/>
        <source>30 to 900 nm</source>
        <translation>30 bis 900 nm</translation>
    </message>
    <message>
        <location filename="guide/pictures/finish.svg"/>
        <source>An interface is a crowd of facets. Steep slopes make a wide lobe, gentle ones a narrow lobe; haze is a share of facets in a second, wider one.</source>
        <translation>Eine Grenzfläche ist eine Menge Facetten. Steile Neigungen machen eine breite Keule, sanfte eine schmale; Glanzschleier ist ein Anteil Facetten in einer zweiten, breiteren.</translation>
    </message>
    <message>
        <location filename="guide/pictures/finish.svg"/>
        <source>smooth</source>
        <translation>glatt</translation>
    </message>
    <message>
        <location filename="guide/pictures/finish.svg"/>
        <source>rough</source>
        <translation>rau</translation>
    </message>
    <message>
        <location filename="guide/pictures/finish.svg"/>
        <source>hazy</source>
        <translation>mit Schleier</translation>
    </message>
    <message>
        <location filename="guide/pictures/glossmeter.svg"/>
        <source>A lamp's image is thrown on the sample; receptors of stated apertures take what is reflected at the mirror angle: 20°, 60° and 85°.</source>
        <translation>Das Bild einer Lampe fällt auf die Probe; Empfänger festgelegter Apertur nehmen, was im Spiegelwinkel reflektiert wird: 20°, 60° und 85°.</translation>
    </message>
    <message>
        <location filename="guide/pictures/glossmeter.svg"/>
        <source>against black glass of index 1.567, which reads 100</source>
        <translation>gegen schwarzes Glas der Brechzahl 1,567, das 100 misst</translation>
    </message>
    <message>
        <location filename="guide/pictures/goniophotometer.svg"/>
        <source>Lit at 45°, looked at from every angle in the same plane: the lobe.</source>
        <translation>Beleuchtet bei 45°, aus jedem Winkel derselben Ebene betrachtet: die Keule.</translation>
    </message>
    <message>
        <location filename="guide/pictures/goniophotometer.svg"/>
        <source>peak: roughness</source>
        <translation>Spitze: Rauheit</translation>
    </message>
    <message>
        <location filename="guide/pictures/goniophotometer.svg"/>
        <source>foot: haze</source>
        <translation>Fuß: Glanzschleier</translation>
    </message>
    <message>
        <location filename="guide/pictures/gonioreflectometer.svg"/>
        <source>Light and view each have an angle from the normal; between their planes lies the azimuth.</source>
        <translation>Licht und Blick haben je einen Winkel zur Normalen; zwischen ihren Ebenen liegt der Azimut.</translation>
    </message>
    <message>
        <location filename="guide/pictures/gonioreflectometer.svg"/>
        <source>i</source>
        <translation>i</translation>
    </message>
    <message>
        <location filename="guide/pictures/gonioreflectometer.svg"/>
        <source>r</source>
        <translation>r</translation>
    </message>
    <message>
        <location filename="guide/pictures/gonioreflectometer.svg"/>
        <source>azimuth φ</source>
        <translation>Azimut φ</translation>
    </message>
    <message>
        <location filename="guide/pictures/gonioreflectometer.svg"/>
        <source>180°: view across from the light</source>
        <translation>180°: Blick dem Licht gegenüber</translation>
    </message>
    <message>
        <location filename="guide/pictures/gonioreflectometer.svg"/>
        <source>0°: view back at it</source>
        <translation>0°: Blick zurück zu ihm</translation>
    </message>
    <message>
        <location filename="guide/pictures/gonioreflectometer.svg"/>
        <source>90°: out of the plane</source>
        <translation>90°: aus der Ebene heraus</translation>
    </message>
    <message>
        <location filename="guide/pictures/interior.svg"/>
        <source>Left: a clear interior takes a share of the light for every millimetre. Right: a cloudy one scatters it, and some of it comes back out beside where it went in.</source>
        <translation>Links: ein klares Inneres nimmt je Millimeter einen Anteil des Lichts. Rechts: ein trübes streut es, und etwas davon kommt neben dem Eintritt wieder heraus.</translation>
    </message>
    <message>
        <location filename="guide/pictures/interior.svg"/>
        <source>clear: exp(−α d)</source>
        <translation>klar: exp(−α d)</translation>
    </message>
    <message>
        <location filename="guide/pictures/interior.svg"/>
        <source>cloudy: single steps, a mean free path long</source>
        <translation>trüb: einzelne Schritte, eine mittlere freie Weglänge lang</translation>
    </message>
    <message>
        <location filename="guide/pictures/reflectometer.svg"/>
        <source>Reflectance of s- and p-polarised light by angle of incidence; p vanishes at Brewster's angle.</source>
        <translation>Reflexionsgrad von s- und p-polarisiertem Licht nach Einfallswinkel; p verschwindet im Brewster-Winkel.</translation>
    </message>
    <message>
        <location filename="guide/pictures/reflectometer.svg"/>
        <source>Brewster: tan θ = n</source>
        <translation>Brewster: tan θ = n</translation>
    </message>
    <message>
        <location filename="guide/pictures/refractometer.svg"/>
        <source>Against a prism of high index light is reflected totally from a critical angle on: the edge between light and dark tells the index.</source>
        <translation>Gegen ein Prisma hoher Brechzahl wird Licht ab einem Grenzwinkel total reflektiert: die Kante zwischen Hell und Dunkel sagt die Brechzahl.</translation>
    </message>
    <message>
        <location filename="guide/pictures/refractometer.svg"/>
        <source>n</source>
        <translation>n</translation>
    </message>
    <message>
        <location filename="guide/pictures/refractometer.svg"/>
        <source>what is seen</source>
        <translation>was zu sehen ist</translation>
    </message>
    <message>
        <location filename="guide/pictures/reverse.svg"/>
        <source>A sheet has two sides: light that goes in comes out on the near side by one colour, and on the far side by its translucency and both colours.</source>
        <translation>Ein Blatt hat zwei Seiten: Licht, das hineingeht, kommt auf der nahen Seite mit einer Farbe heraus, auf der fernen nach seiner Transluzenz mit beiden.</translation>
    </message>
    <message>
        <location filename="guide/pictures/reverse.svg"/>
        <source>reflected: its colour</source>
        <translation>reflektiert: seine Farbe</translation>
    </message>
    <message>
        <location filename="guide/pictures/reverse.svg"/>
        <source>let through: translucency</source>
        <translation>durchgelassen: Transluzenz</translation>
    </message>
    <message>
        <location filename="guide/pictures/scatterprobe.svg"/>
        <source>A spot is lit; what comes out is read at distances from it. How fast it falls is the mean free path.</source>
        <translation>Ein Fleck ist beleuchtet; was austritt, wird in Abständen davon gelesen. Wie schnell es abfällt, ist die mittlere freie Weglänge.</translation>
    </message>
    <message>
        <location filename="guide/pictures/scatterprobe.svg"/>
        <source>distance from the spot</source>
        <translation>Abstand vom Fleck</translation>
    </message>
    <message>
        <location filename="guide/pictures/scatterprobe.svg"/>
        <source>light that leaves</source>
        <translation>austretendes Licht</translation>
    </message>
    <message>
        <location filename="guide/pictures/scatterprobe.svg"/>
        <source>slope: mean free path</source>
        <translation>Steigung: mittlere freie Weglänge</translation>
    </message>
    <message>
        <location filename="guide/pictures/scatterprobe.svg"/>
        <source>height: colour</source>
        <translation>Höhe: Farbe</translation>
    </message>
    <message>
        <location filename="guide/pictures/sheen.svg"/>
        <source>Fibres stand over the surface. Straight on one looks between them; near grazing one looks through many of them, and the rim is bright.</source>
        <translation>Fasern stehen über der Oberfläche. Senkrecht blickt man zwischen sie; streifend durch viele von ihnen, und der Rand ist hell.</translation>
    </message>
    <message>
        <location filename="guide/pictures/sheen.svg"/>
        <source>few fibres</source>
        <translation>wenige Fasern</translation>
    </message>
    <message>
        <location filename="guide/pictures/sheen.svg"/>
        <source>many fibres</source>
        <translation>viele Fasern</translation>
    </message>
    <message>
        <location filename="guide/pictures/spectrophotometer.svg"/>
        <source>Left: a sphere lights the sample from all around, and it is looked at from 8°. Right: lit at 45°, looked at from above.</source>
        <translation>Links: eine Kugel beleuchtet die Probe ringsum, geblickt wird bei 8°. Rechts: beleuchtet bei 45°, von oben betrachtet.</translation>
    </message>
    <message>
        <location filename="guide/pictures/spectrophotometer.svg"/>
        <source>trap (de:8)</source>
        <translation>Falle (de:8)</translation>
    </message>
    <message>
        <location filename="guide/pictures/spectrophotometer.svg"/>
        <source>di:8 and de:8</source>
        <translation>di:8 und de:8</translation>
    </message>
    <message>
        <location filename="guide/pictures/transmissometer.svg"/>
        <source>What goes straight through a slab is its regular transmittance; a sphere behind it collects the total.</source>
        <translation>Was gerade durch eine Platte geht, ist ihr gerichteter Transmissionsgrad; eine Kugel dahinter sammelt den gesamten.</translation>
    </message>
    <message>
        <location filename="guide/pictures/transmissometer.svg"/>
        <source>slab</source>
        <translation>Platte</translation>
    </message>
    <message>
        <location filename="guide/pictures/transmissometer.svg"/>
        <source>regular: 1.5°</source>
        <translation>gerichtet: 1,5°</translation>
    </message>
    <message>
        <location filename="guide/pictures/transmissometer.svg"/>
        <source>total</source>
        <translation>gesamt</translation>
    </message>
</context>
</TS>
