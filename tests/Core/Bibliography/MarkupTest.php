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
