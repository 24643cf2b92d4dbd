<?php

declare(strict_types=1);

namespace WaryHeron\Standins\Locker;

use PDO;

/** The full-text locker: a PDF for a part of the DOIs that it knows, a refusal for others. */
final readonly class Locker
{
    public function __construct(private PDO $database)
    {
    }

    /** @return array{int, string, string} status, content type and content */
    public function answer(string $doi): array
    {
        $doi = mb_strtolower(trim($doi));
        foreach (['alder', 'tern'] as $service) {
            $found = $this->database->prepare("SELECT body FROM {$service}.records JOIN {$service}.records_text USING (number) WHERE doi = ? LIMIT 1");
            $found->execute([$doi]);
            $body = $found->fetchColumn();
            if (is_string($body)) {
                return $this->copyOf(json_decode($body, true), $doi);
            }
        }

        return [404, 'text/plain; charset=utf-8', "No such DOI is known here.\n"];
    }

    /**
     * @param  array<string, mixed>  $entry
     * @return array{int, string, string}
     */
    private function copyOf(array $entry, string $doi): array
    {
        // the same ones every time
        if (crc32($doi) % 100 >= 40) {
            return [403, 'text/plain; charset=utf-8', "This publisher gives no copy without a subscription.\n"];
        }
        $authors = implode(', ', array_map(fn (array $author): string => "{$author[1]} {$author[0]}", $entry['authors']));

        return [200, 'application/pdf', PlainPdf::of([[16, $entry['title']], [11, $authors], [10, "{$entry['journal'][0]} {$entry['year']}; {$entry['volume']}. doi:{$doi}"], [11, $entry['abstract']], [10, 'An invented report, made for trying things out.']])];
    }
}
