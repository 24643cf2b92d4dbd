<?php

declare(strict_types=1);

namespace WaryHeron\Standins;

use WaryHeron\Standins\Alder\Alder;

/** A service's thesaurus as it publishes it: SKOS in Turtle. */
final class ThesaurusTurtle
{
    public static function of(Service $service): ?string
    {
        $thesaurus = $service->thesaurus();
        if ($thesaurus === null) {
            return null;
        }
        $text = fn (string $value): string => '"'.addcslashes($value, '"\\').'"@en';
        $base = "urn:x-wary-heron:{$service->key()}:";
        $out =
            "@prefix skos: <http://www.w3.org/2004/02/skos/core#> .\n@prefix dcterms: <http://purl.org/dc/terms/> .\n@prefix t: <urn:x-wary-heron:thesaurus#> .\n\n".
            "<{$base}scheme> a skos:ConceptScheme ; dcterms:title {$text("{$service->title()} headings")} .\n";
        foreach ($thesaurus->labels as $number => $label) {
            $facts = [
                "<{$base}{$number}> a skos:Concept",
                "skos:inScheme <{$base}scheme>",
                "skos:prefLabel {$text($label)}",
            ];
            foreach ($thesaurus->alternatives[$number] ?? [] as $name) {
                $facts[] = "skos:altLabel {$text($name)}";
            }
            isset($thesaurus->notes[$number]) && ($facts[] = "skos:scopeNote {$text($thesaurus->notes[$number])}");
            foreach ($thesaurus->above[$number] as $above) {
                $facts[] = "skos:broader <{$base}{$above}>";
            }
            foreach ($thesaurus->related[$number] ?? [] as $related) {
                $facts[] = "skos:related <{$base}{$related}>";
            }
            foreach ($service instanceof Alder ? $service->qualifiersOf($number) : [] as $qualifier) {
                $facts[] = "t:allowedQualifier {$text($qualifier)}";
            }
            $out .= implode(" ;\n    ", $facts)." .\n";
        }

        return $out;
    }
}
