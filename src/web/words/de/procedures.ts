/** Procedures and misreadings of the handbook, by their English. */
export const procedureTexts: Readonly<Record<string, string>> = {
  'Voltage drop in four measurements': 'Spannungsfall in vier Messungen',
  'Source, available voltage, loss of the feed, loss of the return: four readings with the circuit running say on which side the volts are lost.':
    'Quelle, verfügbare Spannung, Verlust der Zuleitung, Verlust der Rückleitung: vier Messungen bei laufendem Stromkreis sagen, auf welcher Seite die Volt verloren gehen.',
  'The load works, but badly: dim, slow, weak. It is the shortest way to a side.':
    'Der Verbraucher geht, aber schlecht: dunkel, langsam, schwach. Es ist der kürzeste Weg zu einer Seite.',
  'Common practice, no source; the sum closes after Kirchhoff':
    'Übliche Praxis, ohne Quelle; die Summe geht nach Kirchhoff auf',
  'Switch the circuit on and verify the complaint. What draws nothing loses nothing: all four readings are taken while it runs.':
    'Einschalten und die Beanstandung nachvollziehen. Was nichts zieht, verliert nichts: alle vier Messungen, während es läuft.',
  'It works, well or badly': 'Es geht, gut oder schlecht',
  'Current flows: losses can be read.': 'Strom fließt: Verluste sind messbar.',
  'It does nothing at all': 'Es tut gar nichts',
  'Without current every good piece reads zero and the open one reads the source: look for an open.':
    'Ohne Strom zeigt jedes gute Stück null und das unterbrochene die Quelle: eine Unterbrechung suchen.',
  'Red on the battery’s positive post, black on its negative post, on the posts and not on the clamps.':
    'Rot an den Pluspol, Schwarz an den Minuspol der Batterie, an die Pole und nicht an die Klemmen.',
  'Battery at rest 12.4 V or more, charging 13.5 to 14.6 V; twice that at 24 V':
    'Batterie in Ruhe 12,4 V oder mehr, beim Laden 13,5 bis 14,6 V; bei 24 V das Doppelte',
  'The source is good enough to judge the circuit by.':
    'Die Quelle ist gut genug, um den Stromkreis danach zu beurteilen.',
  Less: 'Weniger',
  'Charge or test the battery first: everything behind it is weak because it is.':
    'Erst die Batterie laden oder prüfen: alles dahinter ist schwach, weil sie es ist.',
  'Both leads at the load, terminal to terminal, its plug on: back-probe.':
    'Beide Leitungen an den Verbraucher, Anschluss gegen Anschluss, Stecker drauf: von hinten kontaktieren.',
  'Nearly the source': 'Fast die Quelle',
  'All volts reach the load. If it works badly all the same, it is the load.':
    'Alle Volt erreichen den Verbraucher. Geht er trotzdem schlecht, ist er es.',
  'Clearly less': 'Deutlich weniger',
  'The difference is lost on the way: the next two readings say where.':
    'Der Unterschied geht unterwegs verloren: die nächsten beiden Messungen sagen, wo.',
  'Compare what it does with what it should do.': 'Vergleichen, was er tut und was er tun soll.',
  'It works as it should': 'Er geht, wie er soll',
  'The circuit is good.': 'Der Stromkreis ist gut.',
  'It does not, with full volts at its terminals': 'Er geht nicht, mit vollen Volt an den Anschlüssen',
  'Feed and return are proved: the load has failed.':
    'Zu- und Rückleitung sind belegt: der Verbraucher hat versagt.',
  'Red on the battery’s positive post, black on the load’s feed terminal, circuit on.':
    'Rot an den Pluspol der Batterie, Schwarz an den Zuleitungsanschluss des Verbrauchers, eingeschaltet.',
  'More than the limit of the feed': 'Mehr als der Grenzwert der Zuleitung',
  'The feed loses it. Go point by point along the feed.':
    'Die Zuleitung verliert es. Punkt für Punkt die Zuleitung entlang.',
  'Within the limit, and not zero': 'Innerhalb des Grenzwerts, und nicht null',
  'The feed is good: a small loss that is not zero proves that current flows.':
    'Die Zuleitung ist gut: ein kleiner Verlust, der nicht null ist, belegt, dass Strom fließt.',
  'Before you follow the feed: the return as well, from the load’s return terminal to the negative post.':
    'Bevor Sie der Zuleitung folgen: auch die Rückleitung, vom Rückleitungsanschluss des Verbrauchers zum Minuspol.',
  'Over its limit too': 'Auch über dem Grenzwert',
  'Two faults, or one place that both share. Take the greater first.':
    'Zwei Fehler, oder eine Stelle, die beide teilen. Den größeren zuerst.',
  'Within its limit': 'Innerhalb des Grenzwerts',
  'The fault is on the feed side.': 'Der Fehler liegt auf der Seite der Zuleitung.',
  'Red on the load’s return terminal, black on the battery’s negative post, circuit on.':
    'Rot an den Rückleitungsanschluss des Verbrauchers, Schwarz an den Minuspol der Batterie, eingeschaltet.',
  'More than the limit of the return': 'Mehr als der Grenzwert der Rückleitung',
  'The return loses it: grounds and their bolts first.':
    'Die Rückleitung verliert es: zuerst Massen und ihre Schrauben.',
  'Source, feed, load and return have to add up: if they do not, one reading was taken in another state. Take all four again.':
    'Quelle, Zuleitung, Verbraucher und Rückleitung müssen aufgehen: tun sie es nicht, war eine Messung in einem anderen Zustand. Alle vier noch einmal.',
  'Point by point along a path': 'Punkt für Punkt einen Weg entlang',
  'One lead stays on the battery’s post, the other goes outward along the path. Readings only grow; where they jump, the loss is between the last two points.':
    'Eine Leitung bleibt am Batteriepol, die andere wandert den Weg entlang. Die Werte wachsen nur; wo sie springen, liegt der Verlust zwischen den letzten beiden Punkten.',
  'The side is known and the piece is not.': 'Die Seite ist bekannt, das Stück nicht.',
  'Common practice, no source': 'Übliche Praxis, ohne Quelle',
  'Circuit on. Red on the positive post; black outward along the feed, a point at a time, up to the load.':
    'Eingeschaltet. Rot an den Pluspol; Schwarz die Zuleitung entlang, Punkt für Punkt, bis zum Verbraucher.',
  'One step is far larger than its neighbours': 'Ein Schritt ist weit größer als seine Nachbarn',
  'The loss sits between those two points.': 'Der Verlust sitzt zwischen diesen beiden Punkten.',
  'It grows by little, up to a total within the limit':
    'Es wächst wenig, bis zu einer Summe innerhalb des Grenzwerts',
  'Contacts and the longest wire are the larger steps of a sound feed too. The feed is good.':
    'Kontakte und die längste Leitung sind auch in einer gesunden Zuleitung die größeren Schritte. Die Zuleitung ist gut.',
  'One lead on each side of that piece: its drop alone.':
    'Je eine Leitung auf beide Seiten dieses Stücks: sein Spannungsfall allein.',
  'The jump is there again': 'Der Sprung ist wieder da',
  'That piece. Open it, look, repair, and take the same reading once more.':
    'Dieses Stück. Öffnen, ansehen, reparieren und dieselbe Messung noch einmal.',
  'Black on the negative post; red outward along the return, from the ground point to the load.':
    'Schwarz an den Minuspol; Rot die Rückleitung entlang, vom Massepunkt zum Verbraucher.',
  'The loss sits between those two points: eyelet, nut and stud, and sheet metal are points of their own.':
    'Der Verlust sitzt zwischen diesen beiden Punkten: Öse, Mutter und Bolzen, Blech sind eigene Punkte.',
  'Feed and return are good. What works badly then is the load.':
    'Zu- und Rückleitung sind gut. Was dann schlecht geht, ist der Verbraucher.',
  'That piece. Clean it, tighten it, and take the same reading once more.':
    'Dieses Stück. Reinigen, festziehen und dieselbe Messung noch einmal.',
  'An open, by loaded lamp, halves and segments':
    'Eine Unterbrechung, mit Lastlampe, Halbieren und Durchgang',
  'A load that does nothing: a loaded lamp at its connector says which side is open, halving finds the piece in a few readings, continuity of the piece alone confirms it.':
    'Ein Verbraucher, der nichts tut: eine Lastlampe an seinem Stecker sagt, welche Seite offen ist, Halbieren findet das Stück in wenigen Messungen, Durchgang des Stücks allein bestätigt es.',
  'Nothing works and nothing draws current.': 'Nichts geht und nichts zieht Strom.',
  'Switch on and look. Fuse first: both of its tabs.':
    'Einschalten und hinsehen. Zuerst die Sicherung: beide Fahnen.',
  'It works': 'Es geht',
  'There is no open now. If it comes and goes, take the way of intermittents.':
    'Jetzt ist nichts unterbrochen. Kommt und geht es, den Weg der Wackelkontakte nehmen.',
  'It is dead': 'Es ist tot',
  'An open: feed, load or return.': 'Eine Unterbrechung: Zuleitung, Verbraucher oder Rückleitung.',
  'A lamp of one ampere or more from the load’s feed terminal to battery −, circuit on.':
    'Eine Lampe mit einem Ampere oder mehr vom Zuleitungsanschluss des Verbrauchers nach Batterie −, eingeschaltet.',
  'It shines': 'Sie leuchtet',
  'The feed carries an ampere up to the load.': 'Die Zuleitung trägt ein Ampere bis zum Verbraucher.',
  Dark: 'Dunkel',
  'The open is in the feed.': 'Die Unterbrechung liegt in der Zuleitung.',
  'The same lamp from battery + to the load’s return terminal.':
    'Dieselbe Lampe von Batterie + zum Rückleitungsanschluss des Verbrauchers.',
  'Feed and return both carry an ampere: the load itself is open. OL on the ohmmeter confirms it.':
    'Zu- und Rückleitung tragen beide ein Ampere: der Verbraucher selbst ist offen. OL am Ohmmeter bestätigt es.',
  'The open is in the return.': 'Die Unterbrechung liegt in der Rückleitung.',
  'Volts to battery − in the middle of the feed, then in the middle of the half that is left, and so on.':
    'Volt gegen Batterie − in der Mitte der Zuleitung, dann in der Mitte der verbleibenden Hälfte, und so fort.',
  'Source at one point, nothing at the next': 'Quelle an einem Punkt, nichts am nächsten',
  'The open is between them.': 'Dazwischen ist die Unterbrechung.',
  'Volts from battery + in the middle of the return, then in the middle of the half that is left, and so on.':
    'Volt von Batterie + in der Mitte der Rückleitung, dann in der Mitte der verbleibenden Hälfte, und so fort.',
  'The open is between them: where battery + reads the source, the way to battery − is whole.':
    'Dazwischen ist die Unterbrechung: wo Batterie + die Quelle zeigt, ist der Weg nach Batterie − ganz.',
  'That piece alone, both ends free: continuity.': 'Dieses Stück allein, beide Enden frei: Durchgang.',
  'OL, or lamp and volts agree': 'OL, oder Lampe und Volt stimmen überein',
  'The piece is open.': 'Das Stück ist unterbrochen.',
  'High resistance, by drop under load': 'Übergangswiderstand, durch Spannungsfall unter Last',
  'An ohmmeter sends a milliamp and calls a wire of three strands good. The drop under the circuit’s own load does not.':
    'Ein Ohmmeter schickt ein Milliampere und nennt eine Leitung mit drei Litzen gut. Der Spannungsfall unter der eigenen Last tut das nicht.',
  'It works badly and every wire beeps.': 'Es geht schlecht, und jede Leitung piept.',
  'Circuit on: the loss of the feed and the loss of the return.':
    'Eingeschaltet: der Verlust der Zuleitung und der Verlust der Rückleitung.',
  'One of them is over its limit': 'Einer davon ist über seinem Grenzwert',
  'Resistance where none should be, on that side.': 'Widerstand, wo keiner sein soll, auf dieser Seite.',
  'Both are within their limits': 'Beide sind innerhalb ihrer Grenzwerte',
  'Under this load nothing resists. A load that draws too little would hide it: put a known one in its place.':
    'Unter dieser Last hemmt nichts. Ein Verbraucher, der zu wenig zieht, würde es verbergen: einen bekannten an seine Stelle.',
  'The drop of each piece on that side, a lead at each of its ends.':
    'Der Spannungsfall jedes Stücks auf dieser Seite, je eine Leitung an jedem Ende.',
  'One piece has most of it': 'Ein Stück hat das meiste davon',
  'That one.': 'Das ist es.',
  'Each has a little more than it should': 'Jedes hat etwas mehr, als es sollte',
  'Wires too thin or too long for this load, or a load that draws too much: clamp it.':
    'Leitungen zu dünn oder zu lang für diese Last, oder ein Verbraucher zieht zu viel: mit der Zange messen.',
  'To see why ohms do not judge it: the same piece, isolated, on the ohmmeter.':
    'Um zu sehen, warum Ohm nicht urteilen: dasselbe Stück, ausgebaut, am Ohmmeter.',
  'A few tenths of an ohm, which the leads alone may show; or more':
    'Einige Zehntel Ohm, die schon die Leitungen zeigen können; oder mehr',
  'Whatever it shows without current: what it loses under load is what counts. Repair and prove.':
    'Was immer es ohne Strom zeigt: was es unter Last verliert, zählt. Reparieren und nachweisen.',
  'A short, with a lamp for the fuse and a clamp': 'Ein Kurzschluss, mit Lampe statt Sicherung und Zange',
  'A lamp in the fuse’s place limits what flows, so that the short can be looked for at leisure: the lamp says whether it is still there, the clamp how far the current gets.':
    'Eine Lampe anstelle der Sicherung begrenzt den Strom, so dass in Ruhe gesucht werden kann: die Lampe sagt, ob er noch da ist, die Zange, wie weit der Strom kommt.',
  'The fuse blows, at once or again.': 'Die Sicherung geht durch, sofort oder wieder.',
  'Fuse out, loads of this fuse unplugged, controls in the state in which it blew. A load lamp across the fuse’s two ways.':
    'Sicherung heraus, ihre Verbraucher getrennt, Schalter im Zustand, in dem sie durchging. Eine Lastlampe über die beiden Wege der Sicherung.',
  'Current flows with no load there: a short. The lamp carries all of it, and nothing burns.':
    'Strom fließt, obwohl kein Verbraucher da ist: ein Kurzschluss. Die Lampe trägt alles davon, und nichts verbrennt.',
  'No short with the loads unplugged. Plug them in one by one: the one that lights it fully is the fault.':
    'Kein Kurzschluss bei getrennten Verbrauchern. Einen nach dem anderen stecken: der sie voll leuchten lässt, ist der Fehler.',
  'Open the connectors of the path, from its far end towards the fuse, and watch the lamp.':
    'Die Stecker des Wegs öffnen, vom fernen Ende zur Sicherung hin, und die Lampe beobachten.',
  'It goes out at one of them': 'Sie geht bei einem davon aus',
  'The short is behind it, seen from the fuse.':
    'Der Kurzschluss liegt dahinter, von der Sicherung aus gesehen.',
  'It stays lit at all of them': 'Sie leuchtet bei allen weiter',
  'The short is between the fuse and the first of them.':
    'Der Kurzschluss liegt zwischen der Sicherung und dem ersten davon.',
  'Everything plugged again as in the first step. The clamp round one wire at a time, from the fuse outward.':
    'Alles wieder gesteckt wie im ersten Schritt. Die Zange um eine Leitung auf einmal, von der Sicherung nach außen.',
  'The lamp’s current up to a place, and none past it':
    'Der Strom der Lampe bis zu einer Stelle, und keiner dahinter',
  'There it leaves the wire. Look for what chafes.': 'Dort verlässt er die Leitung. Suchen, was scheuert.',
  'A relay circuit from its socket': 'Ein Relaiskreis von seinem Sockel aus',
  'With the relay out, four readings at its socket prove all four ways that meet there: supply of the contacts, supply of the coil, the load, the control.':
    'Bei gezogenem Relais belegen vier Messungen am Sockel alle vier Wege, die dort zusammenkommen: Versorgung der Kontakte, Versorgung der Spule, Verbraucher, Steuerung.',
  'Something that a relay works is dead, and the relay can be reached.':
    'Etwas, das ein Relais schaltet, ist tot, und das Relais ist erreichbar.',
  'Common practice, no source; terminal numbers DIN 72552':
    'Übliche Praxis, ohne Quelle; Klemmen nach DIN 72552',
  'Relay out, circuit switched on. Volts at 30 to battery −.':
    'Relais heraus, eingeschaltet. Volt an 30 gegen Batterie −.',
  'System volts': 'Bordspannung',
  'The contacts are supplied. A lamp of a few amps there proves that it carries.':
    'Die Kontakte sind versorgt. Eine Lampe mit einigen Ampere dort belegt, dass es trägt.',
  'None, or clearly less': 'Keine, oder deutlich weniger',
  'The way from the battery to 30: fuse, wire, terminal.':
    'Der Weg von der Batterie bis 30: Sicherung, Leitung, Kontakt.',
  'Volts at the coil pin that is supplied, 86 here.': 'Volt am versorgten Spulenpin, hier 86.',
  'The coil is supplied.': 'Die Spule ist versorgt.',
  None: 'Keine',
  'The way to the coil: its fuse, its switch, its wire.':
    'Der Weg zur Spule: ihre Sicherung, ihr Schalter, ihre Leitung.',
  'Nothing is live at 87 now: ohms from 87 to battery −. They are those of the load and its ground.':
    'An 87 liegt jetzt nichts an: Ohm von 87 gegen Batterie −. Es sind die des Verbrauchers und seiner Masse.',
  'The load’s few ohms': 'Die wenigen Ohm des Verbrauchers',
  'Load, its wire and its ground are whole. Ohms do not prove that they carry.':
    'Verbraucher, Leitung und Masse sind ganz. Ohm belegen nicht, dass sie tragen.',
  'OL or far more': 'OL oder weit mehr',
  'Open from 87 through the load to ground.': 'Unterbrochen von 87 durch den Verbraucher bis Masse.',
  'Ohms from 85 to battery −, with the control off, then on.':
    'Ohm von 85 gegen Batterie −, Steuerung aus, dann ein.',
  'OL, then about 0': 'OL, dann etwa 0',
  'The control works. All four ways are proved: what is left is the relay and its socket.':
    'Die Steuerung geht. Alle vier Wege sind belegt: übrig bleiben Relais und Sockel.',
  'OL both times, or never OL': 'Beide Male OL, oder nie OL',
  'The control side: its switch or module, its wire, its ground.':
    'Die Steuerseite: Schalter oder Steuergerät, Leitung, Masse.',
  'Relay back in, switched on: does it click, does the load work?':
    'Relais wieder hinein, eingeschaltet: klickt es, geht der Verbraucher?',
  'It clicks and the load works': 'Es klickt und der Verbraucher geht',
  'It does not click, or clicks and passes nothing': 'Es klickt nicht, oder klickt und lässt nichts durch',
  'The relay, or a terminal of its socket that does not grip.':
    'Das Relais, oder ein Kontakt des Sockels, der nicht greift.',
  'Four ways to test a relay': 'Vier Arten, ein Relais zu prüfen',
  'Swap it, try it on the bench, measure it at its socket, or work its contacts by hand: which one proves what.':
    'Tauschen, auf der Werkbank versuchen, am Sockel messen, oder die Kontakte von Hand schließen: was davon was belegt.',
  'All four ways of the socket are good, or the relay is what one wants to know about.':
    'Alle vier Wege des Sockels sind gut, oder das Relais selbst steht in Frage.',
  'In its socket, switched on: volts across the coil’s pins, from behind.':
    'Im Sockel, eingeschaltet: Volt über den Spulenpins, von hinten.',
  'The coil has all it needs: it has to click.': 'Die Spule hat alles, was sie braucht: sie muss klicken.',
  'Clearly less, or none': 'Deutlich weniger, oder nichts',
  'It is not the relay: its coil is not worked. Take the socket’s four readings.':
    'Es ist nicht das Relais: seine Spule wird nicht angesteuert. Die vier Messungen am Sockel nehmen.',
  'Drop across the contacts, 30 to 87, load running.':
    'Spannungsfall über den Kontakten, 30 nach 87, Verbraucher läuft.',
  'Small and not zero, up to 0.25 V under some amps': 'Klein und nicht null, bis 0,25 V bei einigen Ampere',
  'The contacts pass what they should. The relay is good under its own load, which no other way proves.':
    'Die Kontakte lassen durch, was sie sollen. Das Relais ist unter eigener Last gut, was keine andere Art belegt.',
  'More, or the whole source': 'Mehr, oder die ganze Quelle',
  'Contacts or their terminals: burnt, stuck, or not pulled in. Out with it.':
    'Kontakte oder ihre Anschlüsse: verbrannt, klebend oder nicht angezogen. Heraus damit.',
  'Out of its socket: ohms of the coil; then nine volts on it (two such sources for 24 V), the right way round where a diode sits across it.':
    'Aus dem Sockel: Ohm der Spule; dann neun Volt daran (zwei solche Quellen bei 24 V), richtig gepolt, wenn eine Diode daran sitzt.',
  'About 60 to 120 Ω at 12 V, four times that at 24 V; it clicks':
    'Etwa 60 bis 120 Ω bei 12 V, viermal so viel bei 24 V; es klickt',
  'The coil is good: a click says nothing about the contacts. Swap the relay, or bridge 30 and 87 with a fused jumper.':
    'Die Spule ist gut: ein Klick sagt nichts über die Kontakte. Relais tauschen, oder 30 und 87 mit abgesicherter Brücke verbinden.',
  'OL, or no click': 'OL, oder kein Klick',
  'The coil is open.': 'Die Spule ist unterbrochen.',
  'A relay known to be good in its place, the same type and numbers: or 30 bridged to 87 with a jumper fused like the circuit.':
    'Ein sicher gutes Relais an seine Stelle, gleiche Bauart und Nummern: oder 30 nach 87 mit einer Brücke, abgesichert wie der Stromkreis.',
  'The load works with it': 'Der Verbraucher geht damit',
  'The relay was it. A swap also reseats the terminals: look at them before you say so.':
    'Es war das Relais. Ein Tausch steckt auch die Kontakte neu: sie ansehen, bevor man es sagt.',
  'No crank: from the battery to the block': 'Kein Anlassen: von der Batterie zum Block',
  'Source first, then what the lamps do while somebody cranks, then the control, then the heavy way joint by joint: stud, nut and eyelet are three points.':
    'Erst die Quelle, dann was die Lampen beim Starten tun, dann die Steuerung, dann der schwere Weg, Verbindung für Verbindung: Bolzen, Mutter und Öse sind drei Punkte.',
  'The engine does not turn, or turns slowly.': 'Der Motor dreht nicht, oder langsam.',
  'Common practice, no source; terminal 50 after DIN 72552':
    'Übliche Praxis, ohne Quelle; Klemme 50 nach DIN 72552',
  'Park or neutral, parking brake, ignition disabled. Battery post to post while somebody cranks.':
    'Park- oder Leerstellung, Feststellbremse, Zündung stillgelegt. Pol gegen Pol der Batterie, während jemand startet.',
  'Above 9.6 V; twice that at 24 V': 'Über 9,6 V; bei 24 V das Doppelte',
  'The battery holds, or nothing draws from it. Which of the two the lamps say: no change means that no heavy current flows.':
    'Die Batterie hält, oder nichts zieht an ihr. Welches, sagen die Lampen: keine Änderung heißt, dass kein schwerer Strom fließt.',
  'Below it': 'Darunter',
  'Battery discharged or bad, or an engine that does not turn freely: charge and test it first.':
    'Batterie entladen oder schlecht, oder ein Motor, der schwer dreht: erst laden und prüfen.',
  'Look and listen while it is cranked.': 'Beim Starten hinsehen und hinhören.',
  'It cranks as it should': 'Er dreht durch, wie er soll',
  'Nothing to look for here.': 'Hier ist nichts zu suchen.',
  'Silent, a click, or slow': 'Stumm, ein Klick, oder langsam',
  'Silent: the control way. A click or slow: the heavy way. The next reading tells.':
    'Stumm: der Steuerweg. Ein Klick oder langsam: der schwere Weg. Die nächste Messung sagt es.',
  'Volts at the starter’s terminal 50 while the key is in crank.':
    'Volt an Klemme 50 des Anlassers, Schlüssel auf Start.',
  'Nearly the battery’s': 'Fast die der Batterie',
  'The control works: the heavy way, or the starter.':
    'Die Steuerung geht: der schwere Weg, oder der Anlasser.',
  'None, or far less': 'Keine, oder weit weniger',
  'Fuse, key, inhibitor or clutch switch, relay, their wires: an open, or a joint that does not carry the solenoid’s tens of amps.':
    'Sicherung, Zündschloss, Sperr- oder Kupplungsschalter, Relais, ihre Leitungen: eine Unterbrechung, oder eine Verbindung, die die zig Ampere des Magnetschalters nicht trägt.',
  'Point by point along the control way, key in crank.':
    'Punkt für Punkt den Steuerweg entlang, Schlüssel auf Start.',
  'One piece has the volts': 'Ein Stück hat die Volt',
  'That one. Interlocks are pieces like all others.': 'Das ist es. Sperren sind Stücke wie alle anderen.',
  'While it is cranked: battery + post to the starter’s stud, and starter’s housing to battery − post.':
    'Beim Starten: Pluspol der Batterie zum Bolzen des Anlassers, und Gehäuse des Anlassers zum Minuspol.',
  'One of them above 0.5 V, or the joints are in doubt':
    'Einer davon über 0,5 V, oder die Verbindungen sind zweifelhaft',
  'A joint or a cable of that side.': 'Eine Verbindung oder ein Kabel dieser Seite.',
  'Both small and little current flows': 'Beide klein, und wenig Strom fließt',
  'The starter has its volts and does not use them.': 'Der Anlasser hat seine Volt und nutzt sie nicht.',
  'Both small and hundreds of amps flow': 'Beide klein, und Hunderte Ampere fließen',
  'The starter or the engine is stiff.': 'Anlasser oder Motor gehen schwer.',
  'Each joint by itself while it is cranked: post to clamp, clamp to cable, stud to nut, nut to eyelet. The lead on the stud itself, never on the eyelet when the stud is the question.':
    'Jede Verbindung für sich beim Starten: Pol gegen Klemme, Klemme gegen Kabel, Bolzen gegen Mutter, Mutter gegen Öse. Die Leitung an den Bolzen selbst, nie an die Öse, wenn der Bolzen gefragt ist.',
  'One has tenths of a volt or more': 'Eine hat Zehntel Volt oder mehr',
  'Strap off, clean it, tighten it to the maker’s torque, crank and measure again.':
    'Masseband ab, reinigen, mit Drehmoment des Herstellers anziehen, starten und wieder messen.',
  'Charging: the loss on the way, and the bypass that proves it':
    'Laden: der Verlust unterwegs, und die Überbrückung, die ihn belegt',
  'What the alternator makes and the battery does not get is lost between them: feed, return, or both.':
    'Was der Generator macht und die Batterie nicht bekommt, geht dazwischen verloren: Zuleitung, Rückleitung oder beides.',
  'The battery is not charged, and the alternator turns.':
    'Die Batterie wird nicht geladen, und der Generator dreht.',
  'Engine running, loads on. Battery post to post; then the alternator, B+ to its housing.':
    'Motor läuft, Verbraucher ein. Pol gegen Pol der Batterie; dann der Generator, B+ gegen Gehäuse.',
  'Both 13.5 to 14.6 V and nearly alike; twice that at 24 V':
    'Beide 13,5 bis 14,6 V und fast gleich; bei 24 V das Doppelte',
  'It charges, and nothing is lost on the way.': 'Es lädt, und unterwegs geht nichts verloren.',
  'The alternator has volts that the battery has not': 'Der Generator hat Volt, die die Batterie nicht hat',
  'They are lost between them.': 'Sie gehen dazwischen verloren.',
  'Neither has them': 'Keiner hat sie',
  'The alternator does not make them: its lamp circuit, its regulator, its belt.':
    'Der Generator macht sie nicht: sein Lampenkreis, sein Regler, sein Riemen.',
  'The drop of each piece: alternator B+ to battery + post, battery − post to the alternator’s housing.':
    'Der Spannungsfall jedes Stücks: Generator B+ zum Pluspol, Minuspol zum Gehäuse des Generators.',
  'That one. Prove it before it is replaced.': 'Das ist es. Belegen, bevor es ersetzt wird.',
  'Little anywhere': 'Überall wenig',
  'Few amps flow: a full battery takes little. Load it and read again.':
    'Wenige Ampere fließen: eine volle Batterie nimmt wenig. Belasten und wieder messen.',
  'A heavy jumper, fused like the circuit, past that piece: the battery’s volts have to come back.':
    'Eine kräftige Brücke, abgesichert wie der Stromkreis, an diesem Stück vorbei: die Volt der Batterie müssen wiederkommen.',
  'The battery rises to charging volts': 'Die Batterie steigt auf Ladespannung',
  'Proved: what was bypassed is the fault.': 'Belegt: das Überbrückte ist der Fehler.',
  'A key-off drain, three ways': 'Ein Ruhestrom, auf drei Arten',
  'Clamp, ammeter in series, millivolts across the fuses: all three measure the same current. They differ in what they disturb and how small a drain they see.':
    'Zange, Strommesser in Reihe, Millivolt über den Sicherungen: alle drei messen denselben Strom. Sie unterscheiden sich darin, was sie stören und wie wenig sie sehen.',
  'A battery that goes flat overnight. Fuses’ millivolts first: nothing is opened and nothing wakes. The clamp for what is above some tens of milliamps. The ammeter in series where milliamps count: bridged while it is put in, or the modules wake.':
    'Eine Batterie, die über Nacht leer wird. Zuerst die Millivolt der Sicherungen: nichts wird geöffnet, nichts wacht auf. Die Zange für mehr als einige zehn Milliampere. Der Strommesser in Reihe, wo Milliampere zählen: beim Einsetzen überbrückt, sonst wachen die Steuergeräte auf.',
  'Common practice, no source; sleep below about 50 mA: common practice too':
    'Übliche Praxis, ohne Quelle; Schlaf unter etwa 50 mA: auch übliche Praxis',
  'Key off, doors latched or their switches closed by hand, bonnet switch too; wait until the modules sleep: half an hour or what the maker says.':
    'Zündung aus, Türschlösser verriegelt oder ihre Schalter von Hand geschlossen, auch die Haube; warten, bis die Steuergeräte schlafen: eine halbe Stunde oder nach Hersteller.',
  'Up to about 50 mA': 'Bis etwa 50 mA',
  'That is what sleeping modules take. No drain now: if the battery still goes flat, something wakes at times.':
    'So viel nehmen schlafende Steuergeräte. Jetzt kein Ruhestrom: wird die Batterie trotzdem leer, wacht zeitweise etwas auf.',
  More: 'Mehr',
  'A drain. Which branch?': 'Ein Ruhestrom. Welcher Zweig?',
  'Millivolts across every fuse, on the test points of its back, none pulled. The table of its type and rating makes amps of them.':
    'Millivolt über jeder Sicherung, an den Prüfpunkten am Rücken, keine gezogen. Die Tabelle ihrer Bauform und Stärke macht Ampere daraus.',
  'One fuse has millivolts that a sleeping branch has not':
    'Eine Sicherung hat Millivolt, die ein schlafender Zweig nicht hat',
  'That branch. A fuse before others carries their sum.':
    'Dieser Zweig. Eine Sicherung vor anderen trägt deren Summe.',
  'None has any': 'Keine hat welche',
  'The drain is before the fuses: alternator, starter, their cables. Clamp them.':
    'Der Ruhestrom liegt vor den Sicherungen: Generator, Anlasser, ihre Kabel. Mit der Zange messen.',
  'Behind that fuse: unplug one after the other with the clamp on, or watch the fuse’s millivolts, until the current is gone.':
    'Hinter dieser Sicherung: eins nach dem anderen trennen, mit der Zange oder den Millivolt der Sicherung im Blick, bis der Strom weg ist.',
  'It goes with one of them': 'Er geht mit einem davon weg',
  'What was unplugged last, or what holds it awake.': 'Was zuletzt getrennt wurde, oder was es wach hält.',
  'Powers and grounds of a module, before it is condemned':
    'Versorgungen und Massen eines Steuergeräts, bevor es verurteilt wird',
  'It is almost never the module. Every supply and every ground, pin by pin, at its plug, while it works: then, and not before, it may be the module.':
    'Es ist fast nie das Steuergerät. Jede Versorgung und jede Masse, Pin für Pin, am Stecker, während es arbeitet: dann, und nicht vorher, darf es das Steuergerät sein.',
  'A module does nothing, or does odd things.': 'Ein Steuergerät tut nichts oder Seltsames.',
  'Plug on, back-probed, everything on that the module works. Each supply pin to battery −.':
    'Stecker drauf, von hinten kontaktiert, alles ein, was es schaltet. Jeder Versorgungspin gegen Batterie −.',
  'One lacks more than half a volt': 'Einem fehlt mehr als ein halbes Volt',
  'The way to that pin: fuse, relay, connector, wire.':
    'Der Weg zu diesem Pin: Sicherung, Relais, Stecker, Leitung.',
  'All within half a volt of the source': 'Alle innerhalb eines halben Volts der Quelle',
  'It is supplied.': 'Es ist versorgt.',
  'Each ground pin to battery −, in the same state.': 'Jeder Massepin gegen Batterie −, im selben Zustand.',
  'One has more than about 50 mV': 'Einer hat mehr als etwa 50 mV',
  'That ground: its terminal, its eyelet, its bolt. Where grounds share the load, the good one hides the bad one: a little is much here.':
    'Diese Masse: ihr Kontakt, ihre Öse, ihre Schraube. Wo Massen sich die Last teilen, verbirgt die gute die schlechte: wenig ist hier viel.',
  'All below about 50 mV, and not zero': 'Alle unter etwa 50 mV, und nicht null',
  'Supplies and grounds carry. Then inputs, then outputs, then the module.':
    'Versorgungen und Massen tragen. Dann Eingänge, dann Ausgänge, dann das Steuergerät.',
  'Supply and low reference of a sensor': 'Versorgung und Sensormasse eines Sensors',
  'A three-wire sensor needs its five volts and its low reference before its signal means anything.':
    'Ein dreiadriger Sensor braucht seine fünf Volt und seine Sensormasse, bevor sein Signal etwas sagt.',
  'A signal is at its end, or jumps.': 'Ein Signal steht am Anschlag oder springt.',
  'Common practice, no source; the limits are the maker’s':
    'Übliche Praxis, ohne Quelle; die Grenzwerte sind die des Herstellers',
  'Key on, sensor plugged in and back-probed. Supply pin to low-reference pin.':
    'Zündung ein, Sensor gesteckt und von hinten kontaktiert. Versorgungspin gegen Sensormasse.',
  '4.8 to 5.2 V': '4,8 bis 5,2 V',
  'Supply and low reference are both there.': 'Versorgung und Sensormasse sind beide da.',
  'Anything else': 'Etwas anderes',
  'One of the two wires: each to battery − says which.':
    'Eine der beiden Leitungen: jede gegen Batterie − sagt, welche.',
  'Supply pin to battery −; low-reference pin to battery −.':
    'Versorgungspin gegen Batterie −; Sensormasse gegen Batterie −.',
  'Low reference above 0.1 V': 'Sensormasse über 0,1 V',
  'The low reference is open or resists: its wire, its pin at the module.':
    'Die Sensormasse ist unterbrochen oder hat Widerstand: ihre Leitung, ihr Pin am Steuergerät.',
  'Supply not five volts': 'Versorgung nicht fünf Volt',
  'Unplug the sensor: if the five volts come back, the sensor pulls them down; if not, the wire, or another sensor on the same supply.':
    'Sensor trennen: kommen die fünf Volt wieder, zieht der Sensor sie herunter; wenn nicht, die Leitung, oder ein anderer Sensor an derselben Versorgung.',
  'Sensor unplugged: supply pin of the plug to battery −.':
    'Sensor getrennt: Versorgungspin des Steckers gegen Batterie −.',
  'Five volts now': 'Jetzt fünf Volt',
  'The sensor draws them down.': 'Der Sensor zieht sie herunter.',
  'Still not': 'Immer noch nicht',
  'The supply’s wire, a short on it, or the module.':
    'Die Leitung der Versorgung, ein Kurzschluss daran, oder das Steuergerät.',
  'Signal pin to low-reference pin; move what it senses, slowly, from end to end.':
    'Signalpin gegen Sensormasse; langsam von Anschlag zu Anschlag bewegen, was er misst.',
  'Between 0.25 and 4.75 V, and follows without a jump': 'Zwischen 0,25 und 4,75 V, und folgt ohne Sprung',
  'Sensor and its supply are good. What the module makes of it is on the scan tool.':
    'Sensor und Versorgung sind gut. Was das Steuergerät daraus macht, zeigt das Diagnosegerät.',
  'At an end, or not where the sensor stands': 'Am Anschlag, oder nicht, wo der Sensor steht',
  'The signal’s wire, or the sensor: unplugged, the pull-up or pull-down shows at the plug.':
    'Die Signalleitung, oder der Sensor: getrennt zeigt sich am Stecker der Pull-up oder Pull-down.',
  'Grounds: by drop, by ohms, by a supplemental wire':
    'Massen: durch Spannungsfall, durch Ohm, durch eine Zusatzleitung',
  'Returns and grounds fail more often than feeds. Drop under load judges; ohms find the bolt; a wire beside it proves it.':
    'Rückleitungen und Massen versagen öfter als Zuleitungen. Spannungsfall unter Last urteilt; Ohm finden die Schraube; eine Leitung daneben belegt es.',
  'Several things misbehave together, or the return loses too much.':
    'Mehreres spinnt zusammen, oder die Rückleitung verliert zu viel.',
  'Common practice, no source: 0.0 to 0.3 Ω good, above 1.5 Ω at a panel bolt poor':
    'Übliche Praxis, ohne Quelle: 0,0 bis 0,3 Ω gut, über 1,5 Ω an einer Blechschraube schlecht',
  'Circuit on: load’s return terminal to battery − post.':
    'Eingeschaltet: Rückleitungsanschluss des Verbrauchers gegen Minuspol.',
  'The ground carries this load.': 'Die Masse trägt diese Last.',
  'More; or the source, where it is open': 'Mehr; oder die Quelle, wo sie unterbrochen ist',
  'The return. By ohms: how bad, and where.': 'Die Rückleitung. Durch Ohm: wie schlecht, und wo.',
  'Circuit off, load unplugged: ohms from its return terminal to battery −. What the shorted leads show is taken off.':
    'Ausgeschaltet, Verbraucher getrennt: Ohm von seinem Rückleitungsanschluss gegen Batterie −. Was die kurzgeschlossenen Leitungen zeigen, wird abgezogen.',
  '0.0 to 0.3 Ω': '0,0 bis 0,3 Ω',
  'An ohmmeter cannot see a joint of tens of milliohms: the drop has judged already. Go by drops.':
    'Ein Ohmmeter sieht keine Verbindung von einigen zehn Milliohm: der Spannungsfall hat schon geurteilt. Nach Spannungsfall gehen.',
  'More, or OL': 'Mehr, oder OL',
  'A poor or open ground.': 'Eine schlechte oder offene Masse.',
  'A supplemental wire, fused like the circuit, from the load’s return terminal to battery −, circuit on.':
    'Eine Zusatzleitung, abgesichert wie der Stromkreis, vom Rückleitungsanschluss nach Batterie −, eingeschaltet.',
  'The load has its volts again': 'Der Verbraucher hat seine Volt wieder',
  'Proved: the ground. Take the wire off and go along it, eyelet, nut and stud, sheet metal.':
    'Belegt: die Masse. Leitung abnehmen und sie entlanggehen, Öse, Mutter und Bolzen, Blech.',
  'No change': 'Keine Änderung',
  'The return was not what held it back: back to the four measurements.':
    'Die Rückleitung war nicht, was ihn hemmte: zurück zu den vier Messungen.',
  'Each piece of the return by itself, circuit on.': 'Jedes Stück der Rückleitung für sich, eingeschaltet.',
  'One has most of it': 'Eines hat das meiste davon',
  'Clean to bare metal, tighten, protect, and take the drop again.':
    'Blank reinigen, festziehen, schützen, und den Spannungsfall noch einmal.',
  'A known load in place of the circuit’s own': 'Eine bekannte Last anstelle der eigenen',
  'A load that is itself weak draws little, so a bad joint shows a drop that looks good. A lamp known to be good in its place asks of the wires what the load should.':
    'Ein schwacher Verbraucher zieht wenig, also zeigt eine schlechte Verbindung einen Spannungsfall, der gut aussieht. Eine sicher gute Lampe an seiner Stelle verlangt von den Leitungen, was der Verbraucher verlangen sollte.',
  'The drops are small and the load is in doubt, or the load cannot be switched on.':
    'Die Spannungsfälle sind klein und der Verbraucher ist zweifelhaft, oder er lässt sich nicht einschalten.',
  'Circuit on, its own load: loss of feed and return, and what the load does.':
    'Eingeschaltet, eigener Verbraucher: Verlust von Zu- und Rückleitung, und was er tut.',
  'A side is over its limit already': 'Eine Seite ist schon über ihrem Grenzwert',
  'No substitute is needed to see it.': 'Dafür braucht es keine Ersatzlast.',
  'Both within their limits': 'Beide innerhalb ihrer Grenzwerte',
  'Good wires, or a load that draws too little to tell. The known load decides.':
    'Gute Leitungen, oder ein Verbraucher, der zu wenig zieht, um es zu sagen. Die bekannte Last entscheidet.',
  'Load unplugged; a lamp of about 55 W (70 W at 24 V) at its plug, three to five seconds. The same two drops.':
    'Verbraucher getrennt; eine Lampe von etwa 55 W (70 W bei 24 V) an seinem Stecker, drei bis fünf Sekunden. Dieselben zwei Spannungsfälle.',
  'Over the limit now': 'Jetzt über dem Grenzwert',
  'The wires do not carry what they should. Point by point, with the lamp on.':
    'Die Leitungen tragen nicht, was sie sollen. Punkt für Punkt, mit der Lampe an.',
  'Within the limit': 'Innerhalb der Grenze',
  'Feed and return carry a known load. If the circuit’s own works badly, it is the load.':
    'Zu- und Rückleitung tragen eine bekannte Last. Geht der eigene schlecht, ist es der Verbraucher.',
  'Within the limit, and the circuit’s own load works badly':
    'Innerhalb der Grenze, und der eigene Verbraucher geht schlecht',
  'The load.': 'Der Verbraucher.',
  'Intermittents: least disturbance, wiggle, heat': 'Wackelkontakte: wenig stören, bewegen, wärmen',
  'Reseat a connector and the fault is gone, unproved. So: look first, back-probe, record, and only then move one thing at a time.':
    'Einen Stecker neu stecken, und der Fehler ist weg, unbelegt. Also: erst ansehen, von hinten kontaktieren, aufzeichnen, und erst dann eins nach dem anderen bewegen.',
  'The complaint cannot be reproduced, or comes with bumps, warmth or wet.':
    'Die Beanstandung lässt sich nicht nachvollziehen, oder kommt bei Stößen, Wärme oder Nässe.',
  'Nothing is unplugged. Leads back-probed at the load, circuit on, meter on minimum and maximum, then the complaint’s conditions: drive, warm, wet.':
    'Nichts wird getrennt. Leitungen von hinten am Verbraucher, eingeschaltet, Messgerät auf Minimum und Maximum, dann die Umstände der Beanstandung: fahren, warm, nass.',
  'Minimum and maximum differ, or nothing yet': 'Minimum und Maximum verschieden, oder noch nichts',
  'On to moving one thing at a time.': 'Weiter: eins nach dem anderen bewegen.',
  'One connector, one length of harness, one joint at a time: pushed, pulled, bent lightly, from the load towards the battery. Minimum and maximum read after each.':
    'Ein Stecker, ein Stück Kabelbaum, eine Verbindung auf einmal: drücken, ziehen, leicht biegen, vom Verbraucher zur Batterie. Nach jedem Minimum und Maximum ablesen.',
  'The reading moves with one of them': 'Der Wert bewegt sich mit einem davon',
  'There. Only now is it opened: a slack female terminal, a pin that has backed out, a broken strand under its insulation.':
    'Dort. Erst jetzt wird geöffnet: eine aufgeweitete Buchse, ein zurückgerutschter Pin, eine gebrochene Litze unter der Isolierung.',
  'It moves with none': 'Er bewegt sich mit keinem',
  'Heat, then cold, on what is in doubt (a hot-air gun at arm’s length; nothing that melts). Else it stays recorded and is watched.':
    'Wärme, dann Kälte auf das Verdächtige (Heißluft mit Abstand; nichts, was schmilzt). Sonst bleibt es aufgezeichnet und wird beobachtet.',
  'Terminals: back-probe, remove, tension, drag test':
    'Kontakte: von hinten messen, ausbauen, spannen, Haltekraft',
  'A female terminal that has been spread holds its pin by luck. A pin of the right gauge drawn through it has to drag.':
    'Eine aufgeweitete Buchse hält ihren Stift nur aus Glück. Ein Stift passender Stärke muss beim Durchziehen halten.',
  'A connector is in doubt: after a wiggle test, after somebody probed it from the front.':
    'Ein Stecker ist zweifelhaft: nach dem Bewegen, oder nachdem jemand von vorn gemessen hat.',
  'Common practice, no source; tools and pull-out force: the maker’s':
    'Übliche Praxis, ohne Quelle; Werkzeug und Auszugskraft: nach Hersteller',
  'From behind, along the wire through its seal, with a probe as thin as the seal allows: never from the front, never through the insulation. The connector’s own drop, circuit on.':
    'Von hinten, an der Leitung durch die Dichtung, mit so dünner Spitze, wie die Dichtung erlaubt: nie von vorn, nie durch die Isolierung. Der Spannungsfall des Steckers, eingeschaltet.',
  'A few tens of millivolts at most': 'Höchstens einige zehn Millivolt',
  'It passes its current now. Whether it grips is another question.':
    'Jetzt lässt er seinen Strom durch. Ob er greift, ist eine andere Frage.',
  'Unplugged. A loose pin of the right gauge, drawn through every female terminal.':
    'Getrennt. Ein loser Stift passender Stärke, durch jede Buchse gezogen.',
  'It drags in all of them': 'Er hält in allen',
  'The terminals grip.': 'Die Kontakte greifen.',
  'It falls out of one': 'Aus einem fällt er heraus',
  'Secondary lock out, terminal out with the tool that is made for it; tension it lightly, or better replace it; drag test again; lock back in and pull at the wire.':
    'Zweite Verriegelung auf, Kontakt mit dem richtigen Werkzeug heraus; leicht spannen, oder besser ersetzen; Haltekraft noch einmal; verriegeln und an der Leitung ziehen.',
  'Repairing a wire: sealed crimp, or twist and solder':
    'Eine Leitung reparieren: dichte Quetschung, oder verdrillen und löten',
  'Two schools. Crimp in a sealed sleeve: no heat at the strands, stays flexible, wants the right sleeve and tool. Twist, solder, sleeve with glue: lowest resistance, but stiff where the solder ends. Both are good where they are done well; some makers allow only one, some neither.':
    'Zwei Schulen. Quetschen in dichter Hülse: keine Hitze an den Litzen, bleibt biegsam, will die richtige Hülse und das richtige Werkzeug. Verdrillen, löten, Schlauch mit Kleber: kleinster Widerstand, aber steif, wo das Lot endet. Beide sind gut, wo sie gut gemacht sind; manche Hersteller erlauben nur eine, manche keine.',
  'A wire is open, corroded or chafed.': 'Eine Leitung ist unterbrochen, korrodiert oder durchgescheuert.',
  'Common practice, no source; what the maker allows comes first. Restraint and high-voltage wiring: never':
    'Übliche Praxis, ohne Quelle; was der Hersteller erlaubt, geht vor. Rückhaltesysteme und Hochvolt: nie',
  'Strap off. Back to bright copper: green or black strands are cut off until they shine. The same section or the next larger for what is put in; joints of neighbouring wires apart from each other.':
    'Masseband ab. Zurück bis zu blankem Kupfer: grüne oder schwarze Litzen abschneiden, bis sie glänzen. Gleicher oder nächstgrößerer Querschnitt für das Einsatzstück; Verbindungen benachbarter Leitungen versetzt.',
  'Bright strands at both ends': 'Blanke Litzen an beiden Enden',
  'Now one of the two ways.': 'Nun eine der beiden Arten.',
  'Crimp: sleeve by section, both ends to the stop, the tool that belongs to it, pull, then shrink until the glue shows all round. Solder: sleeve over the wire first, strands spread and twisted in line, heat until the solder runs by itself, no more; sleeve shrunk with glue, and held so that it cannot bend at its end.':
    'Quetschen: Hülse nach Querschnitt, beide Enden bis zum Anschlag, das zugehörige Werkzeug, ziehen, dann schrumpfen, bis der Kleber rundum austritt. Löten: erst den Schlauch auf die Leitung, Litzen gespreizt und in Linie verdrillt, erhitzen, bis das Lot von selbst läuft, nicht mehr; Schlauch mit Kleber, und so befestigt, dass er am Ende nicht knickt.',
  'It holds a firm pull and is tight': 'Sie hält kräftigen Zug und ist dicht',
  'Then it is measured.': 'Dann wird gemessen.',
  'Strap on, circuit on: the drop of the repaired wire from end to end, beside its neighbours.':
    'Masseband dran, eingeschaltet: der Spannungsfall der reparierten Leitung von Ende zu Ende, neben ihren Nachbarn.',
  'What a wire of its length and section loses, and not zero':
    'Was eine Leitung ihrer Länge und ihres Querschnitts verliert, und nicht null',
  'The joint adds nothing that can be read. Prove the whole.':
    'Die Verbindung fügt nichts Messbares hinzu. Das Ganze nachweisen.',
  'Clearly more, or the source': 'Deutlich mehr, oder die Quelle',
  'A cold joint, a sleeve of the wrong size, strands that were cut: once more.':
    'Eine kalte Lötstelle, eine falsche Hülse, abgeschnittene Litzen: noch einmal.',
  'Proving a repair': 'Eine Reparatur nachweisen',
  'The test that failed is repeated under the same load in the same state; then the complaint is tried.':
    'Die auffällige Messung wird unter derselben Last im selben Zustand wiederholt; dann wird die Beanstandung probiert.',
  'After every repair, and before the tools are put away.':
    'Nach jeder Reparatur, und bevor das Werkzeug weggeräumt ist.',
  'The same reading at the same points, in the same state, under the same load as when it failed.':
    'Dieselbe Messung an denselben Punkten, im selben Zustand, unter derselben Last wie bei der Auffälligkeit.',
  'Both losses within their limits, and not zero':
    'Beide Verluste innerhalb ihrer Grenzwerte, und nicht null',
  'The piece is repaired.': 'Das Stück ist repariert.',
  'Still over, or zero because nothing flows': 'Immer noch darüber, oder null, weil nichts fließt',
  'It is not repaired, or there is a second fault.':
    'Es ist nicht repariert, oder es gibt einen zweiten Fehler.',
  'The pieces of both sides once more.': 'Die Stücke beider Seiten noch einmal.',
  'One stands out': 'Eines sticht heraus',
  'Go on from there.': 'Von dort weiter.',
  'What the customer said, tried as they would: every state in which it was wrong.':
    'Was der Kunde sagte, so probiert, wie er es täte: jeder Zustand, in dem es falsch war.',
  'As it should be': 'Wie es sein soll',
  'Proved. Write down the reading before and after.':
    'Nachgewiesen. Den Wert vorher und nachher aufschreiben.',
  'Not yet': 'Noch nicht',
  'Good volts and a bad load: the load.': 'Gute Volt und ein schlechter Verbraucher: der Verbraucher.',
  'The same bad joint: nothing is lost in it until its load draws current.':
    'Dieselbe schlechte Verbindung: in ihr geht nichts verloren, bis ihr Verbraucher Strom zieht.',
  'A wire of a few strands beeps like a sound one; under its load it loses volts.':
    'Eine Leitung mit wenigen Litzen piept wie eine gesunde; unter ihrer Last verliert sie Volt.',
  'On a live circuit the ohmmeter shows the circuit’s volts as ohms.':
    'An einem Stromkreis unter Spannung zeigt das Ohmmeter dessen Volt als Ohm.',
  'Nought across the joint, because nothing flows: the open further on has the whole source.':
    'Null über der Verbindung, weil nichts fließt: die Unterbrechung weiter hinten hat die ganze Quelle.',
  'Source voltage on a drop test stands across the open; a sound piece beside it has next to nothing.':
    'Quellspannung beim Spannungsfall steht über der Unterbrechung; ein gesundes Stück daneben hat fast nichts.',
  'Against a ground that is itself lifted, the feed looks weak; against the battery’s post it is not.':
    'Gegen eine selbst angehobene Masse sieht die Zuleitung schwach aus; gegen den Batteriepol nicht.',
  'A light lamp shines through a joint that could never carry the circuit’s own load.':
    'Eine leichte Lampe leuchtet durch eine Verbindung, die die eigene Last nie tragen könnte.',
  'The feed is perfect. Who stops there never sees that the return loses it.':
    'Die Zuleitung ist tadellos. Wer dort aufhört, sieht nie, dass die Rückleitung es verliert.',
  'The meter shows red less black: reversed leads turn the sign and nothing else.':
    'Das Messgerät zeigt Rot minus Schwarz: vertauschte Leitungen drehen das Vorzeichen und sonst nichts.',
  'A minus is no fault: the same volts with the leads the other way round.':
    'Ein Minus ist kein Fehler: dieselben Volt mit den Leitungen andersherum.',
  'Millivolts written as volts turn a sound joint into a dead one.':
    'Millivolt als Volt geschrieben machen aus einer gesunden Verbindung eine tote.',
  'Both leads on one point read nought whatever the circuit does.':
    'Beide Leitungen an einem Punkt zeigen null, was immer der Stromkreis tut.',
  'The same reading says the same; the next point along the path says something new.':
    'Dieselbe Messung sagt dasselbe; der nächste Punkt des Wegs sagt etwas Neues.',
  'On the eyelet the joint between eyelet and stud is left out, and that joint is the fault.':
    'An der Öse bleibt die Verbindung zwischen Öse und Bolzen außen vor, und gerade sie ist der Fehler.',
  'Across a source an ammeter is a short: its fuse, its leads or the battery pay. Amps are read in series, or by a clamp.':
    'An einer Quelle ist ein Strommesser ein Kurzschluss: seine Sicherung, seine Leitungen oder die Batterie bezahlen. Ampere misst man in Reihe oder mit der Zange.',
  'In the amps jack the leads are a wire: across a load they short it, a fuse blows, the circuit’s or the meter’s, and the display says nothing.':
    'In der Ampere-Buchse sind die Leitungen ein Draht: über einem Verbraucher schließen sie ihn kurz, eine Sicherung geht durch, die des Stromkreises oder des Messgeräts, und die Anzeige sagt nichts.',
  'On a wrong point an unfused jumper carries hundreds of amps; a fused one carries none, its fuse is gone.':
    'An einem falschen Punkt trägt eine ungesicherte Brücke Hunderte Ampere; eine gesicherte keines, ihre Sicherung ist weg.',
  'Across a load a jumper is a short: the circuit’s fuse blows and nothing flows any more. Across one piece of the feed it shares what the circuit draws.':
    'Über einem Verbraucher ist eine Brücke ein Kurzschluss: die Sicherung geht durch und nichts fließt mehr. Über einem Stück der Zuleitung teilt sie sich, was der Stromkreis zieht.',
  'Fifty milliohms of coiled jumper lose more than the joint that they bridge: measured at its clips they count as the circuit’s.':
    'Fünfzig Milliohm Spiralkabel verlieren mehr als die Verbindung, die sie überbrücken: an ihren Klemmen gemessen zählen sie zum Stromkreis.',
  'What the core remembers is added to every reading until the clamp is zeroed: much where a drain is looked for.':
    'Was der Kern behält, kommt zu jedem Wert dazu, bis die Zange genullt ist: viel, wo ein Ruhestrom gesucht wird.',
  'A transformer clamp sees no direct current, however much flows.':
    'Eine Trafozange sieht keinen Gleichstrom, wie viel auch fließt.',
  'Feed and return in one pair of jaws take each other away, or add: one conductor at a time.':
    'Zu- und Rückleitung in einer Zange heben sich auf oder zählen zusammen: eine Leitung auf einmal.',
  'Millivolts become amps only by the table of the fuse’s own type and rating, and within its range.':
    'Millivolt werden nur nach der Tabelle der eigenen Bauform und Stärke zu Ampere, und nur in ihrem Bereich.',
  'A lamp on a sensor’s five volts is dark, and can ruin what supplies them; a voltmeter draws nothing.':
    'Eine Lampe an den fünf Volt eines Sensors ist dunkel und kann zerstören, was sie liefert; ein Voltmeter zieht nichts.',
  'What is clipped straight on the posts has no fuse before it. Cranking is a load test that is there already.':
    'Was direkt an die Pole geklemmt wird, hat keine Sicherung davor. Starten ist eine Belastung, die schon da ist.',
  'In gear the inhibitor keeps the starter out, or the vehicle moves: park or neutral, brake on.':
    'Mit Gang hält die Sperre den Anlasser fern, oder das Fahrzeug bewegt sich: Park oder Leer, Bremse fest.',
  'The lamp is dim because it lacks volts: a new one would be as dim. Its return has them.':
    'Die Lampe ist schwach, weil ihr Volt fehlen: eine neue wäre es auch. Ihre Rückleitung hat sie.',
  'At rest the connector is good again. Moved, it is not: what was disturbed has proved nothing.':
    'In Ruhe ist der Stecker wieder gut. Bewegt nicht: was bewegt wurde, hat nichts belegt.',
}
