<?php

declare(strict_types=1);

// A stand-in for a store that speaks S3, served by "php -S" for tests: buckets are folders under STORE, keys files in them. What comes without the key of
// ACCESS is refused; where the file STORE/full lies, there is no room. What it understands: put, copy, get, head, delete, one and several, and the list of what begins so.
$store = (string) getenv('STORE');
[$path, $bucket, $key] = [rawurldecode((string) parse_url((string) $_SERVER['REQUEST_URI'], PHP_URL_PATH)), '', ''];
[, $bucket, $key] = [...explode('/', $path, 3), '', ''];
$method = $_SERVER['REQUEST_METHOD'];
$refuse = static function (int $status, string $code) use ($method): never {
    http_response_code($status);
    header('Content-Type: application/xml');
    exit($method === 'HEAD' ? '' : "<?xml version=\"1.0\"?><Error><Code>{$code}</Code><Message>{$code}</Message></Error>");
};
str_contains((string) ($_SERVER['HTTP_AUTHORIZATION'] ?? ''), 'Credential='.getenv('ACCESS').'/') || $refuse(403, 'InvalidAccessKeyId');
preg_match('~(^|/)\.\.?(/|$)~', $path) === 0 || $refuse(400, 'InvalidRequest');
$file = static fn (string $of): string => "{$store}/{$bucket}/".rawurlencode($of);
$said = static fn (string $text): string => htmlspecialchars($text, ENT_XML1);

if ($method === 'PUT') {
    ! is_file("{$store}/full") || $refuse(507, 'InsufficientStorage');
    $body = (string) file_get_contents('php://input');
    if (isset($_SERVER['HTTP_X_AMZ_COPY_SOURCE'])) {
        [, $from] = explode('/', ltrim(rawurldecode((string) $_SERVER['HTTP_X_AMZ_COPY_SOURCE']), '/'), 2);
        is_file($file($from)) || $refuse(404, 'NoSuchKey');
        $body = (string) file_get_contents($file($from));
    } elseif (str_contains((string) ($_SERVER['HTTP_CONTENT_ENCODING'] ?? ''), 'aws-chunked')) {
        for ($whole = '', $at = 0; ($end = strpos($body, "\r\n", $at)) !== false; $at = $end + 2 + $size + 2) {
            $size = (int) hexdec(explode(';', substr($body, $at, $end - $at))[0]);
            if ($size === 0) {
                break;
            }
            $whole .= substr($body, $end + 2, $size);
        }
        $body = $whole;
    }
    @mkdir("{$store}/{$bucket}", 0700, true);
    file_put_contents($file($key), $body);
    header('ETag: "'.md5($body).'"');
    header('Content-Type: application/xml');
    echo isset($_SERVER['HTTP_X_AMZ_COPY_SOURCE']) ? '<?xml version="1.0"?><CopyObjectResult><ETag>"'.md5($body).'"</ETag><LastModified>'.gmdate('Y-m-d\TH:i:s\Z').'</LastModified></CopyObjectResult>' : '';
} elseif ($method === 'DELETE') {
    @unlink($file($key));
    http_response_code(204);
} elseif ($method === 'POST' && isset($_GET['delete'])) {
    $listed = simplexml_load_string((string) file_get_contents('php://input'), options: LIBXML_NONET) ?: $refuse(400, 'MalformedXML');
    foreach ($listed->Object as $one) {
        @unlink($file((string) $one->Key));
    }
    header('Content-Type: application/xml');
    echo '<?xml version="1.0"?><DeleteResult/>';
} elseif ($key === '') {
    [$prefix, $parts] = [(string) ($_GET['prefix'] ?? ''), (string) ($_GET['delimiter'] ?? '')];
    $found = $folders = [];
    foreach (glob("{$store}/{$bucket}/*") ?: [] as $one) {
        $name = rawurldecode(basename($one));
        if (str_starts_with($name, $prefix)) {
            $rest = substr($name, strlen($prefix));
            $parts !== '' && str_contains($rest, $parts) ? $folders[$prefix.strstr($rest, $parts, true).$parts] = true
                : $found[] = "<Contents><Key>{$said($name)}</Key><Size>".filesize($one).'</Size><LastModified>'.gmdate('Y-m-d\TH:i:s.000\Z', (int) filemtime($one)).'</LastModified></Contents>';
        }
    }
    header('Content-Type: application/xml');
    echo '<?xml version="1.0"?><ListBucketResult><IsTruncated>false</IsTruncated><Prefix>'.$said($prefix).'</Prefix>'.implode('', $found)
        .implode('', array_map(static fn (string $one): string => "<CommonPrefixes><Prefix>{$said($one)}</Prefix></CommonPrefixes>", array_keys($folders))).'</ListBucketResult>';
} else {
    is_file($file($key)) || $refuse(404, 'NoSuchKey');
    header('Last-Modified: '.gmdate('D, d M Y H:i:s', (int) filemtime($file($key))).' GMT');
    header('ETag: "'.md5_file($file($key)).'"');
    header('Content-Type: application/octet-stream');
    header('Content-Length: '.filesize($file($key)));
    $method === 'HEAD' || readfile($file($key));
}
