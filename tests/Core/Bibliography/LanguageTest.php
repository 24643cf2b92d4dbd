<?php

use WaryHeron\Core\Bibliography\Language;

it('calls a language by one name, however it is written', function (string $written, string $name) {
    expect(Language::named($written))->toBe($name)->and(Language::named(Language::named($written)))->toBe($name);
})->with([
    ['en', 'English'],
    ['eng', 'English'],
    ['EN', 'English'],
    ['en-GB', 'English'],
    ['en_US', 'English'],
    ['english', 'English'],
    ['English.', 'English'],
    ['[English]', 'English'],
    ['USenglish', 'English'],
    ['fr', 'French'],
    ['fre', 'French'],
    ['fra', 'French'],
    ['Français', 'French'],
    ['fr French language', 'French'],
    ['Text in French', 'French'],
    ['ger', 'German'],
    ['deu', 'German'],
    ['Deutsch', 'German'],
    ['chi', 'Chinese'],
    ['zh-Hans', 'Chinese'],
    ['中文', 'Chinese'],
    ['español', 'Spanish'],
    ['Castilian', 'Spanish'],
    ['pt-BR', 'Portuguese'],
    ['nob', 'Norwegian'],
    ['eng; fre', 'English; French'],
    ['English, German', 'English; German'],
    ['en/eng', 'English'],
    ['German and Italian', 'German; Italian'],
    ['', ''],
    ['und', ''],
    ['Undetermined; eng', 'English'],
    ['Heronese', 'Heronese'],
    ['xx', 'xx'],
    ['qqq', 'qqq'],
]);
