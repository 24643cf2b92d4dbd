<?php

use WaryHeron\Core\Bibliography\Markup;
use WaryHeron\Core\Bibliography\PublicationType;
use WaryHeron\Core\Bibliography\Reference;

it('takes marks out and leaves what they are around', function (string $text, string $plain) {
    expect(Markup::plain($text))->toBe($plain)->and(Markup::plain($plain))->toBe($plain);
})->with([
    ['A lamp', 'A lamp'],
    ['', ''],
    ['Lamps & visors', 'Lamps & visors'],
    ['<p>Markup <b>bold</b> and H<sub>2</sub>O', 'Markup bold and H₂O'],
    ['10<sup>-3</sup> lux', '10⁻³ lux'],
    ['x<sub>max</sub>', 'xₘₐₓ'],
    ['CD4<sup>+</sup> and T<sub>night</sub>', 'CD4⁺ and Tnight'],
    ['p < 0.05 and n > 3, <18 years, a<b', 'p < 0.05 and n > 3, <18 years, a<b'],
    ['<5 lux (x<y and z>w)', '<5 lux (x<y and z>w)'],
    ['Lamps &amp; visors', 'Lamps & visors'],
    ['Lamps &amp;amp; visors', 'Lamps & visors'],
    ['p &lt; 0.05', 'p < 0.05'],
    ['&alpha;-lux, 5 &#181;m, na&#xEF;ve', 'α-lux, 5 µm, naïve'],
    ['R&D, AT&T; Q&A', 'R&D, AT&T; Q&A'],
    ['&lt;i&gt;Lamps&lt;/i&gt; at night', 'Lamps at night'],
    ['&lt;18 years&gt;', '<18 years>'],
    [
        '<jats:sec><jats:title>Background</jats:title><jats:p>Nights are <jats:italic>long</jats:italic>.</jats:p></jats:sec><jats:sec><jats:title>Methods:</jats:title><jats:p>A trial.</jats:p></jats:sec>',
        "Background: Nights are long.\n\nMethods: A trial.",
    ],
    ['<mml:math><mml:mrow><mml:mi>x</mml:mi><mml:mo>=</mml:mo><mml:mn>2</mml:mn></mml:mrow></mml:math> lux', 'x=2 lux'],
    ['One<br/>two<br>three', "One\ntwo\nthree"],
    ['<script>alert(1)</script>Lamps<!-- a note -->', 'Lamps'],
    ['<a href="javascript:x">Lamps</a>', 'Lamps'],
    ['<span style="color:red">Lamps', 'Lamps'],
    ['if a<b then b>a', 'if a<b then b>a'],
    ['a<b and c<i or p>q', 'a<b and c<i or p>q'],
    ['<scp>Lamp</scp>s and <small-caps>nights</small-caps>', 'Lamps and nights'],
    ['CO<inf>2</inf> and <cite>Lamps</cite>', 'CO₂ and Lamps'],
    ['&amp;lt;i&amp;gt;Lamps&amp;lt;/i&amp;gt; at night', 'Lamps at night'],
    ['CO&lt;sub&gt;2&lt;/sub&gt; emission', 'CO₂ emission'],
    ['&lt;0.05; &gt;0.1', '<0.05; >0.1'],
    ['<td align=left >Lamps</td>', 'Lamps'],
    ['<p class="a" id="b">Lamps</p>', 'Lamps'],
    ['<jats:p>Lamps</jats:p><jats:p>Nights</jats:p>', "Lamps\n\nNights"],
    ['m<sup>2</sup>/s<sup>−1</sup>', 'm²/s⁻¹'],
    ['&copy; 2004 &mdash; &eacute;t&eacute;', '© 2004 — été'],
]);

it('comes to an end with text that is all marks, and loses no letter of it to a limit', function (string $piece) {
    expect(Markup::plain(str_repeat($piece, 40_000).'Lamps'))
        ->toEndWith('Lamps')
        ->and(preg_last_error())
        ->toBe(PREG_NO_ERROR);
})->with(['<', '<sub>', '<a <p ', '&lt;', '<!--', '<title>x', '<script>', '</b', '<x:', '&lt;/b&gt;', "<td>\n"]);

it('cleans a reference and keeps its text as delivered', function () {
    $reference = new Reference(
        PublicationType::Article,
        'H<sub>2</sub>O',
        abstract: '<p>One</p>',
        keywords: ['a<i>b</i>'],
        source: 'TI  - H<sub>2</sub>O',
    );
    $clean = $reference->withoutMarkup();
    expect([$clean->title, $clean->abstract, $clean->keywords, $clean->source])
        ->toBe(['H₂O', 'One', ['ab'], 'TI  - H<sub>2</sub>O'])
        ->and((new Reference(PublicationType::Article, 'A'))->withoutMarkup())
        ->toEqual(new Reference(PublicationType::Article, 'A'));
});
