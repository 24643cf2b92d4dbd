<?php

declare(strict_types=1);

namespace App\Sources;

use DOMDocument;
use DOMElement;
use DOMXPath;
use GuzzleHttp\Promise\Create;
use GuzzleHttp\Promise\Each;
use GuzzleHttp\Promise\PromiseInterface;
use GuzzleHttp\Utils;
use Illuminate\Http\Client\ConnectionException;
use Illuminate\Http\Client\Promises\LazyPromise;
use Illuminate\Http\Client\Response;
use Illuminate\Support\Facades\Http;
use WaryHeron\Core\Bibliography\Format\Mods\ModsReader;

/** Speaks SRU with any server that gives MODS: 1.2 with CQL, or 2.0 where it is asked in a language of its own. */
final readonly class SruClient implements Source
{
    /** How many requests are under way at once when several queries are counted. */
    private const TOGETHER = 4;

    /** @param  string  $asks  the query type: cql, or what the server calls its own language */
    public function __construct(
        private string $name,
        private string $url,
        private int $batch,
        private int $timeout,
        private string $asks = 'cql',
    ) {
    }

    public function batch(): int
    {
        return $this->batch;
    }

    public function count(string $query): int
    {
        return $this->page($query, 1, 0)->total;
    }

    public function page(string $query, int $from, int $most, Order $order = Order::Newest): Page
    {
        return $this->read(
            $this->text(
                fn (): Response => Http::timeout($this->timeout)
                    ->connectTimeout(4)
                    ->asForm()
                    ->post(
                        $this->url,
                        $this->asked($query, $from, $most) +
                            ($order === Order::Newest ? [] : ['sortKeys' => $order->sortKey()]),
                    ),
            ),
        );
    }

    public function countAll(array $queries, float $until): array
    {
        $counts = [];
        Each::ofLimit($this->asking($queries, $until), self::TOGETHER, function (mixed $answer, string $query) use (
            &$counts,
        ): void {
            try {
                $counts[$query] = $this->read(
                    $this->text(fn (): Response => $answer instanceof Response ? $answer : throw $answer),
                )->total;
            } catch (SourceFailed $failed) {
                $counts[$query] = $failed;
            }
        })->wait();

        return $counts;
    }

    /**
     * Requests that are sent as they are asked for, until time is up.
     *
     * @param  list<string>  $queries
     * @return \Generator<string, PromiseInterface>
     */
    private function asking(array $queries, float $until): \Generator
    {
        // one for all, or each would wait for its own answer alone
        $handler = Utils::chooseHandler();
        foreach ($queries as $query) {
            if (microtime(true) > $until) {
                return;
            }
            $answer = Http::setHandler($handler)
                ->async()
                ->timeout($this->timeout)
                ->connectTimeout(4)
                ->asForm()
                ->post($this->url, $this->asked($query, 1, 0));
            yield $query => $answer instanceof LazyPromise ? $answer->buildPromise() : Create::promiseFor($answer);
        }
    }

    public function words(string $beginning, int $most): array
    {
        $asked = [
            'scanClause' => 'cql.serverChoice = "'.str_replace(['\\', '"'], '', $beginning).'"',
            'maximumTerms' => $most,
            'responsePosition' => 1,
        ];
        $asked =
            $this->asks === 'cql'
                ? ['version' => '1.2', 'operation' => 'scan', ...$asked]
                : ['version' => '2.0', ...$asked];
        $xml = $this->text(
            fn (): Response => Http::timeout($this->timeout)->connectTimeout(4)->asForm()->post($this->url, $asked),
        );
        $words = [];
        foreach (
            $this->path($xml)->query(
                "/*[local-name()='scanResponse']/*[local-name()='terms']/*[local-name()='term']/*[local-name()='value']",
            ) ?:
            [] as $value
        ) {
            $words[] = $value instanceof DOMElement ? mb_strtolower(trim($value->textContent)) : '';
        }

        return array_values(
            array_filter($words, fn (string $word): bool => str_starts_with($word, mb_strtolower($beginning))),
        );
    }

    public function holdings(): string
    {
        $xml = $this->text(
            fn (): Response => Http::timeout($this->timeout)
                ->connectTimeout(4)
                ->get($this->url, ['version' => '1.2', 'operation' => 'explain']),
        );
        $modified = trim(
            (string) $this->path($xml)->evaluate("string(//*[local-name()='metaInfo']/*[local-name()='dateModified'])"),
        );

        // a server that does not say is counted anew every day
        return $modified === '' ? now()->format('Y-m-d') : mb_substr($modified, 0, 60);
    }

    /** @return array<string, string|int> */
    private function asked(string $query, int $from, int $most): array
    {
        // by POST, since long queries do not fit an address
        $asked = ['query' => $query, 'startRecord' => $from, 'maximumRecords' => $most, 'recordSchema' => 'mods'];

        return $this->asks === 'cql'
            ? ['version' => '1.2', 'operation' => 'searchRetrieve', ...$asked]
            : ['version' => '2.0', 'queryType' => $this->asks, ...$asked];
    }

    /** @param  callable(): Response  $request */
    private function text(callable $request): string
    {
        try {
            $response = $request();
        } catch (ConnectionException) {
            throw SourceFailed::unreachable($this->name);
        }

        return $response->failed() ? throw SourceFailed::status($this->name, $response->status()) : $response->body();
    }

    private function path(string $xml): DOMXPath
    {
        if (preg_match('/<!DOCTYPE|<!ENTITY/i', $xml) === 1) {
            throw SourceFailed::unreadable($this->name, 'it declares entities');
        }
        $document = new DOMDocument();
        $before = libxml_use_internal_errors(true);
        $loaded = $xml !== '' && $document->loadXML($xml, LIBXML_NONET | LIBXML_COMPACT | LIBXML_PARSEHUGE);
        libxml_clear_errors();
        libxml_use_internal_errors($before);
        if (! $loaded) {
            throw SourceFailed::unreadable($this->name, 'it is no XML');
        }

        return new DOMXPath($document);
    }

    private function read(string $xml): Page
    {
        $xpath = $this->path($xml);
        $local = fn (string $path): string => trim((string) $xpath->evaluate("string({$path})"));
        $diagnostic = "//*[local-name()='diagnostics']/*[local-name()='diagnostic']";
        if ($local("{$diagnostic}/*[local-name()='uri']") !== '') {
            throw SourceFailed::refused(
                $this->name,
                $local("{$diagnostic}/*[local-name()='uri']"),
                $local("{$diagnostic}/*[local-name()='message']"),
                $local("{$diagnostic}/*[local-name()='details']"),
            );
        }
        $total = $local("/*/*[local-name()='numberOfRecords']");
        if (preg_match('/^\d{1,9}$/', $total) !== 1) {
            throw SourceFailed::unreadable($this->name, 'it gives no number of records');
        }
        $records = [];
        $reader = new ModsReader();
        foreach (
            $xpath->query("/*/*[local-name()='records']/*[local-name()='record']/*[local-name()='recordData']") ?: [] as $data
        ) {
            foreach ($data instanceof DOMElement ? $data->childNodes : [] as $mods) {
                if ($mods instanceof DOMElement && $mods->localName === 'mods') {
                    $records[] = $reader->reference($mods);
                }
            }
        }

        return new Page((int) $total, $records);
    }
}
