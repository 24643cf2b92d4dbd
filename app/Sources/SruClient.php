<?php

declare(strict_types=1);

namespace App\Sources;

use DOMDocument;
use DOMElement;
use DOMXPath;
use Illuminate\Http\Client\ConnectionException;
use Illuminate\Support\Facades\Http;
use WaryHeron\Core\Bibliography\Format\Mods\ModsReader;

/** Speaks SRU 1.2 with any server that gives MODS. */
final readonly class SruClient implements Source
{
    public function __construct(private string $name, private string $url, private int $batch, private int $timeout)
    {
    }

    public function batch(): int
    {
        return $this->batch;
    }

    public function count(string $query): int
    {
        return $this->page($query, 1, 0)->total;
    }

    public function page(string $query, int $from, int $most): Page
    {
        try {
            // by POST, since long queries do not fit an address
            $response = Http::timeout($this->timeout)->connectTimeout(4)->asForm()->post($this->url, [
                'version' => '1.2', 'operation' => 'searchRetrieve', 'query' => $query,
                'startRecord' => $from, 'maximumRecords' => $most, 'recordSchema' => 'mods',
            ]);
        } catch (ConnectionException) {
            throw SourceFailed::unreachable($this->name);
        }
        if ($response->failed()) {
            throw SourceFailed::status($this->name, $response->status());
        }

        return $this->read($response->body());
    }

    private function read(string $xml): Page
    {
        if (preg_match('/<!DOCTYPE|<!ENTITY/i', $xml) === 1) {
            throw SourceFailed::unreadable($this->name, 'it declares entities');
        }
        $document = new DOMDocument;
        $before = libxml_use_internal_errors(true);
        $loaded = $xml !== '' && $document->loadXML($xml, LIBXML_NONET | LIBXML_COMPACT | LIBXML_PARSEHUGE);
        libxml_clear_errors();
        libxml_use_internal_errors($before);
        if (! $loaded) {
            throw SourceFailed::unreadable($this->name, 'it is no XML');
        }
        $xpath = new DOMXPath($document);
        $local = fn (string $path): string => trim((string) $xpath->evaluate("string({$path})"));
        $diagnostic = "//*[local-name()='diagnostics']/*[local-name()='diagnostic']";
        if ($local("{$diagnostic}/*[local-name()='uri']") !== '') {
            throw SourceFailed::refused($this->name, $local("{$diagnostic}/*[local-name()='uri']"), $local("{$diagnostic}/*[local-name()='message']"), $local("{$diagnostic}/*[local-name()='details']"));
        }
        $total = $local("/*/*[local-name()='numberOfRecords']");
        if (preg_match('/^\d{1,9}$/', $total) !== 1) {
            throw SourceFailed::unreadable($this->name, 'it gives no number of records');
        }
        $records = [];
        $reader = new ModsReader;
        foreach ($xpath->query("/*/*[local-name()='records']/*[local-name()='record']/*[local-name()='recordData']") ?: [] as $data) {
            foreach ($data instanceof DOMElement ? $data->childNodes : [] as $mods) {
                if ($mods instanceof DOMElement && $mods->localName === 'mods') {
                    $records[] = $reader->reference($mods);
                }
            }
        }

        return new Page((int) $total, $records);
    }
}
